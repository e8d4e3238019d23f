import { DateTime } from 'luxon';
import type { LoggerRun } from '../../plan/wood/logger-run';
import { addDays, type IsoDate } from '../../units/iso-date';
import { knittingRate, type KnittingBand } from '@/core/plan/phenology/knitting-rate';
import { stretchesOf, usualStand } from './knit-days';

/** Knitting warmth of one calendar day of a place. */
export interface DayOfWarmth {
  on: IsoDate;
  /** Days of full warmth, from 0 to 1. */
  knit: number;
  heatHours: number;
  frostHours: number;
  /** Hours that readings stand for; the rest nobody measured. */
  measured: number;
}

const HOUR = 3_600_000;
const DAY = 24 * HOUR;

/**
 * Knitting warmth of each calendar day, by the clocks of the place: what a reading stands for is shared out between the
 * days it reaches into. All days together make what the readings make as a whole.
 *
 * @param run instants rising
 * @returns the days from the first reading to the last, those without one too
 * @example warmthByDay(KNITTING_BANDS.pome, run, 'Europe/Zurich')[0].knit // 0.5, where the logger began at noon
 */
export function warmthByDay(band: KnittingBand, { instants, values }: LoggerRun, zone: string): DayOfWarmth[] {
  if (instants.length < 2) return [];
  const days: DayOfWarmth[] = [];
  let begins = DateTime.fromMillis(instants[0]!, { zone }).startOf('day');
  let ends = begins.plus({ days: 1 });
  let day = emptyDay(begins.toISODate()!);
  const nextDay = (): void => {
    days.push(day);
    begins = ends;
    ends = begins.plus({ days: 1 });
    day = emptyDay(addDays(day.on, 1));
  };
  let end = ends.toMillis();
  const stands = standsOf(instants);
  for (let i = 0; i < instants.length - 1; i++) {
    const temperature = values[i]!;
    const rate = knittingRate(band, temperature);
    let from = instants[i]!;
    const to = Math.min(instants[i + 1]!, from + stands[i]!);
    for (;;) {
      while (from >= end) {
        nextDay();
        end = ends.toMillis();
      }
      const stood = Math.min(to, end) - from;
      day.knit += (rate * stood) / DAY;
      day.measured += stood / HOUR;
      if (temperature > band.d) day.heatHours += stood / HOUR;
      if (temperature < 0) day.frostHours += stood / HOUR;
      if (to <= end) break;
      from = end;
    }
  }
  days.push(day);
  return days;
}

/** For how long each reading stands at most: by the usual interval of its own stretch. */
function standsOf(instants: readonly number[]): Float64Array {
  const stands = new Float64Array(instants.length);
  for (const { from, to } of stretchesOf(instants)) stands.fill(usualStand(instants.slice(from, to)), from, to);
  return stands;
}

function emptyDay(on: IsoDate): DayOfWarmth {
  return { on, knit: 0, heatHours: 0, frostHours: 0, measured: 0 };
}
