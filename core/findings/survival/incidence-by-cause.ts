import { factorInPlace, solveInPlace } from '../../statistics/cholesky';
import { type DayInterval, innermostIntervals, type SeenBetween } from './innermost-intervals';

/** A plant as visits saw it, and what it died of. */
export interface DiedBetween extends SeenBetween {
  /** Null where it was never seen dead. */
  cause: string | null;
  /** For how much of a plant it stands: one whose cause is not settled enters once a cause, by its share. 1 if left out. */
  weight?: number;
}

export interface IncidenceStep extends DayInterval {
  cause: string;
  /** Share of all plants that dies of the cause between these days. */
  mass: number;
}

export interface IncidenceFit {
  /** In alphabetical order. */
  causes: string[];
  steps: IncidenceStep[];
  /** Share that outlives all visits. */
  surviving: number;
  logLikelihood: number;
  converged: boolean;
}

const ROUNDS = 3000;
const TOLERANCE = 1e-6;
/** Mass below it is none, and what is taken away leaves so much, so that it can come back. */
const NO_MASS = 1e-9;

/**
 * What share of all plants is dead of each cause by a day, from visits alone: the nonparametric maximum likelihood estimate
 * over days and causes. A death of another cause ends the watch; causes and survivors add up to one. Mass lies only on the
 * innermost intervals of each cause. Self-consistency steps, steps towards the steepest place and Newton's in turn.
 * Source: M. G. Hudgens, G. A. Satten, I. M. Longini, Biometrics 57 (2001).
 *
 * @throws RangeError for no plants, or one that was dead before it was alive
 */
export function incidenceByCause(seen: readonly DiedBetween[]): IncidenceFit {
  if (seen.length === 0) throw new RangeError('No plant was seen.');
  innermostIntervals(seen);
  const causes = [...new Set(seen.flatMap(({ right, cause }) => (right === null ? [] : (cause ?? ''))))].sort();
  const never = seen.filter(({ right }) => right === null);
  const steps = causes.flatMap((cause) =>
    innermostIntervals([...never, ...seen.filter((plant) => plant.right !== null && plant.cause === cause)])
      .filter(({ to }) => to !== null)
      .map((interval) => ({ ...interval, cause })),
  );
  const kinds = kindsOf(seen, steps);
  const { mass, converged } = largest(kinds, steps.length + 1);
  return {
    causes,
    steps: steps.map((step, j) => ({ ...step, mass: mass[j]! })),
    surviving: mass[steps.length]!,
    logLikelihood: likelihood(kinds, mass),
    converged,
  };
}

/**
 * Share of all plants dead of a cause by a day; null where the day lies inside an innermost interval with mass.
 */
export function deadOfBy({ steps }: IncidenceFit, cause: string, day: number): number | null {
  let sum = 0;
  for (const { from, to, mass } of steps.filter((step) => step.cause === cause)) {
    if (to! <= day) sum += mass;
    else if (from < day && mass > 1e-6) return null;
  }
  return sum;
}

/** Plants that may have died at the same places: all causes' after a day, or one cause's between two. */
interface Kind {
  places: Int32Array;
  weight: number;
}

function kindsOf(seen: readonly DiedBetween[], steps: readonly (DayInterval & { cause: string })[]): Kind[] {
  const weights = new Map<string, { plant: DiedBetween; weight: number }>();
  for (const plant of seen) {
    const key = JSON.stringify([plant.left, plant.right, plant.cause]);
    const known = weights.get(key);
    if (known) known.weight += plant.weight ?? 1;
    else weights.set(key, { plant, weight: plant.weight ?? 1 });
  }
  return [...weights.values()]
    .filter(({ weight }) => weight > 0)
    .map(({ plant: { left, right, cause }, weight }) => {
      const places = steps.flatMap((step, j) => {
        if (step.from < left) return [];
        return right === null || (step.cause === cause && step.to! <= right) ? j : [];
      });
      return { places: Int32Array.from(right === null ? [...places, steps.length] : places), weight };
    });
}

const chanceOf = ({ places }: Kind, mass: Float64Array): number => {
  let sum = 0;
  for (const j of places) sum += mass[j]!;
  return Math.max(sum, 1e-300);
};

function likelihood(kinds: readonly Kind[], mass: Float64Array): number {
  return kinds.reduce((sum, kind) => sum + kind.weight * Math.log(chanceOf(kind, mass)), 0);
}

function gradientOf(kinds: readonly Kind[], mass: Float64Array): Float64Array {
  const gradient = new Float64Array(mass.length);
  for (const kind of kinds) {
    const share = kind.weight / chanceOf(kind, mass);
    for (const j of kind.places) gradient[j] = gradient[j]! + share;
  }
  return gradient;
}

function largest(kinds: readonly Kind[], size: number): { mass: Float64Array; converged: boolean } {
  const plants = kinds.reduce((sum, { weight }) => sum + weight, 0);
  let mass = new Float64Array(size).fill(1 / size);
  for (let round = 0; round < ROUNDS; round++) {
    for (let k = 0; k < 3; k++) {
      const gradient = gradientOf(kinds, mass);
      mass = normal(mass.map((share, j) => Math.max((share * gradient[j]!) / plants, 0)));
    }
    mass = towardsSteepest(kinds, mass);
    if (round % 3 === 2) mass = newtonStep(kinds, mass, plants);
    const steepest = gradientOf(kinds, mass).reduce((most, slope) => Math.max(most, slope / plants - 1), -Infinity);
    if (steepest <= TOLERANCE) return { mass, converged: true };
  }
  return { mass, converged: false };
}

function normal(mass: Float64Array): Float64Array<ArrayBuffer> {
  const sum = mass.reduce((total, share) => total + share, 0);
  return Float64Array.from(mass, (share) => share / sum);
}

/** As far towards all mass at the steepest place as the likelihood rises. */
function towardsSteepest(kinds: readonly Kind[], mass: Float64Array<ArrayBuffer>): Float64Array<ArrayBuffer> {
  const gradient = gradientOf(kinds, mass);
  const steepest = gradient.indexOf(gradient.reduce((most, slope) => Math.max(most, slope), -Infinity));
  const start = likelihood(kinds, mass);
  for (let share = 0.25; share > 1e-6; share /= 4) {
    const next = mass.map((part, j) => part * (1 - share) + (j === steepest ? share : 0));
    if (likelihood(kinds, next) > start) return next;
  }
  return mass;
}

/** Newton's step on what has mass, as far as the likelihood rises; what would fall below none is taken to next to none. */
function newtonStep(
  kinds: readonly Kind[],
  mass: Float64Array<ArrayBuffer>,
  plants: number,
): Float64Array<ArrayBuffer> {
  const support = Array.from(mass.keys()).filter((j) => mass[j]! > NO_MASS);
  const size = support.length;
  const at = new Int32Array(mass.length).fill(-1);
  support.forEach((j, k) => (at[j] = k));
  const curve = new Float64Array(size * size);
  for (const kind of kinds) {
    const own = Array.from(kind.places, (j) => at[j]!).filter((k) => k >= 0);
    const weight = kind.weight / chanceOf(kind, mass) ** 2;
    for (const a of own) for (const b of own) if (b <= a) curve[a * size + b] = curve[a * size + b]! + weight;
  }
  for (let k = 0; k < size; k++) curve[k * size + k] = curve[k * size + k]! * (1 + 1e-9) + 1e-9;
  const gradient = gradientOf(kinds, mass);
  const move = Float64Array.from(support, (j) => gradient[j]! - plants);
  if (!factorInPlace(curve, size)) return mass;
  solveInPlace(curve, size, move);
  const start = likelihood(kinds, mass);
  for (let share = 1; share > 1e-3; share /= 2) {
    const next = Float64Array.from(mass);
    support.forEach((j, k) => (next[j] = Math.max(NO_MASS / 10, mass[j]! + share * move[k]!)));
    const scaled = normal(next);
    if (likelihood(kinds, scaled) > start) return scaled;
  }
  return mass;
}
