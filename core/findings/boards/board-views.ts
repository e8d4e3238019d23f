import type { TakeKind } from '../facts/take-by';
import type { FindingsFilter } from '../facts/findings-filter';
import type { Calibration } from '../score/calibration';
import type { DeadByCause } from '../survival/dead-by-cause';
import type { SurvivalFit } from '../survival/turnbull';
import type { TakeRate } from '../take/take-rate';
import type { TakeState } from '../take/take-state';
import type { RunPoint } from '../years/run-chart';
import type { Milestone } from '../../methods/milestones';

/** A thing to choose, by what it is called. */
export interface Choice {
  id: string;
  name: string;
}

/** What findings are about, and what else they could be about. */
export interface ScopeView {
  /** "of the club", "of Whip and tongue, 2025". */
  whose: string;
  filter: FindingsFilter;
  choices: { methods: Choice[]; years: string[]; lots: Choice[]; sites: Choice[] };
  keepers: number;
  /** There are more, and only the newest of them are read. */
  onlyNewest?: boolean;
}

/** A keeper as one mark, and what it belongs to. */
export interface TakeMark {
  unionId: string;
  called: string;
  href: string;
  state: TakeState;
}

export interface TakeGroupView {
  level: string;
  name: string;
  take: TakeRate;
  /** Its keepers, by their place in the board's `marks`; null where there are too many to be seen one by one. */
  marks: number[] | null;
  /** Names of groups of other kinds that hold the same keepers. */
  twins: string[];
}

export interface UnheardView {
  counts: { alive: number; dead: number; unknown: number };
  reminded: { alive: number; dead: number };
}

export interface TakeBoard {
  scope: ScopeView;
  sentence: string;
  /** Null for the last one each keeper was asked for. */
  milestone: Milestone | null;
  /** Of the workshops that were asked for each. */
  milestones: ({ milestone: Milestone } & TakeRate)[];
  unions: TakeRate;
  plants: TakeRate;
  varieties: TakeRate | null;
  /** Of many groups of a kind only some are listed. */
  kinds: { kind: TakeKind; groups: TakeGroupView[]; more: number }[];
  /** Every keeper that is drawn: it is in one group of each kind. */
  marks: Omit<TakeMark, 'unionId'>[];
  unheard: UnheardView;
  /** From workshop to workshop, a method each. */
  runs: MethodRun[];
}

export interface MethodRun {
  method: string;
  run: { workshopId: string; title: string; date: string; n: number; alive: number; point: RunPoint }[];
}

/** Too little is known: how much there is, and how many more answers would do. */
export interface Missing {
  known: number;
  rarer: number;
  missing: number;
}

/** What one measure foretells. */
export interface ForetoldView {
  what: 'score' | 'contact';
  /** What is missing, or why there is no fit; empty where there is. */
  sentence: string;
  found: Calibration | null;
  missing: Missing | null;
  /** Judged keepers, and those of them with a known fate. */
  judged: number;
  known: number;
}

export interface OutlookRow {
  said: string;
  by: string;
  take: TakeRate;
}

export interface ScoreBoard {
  scope: ScopeView;
  /** What may be concluded, as soon as the model is there. */
  sentence: string;
  measures: ForetoldView[];
  outlooks: OutlookRow[];
}

export interface SurvivalCurve {
  level: string;
  name: string;
  plants: number;
  deaths: number;
  fit: SurvivalFit;
}

export interface WhenBoard {
  scope: ScopeView;
  sentence: string;
  missing: Missing | null;
  curves: SurvivalCurve[];
  /** Levels with too few known plants for a curve of their own. */
  tooFew: { name: string; plants: number }[];
  by: 'method' | 'lot' | 'cause';
  /** Where they are told by cause. */
  byCause: DeadByCause | null;
  /** How many were still watched on some days. */
  watched: { day: number; watched: number }[];
  /** Which look would tell most, in a sentence; empty for none. */
  visit: string;
}
