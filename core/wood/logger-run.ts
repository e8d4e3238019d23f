/** One reading of a temperature logger. */
export interface Reading {
  /** ISO instant, UTC. */
  at: string;
  /** degC. */
  value: number;
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

/**
 * What a run of readings says about a store that should stay within a range. A reading stands until
 * the next; over a gap nothing is claimed.
 *
 * @param readings in order of time, at least two.
 * @param range degC.
 * @throws RangeError for fewer than two readings.
 */
export function summariseRun(readings: readonly Reading[], range: { from: number; to: number }): LoggerSummary {
  if (readings.length < 2) throw new RangeError('A run needs two readings or more.');
  const at = readings.map(({ at: instant }) => Date.parse(instant));
  const steps = at.slice(1).map((instant, i) => instant - at[i]!);
  const usual = [...steps].sort((a, b) => a - b)[Math.floor(steps.length / 2)]!;
  const hours = (ms: number): number => ms / 3_600_000;
  const gaps: LoggerSummary['gaps'] = [];
  let [above, below, sum, measured] = [0, 0, 0, 0];
  steps.forEach((step, i) => {
    const { at: instant, value } = readings[i]!;
    if (step > GAP * usual) gaps.push({ from: instant, to: readings[i + 1]!.at, hours: hours(step) });
    const stood = Math.min(step, GAP * usual);
    measured += stood;
    sum += stood * value;
    if (value > range.to) above += stood;
    if (value < range.from) below += stood;
  });
  let [low, high] = [Infinity, -Infinity];
  for (const { value } of readings) {
    low = Math.min(low, value);
    high = Math.max(high, value);
  }
  return {
    from: readings[0]!.at, to: readings.at(-1)!.at, readings: readings.length, low, high, mean: sum / measured, hoursAbove: hours(above), hoursBelow: hours(below), gaps,
  };
}

/**
 * Readings to draw a run by: of each stretch of equal count its lowest and its highest, so that no
 * warm hour vanishes from the picture.
 *
 * @param most at least 4; shorter runs are drawn whole.
 */
export function drawnReadings(readings: readonly Reading[], most: number): Reading[] {
  if (readings.length <= most) return [...readings];
  const stretch = Math.ceil((2 * readings.length) / (most - 2));
  const drawn: Reading[] = [readings[0]!];
  for (let from = 0; from < readings.length; from += stretch) {
    const part = readings.slice(from, from + stretch);
    const low = part.reduce((a, b) => (b.value < a.value ? b : a));
    const high = part.reduce((a, b) => (b.value > a.value ? b : a));
    for (const one of low.at < high.at ? [low, high] : [high, low]) if (one.at > drawn.at(-1)!.at) drawn.push(one);
  }
  const last = readings.at(-1)!;
  return last.at > drawn.at(-1)!.at ? [...drawn, last] : drawn;
}
