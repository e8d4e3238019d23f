import type { Outcome } from '@/core/aftercare/outcome';
import type { ObservationKind } from '@/core/aftercare/observation-input';

export interface TaskMarkRow {
  id: string;
  clubId: string;
  /** One tap, which may close a task of many unions; made on the device. */
  actionId: string;
  /** A union, or a grafted limb of a topworking programme. */
  unionId: string;
  task: string;
  /** How many times the task had been closed before. */
  occurrence: number;
  outcome: Outcome;
  doneOn: string;
  reason: string;
  /** Null for the grower. */
  markedBy: string | null;
  /** The grower who told that it was done; null where a member marked it. */
  toldBy: string | null;
  recordedAt: Date;
  undoneAt: Date | null;
  undoneBy: string | null;
  /** Names union, task and occurrence while the mark stands; unique within the club. */
  liveKey: string | null;
  /** The mark that was there first, where this one tells another outcome: it counts only once the lead has settled it. */
  besideId: string | null;
}

export interface UnionObservationRow {
  id: string;
  clubId: string;
  unionId: string;
  kind: ObservationKind;
  /** The event or the tie it is about. */
  about: string;
  /** Height of the shoot, or caliper of the stock. */
  lengthMm: number | null;
  note: string;
  seenOn: string;
  /** Null for the grower. */
  seenBy: string | null;
  recordedAt: Date;
  takenBackAt: Date | null;
}

export interface VisitRuleRow {
  siteId: string;
  clubId: string;
  /** 1 Monday to 7 Sunday. */
  weekdays: number[];
  /** Days that one can go besides. */
  dates: string[];
  /** Visits at most; null for as many as it takes. */
  most: number | null;
  version: number;
}
