import type { Sent } from '../form/send';
import type { Waiting } from './device-database';
import { allWaiting, changeWaiting } from './waiting-queue';

/** How sending ended: all gone; the server not reached; nobody signed in; somebody else signed in. */
export type Outcome = 'done' | 'unreachable' | 'signed-out' | 'other-assessor';

type Sender = (method: 'PUT' | 'DELETE', url: string, body?: object) => Promise<Sent<unknown>>;

/**
 * Sends what waits of one assessor, in the order it was made; stops at the first thing the server
 * could not be asked about. What another assessor made on this device is left for them. Sending
 * twice is harmless: ids were made on the device and the server takes each once.
 */
export async function sendWaiting(assessorId: string, send: Sender, now: () => number): Promise<Outcome> {
  for (const item of await allWaiting()) {
    if (item.deliveredAt !== null || item.refusal !== null || item.assessor.id !== assessorId) continue;
    // Counted before it leaves: if the browser dies now, it may have arrived.
    await changeWaiting(item.order!, { tries: item.tries + 1 });
    const sent = await deliver(item, send, now);
    if (sent.ok || isGone(item, sent)) await changeWaiting(item.order!, { deliveredAt: now(), refusal: null });
    else if (sent.status === 401) return 'signed-out';
    else if (sent.fields.assessorId) return 'other-assessor';
    else if (sent.status === 0 || sent.status === 429 || sent.status >= 500) return 'unreachable';
    else await changeWaiting(item.order!, { refusal: sent.message });
  }
  return 'done';
}

function deliver(item: Waiting, send: Sender, now: () => number): Promise<Sent<unknown>> {
  const url = `/api/judgements/${item.judgementId}`;
  if (item.kind === 'withdrawal') return send('DELETE', url);
  return send('PUT', url, { ...item.body, assessorId: item.assessor.id, sentAt: new Date(now()).toISOString() });
}

/** Taking back what never arrived is done already. */
function isGone(item: Waiting, sent: Sent<unknown>): boolean {
  return item.kind === 'withdrawal' && !sent.ok && sent.status === 404;
}
