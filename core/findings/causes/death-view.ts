import type { IsoDate } from '../../units/iso-date';
import type { CauseGroup, QuestionRow } from './cause-tables';
import type { LikelyCause } from './diagnose';
import type { Gathered } from './evidence/facts-of-union';

/** Evidence of a death as a page shows it. */
export interface EvidenceView extends Gathered {
  words: string;
  kind: 'record' | 'seen' | 'shared';
  /** Who saw it, where somebody did; a look can be taken back by its id. */
  lookId: string | null;
  struck: { id: string; reason: string; by: string } | null;
}

/** A cause that a person settled. */
export interface SettledView {
  id: string;
  /** Empty: settled as not known. */
  cause: string;
  words: string;
  reason: string;
  by: string;
  on: IsoDate;
  /** What had been computed when it was settled, in words. */
  computed: string;
}

/** What is found of one cause, in words. */
export interface CauseSpeaks extends LikelyCause {
  words: string;
  speaksFor: string[];
  against: string[];
  /** Questions that bear on it and that nobody has answered. */
  notLooked: string[];
}

/** A union that died, with why, as far as one knows. */
export interface DeathView {
  unionId: string;
  workshopId: string;
  /** The code of its tag, in groups. */
  called: string;
  href: string;
  variety: string;
  stock: string;
  method: string;
  maker: string;
  madeOn: IsoDate;
  deadOn: IsoDate;
  group: CauseGroup;
  /** Nothing is lost by cutting it open. */
  mayCut: boolean;
  verdict: { cause: string; words: string } | null;
  /** The three likeliest. */
  likely: CauseSpeaks[];
  evidence: EvidenceView[];
  /** Pairs of evidence that cannot both be true. */
  contradictions: [string, string][];
  /** Questions to ask, what tells most for its trouble first. */
  ask: QuestionRow[];
  settled: SettledView | null;
  /** Why nothing can be said of it, in words; empty otherwise. */
  problem: string;
}

/** How sure a share is, in words. */
export function sureWords(share: number): string {
  if (share >= 0.9) return 'nearly sure';
  if (share >= 0.75) return 'likely';
  if (share >= 0.5) return 'more likely than not';
  if (share >= 0.25) return 'possible';
  return share >= 0.1 ? 'less likely' : 'hardly';
}
