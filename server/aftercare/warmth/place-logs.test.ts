import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { ANYWHERE } from '@/core/aftercare/places/place';
import { livingUnions } from '@/server/aftercare/living-unions';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { unionPlans } from '@/server/aftercare/union-plans';
import { getSite } from '@/server/club/sites';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { movePlants } from '../places/move-plants';
import { getPlace } from '../places/places';
import { putPlace, watchPlace } from '../places/put-place';
import { standingPlants } from '../places/standing-plants';
import { addPlaceLog } from './add-log';
import { callusPlace } from './callus-place';
import { addLiveReadings } from './live-readings';
import { noteLeafed } from './note-leafed';
import { openGraft, takeOpenedBack, takeProposedCallusing } from './open-graft';
import { placeRun } from './readings-store';

let club: TestClub;
let workshop: TestWorkshop;
let siteId: string;
const LATER = new Date('2027-04-10T10:00:00Z');
const as = (role: 'lead' | 'assistant' | 'viewer' = 'assistant', now = LATER) => club.as(role, now);
const HOUR = 3_600_000;
const START = Date.parse('2027-03-06T23:00:00Z');

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('assistant'), workshop.id, { woodLotId, stockLotId, each: 2 });
  siteId = (await club.services.db.workshops.findOne({ where: { id: workshop.id }, raw: true }))!.siteId;
});

async function box(name: string): Promise<string> {
  const id = uuid();
  await putPlace(as(), id, { siteId, kind: 'callus-box', name, capacity: 50, version: 0 });
  return id;
}
const csv = (values: number[], { start = START, head = 'time,temperature_c', tail = '' } = {}): Uint8Array =>
  new TextEncoder().encode(
    [head, ...values.map((value, i) => `${new Date(start + i * HOUR).toISOString()},${value}${tail}`)].join('\n'),
  );
const read = (placeId: string, bytes: Uint8Array, changes: object = {}) =>
  addPlaceLog(as(), placeId, 'log.csv', bytes, { logId: uuid(), ...changes });
const view = async (placeId: string, now = LATER) => {
  const place = await getPlace(as('viewer', now), placeId);
  const plants = await standingPlants(as('viewer', now), placeId);
  return callusPlace(as('viewer', now), place, await getSite(as('viewer', now), siteId), plants);
};

describe('the logger of a callus place', () => {
  it('is read once, overlapping files count once, gaps and repeats are said', async () => {
    const id = await box('Box A');
    const first = csv(Array<number>(48).fill(20));
    const rows = await Promise.all([read(id, first), read(id, first)]);
    expect(rows[0].id).toBe(rows[1].id);
    const overlap = await read(
      id,
      csv([...Array<number>(24).fill(21), ...Array<number>(24).fill(22)], { start: START + 24 * HOUR }),
    );
    expect(overlap).toMatchObject({ readings: 48, added: 24 });
    expect(overlap.notes.join(' ')).toMatch(/24 readings were there already.*24 were new.*24 of them had another/);
    const run = await placeRun(club.services.db, id);
    expect(run.instants).toHaveLength(72);
    expect(run.values.filter((value) => value === 21)).toHaveLength(0);
    const gap = await read(id, csv([20, 20, 20, 20], { start: START + 500 * HOUR }));
    expect(gap.notes).toEqual([]);
    const holes = new TextEncoder().encode(
      [
        'time,temperature_c',
        ...[0, 1, 2, 3, 40, 41].map((i) => `${new Date(START + (600 + i) * HOUR).toISOString()},20`),
      ].join('\n'),
    );
    expect((await read(id, holes)).notes.join(' ')).toContain('1 gap without readings, 37 hours in all');
  });
  it('of another place is refused, by its name or because it was read there, unless somebody says otherwise', async () => {
    const [cellar, attic] = [await box('Cellar box'), await box('Attic box')];
    await watchPlace(as(), cellar, { logger: 'T-14', version: 1 });
    const named = (name: string) => csv([20, 20, 20], { head: 'time,temperature_c,logger', tail: `,${name}` });
    expect(await refusalOf(read(cellar, named('T-15')))).toMatchObject({
      message: expect.stringContaining('The file is of logger T-15; in Cellar box lies T-14') as string,
    });
    expect(await refusalOf(read(attic, named('t-14')))).toMatchObject({
      message: expect.stringContaining('Logger t-14 lies in Cellar box') as string,
    });
    await read(cellar, named('T-14'));
    const plain = csv([19, 20, 21]);
    await read(cellar, plain);
    expect(await refusalOf(read(attic, plain))).toMatchObject({
      message: expect.stringContaining('was read for Cellar box already') as string,
    });
    expect(await read(attic, plain, { anyway: true })).toMatchObject({ added: 3 });
  });
  it('goes by its own zone and unit, and not by a clock that runs ahead', async () => {
    const id = await box('Zone box');
    const local = new TextEncoder().encode('time,temperature_f\n2027-03-07 00:00,68\n2027-03-07 01:00,68');
    await read(id, local, { zone: 'America/St_Johns' });
    expect((await placeRun(club.services.db, id)).instants[0]).toBe(Date.parse('2027-03-07T03:30:00Z'));
    expect((await placeRun(club.services.db, id)).values).toEqual([20, 20]);
    expect(await refusalOf(read(id, local, { zone: 'Nowhere/Isle' }))).toMatchObject({
      fields: { zone: expect.anything() as string },
    });
    expect(await refusalOf(read(id, csv([20, 20], { start: Date.parse('2028-01-01T00:00:00Z') })))).toMatchObject({
      message: expect.stringContaining('still to come') as string,
    });
  });
  it('writes once for a while out of range that is longer than was set, to whoever set it', async () => {
    const id = await box('Watched box');
    await watchPlace(as('assistant'), id, { kin: 'pome', alertHours: 3, version: 1 });
    const send = (values: number[], hour: number) =>
      addLiveReadings(as(), id, { readings: values.map((value, i) => ({ at: START + (hour + i) * HOUR, value })) });
    await send([20, 30, 30, 30], 0);
    const letters = () => club.services.db.accountLetters.count({ where: { userId: as().actor.userId } });
    expect(await letters()).toBe(0);
    await Promise.all([send([30, 30], 4), send([30, 30], 4)]);
    await send([30, 30, 31], 6);
    expect(await letters()).toBe(1);
    await send([20, 20, 9, 9, 9, 9, 9, 9], 9);
    expect(await letters()).toBe(2);
    expect((await view(id)).letters).toBe(2);
  });
  it('keeps live readings once however often they are sent', async () => {
    const id = await box('Live box');
    const body = { readings: [20, 21, 22].map((value, i) => ({ at: START + i * 60_000, value })) };
    await Promise.all([addLiveReadings(as(), id, body), addLiveReadings(as(), id, body)]);
    expect(await addLiveReadings(as(), id, body)).toEqual({ added: 0, known: 3, otherwise: 0 });
    expect(await refusalOf(addLiveReadings(as(), id, { readings: [{ at: START, value: 90 }] }))).toMatchObject({
      refusal: 'invalid',
    });
    expect(await refusalOf(addLiveReadings(as('viewer'), id, body))).toMatchObject({ refusal: 'forbidden' });
  });
});

describe('a batch in a callus place', () => {
  it('knits by what was measured there, is done on a day with a range, and moves the plan of its plants', async () => {
    const id = await box('Batch box');
    const plants = (await standingPlants(as('viewer'))).map(({ plantId }) => plantId);
    const move = {
      moves: plants.slice(0, 3).map((plantId) => ({ plantId, from: null, to: ANYWHERE })),
      toPlaceId: id,
      on: '2027-03-06',
    };
    await movePlants(as(), uuid(), move);
    const before = (await view(id, new Date('2027-03-16T10:00:00Z'))).batches[0]!;
    expect(before).toMatchObject({ progress: null, lookOn: '2027-03-20', doneOn: '2027-03-20', done: false });
    // Half warmth: 11 °C is half way between 7 and 15.
    await read(id, csv(Array<number>(10 * 24 + 1).fill(11)));
    const now = new Date('2027-03-16T23:30:00Z');
    const [batch] = (await view(id, now)).batches;
    expect(batch!.progress!.knit).toBeCloseTo(5, 6);
    expect(batch).toMatchObject({ done: false, doneOn: '2027-04-04', soonestOn: '2027-04-04', latestOn: '2027-04-04' });
    const plans = await unionPlans(as('viewer'), await livingUnions(as('viewer'), { workshopId: workshop.id }));
    const [cold, usual] = [
      plans.find(({ plant }) => plant.id === plants[0]),
      plans.find(({ plant }) => plant.id === plants[4]),
    ];
    expect(cold!.weathered).toMatchObject({ measured: 10 });
    const callus = (plan: typeof cold) =>
      plan!.tasks.find(({ movedBy, trigger }) => trigger.kind === 'days' && movedBy > 0);
    expect(callus(cold)).toBeDefined();
    expect(callus(usual)).toBeUndefined();
  });
  it('sets what was seen on opened ones beside what was reckoned, and proposes another figure after ten', async () => {
    const id = await box('Opened box');
    await watchPlace(as(), id, { kin: 'pome', warmFrom: '2027-03-06', version: 1 });
    await read(id, csv(Array<number>(12 * 24 + 1).fill(20)));
    const look = { kin: 'pome', on: '2027-03-18', callused: true };
    for (let i = 0; i < 9; i++) await openGraft(as(), uuid(), id, look);
    expect((await view(id)).proposed).toBeNull();
    expect(await refusalOf(takeProposedCallusing(as('lead'), siteId))).toMatchObject({ refusal: 'conflict' });
    const last = uuid();
    await Promise.all([openGraft(as(), last, id, look), openGraft(as(), last, id, look)]);
    const seen = await view(id);
    expect(seen.opened).toHaveLength(10);
    expect(seen.proposed).toEqual({ days: 12, pairs: 10, why: 'sooner' });
    await takeOpenedBack(as(), last);
    expect((await view(id)).proposed).toBeNull();
    await openGraft(as(), uuid(), id, look);
    expect(await refusalOf(takeProposedCallusing(as('assistant'), siteId))).toMatchObject({ refusal: 'forbidden' });
    await takeProposedCallusing(as('lead'), siteId);
    expect((await getSite(as('viewer'), siteId)).assumptions.callus).toMatchObject({
      value: 12,
      source: '10 grafts opened at this site',
    });
  });
  it('a keeper that was opened is out of take; taken back it is a keeper again', async () => {
    const id = await box('Keeper box');
    const [plant] = (await standingPlants(as('viewer'))).filter(({ standing }) => standing === null);
    const opened = uuid();
    const look = { kin: 'pome', on: '2027-03-20', callused: false, plantId: plant!.plantId };
    expect(await refusalOf(openGraft(as(), opened, id, { ...look, kin: 'grape' }))).toMatchObject({
      fields: { kin: 'Of another kind.' },
    });
    expect(await refusalOf(openGraft(as(), opened, id, { ...look, on: '2027-03-01' }))).toMatchObject({
      fields: { on: 'Before it was made.' },
    });
    await openGraft(as(), opened, id, look);
    const fact = async () =>
      (
        await club.services.db.sequelize.query<{ voided: boolean }>(
          'SELECT f.voided FROM union_facts f JOIN unions u ON u.id = f.union_id WHERE u.plant_id = :id',
          { type: 'SELECT' as never, replacements: { id: plant!.plantId } },
        )
      )[0]!.voided;
    expect(Boolean(await fact())).toBe(true);
    expect(await refusalOf(openGraft(as(), uuid(), id, look))).toMatchObject({ refusal: 'conflict' });
    await takeOpenedBack(as(), opened);
    expect(Boolean(await fact())).toBe(false);
  });
  it('that leafed out is held back, and has a day to be planted by', async () => {
    const id = await box('Leafed box');
    const [plant] = (await standingPlants(as('viewer'))).filter(({ standing }) => standing === null);
    await movePlants(as(), uuid(), {
      moves: [{ plantId: plant!.plantId, from: null, to: ANYWHERE }],
      toPlaceId: id,
      on: '2027-03-07',
    });
    const body = { plantIds: [plant!.plantId], on: '2027-03-25' };
    await Promise.all([noteLeafed(as(), id, uuid(), body), noteLeafed(as(), id, uuid(), body)]);
    expect((await view(id)).batches[0]!.leafed).toMatchObject({
      on: '2027-03-25',
      until: '2027-04-22',
      plantBy: '2027-04-22',
    });
    expect(
      await club.services.db.unionObservations.count({ where: { clubId: club.clubId, about: 'growth-starts' } }),
    ).toBe(1);
  });
});
