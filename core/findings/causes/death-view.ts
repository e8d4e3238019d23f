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

/** A death as a list tells it; what speaks for its causes is asked for when it is opened. */
export interface DeathLine extends Pick<
  DeathView,
  'unionId' | 'called' | 'href' | 'variety' | 'stock' | 'method' | 'maker' | 'deadOn' | 'problem'
> {
  settled: Pick<SettledView, 'cause' | 'words'> | null;
  verdict: { cause: string; words: string; share: number } | null;
  /** Words of the three likeliest causes; empty where one is settled or found. */
  likely: string[];
  /** There are questions that would tell more. */
  mayAsk: boolean;
}

/** What a list tells of a death. */
export function deathLine(death: DeathView): DeathLine {
  const { unionId, called, href, variety, stock, method, maker, deadOn, problem, settled, verdict, likely } = death;
  return {
    ...{ unionId, called, href, variety, stock, method, maker, deadOn, problem },
    settled: settled && { cause: settled.cause, words: settled.words },
    verdict: verdict && { ...verdict, share: likely[0]!.share },
    likely: settled || verdict ? [] : likely.map(({ words }) => words),
    mayAsk: death.ask.length > 0,
  };
}

/** A death with all that is known of it, and the causes a person may settle it by. */
export interface OpenedDeath {
  /** Its questions the guide asks for itself. */
  death: Omit<DeathView, 'ask'> & { mayAsk: boolean };
  causes: { cause: string; words: string }[];
}

/** How sure a share is, in words. */
export function sureWords(share: number): string {
  if (share >= 0.9) return 'nearly sure';
  if (share >= 0.75) return 'likely';
  if (share >= 0.5) return 'more likely than not';
  if (share >= 0.25) return 'possible';
  return share >= 0.1 ? 'less likely' : 'hardly';
}
