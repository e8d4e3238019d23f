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
  /**
   * Milestones that a round of its workshop asked. One nobody asked would know only those that got further, or died
   * earlier, so it counts for none of its workshop.
   */
  asked: readonly Milestone[];
  /** Its state at the last milestone its workshop was asked for. */
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

/** The state of a keeper at a milestone, or at the last one that was asked; null where its workshop was not asked. */
export function stateAt({ states, asked, fate }: KeeperFact, milestone: Milestone | null): TakeState | null {
  if (milestone === null) return fate;
  return asked.includes(milestone) ? states[milestone] : null;
}

/** Keepers whose workshops were asked for a milestone, with their states. */
export function statesAt(facts: readonly KeeperFact[], milestone: Milestone | null): TakeState[] {
  return facts.flatMap((fact) => stateAt(fact, milestone) ?? []);
}
