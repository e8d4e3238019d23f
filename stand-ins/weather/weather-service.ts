import type { Normals } from '@/core/plan/climate/normals';
import type { NamedClimate } from './climates';

export interface DayWeather {
  date: string;
  /** degC. */
  low: number;
  high: number;
}

/** What the plan asks of a weather service. */
export interface WeatherService {
  /** Whether its figures are made up, which has to be said wherever they are shown. */
  simulated: boolean;
  climates: () => readonly NamedClimate[];
  /** Lowest and highest of each day from `from` on, for a place whose usual year is `normals`. */
  days: (place: string, normals: Normals, from: string, count: number) => DayWeather[];
}
