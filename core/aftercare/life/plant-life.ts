import type { Tie } from '../ties/ties';
import type { WeeklyGrowth } from '../growth/weekly-growth';
import type { SecondTry } from '../second-try/second-try';
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

/** The method a stock is budded by again, and from which caliper on, mm. */
export interface SecondMethod {
  id: string;
  name: string;
  from: number;
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
  state: 'living' | 'dead' | 'opened' | 'voided';
  /** What wants doing now, and what comes next. */
  now: WordedTask[];
  next: WordedTask[];
  /** What was missed, and can still be marked as done after all. */
  missed: WordedTask[];
  /** Tasks that wait for something to be seen. */
  waiting: { task: string; name: string; when: string }[];
  ties: (Tie & { words: string })[];
  events: LifeEvent[];
  /** What can still be done this season about one that died. */
  second: (SecondTry & { sticksLeft: number; method: SecondMethod | null }) | null;
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
  heights: { on: string; mm: number; shortened: boolean }[];
}

export interface PlantLife {
  plantId: string;
  code: string;
  variety: string;
  species: string;
  stockType: string;
  stockSpecies: string;
  grower: string | null;
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
