import type { Sent } from '../form/send';
import type { Sending } from '@/core/score/rubric/sent-judgement';
import { type Waiting, type WaitingItem, WAYS } from './device-database';
import { nextTry } from './next-try';
import { allWaiting, changeAllWaiting } from './waiting-queue';
import { groupedBy } from '@/core/units/grouped-by';

/**
 * How a round of sending ended: all that can go has gone; the server not reached; nobody signed in;
 * somebody else signed in; another window is sending.
 */
export type Outcome = 'done' | 'unreachable' | 'signed-out' | 'other-assessor' | 'elsewhere';

export type Sender = (method: 'PUT' | 'DELETE', url: string, body?: object) => Promise<Sent<unknown>>;

/** What the server answers for each judgement of a batch. */
export type BatchAnswer = {
  results: { id: string; status: number; message?: string; fields?: Record<string, string> }[];
};

/** Judgements that travel together; few enough that a slow line has them within the time limit. */
const BATCH = 25;
/** Unions in a row that the server fails at, from which on it is the server and not the union. */
const GIVE_UP = 2;
/** Failures by itself from which on an item no longer travels with others, and is shown. */
export const STUCK = 2;

/** Why a round ends early; null when it goes on. */
type Ended = Outcome | null;

/**
 * Sends what waits of one assessor: in batches, in the order it was made; then, union by union, what
 * failed in its batch or keeps failing. Such an item is stepped past, and what was made of the same
 * union later waits behind it. What another assessor made on this device is left for them. Sending
 * twice is harmless: ids were made on the device and the server takes each once.
 */
export async function sendWaiting(
  assessorId: string,
  send: Sender,
  now: () => number,
  chance: () => number = Math.random,
): Promise<Outcome> {
  const open = (await allWaiting()).filter(
    (item) => item.deliveredAt === null && item.refusal === null && item.assessor.id === assessorId,
  );
  const stuck = new Set(open.filter(({ stumbles = 0 }) => stumbles >= STUCK).map(union));
  const alone = open.filter((item) => stuck.has(union(item)));
  for (const batch of batches(open.filter((item) => !stuck.has(union(item))))) {
    const before = batch.some((item) => alone.some((failed) => union(failed) === union(item)));
    if (before) alone.push(...batch);
    else {
      const ended =
        batch.length === 1 ? await sendOne(batch[0]!, send, now, alone) : await sendBatch(batch, send, now, alone);
      if (ended) return ended;
    }
  }
  return sendAlone(alone, send, now, chance);
}

/** What must stay in order: all that was made of one union, and a tap with its taking back. */
function union({ workshopId, seatId, number }: Waiting): string {
  return `${workshopId}/${seatId}/${number}`;
}

/** Judgements of different unions that follow each other travel together; a withdrawal travels by itself. */
function batches(items: readonly Waiting[]): Waiting[][] {
  const all: Waiting[][] = [];
  for (const item of items) {
    const last = all.at(-1);
    const joins =
      item.kind === 'judgement' &&
      last?.[0]!.kind === 'judgement' &&
      last.length < BATCH &&
      last.every((waiting) => union(waiting) !== union(item));
    if (joins) last.push(item);
    else all.push([item]);
  }
  return all;
}

async function sendBatch(batch: readonly Waiting[], send: Sender, now: () => number, alone: Waiting[]): Promise<Ended> {
  await countTries(batch);
  const sent = await send('PUT', '/api/judgements', {
    judgements: batch.map((item) => ({ id: item.judgementId, ...bodyOf(item, now) })),
  });
  if (!sent.ok) {
    const ended = lineEnds(sent);
    // Hanging, failing, or not to be read as a whole: each is asked for by itself.
    if (!ended) alone.push(...batch);
    return ended;
  }
  const { results = [] } = (sent.data ?? {}) as Partial<BatchAnswer>;
  const changes: [number, Partial<WaitingItem>][] = [];
  for (const item of batch) {
    const result = results.find(({ id }) => id === item.judgementId);
    if (!result || result.status >= 500) alone.push(item);
    else if (result.status === 200) changes.push([item.order!, { deliveredAt: now(), refusal: null }]);
    else if (!result.fields?.assessorId)
      changes.push([item.order!, { refusal: result.message ?? 'The server refused it.' }]);
  }
  await changeAllWaiting(changes);
  return results.some(({ fields }) => fields?.assessorId) ? 'other-assessor' : null;
}

/** Asks the server about one item; puts it among `failed` when the server fails at it. */
async function sendOne(item: Waiting, send: Sender, now: () => number, failed: Waiting[]): Promise<Ended> {
  await countTries([item]);
  const sent = await deliver(item, send, now);
  if (sent.ok || isGone(item, sent)) {
    await changeAllWaiting([[item.order!, { deliveredAt: now(), refusal: null }]]);
    return null;
  }
  const ended = lineEnds(sent);
  if (ended) return ended;
  if (sent.timedOut || sent.status >= 500) failed.push(item);
  else await changeAllWaiting([[item.order!, { refusal: sent.message }]]);
  return null;
}

/** Sends one by one what failed, the least tried union first, so that every one has its turn. */
async function sendAlone(
  items: readonly Waiting[],
  send: Sender,
  now: () => number,
  chance: () => number,
): Promise<Outcome> {
  const groups = groupedBy(
    [...items].sort((a, b) => a.order! - b.order!),
    union,
  );
  let inARow = 0;
  for (const group of [...groups.values()].sort((a, b) => a[0]!.tries - b[0]!.tries)) {
    if ((group[0]!.notBefore ?? 0) > now()) continue;
    for (const item of group) {
      const failed: Waiting[] = [];
      const ended = await sendOne(item, send, now, failed);
      if (ended) return ended;
      if (failed.length === 0) {
        inARow = 0;
        continue;
      }
      const stumbles = (item.stumbles ?? 0) + 1;
      await changeAllWaiting([[item.order!, { stumbles, notBefore: now() + nextTry(stumbles, chance()) }]]);
      if (++inARow === GIVE_UP) return 'unreachable';
      break;
    }
  }
  return 'done';
}

/** Counted before it leaves: if the browser dies now, it may have arrived. */
function countTries(items: readonly Waiting[]): Promise<void> {
  return changeAllWaiting(items.map((item) => [item.order!, { tries: item.tries + 1 }]));
}

function bodyOf(item: Waiting, now: () => number): Sending & object {
  return { ...item.body, assessorId: item.assessor.id, sentAt: new Date(now()).toISOString() };
}

function deliver(item: Waiting, send: Sender, now: () => number): Promise<Sent<unknown>> {
  const { at, back } = WAYS[item.kind];
  const url = `${at}/${item.judgementId}`;
  return back ? send('DELETE', url) : send('PUT', url, bodyOf(item, now));
}

/** Taking back what never arrived is done already. */
function isGone(item: Waiting, sent: Sent<unknown>): boolean {
  return WAYS[item.kind].back && !sent.ok && sent.status === 404;
}

/** What ends a round whoever it was about: no line at all, nobody signed in, somebody else, too much at once. */
function lineEnds(sent: Sent<unknown>): Ended {
  if (sent.ok) return null;
  if (sent.status === 401) return 'signed-out';
  if (sent.fields.assessorId) return 'other-assessor';
  return (sent.status === 0 && !sent.timedOut) || sent.status === 429 ? 'unreachable' : null;
}
