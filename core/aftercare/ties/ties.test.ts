import { describe, expect, it } from 'vitest';
import { turnsOf } from '../../methods/testing/lake-year';
import { planBasis } from '../plan/made-union';
import { type LifeSoFar, unionPlan } from '../plan/union-plan';
import { tiesOf, type TieSeen } from './ties';

const INLAY = ['insulating-tape', 'foil', 'bag', 'shellac', 'brace', 'label'];

/** Ties of an inlay of May, as they stand on a day. */
function inlay(today: string, life: LifeSoFar = {}, seen: TieSeen[] = []) {
  const made = {
    method: 'inlay',
    variant: 'usual',
    schools: {},
    species: 'pecan',
    materials: INLAY,
    madeOn: '2027-05-22',
  } as const;
  const basis = planBasis(made);
  const tasks = unionPlan(
    { ...basis, madeOn: made.madeOn },
    { turnsOf, today, girdle: basis.strains ? 300 : null, ...life },
  );
  const doneOn = (task: string) => life.closed?.find((closed) => closed.task === task)?.on ?? null;
  const ties = tiesOf({ materials: INLAY, tasks, doneOn, seen, madeOn: made.madeOn, braceDays: 5 * 365, today });
  return Object.fromEntries(ties.map((tie) => [tie.id, tie]));
}

describe('ties round a stem', () => {
  it('are each by themselves, with a last day of their own', () => {
    const ties = inlay('2027-06-01');
    expect(Object.keys(ties)).toEqual(['union', 'bag-top', 'bag-bottom', 'brace', 'label']);
    expect(ties.union).toMatchObject({ latest: '2028-03-19', state: 'on' });
    expect(ties['bag-bottom']).toMatchObject({ latest: '2027-07-11', state: 'on' });
    expect(ties.label!.latest).toBeNull();
  });
  it('are said soon before the last day and raise the alarm from it on', () => {
    expect(inlay('2028-03-04').union!.state).toBe('on');
    expect(inlay('2028-03-05').union!.state).toBe('soon');
    expect(inlay('2028-03-19').union!.state).toBe('alarm');
    expect(inlay('2030-01-01').union!.state).toBe('alarm');
  });
  it('are off once their task is done or somebody saw it, and on again when seen on later', () => {
    const closed = [{ task: 'binding-off', on: '2028-03-10', how: 'done' }] as const;
    expect(inlay('2028-04-01', { closed }).union).toMatchObject({ state: 'off', since: '2028-03-10' });
    const off: TieSeen = { tie: 'union', on: '2028-03-12', is: 'off' };
    expect(inlay('2028-04-01', {}, [off]).union).toMatchObject({ state: 'off', since: '2028-03-12' });
    const again: TieSeen = { tie: 'union', on: '2028-03-20', is: 'on' };
    expect(inlay('2028-04-01', { closed }, [off, again]).union).toMatchObject({ state: 'alarm' });
  });
  it('come off sooner where growth strains what does not give', () => {
    // 10 mm a day from day 30 on: 300 mm on day 60.
    const growth = [
      { day: 30, height: 0 },
      { day: 45, height: 150 },
    ];
    expect(inlay('2027-07-10', { growth }).union).toMatchObject({
      latest: '2027-07-21',
      strained: true,
      state: 'soon',
    });
  });
  it('let a label outlive the tie it hangs on', () => {
    const closed = [{ task: 'binding-off', on: '2028-03-10', how: 'done' }] as const;
    expect(inlay('2031-01-01', { closed }).label!.state).toBe('on');
  });
});
