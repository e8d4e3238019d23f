import { describe, expect, it } from 'vitest';
import { dayNormals } from '@/core/plan/climate/day-normals';
import { problemOfNormals } from '@/core/plan/climate/normals';
import { simulatedWeather } from './simulated-weather';

describe('the simulated weather', () => {
  const [lake] = simulatedWeather.climates();
  it('ships climates of both hemispheres and one without frost, each sound, and says that it is made up', () => {
    expect(simulatedWeather.simulated).toBe(true);
    for (const climate of simulatedWeather.climates()) expect(problemOfNormals(climate.normals), climate.id).toBeNull();
    expect(new Set(simulatedWeather.climates().map(({ hemisphere }) => hemisphere))).toEqual(
      new Set(['north', 'south']),
    );
    expect(simulatedWeather.climates().some(({ firstFrost }) => firstFrost === null)).toBe(true);
  });
  it('gives a year, the same again for the same place, another for another', () => {
    const year = simulatedWeather.days('a', lake!.normals, '2027-01-01', 365);
    expect(year).toHaveLength(365);
    expect(simulatedWeather.days('a', lake!.normals, '2027-01-01', 365)).toEqual(year);
    expect(simulatedWeather.days('b', lake!.normals, '2027-01-01', 365)).not.toEqual(year);
  });
  it('agrees with itself whichever stretch is asked for', () => {
    const year = simulatedWeather.days('a', lake!.normals, '2027-01-01', 120);
    const later = simulatedWeather.days('a', lake!.normals, '2027-04-01', 30);
    // Beyond the thirty days of run-in nothing of the day before is left: 0.72^30 is under 0.0001.
    later.forEach((day, i) => expect(Math.abs(day.high - year[90 + i]!.high)).toBeLessThan(0.11));
  });
  it('rains on about a third of the days, a little on most of them, and says so in mm', () => {
    const year = simulatedWeather.days('a', lake!.normals, '2027-01-01', 365);
    const wet = year.filter(({ rain }) => rain! > 0);
    expect(wet.length / 365).toBeGreaterThan(0.2);
    expect(wet.length / 365).toBeLessThan(0.45);
    expect(wet.every(({ rain }) => rain! >= 1 && rain! <= 15)).toBe(true);
    expect(wet.filter(({ rain }) => rain! < 5).length).toBeGreaterThan(wet.length / 2);
  });
  it('strays about the usual and stays near it over a year', () => {
    const year = simulatedWeather.days('a', lake!.normals, '2027-01-01', 365);
    const stray = year.map(
      ({ date, low, high }) =>
        (low + high) / 2 - (dayNormals(lake!.normals, date).low + dayNormals(lake!.normals, date).high) / 2,
    );
    expect(Math.abs(stray.reduce((sum, degrees) => sum + degrees, 0) / 365)).toBeLessThan(0.8);
    expect(Math.max(...stray)).toBeGreaterThan(2);
    for (const { low, high } of year) expect(high).toBeGreaterThan(low);
  });
});
