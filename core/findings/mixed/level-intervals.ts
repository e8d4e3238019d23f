import normalCdf from '@stdlib/stats-base-dists-normal-cdf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { factorInPlace, logDeterminant } from '../../statistics/cholesky';
import { dot } from '../../statistics/dot';
import { logistic } from '../../statistics/logistic';
import type { AdjustedFit } from './adjusted-model';
import { jointInverse } from './joint-inverse';
import { countsOfLevels, differenceOf, effectsAt, type EffectsOfGroup, type LevelEffect } from './level-effects';

/** A level with its chance to be no other than the rest. */
export interface LevelFound extends LevelEffect {
  /** Twice the chance that its effect lies on the other side of 0. */
  p: number;
}

export interface LevelsFound {
  levels: Record<string, LevelFound[]>;
  /** Pairs of levels, by their places in `levels`, whose difference's 90 % interval does not hold 0. */
  apart: Record<string, [number, number][]>;
}

/** Points of the standard deviations that levels are averaged over: where unions are many, spreads hardly matter. */
const POINTS = [
  { upTo: 3000, points: 64 },
  { upTo: 12_000, points: 40 },
  { upTo: Infinity, points: 12 },
] as const;
/** Points are drawn this much wider than the curvature says, and weighed. */
const WIDER = 1.3;
/** No point lies further from the maximum than the logarithm of a spread may be wrong. */
const WIDEST = 1.5;
const HALTON = [2, 3, 5, 7] as const;

/**
 * Levels with 90 % intervals that hold how uncertain the standard deviations are: at each of many points of these, drawn
 * around the maximum and weighed by the likelihood and the prior, fixed and random effects are found anew, and the
 * intervals are those of the whole mixture.
 * Source: H. Rue et al., "Approximate Bayesian inference for latent Gaussian models", J. R. Statist. Soc. B 71 (2009).
 */
export function levelIntervals(fit: AdjustedFit, onPoint: (share: number) => void = () => {}): LevelsFound {
  const { design, laplace } = fit;
  const { points } = POINTS.find(({ upTo }) => design.alive.length <= upTo)!;
  const spreads = fit.groups.length === 0 ? [] : pointsOf(fit, points);
  const looked = spreads.flatMap((point, at) => {
    onPoint(at / spreads.length);
    return lookAt(fit, point) ?? [];
  });
  const greatest = Math.max(...looked.map(({ logWeight }) => logWeight));
  const total = looked.reduce((sum, { logWeight }) => sum + Math.exp(logWeight - greatest), 0);
  const found: LevelsFound = { levels: {}, apart: {} };
  laplace.rows.layout.groups.forEach((group, k) => {
    const mixture = looked.map(({ logWeight, middle, groups }) => ({
      weight: Math.exp(logWeight - greatest) / total,
      middle,
      group: groups[k]!,
      above: groups[k]!.above,
    }));
    const { alive, known } = countsOfLevels(group, design.alive);
    found.levels[group.name] = group.levels.map((level, l) => ({
      ...mixedLevel(mixture, l),
      level,
      alive: alive[l]!,
      known: known[l]!,
    }));
    found.apart[group.name] = apartOf(mixture, group.levels.length);
  });
  return found;
}

interface Point {
  spreads: number[];
  /** Log density it was drawn with. */
  drawn: number;
}

/** Points of the logarithms of spreads from a quasi-random normal around the maximum. */
function pointsOf({ parameters, covariance, design, groups }: AdjustedFit, count: number): Point[] {
  const width = design.fixed.length;
  const size = groups.length;
  const at = groups.map((_, k) => parameters[width + k]!);
  const factor = new Float64Array(size * size);
  for (let a = 0; a < size; a++)
    for (let b = 0; b <= a; b++) factor[a * size + b] = covariance[width + a]![width + b]! / (at[a]! * at[b]!);
  const scale = at.map((_, a) => Math.min(1, WIDEST / Math.sqrt(factor[a * size + a]!)));
  for (let a = 0; a < size; a++) for (let b = 0; b <= a; b++) factor[a * size + b]! *= scale[a]! * scale[b]!;
  // The density over logarithms has its maximum higher than over spreads themselves.
  const centre = at.map((x, a) => {
    let shift = 0;
    for (let b = 0; b < size; b++) shift += factor[Math.max(a, b) * size + Math.min(a, b)]!;
    return Math.log(x) + Math.max(-0.5, Math.min(0.5, shift));
  });
  if (!factorInPlace(factor, size)) throw new RangeError('The model has no finite fit.');
  return Array.from({ length: count }, (_, i) => {
    const z = at.map((_x, k) => normalQuantile(radicalInverse(i + 1, HALTON[k % HALTON.length]!), 0, 1));
    const logs = centre.map((x, a) => {
      let sum = x;
      for (let b = 0; b <= a; b++) sum += WIDER * factor[a * size + b]! * z[b]!;
      return sum;
    });
    return { spreads: logs.map(Math.exp), drawn: -z.reduce((sum, x) => sum + x * x, 0) / 2 };
  });
}

/** The i-th number of van der Corput's sequence in a base: 1/2, 1/4, 3/4, 1/8, … in base 2. */
function radicalInverse(i: number, base: number): number {
  let [rest, value, place] = [i, 0, 1 / base];
  for (; rest > 0; rest = Math.floor(rest / base), place /= base) value += (rest % base) * place;
  return value;
}

interface Looked {
  logWeight: number;
  middle: number;
  groups: (EffectsOfGroup & { above: Float64Array | null })[];
}

const STEPS = 6;
const NEAR = 1e-3;

/** Fixed and random effects at given spreads, with how likely these are; null where there is no finite fit. */
function lookAt({ design, laplace, parameters, covariance }: AdjustedFit, { spreads, drawn }: Point): Looked | null {
  const width = design.fixed.length;
  const at = Float64Array.from(parameters);
  spreads.forEach((spread, k) => (at[width + k] = spread));
  let here = laplace.at(at);
  const ofFixed = covariance.slice(0, width).map((row) => Float64Array.from(row.slice(0, width)));
  const slope = new Float64Array(width);
  const move = new Float64Array(width);
  for (let step = 0; step < STEPS && Number.isFinite(here.value); step++) {
    slope.set(here.slope.subarray(0, width));
    move.forEach((_, j) => (move[j] = dot(ofFixed[j]!, slope)));
    if (dot(move, slope) < NEAR) break;
    const next = Float64Array.from(at);
    for (let j = 0; j < width; j++) next[j]! += move[j]!;
    const there = laplace.at(next);
    if (there.value <= here.value) break;
    at.set(next);
    here = there;
  }
  if (!Number.isFinite(here.value)) return null;
  laplace.at(at);
  const joint = jointInverse(laplace.rows, laplace.mode(), at);
  const { middle, groups } = effectsAt(design, laplace.rows, { mode: laplace.mode(), joint, parameters: at });
  const logDet = logDeterminantOf(joint.fixed);
  const jacobian = spreads.reduce((sum, spread) => sum + Math.log(spread), 0);
  return {
    logWeight: here.value + logDet / 2 + jacobian - drawn,
    middle,
    groups: groups.map((group) => ({ ...group, rows: null, above: aboveOf(group) })),
  };
}

function logDeterminantOf(rows: readonly (readonly number[])[]): number {
  const size = rows.length;
  const factor = Float64Array.from(rows.flat());
  return factorInPlace(factor, size) ? logDeterminant(factor, size, size) : -Infinity;
}

/** Chance that one level lies above another, for each pair; null where levels are not compared. */
function aboveOf(group: EffectsOfGroup): Float64Array | null {
  const { rows } = group;
  if (!rows) return null;
  const size = group.levels.length;
  const above = new Float64Array(size * size);
  for (let a = 0; a < size; a++)
    for (let b = 0; b < a; b++) {
      const { difference, error } = differenceOf({ ...group, rows }, a, b);
      above[a * size + b] = error > 0 ? normalCdf(difference, 0, error) : 0.5;
    }
  return above;
}

interface MixedPoint {
  weight: number;
  middle: number;
  group: EffectsOfGroup;
  above: Float64Array | null;
}

function mixedLevel(mixture: readonly MixedPoint[], l: number): Omit<LevelFound, 'level' | 'alive' | 'known'> {
  const mean = (value: (point: MixedPoint) => number): number =>
    mixture.reduce((sum, point) => sum + point.weight * value(point), 0);
  const estimate = mean(({ group }) => group.estimates[l]!);
  const below = mean(({ group }) => normalCdf(0, group.estimates[l]!, Math.max(1e-9, Math.sqrt(group.own[l]!))));
  const parts = mixture.map(({ weight, middle, group }) => ({
    weight,
    centre: middle + group.estimates[l]!,
    error: Math.max(1e-9, Math.sqrt(group.whole[l]!)),
  }));
  return {
    estimate,
    take: logistic(mean(({ middle, group }) => middle + group.estimates[l]!)),
    low: logistic(quantileOf(parts, 0.05)),
    high: logistic(quantileOf(parts, 0.95)),
    p: 2 * Math.min(below, 1 - below),
  };
}

interface Part {
  weight: number;
  centre: number;
  error: number;
}

/** Where a mixture of normals has a share of its mass below, by halving. */
function quantileOf(parts: readonly Part[], share: number): number {
  let low = Math.min(...parts.map(({ centre, error }) => centre - 6 * error));
  let high = Math.max(...parts.map(({ centre, error }) => centre + 6 * error));
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2;
    let mass = 0;
    for (const { weight, centre, error } of parts) mass += weight * normalCdf(middle, centre, error);
    if (mass < share) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function apartOf(mixture: readonly MixedPoint[], size: number): [number, number][] {
  if (mixture.some(({ above }) => !above)) return [];
  const pairs: [number, number][] = [];
  for (let a = 0; a < size; a++)
    for (let b = 0; b < a; b++) {
      const chance = mixture.reduce((sum, { weight, above }) => sum + weight * above![a * size + b]!, 0);
      if (chance < 0.05 || chance > 0.95) pairs.push([b, a]);
    }
  return pairs;
}
