import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { inRow } from '@/core/aftercare/places/place';
import { changeKeepers } from '@/server/aftercare/change-keepers';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { addWoodLot, workshopLots } from '@/server/plan/lots';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { keepTagFind, lookForTag, settleDoubt } from './lost-tags';
import { movePlants } from './move-plants';
import { putPlace } from './put-place';
import { standingPlants } from './standing-plants';

let club: TestClub;
let workshop: TestWorkshop;
let bed: string;
/** Plants in planting order; the first three are of one lot, the others of another. */
let plants: string[];
const LATER = new Date('2027-06-10T10:00:00Z');
const as = (role: 'lead' | 'assistant' | 'viewer' = 'assistant') => club.as(role, LATER);

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('assistant'), workshop.id, { woodLotId, stockLotId, each: 2 });
  await addWoodLot(club.as('lead'), workshop.id, uuid(), {
    variety: 'Lantern Bay',
    species: 'medlar',
    source: 'row 1',
    cutOn: '2027-01-20',
  });
  const second = (await workshopLots(club.as('lead'), workshop.id)).wood.find(({ id }) => id !== woodLotId)!;
  plants = (await standingPlants(as('viewer'))).map(({ plantId }) => plantId);
  await changeKeepers(club.as('assistant'), workshop.id, { plantIds: plants.slice(3), woodLotId: second.id });
  const { siteId } = (await club.services.db.workshops.findOne({ where: { id: workshop.id }, raw: true }))!;
  bed = uuid();
  const rows = { count: 1, each: 10, spacing: 300, between: 900 };
  await putPlace(as(), bed, { siteId, kind: 'bed', name: 'Bed', capacity: 10, rows, version: 0 });
  await movePlants(as(), uuid(), {
    moves: plants.map((plantId, i) => ({ plantId, from: null, to: inRow({ row: 1, position: i + 1 }) })),
    toPlaceId: bed,
    on: '2027-05-10',
  });
});

const look = (changes: object) => ({
  after: '',
  before: '',
  lotId: '',
  untagged: 1,
  foundOn: '2027-06-09',
  tagsSeen: [],
  ...changes,
});
const doubts = async (): Promise<string[]> => {
  const rows = await club.services.db.plants.findAll({ where: { id: plants }, raw: true });
  return plants.map((id) => rows.find((row) => row.id === id)!.doubt);
};
const lotsInFacts = async (): Promise<(string | null)[]> => {
  const unions = await club.services.db.unions.findAll({ where: { plantId: plants }, raw: true });
  const facts = await club.services.db.unionFacts.findAll({
    where: { unionId: unions.map(({ id }) => id) },
    raw: true,
  });
  return plants.map(
    (id) => facts.find(({ unionId }) => unionId === unions.find(({ plantId }) => plantId === id)!.id)!.woodLotId,
  );
};

describe('a tag that fell off', () => {
  it('is looked for without anything being kept, by whoever may give it a tag', async () => {
    const found = await lookForTag(as('assistant'), bed, look({ after: plants[0], before: plants[2] }));
    expect(found).toEqual({ verdict: 'must', possible: [plants[1]], sameLot: true, plantId: null });
    expect(await club.services.db.tagFinds.count({ where: { clubId: club.clubId } })).toBe(0);
    expect(await refusalOf(lookForTag(as('viewer'), bed, look({})))).toMatchObject({ refusal: 'forbidden' });
    expect(await refusalOf(keepTagFind(as('viewer'), bed, uuid(), look({})))).toMatchObject({ refusal: 'forbidden' });
  });
  it('that must be one plant leaves no doubt, however often it is sent', async () => {
    const find = uuid();
    const body = look({ after: plants[0], before: plants[2] });
    const both = await Promise.all([keepTagFind(as(), bed, find, body), keepTagFind(as(), bed, find, body)]);
    expect(both.map(({ plantId }) => plantId)).toEqual([plants[1], plants[1]]);
    expect(await doubts()).toEqual(['', '', '', '', '', '']);
    expect(await club.services.db.tagFinds.count({ where: { clubId: club.clubId } })).toBe(1);
  });
  it('of one lot leaves the variety sure, and which plant it is in doubt', async () => {
    // Both before the third one are without a tag; all others were read.
    const body = look({ before: plants[2], untagged: 2, tagsSeen: plants.slice(3), plantId: plants[0] });
    expect(await keepTagFind(as(), bed, uuid(), body)).toMatchObject({
      verdict: 'may',
      sameLot: true,
      plantId: plants[0],
    });
    expect(await doubts()).toEqual(['plant', 'plant', '', '', '', '']);
    expect((await lotsInFacts())[0]).toBe(workshop.woodLotId);
  });
  it('of more than one lot is left out of what is found by lot, until the lead says that it is sure', async () => {
    const body = look({ after: plants[1], before: plants[4], untagged: 2, tagsSeen: [plants[0], plants[5]] });
    expect(await refusalOf(keepTagFind(as(), bed, uuid(), { ...body, plantId: plants[5] }))).toMatchObject({
      fields: { plantId: 'Not among those it may be.' },
    });
    await keepTagFind(as(), bed, uuid(), { ...body, plantId: plants[2] });
    expect(await doubts()).toEqual(['plant', 'plant', 'lot', 'lot', '', '']);
    const lots = await lotsInFacts();
    expect([lots[2], lots[3]]).toEqual([null, null]);
    expect(lots[4]).not.toBeNull();
    expect(await refusalOf(settleDoubt(as('assistant'), plants[2]!))).toMatchObject({ refusal: 'forbidden' });
    await settleDoubt(as('lead'), plants[2]!);
    expect((await doubts()).slice(2, 4)).toEqual(['', 'lot']);
    expect((await lotsInFacts())[2]).toBe(workshop.woodLotId);
  });
  it('is not looked for beside a plant of another club, or one that is none', async () => {
    const other = await testClub();
    const theirs = await testWorkshop(other, 1);
    const { woodLotId, stockLotId } = theirs;
    await makeKeepers(other.as('lead'), theirs.id, { woodLotId, stockLotId, each: 1 });
    const [foreign] = await other.services.db.plants.findAll({ where: { clubId: other.clubId }, raw: true });
    for (const named of [{ after: foreign!.id }, { before: uuid() }, { tagsSeen: [foreign!.id] }])
      expect(await refusalOf(keepTagFind(as(), bed, uuid(), look(named)))).toMatchObject({ refusal: 'not-found' });
  });
  it('is not known where nothing fits, and refused where neighbours are exchanged or one and the same', async () => {
    expect(await keepTagFind(as(), bed, uuid(), look({ after: plants[4], before: plants[5] }))).toMatchObject({
      verdict: 'unknown',
      plantId: null,
    });
    expect(await refusalOf(lookForTag(as(), bed, look({ after: plants[4], before: plants[0] })))).toMatchObject({
      fields: { after: 'Behind the other.' },
    });
    expect(await refusalOf(lookForTag(as(), bed, look({ after: plants[4], before: plants[4] })))).toMatchObject({
      fields: { before: 'Choose another.' },
    });
    expect(await refusalOf(lookForTag(as(), bed, look({ untagged: 0 })))).toMatchObject({ refusal: 'invalid' });
    expect(await refusalOf(lookForTag(as(), bed, look({ foundOn: '2027-06-20' })))).toMatchObject({
      refusal: 'invalid',
    });
  });
});
