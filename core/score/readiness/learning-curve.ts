import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import { Z90 } from '../../statistics/normal-points';

/**
 * Learning curves of a class: score of attempt n = ceiling - gap * exp(-rate * (n - 1)). The rate is
 * the class's; ceiling and gap are each person's, drawn towards the class's as far as their own
 * scores are few or scatter (random coefficients, estimated by EM; the rate by profile likelihood
 * over a grid). Source: Laird and Ware, Random-effects models for longitudinal data, 1982.
 */
export interface LearningCurve {
  /** Mean curve at attempt n, 1-based, and half the width of its 90 % interval. */
  at: (n: number) => { mean: number; half: number };
  /** Chance that attempt n scores `score` or more: the curve and the scatter of single unions. */
  chance: (n: number, score: number) => number;
}

export interface ClassCurves {
  /** Share of the gap that goes from one attempt to the next, and scatter of single unions about a curve. */
  rate: number;
  scatter: number;
  /** By person, in the order given. */
  people: LearningCurve[];
}

const RATES = Array.from({ length: 15 }, (_, i) => 0.06 * 1.28 ** i);
/** Scatter that is assumed about where nobody knows better, points, and how many scores that is worth. */
const PRIOR_SCATTER = { value: 12, weight: 4 };
/** How far people's ceilings and gaps are taken to lie apart before anybody showed it, points. */
const PRIOR_SPREAD = { value: 14, weight: 3 };

type Vector = [number, number];
type Matrix = [number, number, number];

/**
 * @param scores each person's scores in the order they were made; gaps and empty lists are allowed.
 * @throws RangeError when nobody has a score, or one is not 0 to 100.
 */
export function learningCurves(scores: readonly (readonly number[])[]): ClassCurves {
  const all = scores.flat();
  if (all.length === 0) throw new RangeError('A learning curve needs at least one score.');
  if (all.some((score) => !(score >= 0 && score <= 100))) throw new RangeError('Scores are 0 to 100.');
  let best: Fit | null = null;
  for (const rate of RATES) {
    const fit = fitAt(rate, scores);
    if (!best || fit.likelihood > best.likelihood) best = fit;
  }
  const { rate, noise, posteriors } = best!;
  return {
    rate: 1 - Math.exp(-rate),
    scatter: Math.sqrt(noise),
    people: posteriors.map(({ mean, cov }) => {
      const at = (n: number): { mean: number; variance: number } => {
        const x = basis(n, rate);
        return {
          mean: Math.max(0, Math.min(100, x[0] * mean[0] + x[1] * mean[1])),
          variance: x[0] * x[0] * cov[0] + 2 * x[0] * x[1] * cov[1] + x[1] * x[1] * cov[2],
        };
      };
      return {
        at: (n) => ({ mean: at(n).mean, half: Z90 * Math.sqrt(at(n).variance) }),
        chance: (n, score) => 1 - normalCdf(score, at(n).mean, Math.sqrt(at(n).variance + noise)),
      };
    }),
  };
}

interface Fit {
  rate: number;
  noise: number;
  likelihood: number;
  posteriors: { mean: Vector; cov: Matrix }[];
}

/** Ceiling and what is missing to it: the curve is x . (ceiling, gap). */
function basis(n: number, rate: number): Vector {
  return [1, -Math.exp(-rate * (n - 1))];
}

function fitAt(rate: number, scores: readonly (readonly number[])[]): Fit {
  let mean: Vector = [85, 35];
  let spread: Matrix = [PRIOR_SPREAD.value ** 2, 0, PRIOR_SPREAD.value ** 2];
  let noise = PRIOR_SCATTER.value ** 2;
  let fit: Fit = { rate, noise, likelihood: -Infinity, posteriors: [] };
  for (let round = 0; round < 60; round++) {
    const posteriors = scores.map((own) => posterior(own, rate, mean, spread, noise));
    const likelihood = posteriors.reduce((sum, posterior) => sum + posterior.likelihood, 0);
    const settled = Math.abs(likelihood - fit.likelihood) < 1e-4;
    fit = { rate, noise, likelihood, posteriors };
    if (settled) break;
    const seen = posteriors.filter((_, i) => scores[i]!.length > 0);
    // The class's middle, held a little by what is usual, so that one beginner alone makes no law.
    mean = [0, 1].map(
      (k) => (seen.reduce((sum, posterior) => sum + posterior.mean[k]!, 0) + [85, 35][k]!) / (seen.length + 1),
    ) as Vector;
    const moment = (a: 0 | 1, b: 0 | 1): number =>
      seen.reduce(
        (sum, posterior) => sum + posterior.cov[a + b]! + (posterior.mean[a] - mean[a]) * (posterior.mean[b] - mean[b]),
        0,
      );
    const weight = seen.length + PRIOR_SPREAD.weight;
    const prior = PRIOR_SPREAD.weight * PRIOR_SPREAD.value ** 2;
    spread = [(moment(0, 0) + prior) / weight, moment(0, 1) / weight, (moment(1, 1) + prior) / weight];
    let squares = PRIOR_SCATTER.weight * PRIOR_SCATTER.value ** 2;
    let count = PRIOR_SCATTER.weight;
    for (const [i, own] of scores.entries()) {
      const { mean: at, cov } = posteriors[i]!;
      for (const [k, score] of own.entries()) {
        const x = basis(k + 1, rate);
        squares +=
          (score - x[0] * at[0] - x[1] * at[1]) ** 2 +
          x[0] * x[0] * cov[0] +
          2 * x[0] * x[1] * cov[1] +
          x[1] * x[1] * cov[2];
        count++;
      }
    }
    noise = squares / count;
  }
  return fit;
}

/** A person's ceiling and gap after their scores, each score taken in turn, and how likely the scores were. */
function posterior(
  own: readonly number[],
  rate: number,
  mean: Vector,
  spread: Matrix,
  noise: number,
): { mean: Vector; cov: Matrix; likelihood: number } {
  let m = mean;
  let [a, b, d] = spread;
  let likelihood = 0;
  for (const [k, score] of own.entries()) {
    const x = basis(k + 1, rate);
    const gain: Vector = [a * x[0] + b * x[1], b * x[0] + d * x[1]];
    const variance = x[0] * gain[0] + x[1] * gain[1] + noise;
    const miss = score - x[0] * m[0] - x[1] * m[1];
    likelihood -= 0.5 * (Math.log(2 * Math.PI * variance) + (miss * miss) / variance);
    m = [m[0] + (gain[0] * miss) / variance, m[1] + (gain[1] * miss) / variance];
    [a, b, d] = [
      a - (gain[0] * gain[0]) / variance,
      b - (gain[0] * gain[1]) / variance,
      d - (gain[1] * gain[1]) / variance,
    ];
  }
  return { mean: m, cov: [a, b, d], likelihood };
}
