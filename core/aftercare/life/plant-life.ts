import type { Tie } from '../ties/ties';
import type { GrowthBand } from '../growth/growth-band';
import type { WeeklyGrowth } from '../growth/weekly-growth';
import type { Ending } from '../plan/union-plan';
import type { RegraftWay } from '../regraft/regraft-ways';
import type { PlaceMove } from '../places/place-view';
import type { TagDoubt } from '../places/tag-find-input';
import type { DueTask } from '../week/due-tasks';

/** Something on the line of a union's life. */
export interface LifeEvent {
  id: string;
  on: string;
  kind: 'made' | 'done' | 'missed' | 'skipped' | 'answer' | 'growth' | 'seen' | 'due' | 'latest' | 'moved';
  words: string;
  /** Last day of what is due. */
  to?: string;
  /** Set where it can be taken back. */
  actionId?: string;
  observationId?: string;
  by?: string;
}

/** A task that waits, with its words. */
export type WordedTask = Omit<DueTask, 'name' | 'missed'> & { name: string; missed: string; when: string };

/** A way to graft a stock again, in words. */
export interface WordedWay extends RegraftWay {
  methodName: string;
  /** "Chip bud in late summer, into the other side". */
  words: string;
  /** Which wood it wants, in a sentence. */
  woodWords: string;
}

export interface UnionLife {
  unionId: string;
  method: string;
  methodId: string;
  variant: string;
  /** "Chip bud in late summer". */
  made: string;
  /** How it can live on by its season, and what its day allows; none where there is one way only. */
  livesOn: { id: string; words: string; means: string; fits: boolean }[];
  variantReason: string;
  place: string;
  madeOn: string;
  today: string;
  state: 'living' | Ending;
  /** What wants doing now, and what comes next. */
  now: WordedTask[];
  next: WordedTask[];
  /** What was missed, and can still be marked as done after all. */
  missed: WordedTask[];
  /** Tasks that wait for something to be seen. */
  waiting: { task: string; name: string; when: string }[];
  /** Tasks of which two outcomes were told: the lead says which counts. */
  toldTwice: { task: string; outcomes: { markId: string; words: string; on: string; by: string }[] }[];
  ties: (Tie & { words: string })[];
  events: LifeEvent[];
  /** A bud that feeds on the stock's top until it is headed back: of several on one stock the better is kept. */
  keepsOne: boolean;
  /** What can still be done on the stock of one that died, what begins first first; null for all others. */
  second: WordedWay[] | null;
  /** Caliper of the stock as it was last measured, mm. */
  stockCaliper: number | null;
  /** Days with frost, days of heat, and days of much rain, while it healed where it stood. */
  frost: string[];
  heat: string[];
  rain: string[];
  /** Where the warmth that moves its healing is from, in words; empty where nothing moves it. */
  warmthFrom: string;
  /** How fast it grows beside its kin; null where it was not measured twice. */
  growth: WeeklyGrowth | null;
  growthFrom: 'own' | 'kin' | null;
  /** Where its last height lies among its like; null where it was not measured, or too few of those were. */
  band: GrowthBand | null;
  /** Signs that its two kinds do not suit after all, in words; none for most. */
  suitsNot: string[];
  /** The year from which it may bear. */
  bearsIn: number;
  heights: { on: string; mm: number; shortened: boolean }[];
}

export interface PlantLife {
  plantId: string;
  code: string;
  variety: string;
  species: string;
  stockType: string;
  stockSpecies: string;
  /** Who has it, or made it where it stays with the club. */
  grower: string | null;
  /** Who made it. */
  maker: string | null;
  withUs: boolean;
  /** Each time it was handed on, latest first; the name is null for whoever made it. */
  handings: { on: string; withUs: boolean; name: string | null; by: string }[];
  workshopId: string;
  workshop: string;
  site: string;
  voided: boolean;
  /** What is not sure of it since its tag fell off. */
  doubt: TagDoubt;
  /** Where it stands now; null where nobody said. */
  standing: { placeId: string; place: string; spot: string; since: string } | null;
  /** Where it stood, latest first. */
  moves: PlaceMove[];
  unions: UnionLife[];
}
