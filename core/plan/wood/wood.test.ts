import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { plottedReadings, summariseRun } from './logger-run';
import { checkWarning, isQuarantined, type LotFacts, lotWarnings } from './lot-warnings';

const lot: LotFacts = {
  variety: 'Lantern Bay',
  species: 'medlar',
  source: 'ferry landing',
  protectedUntil: null,
  leave: '',
  certificate: '',
  region: 'Tarn isles',
};
const place = { region: 'Tarn isles', quarantine: [] };
const ids = (changes: Partial<LotFacts>, at = place, day = '2027-03-01'): string[] =>
  lotWarnings({ ...lot, ...changes }, day, at).map(({ id, level }) => `${id} ${level}`);

describe('warnings of a lot', () => {
  it('are none for unprotected wood from here', () => expect(ids({})).toEqual([]));
  it('last while protection does, unless there is leave', () => {
    expect(ids({ protectedUntil: '2027-03-01' })).toEqual(['protected stop']);
    expect(ids({ protectedUntil: '2027-02-28' })).toEqual([]);
    expect(ids({ protectedUntil: '2034-01-01', leave: 'written, 2025' })).toEqual([]);
  });
  it('want a certificate for citrus kin and for what the club lists', () => {
    expect(ids({ species: 'lemon' })).toEqual(['uncertified stop']);
    expect(ids({ species: 'Lemon', certificate: 'TI-2027-114' })).toEqual([]);
    expect(ids({}, { region: 'Tarn isles', quarantine: ['Medlar'] } as never)).toEqual(['uncertified stop']);
    expect(isQuarantined('peach', ['stone'])).toBe(true);
    expect(isQuarantined('pear', ['stone'])).toBe(false);
  });
  it('flag wood that crosses a boundary, and defer to the authority', () => {
    const [warning] = lotWarnings({ ...lot, region: 'Far shore' }, '2027-03-01', place);
    expect(warning).toMatchObject({ id: 'boundary', level: 'care' });
    expect(warning!.remedy).toContain('authority');
    expect(ids({ region: 'Far shore', species: 'orange', certificate: 'x' })).toEqual(['boundary stop']);
    expect(ids({ region: '' })).toEqual([]);
  });
});

describe('looks at stored wood', () => {
  it('count by the last one, whatever order they came in', () => {
    expect(checkWarning('x', [])).toBeNull();
    expect(
      checkWarning('x', [
        { on: '2027-02-20', green: 'yes', buds: 'shut' },
        { on: '2027-02-01', green: 'no', buds: 'open' },
      ]),
    ).toBeNull();
    expect(checkWarning('x', [{ on: '2027-02-20', green: 'yes', buds: 'moving' }])).toMatchObject({ level: 'care' });
    expect(checkWarning('x', [{ on: '2027-02-20', green: 'no', buds: 'shut' }])).toMatchObject({ level: 'stop' });
  });
});

describe('a run of a logger', () => {
  const run = (readings: [string, number][]) => ({
    instants: readings.map(([at]) => Date.parse(at)),
    values: readings.map(([, value]) => value),
  });
  it('draws the lowest and highest of each stretch, in order and within the room', () => {
    fc.assert(
      fc.property(
        fc.array(fc.double({ min: -30, max: 30, noNaN: true }), { minLength: 2, maxLength: 400 }),
        fc.integer({ min: 4, max: 60 }),
        (values, most) => {
          const plotted = plottedReadings({ instants: values.map((_, i) => i * 60_000), values }, most);
          expect(plotted.length).toBeLessThanOrEqual(Math.max(most, 4));
          expect(plotted.map(({ at }) => at)).toEqual([...new Set(plotted.map(({ at }) => at))].sort());
          for (const extreme of [Math.min(...values), Math.max(...values), values[0]!, values.at(-1)!])
            expect(plotted.some(({ value }) => value === extreme)).toBe(true);
        },
      ),
    );
  });
  it('weighs each reading by how long it stood', () => {
    const summary = summariseRun(
      run([
        ['2027-01-01T00:00:00Z', 2],
        ['2027-01-01T01:00:00Z', 6],
        ['2027-01-01T02:00:00Z', 2],
        ['2027-01-01T03:00:00Z', -1],
        ['2027-01-01T04:00:00Z', 2],
      ]),
      { from: 0, to: 4 },
    );
    expect(summary).toMatchObject({ low: -1, high: 6, hoursAbove: 1, hoursBelow: 1, readings: 5, gaps: [] });
    expect(summary.mean).toBeCloseTo((2 + 6 + 2 - 1) / 4, 12);
  });
  it('claims nothing of a gap', () => {
    const summary = summariseRun(
      run([
        ['2027-01-01T00:00:00Z', 2],
        ['2027-01-01T01:00:00Z', 2],
        ['2027-01-01T02:00:00Z', 8],
        ['2027-01-02T02:00:00Z', 2],
        ['2027-01-02T03:00:00Z', 2],
      ]),
      { from: 0, to: 4 },
    );
    expect(summary.gaps).toEqual([{ from: '2027-01-01T02:00:00Z', to: '2027-01-02T02:00:00Z', hours: 24 }]);
    // At most three usual steps of it are believed.
    expect(summary.hoursAbove).toBe(3);
  });
  it('needs two readings', () =>
    expect(() => summariseRun({ instants: [], values: [] }, { from: 0, to: 4 })).toThrow('two readings'));
});
