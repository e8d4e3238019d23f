import { describe, expect, it } from 'vitest';
import { readyCheck, type ReadyInput } from './ready-check';

const good: ReadyInput = {
  date: '2027-03-20',
  today: '2027-03-20',
  people: 12,
  conflicts: [],
  wants: { dormantWood: true, slippingBark: true, awakeStocks: true },
  lots: [{ variety: 'Grey Heron', lastCheck: { on: '2027-03-19' }, warnings: [] }],
  seen: { bark: { slips: true, on: '2027-03-20' }, stocks: { awake: true, on: '2027-03-15' } },
  expected: { barkSlips: null, stocksAwake: null },
  briefed: { heard: 12, outOf: 12 },
  enough: [{ what: 'pear stocks', needed: 30, there: 30, counted: true }],
  pairs: [],
  edges: { light: 'go', says: 'All 12 knives passed the test cut.', remedy: null },
  forecast: {
    simulated: true,
    hottest: 18,
    coldest: 2,
    mean: 10,
    limits: { from: 7, to: 24, stop: 32 },
    indoors: false,
    degrees: (celsius) => `${Math.round(celsius)} °C`,
  },
};
const light = (changes: Partial<ReadyInput>): string => readyCheck({ ...good, ...changes }).light;
const line = (id: string, changes: Partial<ReadyInput>) =>
  readyCheck({ ...good, ...changes }).lines.find((readyLine) => readyLine.id.startsWith(id))!;

describe('the ready check', () => {
  it('says go when all is well, and answers every question', () => {
    const { light: all, lines } = readyCheck(good);
    expect(all).toBe('go');
    expect(new Set(lines.map(({ question }) => question)).size).toBe(9);
    expect(lines.every((readyLine) => readyLine.remedy === null)).toBe(true);
  });
  it.each<[string, Partial<ReadyInput>, string]>([
    [
      'knives that failed',
      { edges: { light: 'care', says: '2 of 12 knives failed.', remedy: 'Sharpen them.' } },
      'care',
    ],
    ['nobody comes', { people: 0 }, 'stop'],
    [
      'out of season',
      { conflicts: [{ id: 'season-x', level: 'stop', says: 'Too late.', remedy: 'Another day.' }] },
      'stop',
    ],
    ['no wood', { lots: [] }, 'stop'],
    [
      'wood not looked at',
      { lots: [{ variety: 'Grey Heron', lastCheck: { on: '2027-03-01' }, warnings: [] }] },
      'care',
    ],
    [
      'wood awake',
      {
        lots: [
          {
            variety: 'Grey Heron',
            lastCheck: { on: '2027-03-20' },
            warnings: [{ id: 'check', level: 'stop', says: 'buds open', remedy: 'no' }],
          },
        ],
      },
      'stop',
    ],
    [
      'protected wood',
      {
        lots: [
          { ...good.lots[0]!, warnings: [{ id: 'protected', level: 'stop', says: 'protected', remedy: 'leave' }] },
        ],
      },
      'stop',
    ],
    ['bark does not slip', { seen: { ...good.seen, bark: { slips: false, on: '2027-03-20' } } }, 'stop'],
    ['bark not tried', { seen: { ...good.seen, bark: null } }, 'care'],
    [
      'bark cannot slip yet',
      { seen: { ...good.seen, bark: null }, expected: { barkSlips: false, stocksAwake: null } },
      'stop',
    ],
    ['an old slip test', { seen: { ...good.seen, bark: { slips: true, on: '2027-03-10' } } }, 'care'],
    ['stocks asleep', { seen: { ...good.seen, stocks: { awake: false, on: '2027-03-18' } } }, 'stop'],
    ['stocks not looked at', { seen: { ...good.seen, stocks: null } }, 'care'],
    ['one not briefed', { briefed: { heard: 11, outOf: 12 } }, 'care'],
    ['short of stocks', { enough: [{ what: 'pear stocks', needed: 30, there: 20, counted: true }] }, 'care'],
    ['no stocks', { enough: [{ what: 'pear stocks', needed: 30, there: 0, counted: true }] }, 'stop'],
    ['too hot', { forecast: { ...good.forecast!, hottest: 34 } }, 'care'],
    ['too cold for callus', { forecast: { ...good.forecast!, mean: 5 } }, 'care'],
    ['frost', { forecast: { ...good.forecast!, coldest: -2 } }, 'care'],
    ['no callus figure', { forecast: { ...good.forecast!, limits: null } }, 'care'],
  ])('%s', (_name, changes, expected) => {
    expect(light(changes)).toBe(expected);
    const worst = readyCheck({ ...good, ...changes }).lines.filter((readyLine) => readyLine.light !== 'go');
    for (const readyLine of worst) expect(readyLine.remedy, readyLine.id).toBeTruthy();
  });
  it('calls what is not done yet still to do before the day, and keeps what stands against it', () => {
    const ahead = { today: '2026-07-20' };
    expect(light({ ...ahead, people: 0, lots: [], briefed: { heard: 0, outOf: 12 } })).toBe('todo');
    expect(line('slip', { ...ahead, seen: { bark: null, stocks: null } }).light).toBe('todo');
    const season = { id: 'season-x', level: 'stop' as const, says: 'Too late.', remedy: 'Another day.' };
    expect(light({ ...ahead, conflicts: [season] })).toBe('stop');
    expect(light({ people: 0 })).toBe('stop');
  });
  it('asks for bark and waking stocks only where they are wanted', () => {
    const { lines } = readyCheck({ ...good, wants: { dormantWood: false, slippingBark: false, awakeStocks: false } });
    expect(lines.some(({ id }) => id === 'slip' || id === 'stocks')).toBe(false);
    expect(lines.some(({ question }) => question === 'Is the wood fit?')).toBe(true);
  });
  it('tells what speaks against a lot once, with the wood, and then does not call the wood good', () => {
    const { lines } = readyCheck({
      ...good,
      conflicts: [{ id: 'budwood-old-Night Ferry', level: 'stop', says: 'Too old.', remedy: 'Cut it anew.' }],
    });
    expect(lines.filter(({ id }) => id.startsWith('budwood-'))).toMatchObject([
      { question: 'Is the wood still dormant?', light: 'stop' },
    ]);
    expect(lines.some(({ id }) => id === 'wood')).toBe(false);
  });
  it('says that weather is simulated, and minds it less indoors', () => {
    expect(line('forecast', {}).says).toContain('simulated');
    expect(line('forecast', { forecast: { ...good.forecast!, indoors: true, mean: 3 } }).light).toBe('go');
  });
  it('stops nobody for what was not counted, and leads to where it is', () => {
    const kit = { what: 'Kit', needed: 12, there: 0 };
    expect(line('enough-Kit', { enough: [{ ...kit, counted: true }] }).light).toBe('stop');
    const uncounted = line('enough-Kit', { enough: [{ ...kit, counted: false }] });
    expect(uncounted).toMatchObject({ light: 'care', place: 'quantities' });
    expect(light({ enough: [{ ...kit, counted: false }] })).toBe('care');
  });
  it('warns of a pair and never stops for it', () => {
    const pairs = [{ id: 'cherry on plum', says: 'Cherry on plum is not known to live.', remedy: 'Another stock.' }];
    expect(line('pair-cherry', { pairs })).toMatchObject({ light: 'care', place: 'compatibility' });
    expect(light({ pairs })).toBe('care');
  });
  it('has a place for every remedy', () => {
    const bad: Partial<ReadyInput>[] = [
      { people: 0 },
      { lots: [] },
      { lots: [{ variety: 'Grey Heron', lastCheck: null, warnings: [] }] },
      { seen: { bark: null, stocks: null } },
      { seen: { bark: { slips: false, on: '2027-03-20' }, stocks: { awake: false, on: '2027-03-18' } } },
      { briefed: { heard: 3, outOf: 12 } },
      { conflicts: [{ id: 'season-x', level: 'stop', says: 'Too late.', remedy: 'Another day.' }] },
      { forecast: { ...good.forecast!, limits: null } },
      { forecast: { ...good.forecast!, hottest: 40 } },
      { forecast: { ...good.forecast!, mean: 1, coldest: -9, indoors: true } },
    ];
    const remedies = bad.flatMap((changes) => readyCheck({ ...good, ...changes }).lines.filter(({ remedy }) => remedy));
    expect(remedies.length).toBeGreaterThan(8);
    expect(remedies.filter(({ place }) => place === null)).toEqual([]);
  });
});
