import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { sharedFactor } from '../statistics/shared-factor';
import { growthDate } from './growth/growth-date';
import { aftercareOfCase } from './reference-case';
import { bestVisits, type VisitTask } from './visits/best-visits';
import { fewestVisits, type VisitWindow } from './visits/fewest-visits';
import { dayRate } from '@/core/plan/phenology/day-rate';
import { knitDays } from './warmth/knit-days';
import { KNITTING_BANDS, knittingRate } from '@/core/plan/phenology/knitting-rate';
import { movedWindow, stretchedWindow } from './warmth/stretched-window';

interface Case {
  case: string;
  kind: string;
  inputs: string;
  expected: string;
}
const { data: CASES } = Papa.parse<Case>(readFileSync(new URL('./reference/cases.csv', import.meta.url), 'utf8'), {
  header: true,
  skipEmptyLines: true,
});

describe('the cases of the aftercare model', () => {
  it('are ninety, of every kind', () => {
    expect(CASES).toHaveLength(90);
    expect(new Set(CASES.map(({ kind }) => kind)).size).toBe(7);
  });
  it.each(CASES.map((row) => [`${row.case}, ${row.kind}`, row] as const))('agree: %s', (_name, row) => {
    const computed = aftercareOfCase(row.kind, JSON.parse(row.inputs) as Record<string, unknown>);
    const expected = JSON.parse(row.expected) as unknown;
    if (typeof expected !== 'number' || typeof computed !== 'number') expect(computed).toEqual(expected);
    else if (row.kind === 'shared') expect(computed / expected).toBeCloseTo(1, 3);
    else expect(Math.abs(computed - expected)).toBeLessThanOrEqual(0.001);
  });
  it('say in words what is wrong with a row', () => {
    expect(() => aftercareOfCase('weeks', {})).toThrow(/no kind "weeks"/);
    expect(() => aftercareOfCase('toString', {})).toThrow(/no kind/);
    expect(() => aftercareOfCase('day', { kin: 'pome', low: 9 })).toThrow(/high is missing/);
    expect(() => aftercareOfCase('day', { kin: 'oak', low: 9, high: 12 })).toThrow(/no kin "oak"/);
    expect(() => aftercareOfCase('day', { kin: 'pome', low: 19, high: 12 })).toThrow(/not above its highest/);
    expect(() => aftercareOfCase('window', { window: [9, 8, 7], rates: [], reference: 1 })).toThrow(/in this order/);
    expect(() =>
      aftercareOfCase('growth', {
        observations: [
          [9, 3],
          [9, 4],
        ],
        reaches: 5,
      }),
    ).toThrow(/each day once/);
  });
});

const bands = fc.constantFrom(...Object.values(KNITTING_BANDS));
const rates = fc.array(fc.double({ min: 0, max: 1, noNaN: true }), { maxLength: 90 });
const dayWindow = fc
  .tuple(fc.nat(60), fc.nat(20), fc.nat(20))
  .map(([first, more, most]) => [first, first + more, first + more + most] as const);

describe('knitting warmth', () => {
  it('is a share, rises to the band and falls beyond it', () => {
    fc.assert(
      fc.property(bands, fc.double({ min: -20, max: 50, noNaN: true }), (band, temperature) => {
        const rate = knittingRate(band, temperature);
        expect(rate).toBeGreaterThanOrEqual(0);
        expect(rate).toBeLessThanOrEqual(1);
        if (temperature <= band.b - 0.1) expect(knittingRate(band, temperature + 0.1)).toBeGreaterThanOrEqual(rate);
        if (temperature >= band.c) expect(knittingRate(band, temperature + 0.1)).toBeLessThanOrEqual(rate);
      }),
    );
  });
  it('of a day whose low is its high is the rate of that temperature', () => {
    fc.assert(
      fc.property(bands, fc.double({ min: -5, max: 40, noNaN: true }), (band, temperature) => {
        expect(dayRate(band, temperature, temperature)).toBeCloseTo(knittingRate(band, temperature), 9);
      }),
    );
  });
  it('counts heat and frost apart, and a gap for no longer than three usual intervals', () => {
    const hour = 3_600_000;
    const readings = [20, 20, 40, -2, 20, 20].map((temperature, i) => ({ at: i * hour, temperature }));
    expect(knitDays(KNITTING_BANDS.pome, readings)).toEqual({ days: 3 / 24, heatHours: 1, frostHours: 1 });
    const gap = [...readings, { at: 30 * hour, temperature: 20 }];
    expect(knitDays(KNITTING_BANDS.pome, gap).days).toBeCloseTo(3 / 24 + 3 / 24, 9);
    expect(knitDays(KNITTING_BANDS.pome, [])).toEqual({ days: 0, heatHours: 0, frostHours: 0 });
    expect(() => knitDays(KNITTING_BANDS.pome, [readings[1]!, readings[0]!])).toThrow(/order of their times/);
  });
});

describe('windows', () => {
  it('are those of the sheet where every day is a usual one', () => {
    fc.assert(
      fc.property(dayWindow, fc.double({ min: 0.2, max: 1, noNaN: true }), (window, reference) => {
        expect(stretchedWindow(window, Array<number>(200).fill(reference), reference)).toEqual(window);
        expect(stretchedWindow(window, [], reference)).toEqual(window);
      }),
    );
  });
  it('keep their order, and lie between 0.6 and 2 times their days', () => {
    fc.assert(
      fc.property(dayWindow, rates, fc.double({ min: 0.2, max: 1, noNaN: true }), (window, days, reference) => {
        const [earliest, best, latest] = stretchedWindow(window, days, reference);
        expect(earliest).toBeLessThanOrEqual(best);
        expect(best).toBeLessThanOrEqual(latest);
        for (const [day, usual] of [
          [earliest, window[0]],
          [best, window[1]],
          [latest, window[2]],
        ] as const) {
          expect(day).toBeGreaterThanOrEqual(Math.ceil(0.6 * usual - 1e-9));
          expect(day).toBeLessThanOrEqual(Math.ceil(2 * usual - 1e-9));
        }
      }),
    );
  });
  it('never come later for a warmer day', () => {
    fc.assert(
      fc.property(
        dayWindow,
        fc.array(fc.double({ min: 0, max: 0.9, noNaN: true }), { minLength: 1, maxLength: 60 }),
        fc.nat(59),
        (window, days, at) => {
          const warmer = days.map((rate, i) => (i === at % days.length ? rate + 0.1 : rate));
          const [before, after] = [stretchedWindow(window, days, 0.5), stretchedWindow(window, warmer, 0.5)];
          after.forEach((day, i) => expect(day).toBeLessThanOrEqual(before[i]!));
        },
      ),
    );
  });
  it('of a plant that never moves are those of its place', () => {
    fc.assert(
      fc.property(dayWindow, rates, (window, days) => {
        expect(
          movedWindow(
            window,
            days,
            days.map(() => 0.5),
          ),
        ).toEqual(stretchedWindow(window, days, 0.5));
      }),
    );
  });
});

describe('growth', () => {
  const observed = fc
    .array(fc.tuple(fc.integer({ min: 1, max: 12 }), fc.nat(400)), { maxLength: 8 })
    .map((steps) =>
      steps.reduce<{ day: number; height: number }[]>(
        (all, [after, height]) => [...all, { day: (all.at(-1)?.day ?? 0) + after, height }],
        [],
      ),
    );
  it('reaches a greater height no earlier', () => {
    fc.assert(
      fc.property(observed, fc.integer({ min: 1, max: 500 }), fc.integer({ min: 0, max: 200 }), (all, height, more) => {
        const [first, later] = [growthDate(all, height), growthDate(all, height + more)];
        if (first !== null && later !== null) expect(later).toBeGreaterThanOrEqual(first - 1e-9);
        if (first === null) expect(later).toBeNull();
      }),
    );
  });
});

const days = fc.uniqueArray(fc.nat(40), { maxLength: 9 });
const windows = fc.array(
  fc.tuple(fc.nat(40), fc.nat(10)).map(([from, long]): VisitWindow => [from, from + long]),
  { maxLength: 9 },
);
const subsets = (all: readonly number[]): number[][] =>
  all.reduce<number[][]>((sets, day) => [...sets, ...sets.map((set) => [...set, day])], [[]]);
const holds = ([from, to]: VisitWindow, chosen: readonly number[]): boolean =>
  chosen.some((day) => day >= from && day <= to);

describe('visits', () => {
  it('are the fewest that serve all that can be served', () => {
    fc.assert(
      fc.property(days, windows, (candidates, asked) => {
        const { days: chosen, unreached } = fewestVisits(candidates, asked);
        asked.forEach((window, i) => {
          expect(holds(window, chosen)).toBe(!unreached.includes(i));
          expect(holds(window, candidates)).toBe(!unreached.includes(i));
        });
        const served = asked.filter((window) => holds(window, candidates));
        const least = Math.min(
          ...subsets(candidates)
            .filter((set) => served.every((window) => holds(window, set)))
            .map((set) => set.length),
        );
        expect(chosen).toHaveLength(least);
      }),
    );
  });
  it('at most so many, serve most alarms and then most tasks', () => {
    const tasks = fc.array(
      fc
        .tuple(fc.nat(40), fc.nat(10), fc.boolean())
        .map(([from, long, alarm]): VisitTask => ({ window: [from, from + long], alarm })),
      { maxLength: 8 },
    );
    const worth = (all: readonly VisitTask[], set: readonly number[]): number =>
      all.reduce((sum, { window, alarm }) => sum + (holds(window, set) ? (alarm ? 1000 : 0) + 1 : 0), 0);
    fc.assert(
      fc.property(days, tasks, fc.integer({ min: 0, max: 4 }), (candidates, all, most) => {
        const chosen = bestVisits(candidates, all, most);
        expect(chosen.length).toBeLessThanOrEqual(most);
        const best = Math.max(
          ...subsets(candidates)
            .filter((set) => set.length <= most)
            .map((set) => worth(all, set)),
        );
        expect(worth(all, chosen)).toBe(best);
      }),
    );
  });
  it('name windows that end before they begin', () => {
    expect(() => fewestVisits([1], [[3, 2]])).toThrow(/does not end before/);
  });
});

describe('a factor that is shared', () => {
  it('is 1 where the rate inside is not the higher, and refuses counts that cannot be', () => {
    expect(sharedFactor({ dead: 1, all: 10, deadBeside: 10, allBeside: 100 })).toBe(1);
    expect(sharedFactor({ dead: 0, all: 0, deadBeside: 1, allBeside: 9 })).toBe(1);
    expect(() => sharedFactor({ dead: 3, all: 2, deadBeside: 0, allBeside: 1 })).toThrow(/how many died/);
    expect(() => sharedFactor({ dead: 1.5, all: 2, deadBeside: 0, allBeside: 1 })).toThrow(/whole numbers/);
  });
});
