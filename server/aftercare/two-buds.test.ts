import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { putWorkshop } from '@/server/plan/workshops';
import { putSchools } from '@/server/teach/schools';
import { askedUnions } from '@/server/follow-up/asks/asked-unions';
import { testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { livingUnions } from './living-unions';
import { makeKeepers } from './make-keepers';
import { markTasks } from './mark-tasks';
import { observeUnion, takeObservationBack } from './observe-union';
import { plantLife } from './plant-life';
import { unionPlans } from './union-plans';

/* Two buds on one stock, one as insurance: two unions from the first day to the day on which one of them is kept. */

let club: TestClub;
let workshop: TestWorkshop;
const lead = (day = '2027-08-15') => club.as('lead', new Date(`${day}T09:00:00Z`));
const keepers = () => listKeepers(lead(), workshop.id);

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 1);
  const { id, siteId, woodLotId, stockLotId } = workshop;
  const day = { title: 'Buds in August', date: '2027-08-14', siteId, method: 'chip', promisedKeepers: 1, promise: '' };
  await putWorkshop(lead(), id, day);
  await putSchools(lead(), id, { method: 'chip', schools: { 'second-bud': 'opposite' } });
  const ask = { method: 'chip', woodLotId, stockLotId, each: 1 };
  await makeKeepers(lead(), id, ask);
  await makeKeepers(lead(), id, ask);
});

describe('two buds of one stock', () => {
  it('are two unions in their places, made once', async () => {
    const all = await keepers();
    expect(new Set(all.map(({ code }) => code)).size).toBe(3);
    expect(all.map(({ position }) => position)).toEqual(['front', 'back', 'front', 'back', 'front', 'back']);
    expect(new Set(all.map(({ unionId }) => unionId)).size).toBe(6);
    expect(all.every(({ method, variant }) => method === 'chip' && variant === 'late-summer')).toBe(true);
  });
  it('are asked of apart, until one of them is kept', async () => {
    const [front, back] = await keepers();
    const now = lead('2028-04-12');
    const due = async () =>
      (await askedUnions(lead('2028-06-10'), { plantId: front!.id })).map(({ union, asks }) => [
        union.position,
        asks.some(({ state }) => state === 'due'),
      ]);
    expect(await due()).toEqual([
      ['front', true],
      ['back', true],
    ]);
    const seen = uuid();
    const cut = { unionId: back!.unionId, kind: 'cut-away', seenOn: '2028-04-12' };
    await Promise.all([observeUnion(now, seen, cut), observeUnion(now, seen, cut)]);
    expect(await due()).toEqual([
      ['front', true],
      ['back', false],
    ]);
    const [kept, away] = (await plantLife(lead('2028-04-13'), front!.code)).unions;
    expect([kept!.state, away!.state]).toEqual(['living', 'cut-away']);
    expect(kept!.keepsOne).toBe(true);
    expect(away!.now).toEqual([]);
    expect(away!.events.map(({ words }) => words)).toContain('Cut away, since another on its plant is kept');
    // It is no death: nothing is offered for its stock, on which the other lives.
    const plans = await unionPlans(lead(), await livingUnions(lead(), { plantId: front!.id }));
    expect(plans.map(({ second }) => second)).toEqual([null, null]);
    await takeObservationBack(now, seen);
    expect(await due()).toEqual([
      ['front', true],
      ['back', true],
    ]);
  });
  it('have tasks of their own, each marked by itself', async () => {
    const [front] = await keepers();
    await markTasks(lead('2027-08-30'), uuid(), {
      marks: [{ unionId: front!.unionId, task: 'plump', occurrence: 0 }],
      outcome: 'done',
      on: '2027-08-28',
      reason: '',
    });
    const plans = await unionPlans(lead(), await livingUnions(lead(), { plantId: front!.id }));
    const states = plans.map(({ tasks }) => tasks.find(({ id }) => id === 'plump')!.state);
    expect(states).toEqual(['done', 'open']);
  });
});
