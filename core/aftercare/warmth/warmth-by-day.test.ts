import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { LoggerRun } from '../../plan/wood/logger-run';
import { knitDays } from './knit-days';
import { KNITTING_BANDS } from '@/core/plan/phenology/knitting-rate';
import { mergeReadings } from './merge-readings';
import { outOfRange } from './out-of-range';
import { placedWarmth, placeOn } from './placed-warmth';
import { warmthByDay } from './warmth-by-day';

const HOUR = 3_600_000;
const START = Date.parse('2027-03-07T11:00:00Z');
const hourly = (values: number[], start = START): LoggerRun => ({
  instants: values.map((_, i) => start + i * HOUR),
  values,
});
/** A run with gaps and any temperatures. */
const runs = fc
  .array(fc.tuple(fc.integer({ min: 1, max: 200 }), fc.integer({ min: -10, max: 45 })), {
    minLength: 2,
    maxLength: 120,
  })
  .map((steps): LoggerRun => {
    let at = START;
    return { instants: steps.map(([minutes]) => (at += minutes * 60_000)), values: steps.map(([, value]) => value) };
  });

describe('warmth by calendar day', () => {
  it('begins with half a day where the logger began at noon by the clocks of the place', () => {
    // 12:00 at Zurich; 36 hours of full warmth: 12 on the first day, 23 read ones and the last stands for nothing.
    const days = warmthByDay(KNITTING_BANDS.pome, hourly(Array<number>(37).fill(20)), 'Europe/Zurich');
    expect(days.map(({ on, knit }) => [on, Math.round(knit * 24)])).toEqual([
      ['2027-03-07', 12],
      ['2027-03-08', 24],
    ]);
  });
  it('has 23 and 25 hours where clocks are put on and back', () => {
    const spring = Date.parse('2027-03-27T23:00:00Z');
    const days = warmthByDay(KNITTING_BANDS.pome, hourly(Array<number>(48).fill(20), spring), 'Europe/Zurich');
    expect(days.map(({ measured }) => measured)).toEqual([23, 24]);
  });
  it('makes as a whole what the readings make, whatever the zone, the gaps and the temperatures', () => {
    fc.assert(
      fc.property(
        runs,
        fc.constantFrom('UTC', 'Europe/Zurich', 'Pacific/Auckland', 'America/St_Johns'),
        (run, zone) => {
          const days = warmthByDay(KNITTING_BANDS.pome, run, zone);
          const whole = knitDays(
            KNITTING_BANDS.pome,
            run.instants.map((at, i) => ({ at, temperature: run.values[i]! })),
          );
          const sum = (figure: 'knit' | 'heatHours' | 'frostHours'): number =>
            days.reduce((all, day) => all + day[figure], 0);
          expect(sum('knit')).toBeCloseTo(whole.days, 9);
          expect(sum('heatHours')).toBeCloseTo(whole.heatHours, 7);
          expect(sum('frostHours')).toBeCloseTo(whole.frostHours, 7);
        },
      ),
    );
  });
  it('goes by the interval of each time a logger lay there: one a minute first, then one in ten minutes', () => {
    const often = Array.from({ length: 600 }, (_, i) => START + i * 60_000);
    const later = Array.from({ length: 289 }, (_, i) => START + 30 * 86_400_000 + i * 600_000);
    const instants = [...often, ...later];
    const run = { instants, values: instants.map(() => 20) };
    const days = warmthByDay(KNITTING_BANDS.pome, run, 'UTC');
    // Two whole days of ten-minute readings, and what stood for nothing at the end of the first time.
    const after = days.filter(({ on }) => on > '2027-04-01').reduce((sum, { knit }) => sum + knit, 0);
    expect(after).toBeCloseTo(2, 6);
    expect(days[0]!.knit).toBeCloseTo((599 + 3) / 1440, 6);
    expect(outOfRange({ ...run, values: instants.map(() => 5) }, { from: 15, to: 27 }, 5)).toMatchObject([
      { side: 'cold', lasts: false },
      { side: 'cold', hours: 48, lasts: true },
    ]);
  });
  it('has nothing of one reading, or of none', () => {
    expect(warmthByDay(KNITTING_BANDS.pome, hourly([20]), 'UTC')).toEqual([]);
    expect(warmthByDay(KNITTING_BANDS.pome, hourly([]), 'UTC')).toEqual([]);
  });
});

describe('files of one logger that overlap', () => {
  it('count no reading twice, and the one that was read first stays', () => {
    const merged = mergeReadings(hourly([20, 21, 22]), hourly([99, 22, 23], START + HOUR));
    expect(merged.run.values).toEqual([20, 21, 22, 23]);
    expect(merged).toMatchObject({ added: 1, known: 2, otherwise: 1 });
  });
  it('make the same in either order and twice over, as far as instants go', () => {
    fc.assert(
      fc.property(runs, runs, (first, second) => {
        const both = mergeReadings(first, second).run;
        expect(mergeReadings(second, first).run.instants).toEqual(both.instants);
        expect(mergeReadings(both, second)).toMatchObject({ added: 0, run: both });
        expect([...both.instants].sort((a, b) => a - b)).toEqual(both.instants);
      }),
    );
  });
});

describe('whiles out of range', () => {
  const range = { from: 15, to: 27 };
  it('are those longer than the hours that were set, cold and hot apart, and say whether they last', () => {
    const found = outOfRange(hourly([20, 10, 9, 20, 30, 31, 32, 14, 14]), range, 2);
    expect(found).toEqual([
      { from: START + 4 * HOUR, to: START + 7 * HOUR, hours: 3, side: 'hot', worst: 32, lasts: false },
    ]);
    expect(outOfRange(hourly([20, 14, 14, 14, 13]), range, 2)).toMatchObject([
      { side: 'cold', hours: 3, worst: 14, lasts: true },
    ]);
  });
  it('end at a gap: what nobody measured is not claimed', () => {
    const run = hourly([10, 10, 10, 10, 10]);
    const gap = { ...run, instants: run.instants.map((at, i) => (i < 2 ? at : at + 20 * HOUR)) };
    expect(outOfRange(gap, range, 4)).toEqual([]);
    expect(outOfRange(gap, range, 0).map(({ hours }) => hours)).toEqual([4, 2]);
  });
  it('take the bounds of the range for within it', () => {
    expect(outOfRange(hourly([15, 27, 15, 27]), range, 0)).toEqual([]);
  });
});

describe('warmth of the places a plant stood in', () => {
  const stays = [
    { from: '2027-03-06', placeId: 'box' },
    { from: '2027-03-09', placeId: 'bed' },
  ];
  it('is that of where it stood at the end of each day', () => {
    expect(placeOn(stays, '2027-03-05')).toBeNull();
    expect(placeOn(stays, '2027-03-08')).toBe('box');
    expect(placeOn(stays, '2027-03-09')).toBe('bed');
    const rateAt = (placeId: string | null) => (placeId === 'bed' ? { rate: 0.2, reference: 0.4 } : null);
    expect(placedWarmth('2027-03-06', stays, '2027-03-10', rateAt)).toEqual({
      rates: [1, 1, 0.2, 0.2],
      references: [1, 1, 0.4, 0.4],
    });
    expect(placedWarmth('2027-03-06', stays, '2027-03-01', rateAt).rates).toEqual([]);
  });
});
