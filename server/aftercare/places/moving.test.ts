import { v7 as uuid } from 'uuid';
import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { ANYWHERE, inRow, type Spot } from '@/core/aftercare/places/place';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { addSite } from '@/server/club/sites';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { movePlants } from './move-plants';
import { movesOfPlace, standingOf } from './place-moves';
import { plantingOrder, landSlip } from './print-place';
import { putLand, putPlace, putPlaceAway } from './put-place';
import { standingPlants } from './standing-plants';
import { takeMoveBack } from './take-move-back';

let club: TestClub;
let workshop: TestWorkshop;
let siteId: string;
let plants: string[];
const APRIL = new Date('2027-04-10T10:00:00Z');
const as = (role: 'lead' | 'assistant' | 'viewer' = 'assistant') => club.as(role, APRIL);

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('assistant'), workshop.id, { woodLotId, stockLotId, each: 2 });
});
beforeEach(async () => {
  siteId = (await addSite(club.as('lead'), { name: `Field ${uuid()}`, hemisphere: 'north', timeZone: 'Europe/Zurich' }))
    .id;
  await club.services.db.plantMoves.destroy({ where: { clubId: club.clubId } });
  await club.services.db.plantPlaces.destroy({ where: { clubId: club.clubId } });
  plants = (await standingPlants(as('viewer'))).map(({ plantId }) => plantId);
});

const bed = { kind: 'bed', capacity: 8, rows: { count: 2, each: 4, spacing: 300, between: 900 }, version: 0 };
async function place(name: string, changes: object = {}): Promise<string> {
  const id = uuid();
  await putPlace(as(), id, { siteId, kind: 'pail', name, capacity: 3, version: 0, ...changes });
  return id;
}
const to = (plantId: string, spot: Spot = ANYWHERE, from: (Spot & { placeId: string }) | null = null) => ({
  plantId,
  from,
  to: spot,
});
const move = (moves: object[], toPlaceId: string | null, changes: object = {}) =>
  movePlants(as(), uuid(), { moves, toPlaceId, on: '2027-04-02', ...changes });
const rows = () => club.services.db.plantPlaces.findAll({ where: { clubId: club.clubId }, raw: true });

describe('moving plants', () => {
  it('is done once however often it is sent, and stands with its history', async () => {
    const pail = await place('Pail 1');
    const action = uuid();
    const body = { moves: plants.slice(0, 3).map((plant) => to(plant)), toPlaceId: pail, on: '2027-04-02' };
    const answers = await Promise.all([1, 2, 3].map(() => movePlants(as(), action, body)));
    expect(answers).toEqual([{ moved: 3 }, { moved: 3 }, { moved: 3 }]);
    expect(await rows()).toHaveLength(3);
    const [moved] = await movesOfPlace(as('viewer'), pail);
    expect(moved).toMatchObject({ on: '2027-04-02', by: 'The assistant', to: 'Pail 1', from: '', undone: false });
    expect(moved!.codes).toHaveLength(3);
    expect(await standingOf(as('viewer'), plants[0]!)).toMatchObject({
      place: 'Pail 1',
      since: '2027-04-02',
      spot: '',
    });
  });
  it('of two who move one plant at once only one does, and the other is told who and where to', async () => {
    const [first, second] = [await place('Pail 1'), await place('Pail 2')];
    const both = await Promise.allSettled(
      [first, second].map((target) => move([to(plants[0]!), to(plants[1]!)], target)),
    );
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    const reason = (both.find(({ status }) => status === 'rejected') as PromiseRejectedResult).reason as Error;
    expect(reason.message).toMatch(/^You moved .* at \d\d:\d\d: it stands in Pail [12]\. Nothing was moved/);
    const standing = await rows();
    expect(standing).toHaveLength(2);
    expect(new Set(standing.map(({ placeId }) => placeId)).size).toBe(1);
  });
  it('into a full pail is refused whole, also when two fill it at once', async () => {
    const pail = await place('Pail 1', { capacity: 2 });
    expect(
      await refusalOf(
        move(
          plants.slice(0, 3).map((plant) => to(plant)),
          pail,
        ),
      ),
    ).toMatchObject({
      refusal: 'invalid',
      message: expect.stringContaining('Pail 1 holds 2 plants; 0 are in it and 3 would come') as string,
    });
    expect(await rows()).toHaveLength(0);
    const many = await Promise.allSettled(plants.slice(0, 4).map((plant) => move([to(plant)], pail)));
    expect(many.filter(({ status }) => status === 'fulfilled')).toHaveLength(2);
    expect(await rows()).toHaveLength(2);
  });
  it('never fills a place beyond what it holds, however many come at once and from wherever', async () => {
    const [from, tray] = [await place('Pail 1', { capacity: 12 }), await place('Tray 1', { capacity: 3 })];
    const half = plants.slice(0, 6);
    await move(
      half.map((plant) => to(plant)),
      from,
    );
    const coming = [
      ...half.map((plant) => move([to(plant, ANYWHERE, { ...ANYWHERE, placeId: from })], tray)),
      ...plants.slice(6, 12).map((plant) => move([to(plant)], tray)),
    ];
    const answers = await Promise.allSettled(coming);
    expect(answers.filter(({ status }) => status === 'fulfilled')).toHaveLength(3);
    const inTray = (await rows()).filter(({ placeId }) => placeId === tray);
    expect(inTray).toHaveLength(3);
    // Those that did not come are where they were, and the history says no more than was done.
    expect(await club.services.db.plantMoves.count({ where: { toPlaceId: tray } })).toBe(3);
    for (const answer of answers)
      if (answer.status === 'rejected') expect((answer.reason as Error).message).toMatch(/holds 3 plants/);
  });
  it('gives a spot of a bed to one plant, and lets two change places', async () => {
    const wall = await place('Wall bed', bed);
    const [a, b] = [inRow({ row: 1, position: 1 }), inRow({ row: 1, position: 2 })];
    await move([to(plants[0]!, a), to(plants[1]!, b)], wall);
    expect(await refusalOf(move([to(plants[2]!, a)], wall))).toMatchObject({
      message: expect.stringMatching(/stands in row 1, 1 of Wall bed/) as string,
    });
    await move([to(plants[0]!, b, { placeId: wall, ...a }), to(plants[1]!, a, { placeId: wall, ...b })], wall, {
      on: '2027-04-03',
    });
    expect((await rows()).find(({ plantId }) => plantId === plants[0])).toMatchObject({ row: 1, position: 2 });
    const order = await plantingOrder(as('viewer'), wall, { paper: 'Letter' });
    expect(order.subarray(0, 4).toString()).toBe('%PDF');
  });
  it('is refused before the union was made, ahead of today, twice in one move, and for plants of others', async () => {
    const pail = await place('Pail 1');
    expect(await refusalOf(move([to(plants[0]!)], pail, { on: '2027-03-05' }))).toMatchObject({
      fields: { on: expect.stringContaining('was made on') as string },
    });
    expect(await refusalOf(move([to(plants[0]!)], pail, { on: '2027-04-20' }))).toMatchObject({ refusal: 'invalid' });
    expect(await refusalOf(move([to(plants[0]!), to(plants[0]!)], pail))).toMatchObject({
      message: expect.stringContaining('twice') as string,
    });
    const other = await testClub();
    expect(
      await refusalOf(
        movePlants(other.as('lead', APRIL), uuid(), { moves: [to(plants[0]!)], toPlaceId: null, on: '2027-04-02' }),
      ),
    ).toMatchObject({ refusal: 'not-found' });
    expect(await refusalOf(movePlants(as('viewer'), uuid(), {}))).toMatchObject({ refusal: 'forbidden' });
    expect(await rows()).toHaveLength(0);
  });
  it('is taken back with all it moved, once, and not past a later move', async () => {
    const [first, second] = [await place('Pail 1'), await place('Pail 2')];
    const [earlier, later] = [uuid(), uuid()];
    const plant = plants[0]!;
    await movePlants(as(), earlier, { moves: [to(plant)], toPlaceId: first, on: '2027-04-02' });
    await movePlants(as(), later, {
      moves: [to(plant, ANYWHERE, { placeId: first, ...ANYWHERE })],
      toPlaceId: second,
      on: '2027-04-04',
    });
    expect(await refusalOf(takeMoveBack(as(), earlier))).toMatchObject({ refusal: 'conflict' });
    await Promise.all([takeMoveBack(as(), later), takeMoveBack(as(), later)]);
    expect(await rows()).toMatchObject([{ placeId: first, since: '2027-04-02' }]);
    await takeMoveBack(as(), earlier);
    expect(await rows()).toHaveLength(0);
    expect((await movesOfPlace(as('viewer'), first)).every(({ undone }) => undone)).toBe(true);
  });
});

describe('a place', () => {
  it('is not put away while plants stand in it, nor made smaller than what it holds', async () => {
    const wall = await place('Wall bed', bed);
    await move([to(plants[0]!, inRow({ row: 2, position: 4 })), to(plants[1]!, inRow({ row: 1, position: 1 }))], wall);
    expect(await refusalOf(putPlaceAway(as(), wall))).toMatchObject({
      message: '2 plants stand in Wall bed. Move them first, then put the place away.',
    });
    const smaller = { ...bed, siteId, name: 'Wall bed', version: 1 };
    expect(await refusalOf(putPlace(as(), wall, { ...smaller, capacity: 1 }))).toMatchObject({ refusal: 'conflict' });
    expect(
      await refusalOf(putPlace(as(), wall, { ...smaller, capacity: 4, rows: { ...bed.rows, count: 1 } })),
    ).toMatchObject({ message: expect.stringContaining('would stand outside of its rows') as string });
    expect(await refusalOf(putPlace(as(), wall, { ...smaller, kind: 'pail' }))).toMatchObject({ refusal: 'conflict' });
  });
  it('has a name of its own at its site, and gives it up when it is put away', async () => {
    const id = await place('Tray 1');
    expect(await refusalOf(place('Tray 1'))).toMatchObject({ refusal: 'conflict', fields: { name: 'Taken already.' } });
    await putPlaceAway(as(), id);
    await putPlaceAway(as(), id);
    await place('Tray 1');
    expect(await refusalOf(move([to(plants[0]!)], id))).toMatchObject({ refusal: 'gone' });
  });
  it('is changed by one of two who open it at once; the same change sent twice is one', async () => {
    const id = await place('Tray 1');
    const body = { siteId, kind: 'pail', name: 'Tray 1', capacity: 12, version: 1 };
    await Promise.all([putPlace(as(), id, body), putPlace(as(), id, body)]);
    expect(await refusalOf(putPlace(as(), id, { ...body, capacity: 20 }))).toMatchObject({ refusal: 'conflict' });
    expect(await refusalOf(putPlace(as(), uuid(), { ...body, kind: 'bed', name: 'B', version: 0 }))).toMatchObject({
      fields: { 'rows.count': 'Enter the rows.' },
    });
  });
  it('of others has a slip once somebody said whose land it is and who gave leave', async () => {
    const id = await place('Ferry meadow', bed);
    expect(await refusalOf(landSlip(as('viewer'), id, {}))).toMatchObject({ fields: { owner: 'Whose land is it?' } });
    expect(await refusalOf(putLand(as(), id, { owner: 'Ferry house', version: 1 }))).toMatchObject({
      fields: { leaveBy: 'Say who gave leave.' },
    });
    const land = { owner: 'Ferry house', leaveBy: 'the ferry keeper', leaveUntil: '2029-10-31', told: 'mow round it' };
    await putLand(as(), id, { ...land, version: 1 });
    await move([to(plants[0]!, inRow({ row: 1, position: 1 }))], id);
    expect((await landSlip(as('viewer'), id, { paper: 'A4' })).subarray(0, 4).toString()).toBe('%PDF');
  });
});
