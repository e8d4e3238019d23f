import { send } from '../form/send';
import { oneSender } from './one-sender';
import { type Outcome, sendWaiting } from './send-waiting';

/** How long the server has for what waits, ms: after that it is asked about something else. */
export const SEND_PATIENCE = 15_000;

/** One round of sending by this window, unless another is at it. */
export function sendRound(assessorId: string): Promise<Outcome> {
  return oneSender(
    () => sendWaiting(assessorId, (method, url, body) => send(method, url, body, SEND_PATIENCE), Date.now),
    'elsewhere',
  );
}
