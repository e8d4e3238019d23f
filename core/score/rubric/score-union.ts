import { GRADE_VALUE, type PointGrade } from '../../contact/grade';

/** One point of a rubric as it was found. */
export interface GradedPoint {
  id: string;
  weight: number;
  grade: PointGrade;
}

export interface UnionScore {
  /** 0 to 100, or null when no point that weighs anything was looked at. */
  score: number | null;
  /** The same before any fatal fault capped it. */
  uncapped: number | null;
  /** Ids of the points that are fatal. */
  fatal: string[];
}

/** A fatal fault holds the total at this or lower unless the rubric says otherwise. */
export const FATAL_CAP = 40;

/**
 * Score of a union: 100 * sum(weight * value) / sum(weight) over the points looked at, capped when
 * any of them is fatal: by the lowest cap of those that are.
 *
 * @param caps by point, where its cap is not the general one.
 * @throws RangeError on a weight that is negative or not a number.
 * @example scoreUnion([{ id: 'cambium', weight: 30, grade: 'poor' }, { id: 'hold', weight: 10, grade: 'good' }]).score // 62.5
 */
export function scoreUnion(
  points: GradedPoint[],
  fatalCap = FATAL_CAP,
  caps: Readonly<Record<string, number>> = {},
): UnionScore {
  let gained = 0;
  let possible = 0;
  const fatal: string[] = [];
  for (const { id, weight, grade } of points) {
    if (!(weight >= 0) || !Number.isFinite(weight)) throw new RangeError(`The weight of "${id}" must be 0 or more.`);
    if (grade === 'not-looked-at') continue;
    gained += weight * GRADE_VALUE[grade];
    possible += weight;
    if (grade === 'fatal') fatal.push(id);
  }
  if (possible === 0) return { score: null, uncapped: null, fatal };
  // The quotient first: it is 1 at most, and so the score never passes 100 by rounding.
  const uncapped = 100 * (gained / possible);
  return {
    score: Math.min(uncapped, ...fatal.map((id) => (Object.hasOwn(caps, id) ? caps[id]! : fatalCap))),
    uncapped,
    fatal,
  };
}
