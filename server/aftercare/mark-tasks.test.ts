import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { changeKeepers } from './change-keepers';
import { livingUnions } from './living-unions';
import { makeKeepers } from './make-keepers';
import { markTasks, undoMarks } from './mark-tasks';
import { settleMark } from './settle-mark';
import { unionPlans, type UnionWithPlan } from './union-plans';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('assistant'), workshop.id, { woodLotId, stockLotId, each: 2 });
});

const APRIL = new Date('2027-04-10T10:00:00Z');
const plans = async (now = APRIL): Promise<UnionWithPlan[]> =>
  unionPlans(club.as('viewer', now), await livingUnions(club.as('viewer', now), { workshopId: workshop.id }));
const taskOf = (plan: UnionWithPlan, id: string) => plan.tasks.find((task) => task.id === id)!;
const rows = (task: string) => club.services.db.taskMarks.findAll({ where: { clubId: club.clubId, task }, raw: true });

/** A tap that closes a task of some unions. */
const tap = (unions: readonly UnionWithPlan[], task: string, changes: object = {}) => ({
  marks: unions.map((plan) => ({ unionId: plan.union.id, task, occurrence: taskOf(plan, task).occurrence })),
  outcome: 'done',
  on: '2027-04-09',
  reason: '',
  ...changes,
});

describe('marking tasks', () => {
  it('closes a task for a whole lot with one tap, once however often it is sent', async () => {
    const all = await plans();
    const action = uuid();
    const body = tap(all.slice(0, 5), 'swell');
    const answers = await Promise.all([1, 2, 3].map(() => markTasks(club.as('assistant', APRIL), action, body)));
    expect(answers.every(({ marked }) => marked === 5)).toBe(true);
    expect(await rows('swell')).toHaveLength(5);
    expect((await plans()).map((plan) => taskOf(plan, 'swell').state)).toEqual([
      ...Array<string>(5).fill('done'),
      'open',
    ]);
  });
  it('is done by one of two devices that mark it at once, and the other is told', async () => {
    const [plan] = await plans();
    const body = tap([plan!], 'callus-seen');
    const both = await Promise.all(
      (['lead', 'assistant', 'lead', 'assistant'] as const).map((role) =>
        markTasks(club.as(role, APRIL), uuid(), body),
      ),
    );
    expect(both.reduce((sum, { marked }) => sum + marked, 0)).toBe(1);
    expect(both.reduce((sum, { already }) => sum + already, 0)).toBe(3);
    expect(await rows('callus-seen')).toHaveLength(1);
  });
  it('keeps what overlaps and was closed otherwise beside it: the rest of the tap counts', async () => {
    const all = await plans();
    await markTasks(club.as('lead', APRIL), uuid(), tap(all.slice(0, 2), 'roots', { outcome: 'not-needed' }));
    const answer = await markTasks(club.as('assistant', APRIL), uuid(), tap(all, 'roots'));
    // What the first tap closed is not among what is open any more, so its numbers are those of before.
    expect(answer).toEqual({ marked: 4, already: 0, beside: 2, gone: 0 });
    // The same outcome told again is nothing new.
    const same = await markTasks(club.as('lead', APRIL), uuid(), tap(all.slice(2), 'roots'));
    expect(same).toMatchObject({ marked: 0, already: 4, beside: 0 });
    const states = (await plans()).map((plan) => taskOf(plan, 'roots').state);
    expect(states.filter((state) => state === 'not-needed')).toHaveLength(2);
  });
  it('lets the lead settle which of two outcomes of one task counts, and of one taken back the other does', async () => {
    const [first, second] = (await plans()) as [UnionWithPlan, UnionWithPlan];
    const marked = uuid();
    await markTasks(club.as('assistant', APRIL), marked, tap([first, second], 'one-shoot', { outcome: 'not-needed' }));
    const body = tap([first, second], 'one-shoot');
    const beside = uuid();
    await Promise.all([1, 2].map(() => markTasks(club.as('lead', APRIL), beside, body)));
    const besideOf = (plan: UnionWithPlan) => plan.beside.filter(({ task }) => task === 'one-shoot');
    const told = async (): Promise<UnionWithPlan[]> => (await plans()).slice(0, 2);
    expect((await told()).map((plan) => [taskOf(plan, 'one-shoot').state, besideOf(plan).length])).toEqual([
      ['not-needed', 1],
      ['not-needed', 1],
    ]);
    const chosen = besideOf((await told())[0]!)[0]!.id;
    expect(await refusalOf(settleMark(club.as('assistant', APRIL), chosen))).toMatchObject({ refusal: 'forbidden' });
    await Promise.all([1, 2].map(() => settleMark(club.as('lead', APRIL), chosen)));
    expect((await told()).map((plan) => [taskOf(plan, 'one-shoot').state, besideOf(plan).length])).toEqual([
      ['done', 0],
      ['not-needed', 1],
    ]);
    await undoMarks(club.as('lead', APRIL), marked);
    expect((await told()).map((plan) => [taskOf(plan, 'one-shoot').state, besideOf(plan).length])).toEqual([
      ['done', 0],
      ['done', 0],
    ]);
    const other = await testClub();
    expect(await refusalOf(settleMark(other.as('lead', APRIL), chosen))).toMatchObject({ refusal: 'not-found' });
  });
  it('names a task that its plant can be asked', async () => {
    const [plan] = await plans();
    const body = { ...tap([plan!], 'roots'), marks: [{ unionId: plan!.union.id, task: 'sing-to-it', occurrence: 0 }] };
    expect((await refusalOf(markTasks(club.as('lead', APRIL), uuid(), body))).fields).toHaveProperty('task');
    expect(await rows('sing-to-it')).toHaveLength(0);
  });
  it('is taken back with one tap; sent again after that it stays open', async () => {
    const [plan] = await plans();
    const action = uuid();
    const body = tap([plan!], 'warm');
    await markTasks(club.as('lead', APRIL), action, body);
    await Promise.all([undoMarks(club.as('lead', APRIL), action), undoMarks(club.as('assistant', APRIL), action)]);
    expect(taskOf((await plans())[0]!, 'warm').state).not.toBe('done');
    await markTasks(club.as('lead', APRIL), action, body);
    expect(taskOf((await plans())[0]!, 'warm').state).not.toBe('done');
    await markTasks(club.as('lead', APRIL), uuid(), body);
    expect(taskOf((await plans())[0]!, 'warm').state).toBe('done');
    expect(await refusalOf(undoMarks(club.as('lead', APRIL), uuid()))).toMatchObject({ refusal: 'not-found' });
  });
  it('gives what recurs its next day from the day it was done, each time by itself', async () => {
    const [plan] = await plans();
    const first = uuid();
    await markTasks(club.as('lead', APRIL), first, tap([plan!], 'suckers', { on: '2027-04-01' }));
    const once = taskOf((await plans())[0]!, 'suckers');
    expect(once).toMatchObject({ state: 'open', occurrence: 1, due: { from: '2027-04-19' } });
    const later = new Date('2027-04-21T10:00:00Z');
    const [now] = await plans(later);
    await markTasks(club.as('lead', later), uuid(), tap([now!], 'suckers', { on: '2027-04-20' }));
    // The first of two taken back does not give its number to the third.
    await undoMarks(club.as('lead', later), first);
    expect(taskOf((await plans(later))[0]!, 'suckers')).toMatchObject({ occurrence: 2, due: { from: '2027-05-08' } });
  });
  it('counts plants that were voided meanwhile as gone, and closes the rest', async () => {
    const all = await plans();
    const last = all.at(-1)!;
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [last.plant.id], voided: true });
    const answer = await markTasks(club.as('assistant', APRIL), uuid(), tap(all, 'reseal'));
    expect(answer).toEqual({ marked: 5, already: 0, beside: 0, gone: 1 });
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [last.plant.id], voided: false });
  });
  it('is refused to viewers, to another member’s device, for days to come and before the graft', async () => {
    const [plan] = await plans();
    const body = (changes: object) => tap([plan!], 'plant-out', changes);
    const refused = (role: 'viewer' | 'assistant', changes: object) =>
      refusalOf(markTasks(club.as(role, APRIL), uuid(), body(changes)));
    expect(await refused('viewer', {})).toMatchObject({ refusal: 'forbidden' });
    expect((await refused('assistant', { assessorId: uuid() })).fields).toHaveProperty('assessorId');
    expect((await refused('assistant', { on: '2027-05-01' })).fields).toHaveProperty('on');
    expect((await refused('assistant', { on: '2027-03-01' })).fields).toHaveProperty('on');
    expect((await refused('assistant', { outcome: 'skipped' })).fields).toHaveProperty('reason');
    expect((await refused('assistant', { marks: [] })).message).toContain('at least one plant');
    expect(await rows('plant-out')).toHaveLength(0);
  });
  it('reaches no plant of another club', async () => {
    const [plan] = await plans();
    const other = await testClub();
    const answer = await markTasks(other.as('lead', APRIL), uuid(), tap([plan!], 'plant-out'));
    expect(answer).toEqual({ marked: 0, already: 0, beside: 0, gone: 1 });
    const action = uuid();
    await markTasks(club.as('lead', APRIL), action, tap([plan!], 'blossom'));
    expect(await refusalOf(undoMarks(other.as('lead', APRIL), action))).toMatchObject({ refusal: 'not-found' });
    expect(await refusalOf(markTasks(other.as('lead', APRIL), action, tap([plan!], 'blossom')))).toMatchObject({
      refusal: 'not-found',
    });
  });
});
