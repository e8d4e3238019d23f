import { GRADE_VALUE, type PointGrade } from '../../contact/grade';
import { scoreUnion } from '../../score/rubric/score-union';
import { logistic } from '../../statistics/logistic';
import { Z90 } from '../../statistics/normal-points';
import { logisticRegression } from '../../statistics/logistic-regression';
import { groupedBy } from '../../units/grouped-by';
import { RIDGE } from './points-model';

/** A keeper with its points as judged, its fate, and the workshop it is of. */
export interface WeighedFate {
  workshop: string;
  /** By point; one that is missing was not looked at. */
  grades: Readonly<Partial<Record<string, PointGrade>>>;
  alive: boolean;
}

/** What a union is scored by. */
export interface Weighing {
  weights: Readonly<Record<string, number>>;
  fatalCap: number;
  caps?: Readonly<Record<string, number>>;
  /** What the rubric began with; today's weights where left out. */
  start?: Readonly<Record<string, number>>;
}

export interface ProposedWeights {
  /** Whole, 100 together; null where those of now foretell as well as can be told. */
  weights: Record<string, number> | null;
  /** 90 % intervals of the new weights, each workshop left out in turn. */
  between: Record<string, { low: number; high: number }>;
  /** Brier score of keepers foretold from the other workshops: by the weights of now, and by weights made from these. */
  brierNow: number;
  brierThen: number;
  /** Standard error of the difference, workshops drawn as a whole. */
  error: number;
  workshops: number;
}

/** Fewer workshops than these cannot foretell each other. */
export const WORKSHOPS_NEEDED = 3;

/**
 * Weights by which the score would foretell the take better, and whether it would. Take is let depend on the score of now
 * and, drawn towards it by a ridge, on each point beside it: a point that nobody failed keeps its share. Each workshop is
 * foretold from the others, by the weights of now and by weights made from the others alone; new ones are proposed only if
 * the Brier score falls by more than its standard error.
 *
 * @throws RangeError for fewer than three workshops, or one outcome only
 */
export function proposedWeights(known: readonly WeighedFate[], now: Weighing): ProposedWeights {
  const workshops = [...groupedBy(known, ({ workshop }) => workshop)];
  if (workshops.length < WORKSHOPS_NEEDED)
    throw new RangeError(`Weights are tried from workshop to workshop: that needs ${WORKSHOPS_NEEDED} of them.`);
  if (!bothFates(known)) throw new RangeError('Weights need keepers that lived and keepers that died.');
  const tried: Record<string, number>[] = [];
  const falls = workshops.map(([workshop, own]) => {
    const others = known.filter((union) => union.workshop !== workshop);
    const then = { ...now, weights: weightsFrom(others, now) };
    tried.push(then.weights);
    const [chanceNow, chanceThen] = [foretelling(others, now), foretelling(others, then)];
    return own.map((union) => {
      const [before, after] = [chanceNow(union), chanceThen(union)].map((p) => (p - Number(union.alive)) ** 2);
      return { before: before!, after: after!, fall: before! - after! };
    });
  });
  const all = falls.flat();
  const mean = (part: 'before' | 'after' | 'fall'): number =>
    all.reduce((sum, each) => sum + each[part], 0) / all.length;
  const fall = mean('fall');
  const error = clusteredError(
    falls.map((own) => own.map((each) => each.fall)),
    fall,
  );
  const weights = weightsFrom(known, now);
  const differs = Object.entries(weights).some(([point, weight]) => Math.abs(weight - now.weights[point]!) >= 1);
  return {
    weights: fall > error && differs && !ofOneWorkshop(falls) ? weights : null,
    between: jackknifed(weights, tried),
    brierNow: mean('before'),
    brierThen: mean('after'),
    error,
    workshops: workshops.length,
  };
}

/** Whether more than half of what is gained comes from one workshop: then it is that day, not the weights. */
function ofOneWorkshop(falls: readonly (readonly { fall: number }[])[]): boolean {
  const gains = falls.map((own) => own.reduce((sum, { fall }) => sum + fall, 0));
  return Math.max(...gains) > 0.5 * gains.reduce((sum, gain) => sum + gain, 0);
}

function jackknifed(
  weights: Readonly<Record<string, number>>,
  tried: readonly Readonly<Record<string, number>>[],
): ProposedWeights['between'] {
  return Object.fromEntries(
    Object.entries(weights).map(([point, weight]) => {
      const values = tried.map((each) => each[point] ?? 0);
      const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
      const squares = values.reduce((sum, value) => sum + (value - mean) ** 2, 0);
      const reach = Z90 * Math.sqrt(((values.length - 1) / values.length) * squares);
      return [point, { low: Math.max(0, weight - reach), high: weight + reach }];
    }),
  );
}

const bothFates = (known: readonly WeighedFate[]): boolean => new Set(known.map(({ alive }) => alive)).size === 2;

function scoreOf({ grades }: WeighedFate, { weights, fatalCap, caps }: Weighing): number | null {
  const points = Object.entries(weights).map(([id, weight]) => ({ id, weight, grade: grades[id] ?? 'not-looked-at' }));
  return scoreUnion(points, fatalCap, caps).score;
}

/** Score about 80, in tens; a union without a score stands in the middle. */
const centred = (score: number | null): number => ((score ?? 80) - 80) / 10;

/** Chance of living by the score, from some unions; the slope is drawn a little to nothing, so that it is always finite. */
function foretelling(from: readonly WeighedFate[], weighing: Weighing): (union: WeighedFate) => number {
  if (!bothFates(from)) {
    const rate = from.length === 0 ? 0.5 : Number(from[0]!.alive);
    return () => rate;
  }
  const rows = from.map((union) => [1, centred(scoreOf(union, weighing))]);
  const { coefficients } = logisticRegression(
    rows,
    from.map(({ alive }) => Number(alive)),
    [0, RIDGE],
  );
  return (union) => logistic(coefficients[0]! + coefficients[1]! * centred(scoreOf(union, weighing)));
}

/** Weights as some unions tell them, whole and 100 together; those of now where they tell nothing. */
function weightsFrom(from: readonly WeighedFate[], now: Weighing): Record<string, number> {
  const total = Object.values(now.weights).reduce((sum, weight) => sum + weight, 0);
  if (!bothFates(from) || total <= 0) return { ...now.weights };
  const points = Object.keys(now.weights).filter((point) => from.some(({ grades }) => lost(grades[point]) > 0));
  const fit = logisticRegression(
    from.map((union) => [
      1,
      // Caps would hide what the points behind them tell.
      centred(scoreOf(union, { weights: now.weights, fatalCap: 100 })),
      ...points.map((point) => lost(union.grades[point])),
    ]),
    from.map(({ alive }) => Number(alive)),
    [0, RIDGE, ...points.map(() => RIDGE)],
  );
  const [, perTen, ...own] = fit.coefficients;
  const costs = Object.fromEntries(
    Object.entries(now.weights).map(([point, weight]) => {
      const at = points.indexOf(point);
      // What the whole point lost takes off the log odds: through the score, and beside it.
      return [point, Math.max(0, (perTen! * 10 * weight) / total - (at < 0 ? 0 : own[at]!))];
    }),
  );
  const shares = wholeShares(costs);
  return shares ? withinReach(shares, now) : { ...now.weights };
}

/** No point moves by more than this part of itself in one proposal, nor below this part of what it began with. */
const MOST_MOVED = 0.5;
const LEAST_OF_START = 1 / 3;

/**
 * Shares brought to where one proposal may take them, as near to their proportions as that allows.
 *
 * @returns whole, 100 together
 */
function withinReach(
  shares: Readonly<Record<string, number>>,
  { weights, start = weights }: Weighing,
): Record<string, number> {
  const total = Object.values(weights).reduce((sum, weight) => sum + weight, 0);
  const startTotal = Object.values(start).reduce((sum, weight) => sum + weight, 0);
  const bounds = Object.entries(weights).map(([point, weight]) => {
    const now = (100 * weight) / total;
    const least = (LEAST_OF_START * 100 * (start[point] ?? weight)) / startTotal;
    return { point, low: Math.min(now, Math.max((1 - MOST_MOVED) * now, least)), high: (1 + MOST_MOVED) * now };
  });
  const at = (scale: number): Record<string, number> =>
    Object.fromEntries(
      bounds.map(({ point, low, high }) => [point, Math.min(high, Math.max(low, scale * (shares[point] ?? 0)))]),
    );
  const sum = (parts: Record<string, number>): number => Object.values(parts).reduce((all, part) => all + part, 0);
  // More of all until they are 100 together: bounds hold now's, whose sum is 100, between them.
  let [low, high] = [0, 1];
  while (sum(at(high)) < 100 && high < 1e6) high *= 2;
  for (let i = 0; i < 60; i++) {
    const middle = (low + high) / 2;
    if (sum(at(middle)) < 100) low = middle;
    else high = middle;
  }
  return wholeShares(at(high)) ?? { ...weights };
}

/** How much of a point was lost, 0 to 1. */
const lost = (grade: PointGrade | undefined): number =>
  grade === undefined || grade === 'not-looked-at' ? 0 : 1 - GRADE_VALUE[grade];

/** Shares of 100 in whole numbers, by largest remainder; null where there is nothing to share by. */
function wholeShares(parts: Readonly<Record<string, number>>): Record<string, number> | null {
  const total = Object.values(parts).reduce((sum, part) => sum + part, 0);
  if (!(total > 0)) return null;
  const shares = Object.entries(parts).map(([id, part]) => ({
    id,
    whole: Math.floor((100 * part) / total),
    exact: (100 * part) / total,
  }));
  const short = 100 - shares.reduce((sum, { whole }) => sum + whole, 0);
  const most = [...shares].sort((a, b) => b.exact - b.whole - (a.exact - a.whole)).slice(0, short);
  return Object.fromEntries(shares.map((share) => [share.id, share.whole + Number(most.includes(share))]));
}

/** Standard error of a mean whose parts come in groups that are drawn as a whole. */
function clusteredError(groups: readonly (readonly number[])[], mean: number): number {
  const count = groups.reduce((sum, own) => sum + own.length, 0);
  const squares = groups.reduce((sum, own) => sum + own.reduce((off, value) => off + value - mean, 0) ** 2, 0);
  return Math.sqrt((groups.length / (groups.length - 1)) * squares) / count;
}
