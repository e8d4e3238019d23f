import { describe, expect, it } from 'vitest';
import { task } from '../../methods/timetable/aftercare-task';
import { calendarDays, event, EVERY_YEAR, growth, healingDays, phase } from '../../methods/timetable/trigger';
import { unionPlan, type LifeSoFar } from './union-plan';

const AFTERCARE = [
  task('callus', 'Look for callus', healingDays(10, 14, 21), null),
  task('binding-off', 'Take the tape off', calendarDays(55, 60, 75), 'It girdles.'),
  task('tie-up', 'Tie the shoot', growth(150, 250), 'Blown out by wind.'),
  task('shoots', 'Rub off shoots', calendarDays(14, 21, 28), 'Outcompeted.', 21),
  task('foil-off', 'Take the foil off', phase('winter'), 'It softens.'),
  task('brace', 'Look at the brace', EVERY_YEAR, 'Broken out.', 365),
  task('seen', 'Slit the wrap', event('growth-starts', 20), 'It girdles.'),
];
const TURNS = (year: number) => ({ 'buds-swell': `${year}-03-25`, 'leaf-fall': `${year}-11-05` });
const plan = (life: LifeSoFar = {}) =>
  Object.fromEntries(
    unionPlan({ wayOn: 'bench', aftercare: AFTERCARE, madeOn: '2027-03-06' }, life).map((planned) => [
      planned.id,
      planned,
    ]),
  );

describe('the plan of a union', () => {
  it('dates what goes by days, and leaves open what waits for something seen', () => {
    const { callus, 'binding-off': tape, 'tie-up': tie, seen } = plan();
    expect(callus!.due).toEqual({ from: '2027-03-16', best: '2027-03-20', to: '2027-03-27' });
    expect(tape!.due).toEqual({ from: '2027-04-30', best: '2027-05-05', to: '2027-05-20' });
    expect([tie!.due, seen!.due]).toEqual([null, null]);
  });
  it('moves healing with warmth, and nothing that goes by the calendar', () => {
    // Two weeks at half the usual warmth, then usual days: the fourteenth day comes a week late.
    const warmth = { rates: Array<number>(14).fill(0.3), references: Array<number>(14).fill(0.6) };
    const { callus, 'binding-off': tape } = plan({ warmth });
    expect(callus).toMatchObject({ movedBy: 7, due: { from: '2027-03-23', best: '2027-03-27', to: '2027-04-03' } });
    expect(tape).toMatchObject({ movedBy: 0, due: { best: '2027-05-05' } });
  });
  it('dates growth from what was measured', () => {
    // 10 mm a day from day 40 on: 150 mm on day 55, 250 on day 65.
    const seen = [
      { day: 40, height: 0 },
      { day: 50, height: 100 },
    ];
    expect(plan({ growth: seen })['tie-up']!.due).toEqual({ from: '2027-04-30', best: '2027-05-05', to: '2027-05-10' });
  });
  it('goes on from the day a recurring task was done, and keeps what was closed', () => {
    const closed = [
      { task: 'shoots', on: '2027-04-01', how: 'done' },
      { task: 'shoots', on: '2027-04-20', how: 'done' },
      { task: 'binding-off', on: '2027-05-02', how: 'not-needed' },
    ] as const;
    const { shoots, 'binding-off': tape, callus } = plan({ closed: [...closed] });
    expect(shoots).toMatchObject({ state: 'open', due: { from: '2027-05-11' } });
    expect(tape!.state).toBe('not-needed');
    expect(callus!.state).toBe('open');
  });
  it('knows the last day of a tie: its own, and never past the buds of the next spring', () => {
    const { 'binding-off': tape, 'foil-off': foil, callus } = plan({ turnsOf: TURNS });
    expect(tape!.latest).toBe('2027-05-20');
    // Winter ends on 3 February, before buds swell on 25 March.
    expect(foil).toMatchObject({ latest: '2028-02-03', due: { from: '2027-11-05' } });
    expect(callus!.latest).toBeNull();
  });
  it('lets no tie wait for a winter that never comes', () => {
    const summers = (year: number) => ({ midsummer: `${year}-06-21` });
    const aftercare = [task('binding-off', 'Take the tape off', phase('late-winter'), 'It girdles.')];
    const basis = { wayOn: 'tip', aftercare, madeOn: '2027-03-06' } as const;
    expect(unionPlan(basis, { turnsOf: summers })[0]).toMatchObject({
      due: { from: '2027-04-30', to: '2027-05-20' },
      latest: '2027-05-20',
    });
  });
  it('closes what is no longer possible when the union is dead; ties must come off all the same', () => {
    const dead = plan({ ended: { on: '2027-04-10', why: 'dead' } });
    expect([dead.callus!.state, dead['binding-off']!.state]).toEqual(['no-longer-possible', 'open']);
    // The stock is grown on, counted from the day it was seen.
    expect(dead['stock-shoots']).toMatchObject({ state: 'open', due: { from: '2027-04-10', to: '2027-05-01' } });
    expect(plan()['stock-shoots']).toBeUndefined();
  });
  it('asks nothing more of a plant that is gone', () => {
    const gone = plan({ ended: { on: '2027-04-10', why: 'voided' } });
    expect(Object.values(gone).every(({ state }) => state === 'no-longer-possible')).toBe(true);
  });
  it('says what was missed once it is late, but never of a tie', () => {
    const late = plan({ today: '2027-06-20' });
    expect([late.callus!.state, late['binding-off']!.state]).toEqual(['missed', 'open']);
    expect(plan({ today: '2027-04-17' }).callus!.state).toBe('open');
    expect(plan({ today: '2027-04-18' }).callus!.state).toBe('missed');
    expect(plan({ today: '2027-04-18', late: 30 }).callus!.state).toBe('open');
  });
  it('ends with the season what recurs in it', () => {
    const closed = [{ task: 'shoots', on: '2027-10-30', how: 'done' }] as const;
    expect(plan({ closed, turnsOf: TURNS }).shoots).toMatchObject({ state: 'done', due: null });
    expect(plan({ closed: [{ ...closed[0], on: '2027-09-30' }], turnsOf: TURNS }).shoots!.state).toBe('open');
  });
  it('offers a second chance only to the dead, by the way that the site’s year puts next', () => {
    const aftercare = [task('second-chance', 'Put in a chip bud', phase('late-summer'), 'A year is lost.')];
    const basis = { wayOn: 'bench', aftercare, madeOn: '2027-03-06' } as const;
    const regraft = { name: 'Graft the stock again: chip bud', from: '2027-08-11', to: '2027-09-08' };
    expect(unionPlan(basis, { regraft })).toEqual([]);
    const ended = { on: '2027-05-10', why: 'dead' } as const;
    const again = (life: LifeSoFar) => unionPlan(basis, life).filter(({ id }) => id === 'second-chance');
    const due = { from: regraft.from, best: regraft.from, to: regraft.to };
    expect(again({ ended, regraft })).toMatchObject([{ state: 'open', due, name: regraft.name }]);
    const closed = [{ task: 'second-chance', on: '2027-08-12', how: 'not-needed' }] as const;
    expect(again({ ended, regraft, closed })[0]!.state).toBe('not-needed');
    expect(again({ ended, regraft: null })).toEqual([]);
    expect(again({ ended })[0]!.name).toBe('Put in a chip bud');
  });
});
