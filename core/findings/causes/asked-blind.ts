import { lotOf } from '../care/told-and-looked';

/** One death in five is judged by a person before anybody sees what was computed of it: only these teach the shares. */
const ASKED_SHARE = 0.2;

/** Whether a death is drawn to be settled blind; drawn by its id, so that nobody picks which. */
export function askedBlind(unionId: string): boolean {
  return lotOf(`blind ${unionId}`) < ASKED_SHARE;
}
