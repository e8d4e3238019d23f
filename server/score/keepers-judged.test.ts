import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { exampleMeasures } from '@/core/methods/example-measures';
import { methodById } from '@/core/methods/registry';
import { addUnion } from '@/server/aftercare/add-union';
import { changeKeepers } from '@/server/aftercare/change-keepers';
import { keeperTargets, makeKeepers } from '@/server/aftercare/make-keepers';
import { exportCsv } from '@/server/findings/exports';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import { putPlannedMethods } from '@/server/plan/planned-methods';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import {
  judgementBody,
  refusalOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { listCards } from './cards';
import { settleDouble } from './doubles';
import { openBench } from './bench';
import { putJudgement, withdrawJudgement } from './judgements';
import { keeperDoors, permitKeepers } from './keeper-permits';
import { openUnion } from './union-page';
import { wallBlocks, wallState } from './wall';

const SPLICE = methodById('splice');
const CHIP = methodById('chip');
let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const seatIds = workshop.seatIds;
  await permitKeepers(club.as('lead'), workshop.id, uuid(), { seatIds, may: true, reason: 'they know how' });
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('lead'), workshop.id, { woodLotId, stockLotId, each: 1 });
  await makeKeepers(club.as('lead'), workshop.id, { woodLotId, stockLotId, each: 1, method: CHIP.id });
});

const keepers = () => listKeepers(club.as('viewer'), workshop.id);
const kept = async (method: string): Promise<Keeper> => (await keepers()).find((keeper) => keeper.method === method)!;
/** A judgement of a keeper as a device sends it. */
const ofKeeper = (keeper: Keeper, changes: object = {}) =>
  judgementBody(workshop, {
    seatId: keeper.seatId,
    kind: 'keeper',
    unionId: keeper.unionId,
    number: keeper.place,
    method: keeper.method,
    stage: 'joined',
    measures: exampleMeasures(methodById(keeper.method)),
    ...changes,
  });
const fact = async (unionId: string) => (await club.services.db.unionFacts.findOne({ where: { unionId }, raw: true }))!;

describe('keepers of several methods', () => {
  it('each carry their own method, variant, schools and materials, day and maker', async () => {
    const chip = await kept(CHIP.id);
    const main = (await keepers()).find(({ method }) => method !== CHIP.id)!;
    expect(main.method).not.toBe(CHIP.id);
    expect(chip).toMatchObject({ position: 'sole', madeOn: main.madeOn, makerId: chip.seat.personId });
    expect(CHIP.variants.map(({ id }) => id)).toContain(chip.variant);
    expect(chip.materials.length).toBeGreaterThan(0);
    expect(chip.materials).not.toEqual(main.materials);
  });
  it('are made as many as Quantities says, so that what is promised lives', async () => {
    const methods = [
      { ...planned('whip-and-tongue', 'bench'), keepersEach: 2 },
      { ...planned(CHIP.id, 'field'), keepersEach: 3 },
    ];
    await putPlannedMethods(club.as('lead'), workshop.id, {
      changeId: uuid(),
      version: 0,
      expected: null,
      settings: USUAL_SETTINGS,
      methods,
    });
    const targets = await keeperTargets(club.as('viewer'), workshop.id);
    expect(targets.map(({ method, promised }) => [method, promised])).toEqual([
      ['whip-and-tongue', 2],
      [CHIP.id, 3],
    ]);
    // More are made than promised: some will not take.
    expect(targets.every(({ promised, make }) => make > promised)).toBe(true);
    const { woodLotId, stockLotId } = workshop;
    const before = (await keepers()).filter(({ method }) => method === CHIP.id).length;
    await makeKeepers(club.as('lead'), workshop.id, { woodLotId, stockLotId, method: CHIP.id });
    const after = (await keepers()).filter(({ method }) => method === CHIP.id).length;
    expect(after - before).toBe((targets[1]!.make - 1) * workshop.seatIds.length);
  });
  it('may carry a second union, and the first then says where it sits; the same request twice adds one', async () => {
    const chip = await kept(CHIP.id);
    const unionId = uuid();
    const add = (position: string, id = unionId) =>
      addUnion(club.as('assistant'), workshop.id, chip.id, id, { method: CHIP.id, position });
    await Promise.all([add('upper'), add('upper')]);
    const own = (await keepers()).filter(({ id }) => id === chip.id);
    expect(own.map(({ position }) => position)).toEqual(['upper', 'lower']);
    expect(own.map((union) => union.unionId)).toEqual([unionId, chip.unionId]);
    expect(await refusalOf(add('upper', uuid()))).toMatchObject({ refusal: 'conflict' });
    expect(await refusalOf(add('second', uuid()))).toMatchObject({ refusal: 'invalid' });
    const whip = (await keepers()).find(({ method }) => method === 'whip-and-tongue')!;
    expect(
      await refusalOf(
        addUnion(club.as('assistant'), workshop.id, whip.id, uuid(), { method: CHIP.id, position: 'upper' }),
      ),
    ).toMatchObject({ refusal: 'invalid' });
    expect((await refusalOf(addUnion(club.as('viewer'), workshop.id, chip.id, uuid(), {}))).refusal).toBe('forbidden');
  });
  it('can be said to be of another method, made on another day and with help, until they are judged', async () => {
    const last = (await keepers()).at(-1)!;
    const change = (what: object) => changeKeepers(club.as('lead'), workshop.id, { plantIds: [last.id], ...what });
    await change({ method: SPLICE.id, madeOn: '2027-03-07', helper: `member ${club.as('lead').actor.userId}` });
    const changed = (await keepers()).find(({ id }) => id === last.id)!;
    expect(changed).toMatchObject({ method: SPLICE.id, madeOn: '2027-03-07', helperPersonId: null });
    expect(await fact(last.unionId)).toMatchObject({ method: SPLICE.id, date: '2027-03-07', helped: true });
    expect(await refusalOf(change({ madeOn: '2027-03-01' }))).toMatchObject({ refusal: 'invalid' });
    expect(await refusalOf(change({ helper: `member ${uuid()}` }))).toMatchObject({ refusal: 'not-found' });
    await putJudgement(club.as('lead'), uuid(), ofKeeper(changed));
    expect(await refusalOf(change({ method: CHIP.id }))).toMatchObject({ refusal: 'conflict' });
    await change({ helper: 'none' });
    expect(await fact(last.unionId)).toMatchObject({ helped: false });
  });
});

describe('a keeper that is judged', () => {
  it('counts by its latest stage, and the earlier one stays and is no double', async () => {
    const keeper = await kept('whip-and-tongue');
    const [joined, finished] = [uuid(), uuid()];
    await putJudgement(club.as('assistant'), joined, ofKeeper(keeper, { marks: { hold: 'poor' } }));
    expect(await fact(keeper.unionId)).toMatchObject({ kind: 'keeper', stage: 'joined' });
    const before = (await fact(keeper.unionId)).score!;
    const marks = { hold: 'poor', label: 'fatal' };
    const said = { stage: 'keeper', marks, outlook: 'perhaps', outlookBy: 'maker' };
    await putJudgement(club.as('assistant'), finished, ofKeeper(keeper, said));
    // The same again is the same.
    await putJudgement(club.as('assistant'), finished, ofKeeper(keeper, said));
    const after = await fact(keeper.unionId);
    expect(after).toMatchObject({ stage: 'keeper', fatal: true, outlook: 'perhaps', outlookBy: 'maker' });
    expect(after.score).toBeLessThan(before);
    const bench = await openBench(club.as('assistant'), workshop.id);
    const union = bench.unions.find(({ id }) => id === keeper.unionId)!;
    expect(union).toMatchObject({ kind: 'keeper', stage: 'keeper', counts: finished, likelyDouble: false });
    expect(union.judgements.map(({ id, stage }) => [id, stage])).toEqual([
      [joined, 'joined'],
      [finished, 'keeper'],
    ]);
    // Taken back, the earlier one counts again.
    await withdrawJudgement(club.as('assistant'), finished);
    expect(await fact(keeper.unionId)).toMatchObject({ stage: 'joined', score: before });
    await putJudgement(club.as('assistant'), uuid(), ofKeeper(keeper, said));
  });
  it('is a double where two judge it at one stage, which is settled as one and never parted', async () => {
    const keeper = (await keepers()).filter(({ method }) => method === CHIP.id)[2]!;
    const [first, second] = [uuid(), uuid()];
    await putJudgement(club.as('assistant'), first, ofKeeper(keeper));
    await putJudgement(club.as('lead'), second, ofKeeper(keeper));
    const bench = await openBench(club.as('lead'), workshop.id);
    expect(bench.unions.find(({ id }) => id === keeper.unionId)).toMatchObject({ likelyDouble: true });
    const settle = (as: 'one' | 'two') =>
      settleDouble(club.as('lead'), workshop.id, keeper.unionId, { as, judgementId: second });
    expect(await refusalOf(settle('two'))).toMatchObject({ refusal: 'invalid' });
    await settle('one');
    const again = await openBench(club.as('lead'), workshop.id);
    expect(again.unions.find(({ id }) => id === keeper.unionId)).toMatchObject({ counts: second, likelyDouble: false });
  });
  it('is refused by another method than its own, with a voided tag, and from another club', async () => {
    const keeper = (await keepers()).filter(({ method }) => method === 'whip-and-tongue')[1]!;
    const measures = exampleMeasures(CHIP);
    expect(
      await refusalOf(putJudgement(club.as('lead'), uuid(), ofKeeper(keeper, { method: CHIP.id, measures }))),
    ).toMatchObject({ refusal: 'conflict' });
    const other = await testClub();
    expect(await refusalOf(putJudgement(other.as('lead'), uuid(), ofKeeper(keeper)))).toMatchObject({
      refusal: 'not-found',
    });
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [keeper.id], voided: true });
    expect(await refusalOf(putJudgement(club.as('lead'), uuid(), ofKeeper(keeper)))).toMatchObject({
      refusal: 'conflict',
    });
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [keeper.id], voided: false });
  });
  it('opens no door and is no practice, on the board, the card and the wall', async () => {
    const doors = await keeperDoors(club.as('viewer'), workshop.id);
    expect([...doors.values()].some(({ ready }) => ready)).toBe(false);
    const cards = await listCards(club.as('viewer'), workshop.id);
    expect(cards.flatMap(({ unions }) => unions)).toEqual([]);
    const onCards = cards.flatMap((card) => card.keepers);
    expect(onCards.filter(({ judged }) => judged !== null).length).toBeGreaterThanOrEqual(3);
    // One that nobody judged stays unjudged.
    expect(onCards.some(({ judged }) => judged === null)).toBe(true);
    const context = club.as('viewer');
    const wall = await wallState(context, workshop.id, await wallBlocks(context, workshop.id));
    expect(wall.totals).toMatchObject({ unions: 0, ready: 0 });
    expect(wall.totals.keepers).toBeGreaterThanOrEqual(3);
  });
  it('has a page of its own, and stands in the tables by its code', async () => {
    const keeper = await kept('whip-and-tongue');
    const page = await openUnion(club.as('viewer'), workshop.id, keeper.unionId);
    expect(page).toMatchObject({ code: keeper.code, method: { id: 'whip-and-tongue' }, making: { position: 'sole' } });
    const unions = await exportCsv(club.as('viewer'), workshop.id, 'unions');
    const [head, ...rows] = unions
      .trim()
      .split('\r\n')
      .map((row) => row.split(','));
    const cell = (name: string): string => rows.find((row) => row.includes(keeper.code))![head!.indexOf(name)]!;
    expect([cell('stage'), cell('outlook'), cell('outlook_by'), cell('helped')]).toEqual([
      'keeper',
      'perhaps',
      'maker',
      '0',
    ]);
    const judgements = await exportCsv(club.as('viewer'), workshop.id, 'judgements');
    expect(judgements.split('\r\n')[0]!.split(',')).toEqual(expect.arrayContaining(['method', 'stage', 'outlook']));
  });
});

describe('practice by several methods', () => {
  const practise = (number: number, method: string, changes: object = {}) =>
    judgementBody(workshop, { number, method, measures: exampleMeasures(methodById(method)), ...changes });
  it('is kept by the method each was joined by, in one row of numbers', async () => {
    await putJudgement(club.as('assistant'), uuid(), practise(1, 'whip-and-tongue'));
    const chip = uuid();
    await putJudgement(club.as('assistant'), chip, practise(2, CHIP.id));
    const union = (await openBench(club.as('lead'), workshop.id)).unions.find(({ counts }) => counts === chip)!;
    expect(union).toMatchObject({ kind: 'practice', number: 2, method: CHIP.id });
    expect(await fact(union.id)).toMatchObject({ method: CHIP.id });
    // Taken for the wrong one: a correction says so, and the union is of that from then on.
    const measures = exampleMeasures(SPLICE);
    await putJudgement(club.as('assistant'), uuid(), practise(2, SPLICE.id, { measures, correctsId: chip }));
    expect(await fact(union.id)).toMatchObject({ method: SPLICE.id });
    const row = await club.services.db.unions.findOne({ where: { id: union.id }, raw: true });
    expect(row).toMatchObject({ method: SPLICE.id, variant: SPLICE.variants[0]!.id });
  });
  it('opens the door of its own method', async () => {
    for (const number of [11, 12, 13]) await putJudgement(club.as('lead'), uuid(), practise(number, CHIP.id));
    const door = async (method: string) =>
      (await keeperDoors(club.as('viewer'), workshop.id, method)).get(workshop.seatIds[0]!)!.ready;
    expect(await door(CHIP.id)).toBe(true);
    expect(await door('whip-and-tongue')).toBe(false);
  });
  it('is refused by a method that there is not', async () => {
    expect(
      await refusalOf(putJudgement(club.as('lead'), uuid(), judgementBody(workshop, { number: 20, method: 'glue' }))),
    ).toMatchObject({ refusal: 'invalid', fields: { method: 'Choose the method from the list.' } });
  });
});

/** A method of a plan, practised on pear. */
function planned(method: string, place: 'bench' | 'field') {
  return {
    method,
    place,
    scionSpecies: 'pear',
    stockSpecies: 'pear',
    practiceEach: 3,
    practiceOn: 'prunings' as const,
  };
}
