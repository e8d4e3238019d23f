import type { Milestone } from '../../methods/milestones';
import type { Outlook, OutlookBy } from '../../score/rubric/outlook';
import type { PointGrade } from '../../contact/grade';
import type { TakeState } from '../take/take-state';
import type { IsoDate } from '../../units/iso-date';

/** What findings know of a keeper. */
export interface KeeperFact {
  unionId: string;
  /** Its plant's code, and its position where the plant carries several. */
  called: string;
  href: string;
  plantId: string;
  workshopId: string;
  date: IsoDate;
  method: string;
  variant: string;
  woodLotId: string | null;
  stockLotId: string | null;
  siteId: string;
  makerId: string;
  variety: string;
  states: Record<Milestone, TakeState>;
  /** As far as anybody knows today: dead once seen dead, alive once seen alive and never dead. */
  fate: TakeState;
  /** Days from the day it was made to the last day it was seen alive (0: never) and the first it was seen dead. */
  aliveFor: number;
  deadBy: number | null;
  score: number | null;
  contact: number | null;
  fatal: boolean;
  outlook: Outlook | null;
  outlookBy: OutlookBy | null;
  /** Told of only after a second letter. */
  reminded: boolean;
}

/** A keeper with the points it was judged by. */
export interface JudgedKeeper extends KeeperFact {
  grades: Partial<Record<string, PointGrade>>;
}
