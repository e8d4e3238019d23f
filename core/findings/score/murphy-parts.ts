import type { ScoreAndFate } from './score-and-fate';

/** Where bins of scores begin; each ends where the next begins, the last at 100. */
export const SCORE_BINS = [0, 60, 75, 85, 95] as const;

export interface ScoreBin {
  from: number;
  /** The last whole score of it. */
  to: number;
  count: number;
  alive: number;
  meanFitted: number;
}

export interface MurphyParts {
  /** How far what was foretold lies from what was seen, over bins: 0 is best. */
  reliability: number;
  /** How far apart bins lie from the base rate: more is better. */
  resolution: number;
  uncertainty: number;
  /** Bins that hold a union. */
  bins: ScoreBin[];
}

/**
 * Murphy's parts of a forecast over bins of scores.
 * Source: A. H. Murphy, "A new vector partition of the probability score", Journal of Applied Meteorology 12 (1973).
 *
 * @param fitted chance of living foretold for each union
 * @throws RangeError for no unions
 */
export function murphyParts(known: readonly ScoreAndFate[], fitted: readonly number[]): MurphyParts {
  if (known.length === 0) throw new RangeError('There has to be a union with a known fate.');
  const base = known.filter(({ alive }) => alive).length / known.length;
  const bins = SCORE_BINS.map((from, at): ScoreBin => {
    const next = SCORE_BINS[at + 1] ?? Infinity;
    const members = known.flatMap((union, i) =>
      union.score >= from && union.score < next ? { alive: union.alive, fitted: fitted[i]! } : [],
    );
    const count = members.length;
    return {
      from,
      to: next === Infinity ? 100 : next - 1,
      count,
      alive: members.filter(({ alive }) => alive).length,
      meanFitted: members.reduce((sum, union) => sum + union.fitted, 0) / count,
    };
  }).filter(({ count }) => count > 0);
  const over = (part: (bin: ScoreBin) => number): number =>
    bins.reduce((sum, bin) => sum + bin.count * part(bin) ** 2, 0) / known.length;
  return {
    reliability: over(({ meanFitted, alive, count }) => meanFitted - alive / count),
    resolution: over(({ alive, count }) => alive / count - base),
    uncertainty: base * (1 - base),
    bins,
  };
}
