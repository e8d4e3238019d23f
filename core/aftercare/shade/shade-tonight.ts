import type { DayWeather } from '../../plan/climate/day-weather';
import { addDays, daysBetween, type IsoDate } from '../../units/iso-date';
import type { Tie } from '../ties/ties';

/** Materials that take up the sun. Source: usual practice, dark tape and dark sealant in sun. */
const DARK: readonly string[] = ['sealant', 'insulating-tape'];
/** The task that covers them. */
export const DARK_SEAL_TASK = 'dark-seal';
/** Days over which a union can still be cooked out of its callus: our guess, a season of growth. */
const TENDER = 120;
/** Days ahead that are looked at. */
const AHEAD = 2;

/** A dark, uncovered union that meets a hot day. */
export interface ShadeTonight {
  /** The hot day, and how hot it will be, °C. */
  on: IsoDate;
  high: number;
  /** Which time it is marked. */
  occurrence: number;
}

interface Union {
  madeOn: IsoDate;
  today: IsoDate;
  /** It stands under the sky. */
  outdoors: boolean;
  materials: readonly string[];
  ties: readonly Tie[];
  /** Its marks that stand. */
  marks: readonly { task: string; outcome: 'done' | 'not-needed' | 'skipped' }[];
  /** Days to come, from today on. */
  forecast: readonly DayWeather[];
  /** From which highest temperature of a day on, °C. */
  hot: number;
}

/**
 * Whether a union has to be painted or shaded by tonight: it is dark, nobody covered it, and a hot day is at hand. In all
 * other cases nothing is asked.
 */
export function shadeTonight(union: Union): ShadeTonight | null {
  const { madeOn, today, outdoors, materials, ties, marks, forecast, hot } = union;
  if (!outdoors || !materials.some((material) => DARK.includes(material))) return null;
  if (daysBetween(madeOn, today) > TENDER || madeOn > today) return null;
  const own = marks.filter(({ task }) => task === DARK_SEAL_TASK);
  const foil = ties.some(({ id, state }) => id === 'foil' && state !== 'off');
  if (foil || own.some(({ outcome }) => outcome !== 'skipped')) return null;
  const day = forecast.find(({ date, high }) => date >= today && date <= addDays(today, AHEAD) && high >= hot);
  return day ? { on: day.date, high: day.high, occurrence: own.length } : null;
}
