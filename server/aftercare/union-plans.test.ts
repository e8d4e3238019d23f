import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { putPlan } from '@/server/plan/topworking';
import { addRound } from '@/server/follow-up/rounds';
import { enterReport } from '@/server/follow-up/entering/enter-report';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { careCalendar } from './care-calendar';
import { changeKeepers } from './change-keepers';
import { livingUnions } from './living-unions';
import { makeKeepers } from './make-keepers';
import { markTasks } from './mark-tasks';
import { observeUnion, takeObservationBack } from './observe-union';
import { plantLife } from './plant-life';
import { putSecondUnion } from './second-union';
import { thisWeek } from './this-week';
import { unionPlans, type UnionWithPlan } from './union-plans';
import { putVisitRule, siteVisits, visitSheet, visitSheetAsPdf } from './visits';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('assistant'), workshop.id, { woodLotId, stockLotId, each: 2 });
});

const day = (on: string): Date => new Date(`${on}T10:00:00Z`);
const plansOn = async (on: string): Promise<UnionWithPlan[]> =>
  unionPlans(club.as('viewer', day(on)), await livingUnions(club.as('viewer', day(on)), { workshopId: workshop.id }));
const task = (plan: UnionWithPlan | undefined, id: string) => plan?.tasks.find((known) => known.id === id);
const tie = (plan: UnionWithPlan | undefined, id: string) => plan?.ties.find((known) => known.id === id);
const see = (unionId: string, on: string, changes: object) =>
  observeUnion(club.as('assistant', day(on)), uuid(), { unionId, seenOn: on, ...changes });

describe('the plan of a keeper', () => {
  it('is made again when what it hangs on changes, and keeps what was done', async () => {
    const [first] = await plansOn('2027-04-10');
    const done = { unionId: first!.union.id, task: 'swell', occurrence: 0 };
    await markTasks(club.as('lead', day('2027-04-10')), uuid(), { marks: [done], outcome: 'done', on: '2027-04-01' });
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [first!.plant.id], binding: 'vinyl-tape' });
    const [bound] = await plansOn('2027-04-10');
    expect(task(bound, 'swell')!.state).toBe('done');
    expect(task(bound, 'binding-off')!.name).toContain('vinyl');
    expect(tie(bound, 'union')).toMatchObject({ state: 'on', latest: '2028-03-19' });
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [first!.plant.id], method: 'cleft' });
    const [cleft] = await plansOn('2027-04-10');
    expect(task(cleft, 'binding-off')!.due).toMatchObject({ from: '2027-06-04', to: '2027-07-04' });
    expect(task(cleft, 'swell')!.state).toBe('done');
    expect(task(cleft, 'warm')).toBeUndefined();
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [first!.plant.id], method: first!.union.method });
    expect(task((await plansOn('2027-04-10'))[0], 'warm')).toBeDefined();
  });
  it('goes by growth that was measured, by that of its kin where nobody did, and goes on after shortening', async () => {
    const [, second, third] = await plansOn('2027-07-01');
    await see(second!.union.id, '2027-05-01', { kind: 'height', lengthMm: 100 });
    await see(second!.union.id, '2027-05-11', { kind: 'height', lengthMm: 200 });
    const now = await plansOn('2027-05-12');
    // 10 mm a day: 150 mm on 6 May, 250 on 16 May.
    expect(task(now[1], 'tie-up')!.due).toMatchObject({ from: '2027-05-06', to: '2027-05-16' });
    expect([now[1]!.growthFrom, now[2]!.growthFrom]).toEqual(['own', 'kin']);
    expect(task(now[2], 'tie-up')!.due).toMatchObject({ from: '2027-05-06' });
    expect(third!.union.id).not.toBe(second!.union.id);
    expect(
      (await refusalOf(see(second!.union.id, '2027-05-12', { kind: 'shortened', lengthMm: 50 }))).fields,
    ).toHaveProperty('note');
    await see(second!.union.id, '2027-05-12', { kind: 'shortened', lengthMm: 50, note: 'tipped' });
    // What was crossed before stays crossed; 250 mm is not known any more.
    expect(task((await plansOn('2027-05-13'))[1], 'tie-up')!.due).toBeNull();
  });
  it('raises the alarm for a tie until somebody records that it is off, and asks for it this week', async () => {
    const [, , , fourth] = await plansOn('2027-10-01');
    expect(tie(fourth, 'union')).toMatchObject({ state: 'alarm', latest: '2027-09-04' });
    const week = await thisWeek(club.as('viewer', day('2027-10-01')));
    const [alarm] = week.groups;
    expect(alarm).toMatchObject({ task: 'binding-off', alarm: true });
    expect(alarm!.plants.some(({ unionId }) => unionId === fourth!.union.id)).toBe(true);
    await see(fourth!.union.id, '2027-10-01', { kind: 'tie-off', about: 'union' });
    expect(tie((await plansOn('2027-10-01'))[3], 'union')!.state).toBe('off');
    const after = await thisWeek(club.as('viewer', day('2027-10-01')));
    expect(after.groups[0]!.plants.some(({ unionId }) => unionId === fourth!.union.id)).toBe(false);
  });
  it('leaves a union that was opened to look outside of take, until that is taken back', async () => {
    const fifth = (await plansOn('2027-04-10'))[4]!;
    const seen = uuid();
    await observeUnion(club.as('lead', day('2027-04-10')), seen, {
      unionId: fifth.union.id,
      kind: 'opened',
      seenOn: '2027-04-09',
    });
    const fact = () => club.services.db.unionFacts.findOne({ where: { unionId: fifth.union.id }, raw: true });
    expect((await fact())!.voided).toBe(true);
    const opened = (await plansOn('2027-04-10'))[4]!;
    expect(opened.ended).toMatchObject({ why: 'opened' });
    expect(opened.tasks.every(({ state }) => state !== 'open')).toBe(true);
    await takeObservationBack(club.as('lead', day('2027-04-10')), seen);
    expect((await fact())!.voided).toBe(false);
  });
});

describe('a dead union', () => {
  it('turns its stock’s tasks round, offers a second chance, and is joined by the new union', async () => {
    const sixth = (await plansOn('2027-06-24'))[5]!;
    const round = uuid();
    await addRound(club.as('lead', day('2027-06-15')), workshop.id, round, {
      milestone: 'growing',
      opensOn: '2027-06-15',
      closesOn: '2027-07-14',
    });
    expect(
      await refusalOf(
        putSecondUnion(club.as('lead', day('2027-08-20')), sixth.plant.id, uuid(), {
          method: 'chip',
          madeOn: '2027-08-18',
        }),
      ),
    ).toMatchObject({ refusal: 'conflict' });
    await enterReport(club.as('lead', day('2027-06-24')), uuid(), {
      roundId: round,
      unionId: sixth.union.id,
      said: 'dead',
      source: 'phone',
      note: '',
    });
    const dead = (await plansOn('2027-06-25'))[5]!;
    expect(task(dead, 'stock-shoots')).toMatchObject({ state: 'open', due: { from: '2027-06-24' } });
    expect(task(dead, 'one-shoot')!.state).toBe('no-longer-possible');
    // What comes next on its stock is a task of this week, with the wood it wants.
    const [first] = dead.second!.ways;
    expect(first).toMatchObject({ from: '2027-06-24', season: 'this', wood: 'fresh' });
    expect(task(dead, 'second-chance')).toMatchObject({ state: 'open', due: { from: first!.from, to: first!.to } });
    const week = await thisWeek(club.as('viewer', day('2027-06-25')));
    expect(week.groups.filter(({ task: id }) => id === 'second-chance')).toMatchObject([
      { name: expect.stringContaining('Graft the stock again: ') as string, plants: [{ unionId: dead.union.id }] },
    ]);
    expect(week.notes.map(({ words }) => words).join()).toContain('to graft 1 stock again');
    const again = uuid();
    const set = () =>
      putSecondUnion(club.as('lead', day('2027-08-20')), sixth.plant.id, again, {
        method: 'chip',
        madeOn: '2027-08-18',
      });
    await Promise.all([set(), set()]);
    const grafted = await thisWeek(club.as('viewer', day('2027-08-25')));
    expect(grafted.groups.filter(({ task: id }) => id === 'second-chance')).toEqual([]);
    const life = await plantLife(club.as('viewer', day('2027-08-25')), sixth.plant.code);
    expect(life.unions.map(({ methodId, variant, place, madeOn }) => [methodId, variant, place, madeOn])).toEqual([
      [sixth.union.method, 'bench', '', '2027-03-06'],
      ['chip', 'late-summer', 'set after the first died', '2027-08-18'],
    ]);
    // The bud goes by its own day and sleeps until spring.
    expect(life.unions[1]!.next.some(({ task: id }) => id === 'head-back')).toBe(true);
    expect(
      await refusalOf(
        putSecondUnion(club.as('lead', day('2027-08-20')), sixth.plant.id, uuid(), {
          method: 'chip',
          madeOn: '2027-08-19',
        }),
      ),
    ).toMatchObject({ refusal: 'conflict' });
    // It dies as well: the stock's other side is open while buds are set, and dormant wood in spring.
    const later = uuid();
    await addRound(club.as('lead', day('2027-08-29')), workshop.id, later, {
      milestone: 'healed',
      opensOn: '2027-08-29',
      closesOn: '2027-09-20',
    });
    await enterReport(club.as('lead', day('2027-09-01')), uuid(), {
      roundId: later,
      unionId: again,
      signs: { shield: 'brown', stub: 'clings' },
      source: 'phone',
      note: '',
    });
    const [whip, bud] = (await plantLife(club.as('viewer', day('2027-09-01')), sixth.plant.code)).unions;
    expect(whip!.second).toBeNull();
    expect(bud!.second![0]).toMatchObject({ method: 'chip', otherSide: true, season: 'this' });
    const third = { method: 'chip', madeOn: '2027-09-02' };
    await putSecondUnion(club.as('lead', day('2027-09-02')), sixth.plant.id, uuid(), third);
    const { unions } = await plantLife(club.as('viewer', day('2027-09-03')), sixth.plant.code);
    expect(unions.map(({ place }) => place)).toEqual(['', 'set after the first died', 'set after the second died']);
    expect(unions.every(({ second }) => second === null)).toBe(true);
  });
});

describe('visits', () => {
  const siteId = async (): Promise<string> => (await plansOn('2027-03-10'))[0]!.site.id;
  it('are the fewest on the days one can go, and name what none of them reaches', async () => {
    const now = club.as('lead', day('2027-03-10'));
    const site = await siteId();
    await putVisitRule(now, site, { weekdays: [6], dates: [], most: null, version: 0 });
    const [all] = await siteVisits(now);
    expect(all!.visits.length).toBeGreaterThan(1);
    expect(all!.visits.every(({ on }) => new Date(`${on}T00:00:00Z`).getUTCDay() === 6)).toBe(true);
    expect(all!.unreached).toEqual([]);
    await putVisitRule(now, site, { weekdays: [6], dates: [], most: 1, version: 1 });
    const [limited] = await siteVisits(now);
    expect(limited!.visits).toHaveLength(1);
    expect(limited!.unreached.length).toBeGreaterThan(0);
    const served = limited!.visits[0]!.tasks + limited!.unreached.reduce((sum, { plants }) => sum + plants, 0);
    expect(served).toBe(limited!.open);
  });
  it('are kept once however often they are sent, and not over another’s', async () => {
    const now = club.as('lead', day('2027-03-10'));
    const site = await siteId();
    await putVisitRule(now, site, { weekdays: [6], dates: [], most: 1, version: 1 });
    expect(
      await refusalOf(putVisitRule(now, site, { weekdays: [2], dates: [], most: null, version: 1 })),
    ).toMatchObject({ refusal: 'conflict' });
    const nothing = { weekdays: [], dates: [], most: null, version: 2 };
    expect((await refusalOf(putVisitRule(now, site, nothing))).message).toContain('weekday');
    // How often at most, alone: on whatever days serve most.
    await putVisitRule(now, site, { ...nothing, most: 2 });
    expect((await siteVisits(now))[0]!.visits).toHaveLength(2);
    await putVisitRule(now, site, { weekdays: [6], dates: [], most: 1, version: 3 });
    expect(await refusalOf(putVisitRule(club.as('viewer'), site, { weekdays: [1] }))).toMatchObject({
      refusal: 'forbidden',
    });
  });
  it('have a sheet each, by plant in walking order, on paper too', async () => {
    const now = club.as('viewer', day('2027-03-10'));
    const [plan] = await siteVisits(now);
    const site = await siteId();
    const sheet = await visitSheet(now, site, plan!.visits[0]!.on);
    expect(sheet.plants.reduce((sum, { tasks }) => sum + tasks.length, 0)).toBe(plan!.visits[0]!.tasks);
    expect(sheet.tools).toContain('water');
    for (const paper of ['A4', 'Letter'])
      expect((await visitSheetAsPdf(now, site, sheet.on, { paper })).subarray(0, 5).toString()).toBe('%PDF-');
    expect(await refusalOf(visitSheet(now, site, '2026-01-01'))).toMatchObject({ refusal: 'not-found' });
    expect(await refusalOf(visitSheet(now, site, 'soon'))).toMatchObject({ refusal: 'not-found' });
  });
});

describe('the calendar of care', () => {
  it('keeps its UIDs while days move, counts up, and cancels what is done', async () => {
    const read = async (on: string) => {
      const text = (await careCalendar(club.as('lead', day(on)))).replaceAll('\r\n ', '');
      return text
        .split('BEGIN:VEVENT')
        .slice(1)
        .map((event) => ({
          uid: /UID:(\S+)/.exec(event)![1]!,
          sequence: Number(/SEQUENCE:(\d+)/.exec(event)![1]),
          status: /STATUS:(\w+)/.exec(event)![1],
          title: /SUMMARY:(.*)/.exec(event)![1]!,
        }));
    };
    const before = await read('2027-03-10');
    expect(before.length).toBeGreaterThan(5);
    expect(new Set(before.map(({ uid }) => uid)).size).toBe(before.length);
    expect(await read('2027-03-10')).toEqual(before);
    const living = (await plansOn('2027-03-10')).filter(
      (plan) => plan.union.position === 'sole' && task(plan, 'callus-seen')?.state === 'open',
    );
    await markTasks(club.as('lead', day('2027-03-20')), uuid(), {
      marks: living.map(({ union }) => ({ unionId: union.id, task: 'callus-seen', occurrence: 0 })),
      outcome: 'done',
      on: '2027-03-19',
    });
    const after = await read('2027-03-10');
    const callus = before.find(({ title }) => title.includes(`callus through the thin wrap (${living.length} plants`))!;
    expect(after.find(({ uid }) => uid === callus.uid)).toMatchObject({
      status: 'CANCELLED',
      sequence: callus.sequence + 1,
    });
  });
});

describe('a grafted limb of a topworking programme', () => {
  it('has its own plan from its method, day and site; its tasks are marked like those of plants', async () => {
    const [limbId, planId] = [uuid(), uuid()];
    const limb = { id: limbId, name: 'Lake limb', height: 1700, bearing: 200, angle: 48, caliper: 42, year: 1 };
    const grafted = { ...limb, deed: 'graft', method: 'bark', graftedOn: '2027-05-15' };
    const tree = (limbs: object[], version: number) =>
      putPlan(club.as('lead', day('2027-05-16')), planId, {
        tree: `Old pear ${planId}`,
        species: 'pear',
        firstYear: 2027,
        version,
        limbs,
      });
    await tree([{ ...limb, deed: 'graft', method: 'bark' }], 0);
    const ofLimb = async (on: string) => {
      const context = club.as('viewer', day(on));
      return (await unionPlans(context, await livingUnions(context))).find(({ union }) => union.id === limbId);
    };
    expect(await ofLimb('2027-05-16')).toBeUndefined();
    await tree([grafted], 1);
    const plan = await ofLimb('2027-05-16');
    expect(plan).toMatchObject({ called: 'Lake limb', union: { method: 'bark', madeOn: '2027-05-15' } });
    expect(task(plan, 'reseal')!.due).toMatchObject({ from: '2027-05-21', to: '2027-05-23' });
    const week = await thisWeek(club.as('viewer', day('2027-05-21')));
    expect(week.groups.some(({ plants }) => plants.some(({ called }) => called === 'Lake limb'))).toBe(true);
    expect(week.tags.every(({ code }) => code !== '')).toBe(true);
    const marks = [{ unionId: limbId, task: 'reseal', occurrence: 0 }];
    const marked = await markTasks(club.as('lead', day('2027-05-22')), uuid(), {
      marks,
      outcome: 'done',
      on: '2027-05-22',
    });
    expect(marked).toEqual({ marked: 1, already: 0, beside: 0, gone: 0 });
    expect(task(await ofLimb('2027-05-22'), 'reseal')!.state).toBe('done');
    // The tree has entries of its own in the calendar of care.
    expect(await careCalendar(club.as('lead', day('2027-05-22')))).toContain(`UID:${planId}.care.`);
    await see(limbId, '2027-06-20', { kind: 'height', lengthMm: 120 });
    expect((await ofLimb('2027-06-20'))!.growthFrom).toBe('own');
  });
});
