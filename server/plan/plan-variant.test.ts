import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import { changeKeepers } from '@/server/aftercare/change-keepers';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { plantLife } from '@/server/aftercare/plant-life';
import { unionPlans } from '@/server/aftercare/union-plans';
import { livingUnions } from '@/server/aftercare/living-unions';
import { markTasks } from '@/server/aftercare/mark-tasks';
import { putClimate } from '@/server/club/sites';
import { refusalOf, testClub, type TestClub, testWorkshop } from '@/server/testing/test-club';
import { listKeepers } from './keepers-of-workshop';
import { putPlanVariant, variantChoices } from './plan-variant';
import { planning, reckonedPlan } from './planning';
import { putPlannedMethods } from './planned-methods';
import { dayTaught } from './taught';
import { getWorkshop, putWorkshop } from './workshops';
import { methodById } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';

let club: TestClub;
let plain: (typeof CLIMATES)[number];
beforeAll(async () => {
  club = await testClub();
  plain = CLIMATES.find(({ name }) => name.startsWith('River plain'))!;
});
const lead = (day = '2027-08-15') => club.as('lead', new Date(`${day}T08:00:00Z`));

/** A day of chips on the river plain, where buds are forced until late August and sleep from then on. */
async function chipDay(date: string) {
  const day = await testWorkshop(club, 2);
  const { title, siteId } = await getWorkshop(lead(), day.id);
  const { normals, lastFrost, firstFrost, frostMargin } = plain;
  await putClimate(lead(), siteId, { normals, lastFrost, firstFrost, frostMargin, source: 'a test', version: 0 });
  await putWorkshop(lead(), day.id, { title, siteId, date, method: 'chip', promisedKeepers: 1, promise: '' });
  return day;
}
const choose = async (id: string, changes: object) => {
  const { version } = await variantChoices(lead(), id);
  return putPlanVariant(lead(), id, { changeId: uuid(), version, method: 'chip', reason: '', ...changes });
};

describe('how a method of the day lives on', () => {
  it('is asked where two windows are open, proposed by the date, and kept once somebody said', async () => {
    const { id } = await chipDay('2027-07-20');
    const { choices } = await variantChoices(lead(), id);
    expect(choices).toMatchObject([{ method: 'chip', chosen: false, open: true }]);
    const fits = choices[0]!.options.filter((option) => option.fits).map((option) => option.id);
    expect(fits.sort()).toEqual(['early-summer', 'late-summer']);
    for (const { means } of choices[0]!.options) expect(means.length).toBeGreaterThan(20);
    const says = async () =>
      reckonedPlan((await planning(lead(), id)).facts).conflicts.filter((conflict) => conflict.id === 'variant-chip');
    expect((await says())[0]!.says).toContain('can be');
    await choose(id, { variant: 'early-summer' });
    expect((await variantChoices(lead(), id)).choices[0]).toMatchObject({
      variant: 'early-summer',
      chosen: true,
      open: false,
    });
    expect(await says()).toEqual([]);
    // Other figures of the plan are changed without it.
    const { plan, planVersion } = await planning(lead(), id);
    await putPlannedMethods(lead(), id, { ...plan, changeId: uuid(), version: planVersion, settings: USUAL_SETTINGS });
    expect((await variantChoices(lead(), id)).choices[0]!.variant).toBe('early-summer');
    // The day moves across the window: the choice stands, and is asked about.
    const { title, siteId } = await getWorkshop(lead(), id);
    await putWorkshop(lead(), id, {
      title,
      siteId,
      date: '2027-09-20',
      method: 'chip',
      promisedKeepers: 1,
      promise: '',
    });
    expect((await says())[0]!.says).toContain('is planned forced to grow at once');
  });
  it('needs a reason where the day does not allow it, and is one of the method’s', async () => {
    const { id } = await chipDay('2027-07-20');
    expect((await refusalOf(choose(id, { variant: 'spring' }))).fields).toEqual({ reason: 'Say why.' });
    await choose(id, { variant: 'spring', reason: 'sticks by post, still asleep' });
    expect((await variantChoices(lead(), id)).choices[0]).toMatchObject({ variant: 'spring', chosen: true });
    expect((await refusalOf(choose(id, { variant: 'outdoors' }))).refusal).toBe('invalid');
    expect((await refusalOf(choose(id, { variant: 'soon' }))).refusal).toBe('invalid');
    expect((await refusalOf(choose(id, { method: 'cleft', variant: 'usual' }))).refusal).toBe('invalid');
    const { version } = await variantChoices(lead(), id);
    const stale = { changeId: uuid(), version: version - 1, method: 'chip', variant: 'late-summer', reason: '' };
    expect((await refusalOf(putPlanVariant(lead(), id, stale))).refusal).toBe('conflict');
    expect((await refusalOf(putPlanVariant(club.as('viewer'), id, stale))).refusal).toBe('forbidden');
    const other = await testClub();
    expect((await refusalOf(putPlanVariant(other.as('lead'), id, stale))).refusal).toBe('not-found');
  });
});

describe('keepers', () => {
  const tasks = async (code: string) => {
    const living = (await livingUnions(lead('2027-07-25'), {})).filter(({ plant }) => plant.code === code);
    return (await unionPlans(lead('2027-07-25'), living))[0]!.tasks;
  };
  it('are made as the day was chosen, changed later with other tasks, and nothing done is lost', async () => {
    const { id, woodLotId, stockLotId } = await chipDay('2027-07-20');
    await choose(id, { variant: 'late-summer' });
    await makeKeepers(lead('2027-07-20'), id, { woodLotId, stockLotId, each: 1, method: 'chip' });
    const [keeper] = await listKeepers(lead(), id);
    expect(keeper!.variant).toBe('late-summer');
    const before = await tasks(keeper!.code);
    await markTasks(lead('2027-07-25'), uuid(), {
      marks: [{ unionId: keeper!.unionId, task: 'plump', occurrence: 1 }],
      outcome: 'done',
      on: '2027-07-25',
    });
    const change = (what: object) => changeKeepers(lead('2027-07-25'), id, { plantIds: [keeper!.id], ...what });
    await change({ variant: 'early-summer' });
    const life = await plantLife(lead('2027-07-25'), keeper!.code);
    expect(life.unions[0]).toMatchObject({ variant: 'early-summer', made: 'Chip bud forced to grow at once' });
    expect(life.unions[0]!.events.map(({ words }) => words).join(' ')).toMatch(/plump|stub/i);
    const after = await tasks(keeper!.code);
    const headBack = (all: typeof before) => JSON.stringify(all.find(({ id: task }) => task === 'head-back')?.trigger);
    expect(headBack(after)).not.toBe(headBack(before));
    expect((await refusalOf(change({ variant: 'spring' }))).fields).toEqual({ reason: 'Say why.' });
    await change({ variant: 'spring', reason: 'dormant sticks from the cold store' });
    expect((await plantLife(lead('2027-07-25'), keeper!.code)).unions[0]!.variantReason).toContain('cold store');
    expect((await refusalOf(change({ variant: 'bench' }))).refusal).toBe('invalid');
  });
  it('moved to a day across the window are asked how they live on', async () => {
    const { id, woodLotId, stockLotId } = await chipDay('2027-07-20');
    await choose(id, { variant: 'early-summer' });
    await makeKeepers(lead('2027-07-20'), id, { woodLotId, stockLotId, each: 1, method: 'chip' });
    const [keeper] = await listKeepers(lead(), id);
    const move = (what: object) =>
      changeKeepers(lead('2027-09-25'), id, { plantIds: [keeper!.id], madeOn: '2027-09-20', ...what });
    expect((await refusalOf(move({}))).fields).toEqual({ variant: 'Choose for the new day.' });
    expect((await listKeepers(lead(), id))[0]).toMatchObject({ variant: 'early-summer', madeOn: '2027-07-20' });
    await move({ variant: 'late-summer' });
    expect((await listKeepers(lead(), id))[0]).toMatchObject({ variant: 'late-summer', madeOn: '2027-09-20' });
  });
});

describe('steps, points and words', () => {
  it('follow what the variant decides: dormant wood has no leaf stub to hold a chip by', async () => {
    const { id, woodLotId, stockLotId } = await chipDay('2027-07-20');
    const wordsOf = async () => {
      const { schoolsOf } = await dayTaught(lead(), await getWorkshop(lead(), id));
      const chip = methodById('chip');
      return JSON.stringify(shownTechnique(chip, schoolsOf(chip)));
    };
    await choose(id, { variant: 'late-summer' });
    expect(await wordsOf()).toContain('by its leaf stub');
    await choose(id, { variant: 'spring', reason: 'sticks by post' });
    const words = await wordsOf();
    expect(words).toContain('it has no stub');
    expect(words).not.toContain('by its leaf stub');
    await makeKeepers(lead('2027-07-20'), id, { woodLotId, stockLotId, each: 1, method: 'chip' });
    const [keeper] = await listKeepers(lead(), id);
    expect(keeper!.schools).toEqual({ 'bud-wood': 'dormant' });
    await changeKeepers(lead('2027-07-20'), id, { plantIds: [keeper!.id], variant: 'late-summer' });
    expect((await listKeepers(lead(), id))[0]!.schools).toEqual({});
    // Another method and its variant in one change: what is decided is the new method's.
    const both = { plantIds: [keeper!.id], method: 'patch', variant: 'spring', reason: 'last year’s shoots' };
    await changeKeepers(lead('2027-07-20'), id, both);
    expect((await listKeepers(lead(), id))[0]).toMatchObject({
      method: 'patch',
      variant: 'spring',
      schools: { 'patch-wood': 'last-year' },
    });
  });
});
