/** One reading of a temperature logger. */
export interface Reading {
  /** ISO instant, UTC. */
  at: string;
  /** degC. */
  value: number;
}

/** A run of a logger as two columns: hundreds of thousands of readings are common. */
export interface LoggerRun {
  /** ms since 1970, rising. */
  instants: readonly number[];
  /** degC. */
  values: readonly number[];
}

export interface LoggerSummary {
  from: string;
  to: string;
  readings: number;
  low: number;
  high: number;
  /** Weighed by how long each reading stood. */
  mean: number;
  /** Hours above and below the range, and hours nobody measured. */
  hoursAbove: number;
  hoursBelow: number;
  gaps: { from: string; to: string; hours: number }[];
}

/** A gap is longer than this many usual intervals. */
const GAP = 3;

/** ISO instant, UTC, to the second. */
function iso(instant: number): string {
  return `${new Date(instant).toISOString().slice(0, 19)}Z`;
}

/** The readings of a run one by one. */
export function readingsOf({ instants, values }: LoggerRun): Reading[] {
  return instants.map((instant, i) => ({ at: iso(instant), value: values[i]! }));
}

/**
 * What a run of readings says about a store that should stay within a range. A reading stands until
 * the next; over a gap nothing is claimed.
 *
 * @param run at least two readings.
 * @param range degC.
 * @throws RangeError for fewer than two readings.
 */
export function summariseRun({ instants, values }: LoggerRun, range: { from: number; to: number }): LoggerSummary {
  const count = instants.length;
  if (count < 2) throw new RangeError('A run needs two readings or more.');
  const steps = new Float64Array(count - 1);
  for (let i = 0; i < steps.length; i++) steps[i] = instants[i + 1]! - instants[i]!;
  const usual = steps.slice().sort()[Math.floor(steps.length / 2)]!;
  const hours = (ms: number): number => ms / 3_600_000;
  const gaps: LoggerSummary['gaps'] = [];
  let [above, below, sum, measured] = [0, 0, 0, 0];
  let [low, high] = [values.at(-1)!, values.at(-1)!];
  steps.forEach((step, i) => {
    const value = values[i]!;
    if (step > GAP * usual) gaps.push({ from: iso(instants[i]!), to: iso(instants[i + 1]!), hours: hours(step) });
    const stood = Math.min(step, GAP * usual);
    measured += stood;
    sum += stood * value;
    if (value > range.to) above += stood;
    if (value < range.from) below += stood;
    low = Math.min(low, value);
    high = Math.max(high, value);
  });
  return {
    from: iso(instants[0]!),
    to: iso(instants.at(-1)!),
    readings: count,
    low,
    high,
    mean: sum / measured,
    hoursAbove: hours(above),
    hoursBelow: hours(below),
    gaps,
  };
}

/**
 * Readings to draw a run by: of each stretch of equal count its lowest and its highest, so that no
 * warm hour vanishes from the picture.
 *
 * @param most at least 4; shorter runs are drawn whole.
 */
export function plottedReadings(run: LoggerRun, most: number): Reading[] {
  const { instants, values } = run;
  if (instants.length <= most) return readingsOf(run);
  const stretch = Math.ceil((2 * instants.length) / (most - 2));
  const chosen = new Set<number>([0, instants.length - 1]);
  for (let from = 0; from < instants.length; from += stretch) {
    let [low, high] = [from, from];
    for (let i = from; i < Math.min(from + stretch, instants.length); i++) {
      if (values[i]! < values[low]!) low = i;
      if (values[i]! > values[high]!) high = i;
    }
    chosen.add(low).add(high);
  }
  return [...chosen].sort((a, b) => a - b).map((i) => ({ at: iso(instants[i]!), value: values[i]! }));
}
