import type { DayWeather } from '@/core/plan/climate/day-weather';
import { dayNormals } from '@/core/plan/climate/day-normals';
import type { Normals } from '@/core/plan/climate/normals';
import { addDays } from '@/core/units/iso-date';
import { CLIMATES } from './climates';
import type { WeatherService } from './weather-service';

/** Days before the first one asked for from which the weather runs in, so that any stretch agrees with any other. */
const RUN_IN = 30;

/**
 * Weather that is made up, and says so: each day leans on the one before and strays a few degrees
 * from the usual. The same place and day always have the same weather, whichever stretch is asked for.
 */
export const simulatedWeather: WeatherService = {
  simulated: true,
  climates: () => CLIMATES,
  days: (place, normals, from, count) => stretch(place, normals, from, count),
};

function stretch(place: string, normals: Normals, from: string, count: number): DayWeather[] {
  const days: DayWeather[] = [];
  let stray = 0;
  for (let i = -RUN_IN; i < count; i++) {
    const date = addDays(from, i);
    stray = 0.72 * stray + 2.1 * chance(`${place}/${date}`);
    if (i < 0) continue;
    const { low, high } = dayNormals(normals, date);
    const swing = 1 + 0.35 * chance(`${place}/${date}/swing`);
    const mean = (low + high) / 2 + stray;
    const half = Math.max(0.5, ((high - low) / 2) * swing);
    days.push({ date, low: round(mean - half), high: round(mean + half), rain: rainOf(place, date, stray) });
  }
  return days;
}

/** Share of days on which it rains at a usual temperature; cool spells are the wet ones. */
const RAINY = 0.32;
const SPREAD = 1.73;

/** Rain of a day, mm: none on most days, a little on many, much on few. */
function rainOf(place: string, date: string, stray: number): number {
  const odds = 0.5 + chance(`${place}/${date}/rain`) / (2 * SPREAD);
  const wet = Math.min(0.7, Math.max(0.08, RAINY - stray * 0.04));
  return odds < wet ? round(1 + 14 * (1 - odds / wet) ** 2) : 0;
}

const round = (value: number): number => Math.round(value * 10) / 10;

/** A number of about -1.7 to 1.7, mean 0, that depends on the words alone (FNV-1a, finished as MurmurHash3 is). */
function chance(words: string): number {
  let hash = 0x811c9dc5;
  for (let i = 0; i < words.length; i++) hash = Math.imul(hash ^ words.charCodeAt(i), 0x01000193);
  hash = Math.imul(hash ^ (hash >>> 16), 0x85ebca6b);
  hash = Math.imul(hash ^ (hash >>> 13), 0xc2b2ae35);
  return (((hash ^ (hash >>> 16)) >>> 0) / 0xffffffff - 0.5) * 3.46;
}
