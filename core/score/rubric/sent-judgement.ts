import type { Measures } from '../../methods/measures';
import type { Stage } from '../../methods/method';
import type { VariantId } from '../../methods/use';
import type { Marks } from './judge-union';
import type { Outlook, OutlookBy } from './outlook';

/** A judgement as it is made on a device, waits there and travels to the server. Times are ISO 8601. */
export interface SentJudgement {
  workshopId: string;
  seatId: string;
  /** A practice union is called by its seat and number, a keeper by its id. */
  kind: 'practice' | 'keeper';
  number: number;
  unionId: string | null;
  /** What it was joined by; null from a device that knew one method only: the workshop's. */
  method: string | null;
  variant: VariantId | null;
  stage: Stage;
  measures: Measures;
  marks: Marks;
  note: string;
  /** When it was made, by the clock of the device. */
  deviceAt: string;
  /** The judgement that this one replaces. */
  correctsId: string | null;
  /** When a sheet of paper was filled in that this was typed from. */
  filledInAt: string | null;
  /** From opening the union to saving it. */
  seconds: number | null;
  strokes: number | null;
  /** Whether it will live, and who says so; null where nobody did. */
  outlook: Outlook | null;
  outlookBy: OutlookBy | null;
  /** Scored as the second assessor of a union, without having seen the first score. */
  second: boolean;
}

/** What is added when it is sent: who made it, since another may have signed in, and what the device's clock shows then. */
export interface Sending {
  assessorId: string | null;
  sentAt: string | null;
}
