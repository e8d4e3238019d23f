import type { LoggerRun } from '../../plan/wood/logger-run';
import { stretchesOf, usualStand } from './knit-days';

/** A while in which a place was too cold or too hot without a break. */
export interface OutOfRange {
  from: number;
  /** Until when its readings stand, ms since 1970. */
  to: number;
  hours: number;
  side: 'cold' | 'hot';
  /** The coldest or hottest reading of it, °C. */
  worst: number;
  /** It goes on as far as anybody measured. */
  lasts: boolean;
}

const HOUR = 3_600_000;

/**
 * Whiles in which a place was out of its range for longer than some hours. A reading stands until the next, but for no
 * more than three usual intervals: over a gap nothing is claimed. The last reading stands for nothing.
 *
 * @param range °C; its bounds are within it
 * @param hours a while this long or shorter is left out
 * @example outOfRange(run, { from: 15, to: 27 }, 2)
 */
export function outOfRange(run: LoggerRun, range: { from: number; to: number }, hours: number): OutOfRange[] {
  const stretches = stretchesOf(run.instants);
  return stretches.flatMap(({ from, to }, i) => {
    const stretch = { instants: run.instants.slice(from, to), values: run.values.slice(from, to) };
    const found = withinStretch(stretch, range, hours);
    return i === stretches.length - 1 ? found : found.map((spell) => ({ ...spell, lasts: false }));
  });
}

function withinStretch(
  { instants, values }: LoggerRun,
  range: { from: number; to: number },
  hours: number,
): OutOfRange[] {
  const longest = usualStand(instants);
  const found: OutOfRange[] = [];
  let spell: OutOfRange | null = null;
  const close = (): void => {
    if (spell && spell.hours > hours) found.push(spell);
    spell = null;
  };
  for (let i = 0; i < instants.length - 1; i++) {
    const value = values[i]!;
    const side = value < range.from ? 'cold' : value > range.to ? 'hot' : null;
    const [from, to] = [instants[i]!, Math.min(instants[i + 1]!, instants[i]! + longest)];
    if (spell && (spell.side !== side || spell.to < from)) close();
    if (side === null) continue;
    spell ??= { from, to: from, hours: 0, side, worst: value, lasts: false };
    spell.to = to;
    spell.hours = (to - spell.from) / HOUR;
    spell.worst = side === 'cold' ? Math.min(spell.worst, value) : Math.max(spell.worst, value);
    spell.lasts = i === instants.length - 2;
  }
  close();
  return found;
}
