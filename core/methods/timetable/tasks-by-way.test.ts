import { describe, expect, it } from 'vitest';
import { methodById, METHODS } from '../registry';
import { shownTechnique } from '../shown-technique';
import { turnsOf } from '../testing/lake-year';
import type { VariantId } from '../use';
import { timetable } from './timetable';
import { tasksFor } from './tasks-by-way';

/** What follows a union of a method in a variant, made on a day. */
const after = (methodId: string, variantId: VariantId, madeOn: string) => {
  const method = methodById(methodId);
  const variant = method.variants.find(({ id }) => id === variantId)!;
  return timetable(variant, shownTechnique(method), madeOn, { turnsOf });
};
const task = (follows: ReturnType<typeof after>, id: string) => follows.tasks.find((known) => known.id === id);

describe('aftercare by how a union lives on', () => {
  it('is filled for every variant of every method, each task once', () => {
    for (const method of METHODS)
      for (const { id, wayOn } of method.variants) {
        const tasks = tasksFor(wayOn, shownTechnique(method).aftercare).map((known) => known.id);
        expect(tasks.length, `${method.id} ${id}`).toBeGreaterThan(3);
        expect(new Set(tasks).size, `${method.id} ${id}`).toBe(tasks.length);
      }
  });
  it('keeps nothing warm outdoors that is kept warm at the bench', () => {
    const whip = (variant: VariantId) => after('whip-and-tongue', variant, '2027-03-06').tasks.map(({ id }) => id);
    expect(whip('bench')).toEqual(expect.arrayContaining(['warm', 'plant-out']));
    expect(whip('outdoors')).not.toContain('warm');
    expect(whip('outdoors')).not.toContain('plant-out');
  });
  it('asks a dormant spring chip for no leaf stub, and heads it back once it moves', () => {
    const spring = after('chip', 'spring', '2027-04-21');
    expect(task(spring, 'plump')).toMatchObject({ due: { from: '2027-05-05', to: '2027-05-19' } });
    expect(task(spring, 'plump')!.name).not.toContain('Touch the leaf stub');
    // Not on a day, least of all in the late winter of the next year.
    expect(task(spring, 'head-back')).toMatchObject({ trigger: { kind: 'event', event: 'bud-grows' }, due: null });
  });
  it('lets a bud of August sleep until late winter, and forces one of June in two to three weeks', () => {
    const sleeping = after('t-bud', 'late-summer', '2027-08-14');
    expect(task(sleeping, 'plump')).toMatchObject({ due: { from: '2027-08-21', to: '2027-08-28' } });
    expect(task(sleeping, 'head-back')!.due!.from).toBe('2028-03-20');
    expect(task(after('t-bud', 'early-summer', '2027-06-10'), 'head-back')).toMatchObject({
      due: { from: '2027-06-24', to: '2027-07-01' },
    });
  });
  it('cuts the stock above a patch in a week in spring, and in autumn not before late winter', () => {
    expect(task(after('patch', 'spring', '2027-05-20'), 'patch-top')!.due!.from).toBe('2027-05-27');
    expect(task(after('patch', 'autumn', '2027-09-20'), 'patch-top')!.due!.from).toBe('2028-02-07');
  });
});
