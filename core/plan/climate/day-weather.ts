import type { IsoDate } from '../../units/iso-date';

/** Lowest and highest temperature of a day, °C, and its rain, mm; null where nobody measured it. */
export interface DayWeather {
  date: IsoDate;
  low: number;
  high: number;
  rain: number | null;
}

/** A day of a site's weather, and where it is from. */
export interface DayOfSite extends DayWeather {
  source: 'typed' | 'file' | 'ordered' | 'simulated';
}

/** Bounds of what weather there can be: °C, and mm of rain a day. */
export const WEATHER_BOUNDS = { coldest: -60, hottest: 60, wettest: 1000 } as const;

/** What is wrong with a day of weather, in words; null where nothing is. */
export function problemOfDay({ low, high, rain }: Omit<DayWeather, 'date'>): string | null {
  const { coldest, hottest, wettest } = WEATHER_BOUNDS;
  if (low > high) return 'the lowest temperature is above the highest';
  if (low < coldest || high > hottest) return `temperatures lie outside ${coldest} to ${hottest} °C`;
  if (rain !== null && (rain < 0 || rain > wettest)) return `rain lies outside 0 to ${wettest} mm`;
  return null;
}
