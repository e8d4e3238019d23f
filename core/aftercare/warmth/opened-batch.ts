/** One of a batch that was opened to look: what had been reckoned, and what was seen. */
export interface OpenedPair {
  /** Knit days it had by then. */
  knitDays: number;
  /** Whether it was callused all round. */
  callused: boolean;
}

/** So many that disagree one way are needed before a figure is doubted. */
const ENOUGH = 10;

/** A figure that is proposed in the place of the one that was gone by; null while there is no reason to. */
export interface ProposedCallusing {
  days: number;
  /** Pairs that speak for it. */
  pairs: number;
  why: 'sooner' | 'later';
}

/**
 * Whether what was seen on opened grafts speaks against the days of warmth after which one is taken for callused. Ten that
 * disagree in one direction, and none in the other, propose the middle of what they had then.
 *
 * @param assumed days of full warmth that are gone by
 * @example proposedCallusing(tenCallusedAtTwelveDays, 14) // { days: 12, pairs: 10, why: 'sooner' }
 */
export function proposedCallusing(pairs: readonly OpenedPair[], assumed: number): ProposedCallusing | null {
  const sooner = pairs.filter(({ knitDays, callused }) => callused && knitDays < assumed);
  const later = pairs.filter(({ knitDays, callused }) => !callused && knitDays >= assumed);
  const [speaks, against, why] =
    sooner.length >= later.length ? ([sooner, later, 'sooner'] as const) : ([later, sooner, 'later'] as const);
  if (speaks.length < ENOUGH || against.length > 0) return null;
  const sorted = speaks.map(({ knitDays }) => knitDays).sort((a, b) => a - b);
  const middle = (sorted[Math.floor((sorted.length - 1) / 2)]! + sorted[Math.ceil((sorted.length - 1) / 2)]!) / 2;
  return { days: Math.round(middle * 10) / 10, pairs: speaks.length, why };
}
