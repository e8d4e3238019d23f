import type { DayWeather } from '@/core/plan/climate/day-weather';
import type { Normals } from '@/core/plan/climate/normals';
import type { NamedClimate } from './climates';

/** What the plan asks of a weather service. */
export interface WeatherService {
  /** Whether its figures are made up, which has to be said wherever they are shown. */
  simulated: boolean;
  climates: () => readonly NamedClimate[];
  /** Lowest and highest of each day, and its rain, from `from` on, for a place whose usual year is `normals`. */
  days: (place: string, normals: Normals, from: string, count: number) => DayWeather[];
}
