import type { LoggerRun } from '../../plan/wood/logger-run';

/** Readings of two runs as one, and how many of the second were there already. */
export interface Merged {
  run: LoggerRun;
  added: number;
  /** Instants of the second run that the first has too, and how many of them have another temperature. */
  known: number;
  otherwise: number;
}

/** Two temperatures closer than this are one, °C: files round. */
const SAME = 0.06;

/**
 * Adds a run of readings to those that are known. Where both have a reading of one instant the known one stays: files
 * of one logger overlap, and must not count twice.
 *
 * @param known instants rising, as `added`
 * @example mergeReadings({ instants: [0], values: [20] }, { instants: [0, 60_000], values: [20, 21] }).added // 1
 */
export function mergeReadings(known: LoggerRun, added: LoggerRun): Merged {
  const instants: number[] = [];
  const values: number[] = [];
  let [i, j, twice, otherwise] = [0, 0, 0, 0];
  while (i < known.instants.length || j < added.instants.length) {
    const [left, right] = [known.instants[i] ?? Infinity, added.instants[j] ?? Infinity];
    if (left <= right) {
      instants.push(left);
      values.push(known.values[i]!);
      if (left === right) {
        twice++;
        if (Math.abs(known.values[i]! - added.values[j]!) > SAME) otherwise++;
        j++;
      }
      i++;
    } else {
      instants.push(right);
      values.push(added.values[j]!);
      j++;
    }
  }
  return { run: { instants, values }, added: added.instants.length - twice, known: twice, otherwise };
}
