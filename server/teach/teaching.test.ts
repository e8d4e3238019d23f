import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { methodById, METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import { putPlannedMethods } from '@/server/plan/planned-methods';
import { acknowledge, putBriefing, workshopBriefing } from './briefing';
import { clubPairings } from '@/server/plan/club-pairings';
import { putPairing, withdrawPairing } from './compatibility';
import { putJudgement } from '@/server/score/judgements';
import { putSchools } from './schools';
import { addWalkIn, listSeats } from '@/server/plan/seats';
import { putTeachingState, teachingState } from './teaching';
import {
  judgementBody,
  refusalOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { getPlan, putPlan } from '@/server/plan/topworking';
import { listSites } from '@/server/club/sites';
import { getWorkshop, putWorkshop } from '@/server/plan/workshops';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
});
const shown = (changes: object = {}) => ({
  changeId: uuid(),
  step: 3,
  panel: 'right',
  blank: false,
  briefing: false,
  timer: null,
  ...changes,
});

describe('a day of two methods', () => {
  it('is briefed, shown and followed by the schools of both', async () => {
    const day = await testWorkshop(club);
    const before = (await workshopBriefing(club.as('viewer'), day.id)).text.cautions.map(({ id }) => id);
    const row = { scionSpecies: 'pear', stockSpecies: 'pear', practiceEach: 2, keepersEach: 1, practiceOn: 'prunings' };
    await putPlannedMethods(club.as('lead'), day.id, {
      changeId: uuid(),
      version: 0,
      expected: null,
      settings: USUAL_SETTINGS,
      methods: [
        { ...row, method: 'whip-and-tongue', place: 'bench' },
        { ...row, method: 'cleft', place: 'field' },
      ],
    });
    const { cautions } = (await workshopBriefing(club.as('viewer'), day.id)).text;
    const ids = cautions.map(({ id }) => id);
    // A saw comes to the benches with the cleft; nothing is said twice.
    expect(ids).toEqual(expect.arrayContaining([...before, 'saw']));
    expect(before).not.toContain('saw');
    expect(new Set(ids).size).toBe(ids.length);
    // The projector goes through the steps of both.
    const steps = ['whip-and-tongue', 'cleft'].map((id) => shownTechnique(methodById(id)).steps.length);
    await putTeachingState(club.as('lead'), day.id, shown({ step: 60 }));
    expect((await teachingState(club.as('viewer'), day.id)).step).toBe(steps[0]! + steps[1]! - 1);
    // Each method's schools are chosen by themselves.
    await putSchools(club.as('lead'), day.id, { schools: { tongue: 'middle' } });
    await putSchools(club.as('lead'), day.id, { method: 'cleft', schools: {} });
    expect((await getWorkshop(club.as('viewer'), day.id)).schools).toMatchObject({ tongue: 'middle' });
    expect(await refusalOf(putSchools(club.as('lead'), day.id, { method: 'patch', schools: {} }))).toMatchObject({
      refusal: 'not-found',
    });
  });
});

describe('putTeachingState', () => {
  it('counts each change once, however often and however many at a time it arrives', async () => {
    const change = shown({ timer: 60 });
    const all = await Promise.all(
      Array.from({ length: 6 }, () => putTeachingState(club.as('assistant'), workshop.id, change)),
    );
    expect(new Set(all.map(({ seq }) => seq))).toEqual(new Set([1]));
    expect(all[0]!.timer).toEqual({ seconds: 60, left: 60_000 });
    expect((await putTeachingState(club.as('lead'), workshop.id, shown({ step: 4 }))).seq).toBe(2);
    // A later change leaves the run-down running.
    expect((await teachingState(club.as('viewer'), workshop.id)).timer).not.toBeNull();
    expect((await putTeachingState(club.as('lead'), workshop.id, shown({ timer: 0 }))).timer).toBeNull();
  });
  it('counts every one of many different changes at once', async () => {
    const before = (await teachingState(club.as('viewer'), workshop.id)).seq;
    await Promise.all(
      Array.from({ length: 8 }, (_, i) => putTeachingState(club.as('lead'), workshop.id, shown({ step: i }))),
    );
    expect((await teachingState(club.as('viewer'), workshop.id)).seq).toBe(before + 8);
  });
  it('keeps to the steps there are, and to those who may', async () => {
    expect((await putTeachingState(club.as('lead'), workshop.id, shown({ step: 59 }))).step).toBeLessThan(30);
    expect((await refusalOf(putTeachingState(club.as('viewer'), workshop.id, shown()))).refusal).toBe('forbidden');
    expect((await refusalOf(putTeachingState(club.as('lead'), workshop.id, shown({ panel: 'ceiling' })))).refusal).toBe(
      'invalid',
    );
  });
});

describe('putSchools', () => {
  it('makes another rubric for what is judged from now on; saved judgements keep theirs', async () => {
    const before = await putJudgement(club.as('lead'), uuid(), judgementBody(workshop, { number: 30 }));
    await putSchools(club.as('assistant'), workshop.id, { schools: { tongue: 'middle', buds: 'two' } });
    const after = await putJudgement(club.as('lead'), uuid(), judgementBody(workshop, { number: 31 }));
    expect(after.rubricId).not.toBe(before.rubricId);
    const rubric = await club.services.db.rubrics.findOne({ where: { id: after.rubricId }, raw: true });
    // What is usual is not named.
    expect(rubric!.body.schools).toEqual({ tongue: 'middle' });
    expect(
      (await refusalOf(putSchools(club.as('lead'), workshop.id, { schools: { 't-way': 'upright' } }))).refusal,
    ).toBe('invalid');
  });
});

describe('the briefing', () => {
  it('is acknowledged by its words: a change asks again, a stale page is told', async () => {
    const [person] = workshop.personIds;
    const first = await workshopBriefing(club.as('viewer'), workshop.id);
    await Promise.all(
      [1, 2, 3].map(() => acknowledge(club.as('assistant'), workshop.id, person!, { contentHash: first.contentHash })),
    );
    expect((await workshopBriefing(club.as('viewer'), workshop.id)).acknowledged.get(person!)).toMatchObject({
      current: true,
    });
    await putBriefing(club.as('lead'), workshop.id, {
      firstAid: 'Hanne',
      kit: 'by the door',
      localRules: 'no knives in pockets',
      sap: true,
    });
    const second = await workshopBriefing(club.as('viewer'), workshop.id);
    expect(second.acknowledged.get(person!)).toMatchObject({ current: false });
    expect(second.text.cautions.some(({ id }) => id === 'sap')).toBe(true);
    expect(
      (await refusalOf(acknowledge(club.as('lead'), workshop.id, person!, { contentHash: first.contentHash }))).refusal,
    ).toBe('conflict');
    expect(
      (await refusalOf(acknowledge(club.as('lead'), workshop.id, uuid(), { contentHash: second.contentHash }))).refusal,
    ).toBe('not-found');
  });
});

describe('the table of pairs', () => {
  it('has one row a pair, takes it back, and lets it be written again', async () => {
    const row = { stock: ' Quince', scion: 'Pear', verdict: 'works', note: '', source: 'our rows' };
    const id = uuid();
    await Promise.all([putPairing(club.as('assistant'), id, row), putPairing(club.as('assistant'), id, row)]);
    expect(await clubPairings(club.as('viewer'))).toEqual([
      { id, stock: 'quince', scion: 'pear', verdict: 'works', note: '', source: 'our rows' },
    ]);
    expect((await refusalOf(putPairing(club.as('lead'), uuid(), row))).refusal).toBe('conflict');
    await withdrawPairing(club.as('lead'), id);
    expect(await clubPairings(club.as('viewer'))).toEqual([]);
    await putPairing(club.as('lead'), uuid(), row);
    expect(await clubPairings(club.as('viewer'))).toHaveLength(1);
  });
});

describe('topworking programmes', () => {
  const limb = {
    id: uuid(),
    name: 'east',
    height: 1200,
    bearing: 90,
    angle: 50,
    caliper: 40,
    deed: 'leave',
    year: 1,
    method: null,
  };
  const plan = (changes: object = {}) => ({
    tree: `Tree ${uuid()}`,
    species: 'pear',
    firstYear: 2027,
    version: 0,
    limbs: [limb],
    ...changes,
  });
  it('are saved once on a repeat, and never over somebody’s change', async () => {
    const id = uuid();
    const body = plan();
    await Promise.all([1, 2, 3].map(() => putPlan(club.as('assistant'), id, body)));
    expect((await putPlan(club.as('assistant'), id, body)).version).toBe(1);
    await putPlan(club.as('lead'), id, { ...body, version: 1, species: 'quince' });
    expect((await refusalOf(putPlan(club.as('lead'), id, { ...body, version: 1, limbs: [] }))).refusal).toBe(
      'conflict',
    );
    expect((await getPlan(club.as('viewer'), id)).limbs).toHaveLength(1);
  });
  it('refuse figures no limb has', async () => {
    for (const changes of [{ caliper: 0 }, { angle: 200 }, { deed: 'burn' }, { method: 'glue' }, { name: '' }]) {
      expect(
        (await refusalOf(putPlan(club.as('lead'), uuid(), plan({ limbs: [{ ...limb, ...changes }] })))).refusal,
      ).toBe('invalid');
    }
  });
});

describe.each(METHODS.map((method) => [method.id, method] as const))('a judgement of a %s', (_id, method) => {
  it('is judged on the server by its own model, and refuses figures it does not know', async () => {
    const id = uuid();
    const [site] = await listSites(club.as('lead'));
    await putWorkshop(club.as('lead'), id, {
      title: method.name,
      date: '2027-05-08',
      siteId: site!.id,
      method: method.id,
      promisedKeepers: 0,
      promise: '',
    });
    await addWalkIn(club.as('lead'), id, uuid(), { name: 'Sedge', email: '' });
    const [seat] = await listSeats(club.as('lead'), id);
    const body = judgementBody(workshop, { workshopId: id, seatId: seat!.id, measures: exampleMeasures(method) });
    const saved = await putJudgement(club.as('assistant'), uuid(), body);
    expect(saved).toMatchObject({ score: 100, modelVersion: method.contactModel, contactGrade: 'good' });
    const refused = await refusalOf(
      putJudgement(club.as('lead'), uuid(), {
        ...body,
        number: 2,
        measures: { glue: { value: 1, origin: 'measured' } },
      }),
    );
    expect(refused.refusal).toBe('invalid');
    expect(Object.keys(refused.fields).some((field) => field.startsWith('measures.'))).toBe(true);
  });
});
