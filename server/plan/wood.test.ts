import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { addWoodLot, dropLot, workshopLots } from './lots';
import { heardBriefing, acknowledge, workshopBriefing } from '@/server/teach/briefing';
import { readiness } from './ready';
import {
  addObservation,
  addSite,
  exportClimate,
  getSite,
  importClimate,
  listObservations,
  putAssumptions,
  putClimate,
  withdrawObservation,
} from '@/server/club/sites';
import {
  judgementBody,
  NOW,
  refusalOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { planning } from './planning';
import { putJudgement } from '@/server/score/judgements';
import { simulatedLogCsv } from './simulated-log';
import { weatherCsv } from './site-weather';
import { bookWood, freeWood } from './wood-bookings';
import { addCheck, addLoggerRun, ledgerLot, putLot, warningsOf } from './wood-ledger';
import { listSources, promiseSticks, putSource, putSourceYear, takePromiseBack } from './wood-sources';
import { erasePerson } from '@/server/club/erase-person';
import { getWorkshop } from './workshops';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
});
const lead = (now = NOW) => club.as('lead', now);
const lotBody = (changes: object = {}) => ({
  variety: 'Amber Jetty',
  species: 'quince',
  source: 'row 1',
  cutOn: '2027-01-20',
  sticks: 10,
  ...changes,
});
async function lotOf(sticks: number, changes: object = {}): Promise<string> {
  const id = uuid();
  await addWoodLot(lead(), workshop.id, id, lotBody({ sticks, ...changes }));
  return id;
}
const booking = (sticks: number) => ({ workshopId: workshop.id, seatId: null, sticks });

describe('booking wood', () => {
  it('never gives more than there is, however many ask at once', async () => {
    const lot = await lotOf(10);
    const outcomes = await Promise.allSettled(
      Array.from({ length: 9 }, () => bookWood(lead(), lot, uuid(), booking(3))),
    );
    expect(outcomes.filter(({ status }) => status === 'fulfilled')).toHaveLength(3);
    const after = await ledgerLot(lead(), lot);
    expect(after.booked).toBe(9);
    expect(after.bookings.reduce((sum, { sticks }) => sum + sticks, 0)).toBe(9);
    expect((await refusalOf(bookWood(lead(), lot, uuid(), booking(2)))).message).toContain('1 of 10 sticks free');
  });
  it('books once for a request sent many times, gives back once', async () => {
    const lot = await lotOf(10);
    const id = uuid();
    await Promise.all(Array.from({ length: 6 }, () => bookWood(lead(), lot, id, booking(4))));
    expect((await ledgerLot(lead(), lot)).booked).toBe(4);
    expect((await refusalOf(bookWood(lead(), lot, id, booking(5)))).refusal).toBe('conflict');
    await Promise.all(Array.from({ length: 5 }, () => freeWood(lead(), lot, id)));
    expect(await ledgerLot(lead(), lot)).toMatchObject({ booked: 0, bookings: [] });
  });
  it('cannot have fewer sticks than are booked, and gives all back when the lot is taken off', async () => {
    const lot = await lotOf(10);
    await bookWood(lead(), lot, uuid(), { ...booking(6), seatId: workshop.seatIds[0] });
    const { version } = await ledgerLot(lead(), lot);
    expect((await refusalOf(putLot(lead(), lot, lotBody({ sticks: 5, version })))).message).toContain(
      '6 sticks of it are booked',
    );
    await putLot(lead(), lot, lotBody({ sticks: 6, version }));
    expect((await refusalOf(putLot(lead(), lot, lotBody({ sticks: 7, version })))).refusal).toBe('conflict');
    await dropLot(lead(), workshop.id, 'wood', lot);
    expect(await ledgerLot(lead(), lot)).toMatchObject({ booked: 0, bookings: [] });
    expect((await workshopLots(lead(), workshop.id)).otherWood.some(({ id }) => id === lot)).toBe(true);
  });
  it('is refused to viewers, and for what is not there', async () => {
    const lot = await lotOf(3);
    expect((await refusalOf(bookWood(club.as('viewer'), lot, uuid(), booking(1)))).refusal).toBe('forbidden');
    expect((await refusalOf(bookWood(lead(), lot, uuid(), booking(0)))).message).toContain('one stick or more');
    expect((await refusalOf(bookWood(lead(), lot, uuid(), { ...booking(1), seatId: uuid() }))).refusal).toBe(
      'not-found',
    );
  });
});

describe('looks and logs', () => {
  it('warn by the last look, and refuse looks before the cut or in the future', async () => {
    const lot = await lotOf(4);
    const look = { lookedOn: '2027-03-05', green: 'yes', buds: 'moving', note: '' };
    const id = uuid();
    await Promise.all([1, 2].map(() => addCheck(lead(), lot, id, look)));
    const after = await ledgerLot(lead(), lot);
    expect(after.checks).toHaveLength(1);
    expect(warningsOf(club.as('lead'), after, '2027-03-06', { region: '', quarantine: [] })).toMatchObject([
      { id: 'check', level: 'care' },
    ]);
    expect((await refusalOf(addCheck(lead(), lot, uuid(), { ...look, lookedOn: '2027-01-01' }))).message).toContain(
      'before the wood was cut',
    );
    expect((await refusalOf(addCheck(lead(), lot, uuid(), { ...look, lookedOn: '2027-05-01' }))).message).toContain(
      'future',
    );
  });
  it('read a log once, warn of warm days, and ask for the unit when nobody says it', async () => {
    const lot = await lotOf(4);
    const log = new TextEncoder().encode(
      simulatedLogCsv(lead(), {
        from: '2027-01-21',
        days: 40,
        target: 2,
        unit: 'F',
        faults: ['warm-days', 'gap', 'repeats', 'disorder'],
      }),
    );
    const runs = await Promise.all(
      [1, 2, 3].map(() => addLoggerRun(lead(), lot, 'cellar.csv', log, { runId: uuid(), unit: '' })),
    );
    expect(new Set(runs.map(({ id }) => id)).size).toBe(1);
    expect(runs[0]!.notes.join(' ')).toMatch(/°F.*out of order.*repeated.*1 gap/);
    const after = await ledgerLot(lead(), lot);
    expect(after.runs).toHaveLength(1);
    expect(warningsOf(club.as('lead'), after, '2027-03-06', { region: '', quarantine: [] })).toMatchObject([
      { id: 'store' },
    ]);
    const bare = new TextEncoder().encode('time,temperature\n2027-01-01,35\n2027-01-02,36\n');
    expect(
      (await refusalOf(addLoggerRun(lead(), lot, 'x.csv', bare, { runId: uuid(), unit: '' }))).fields,
    ).toHaveProperty('unit');
    expect((await addLoggerRun(lead(), lot, 'x.csv', bare, { runId: uuid(), unit: 'F' })).summary.high).toBeCloseTo(
      2.22,
      2,
    );
  });
});

describe('a log without zones', () => {
  it('is read by the clocks of the place the wood is used at, and asked for where that says nothing', async () => {
    const own = await testClub();
    const day = await testWorkshop(own);
    const context = own.as('assistant');
    // Earlier in the alphabet, and hours away.
    const far = await addSite(context, { name: 'A far shore', hemisphere: 'south', timeZone: 'Pacific/Auckland' });
    const log = new TextEncoder().encode('time,temperature_c\n2027-01-01 12:00,2\n2027-01-02 12:00,3\n');
    const from = async (lotId: string, siteId = ''): Promise<string> =>
      (await addLoggerRun(context, lotId, 'x.csv', log, { runId: uuid(), unit: '', siteId })).summary.from;
    expect(await from(day.woodLotId)).toBe('2027-01-01T11:00:00Z');
    const [stray, other] = [uuid(), uuid()];
    for (const lot of [stray, other]) {
      await addWoodLot(context, day.id, lot, { variety: 'Stray', species: 'pear', source: 'x' });
      await dropLot(context, day.id, 'wood', lot);
    }
    expect((await refusalOf(from(stray))).fields).toHaveProperty('siteId');
    expect(await refusalOf(from(stray, uuid()))).toMatchObject({ refusal: 'not-found' });
    const again = new TextEncoder().encode('time,temperature_c\n2027-01-01 12:00,2\n2027-01-02 12:00,4\n');
    expect(
      (await addLoggerRun(context, other, 'x.csv', again, { runId: uuid(), unit: '', siteId: far.id })).summary.from,
    ).toBe('2026-12-31T23:00:00Z');
  });
});

describe('plants to cut from', () => {
  it('are trees or living keepers, with a line back to the lot they were made of', async () => {
    await makeKeepers(lead(), workshop.id, { woodLotId: workshop.woodLotId, stockLotId: workshop.stockLotId, each: 2 });
    const [keeper] = await listKeepers(lead(), workshop.id);
    const plant = uuid();
    await putSource(lead(), plant, {
      kind: 'keeper',
      name: 'First pear',
      variety: 'Grey Heron',
      species: 'pear',
      code: keeper!.code.toLowerCase(),
    });
    const [source] = await listSources(lead());
    expect(source).toMatchObject({ code: keeper!.code, lives: 'unknown', madeOf: { id: workshop.woodLotId } });
    expect(
      (
        await refusalOf(
          putSource(lead(), uuid(), { kind: 'keeper', name: 'No such', variety: 'x', species: 'pear', code: 'ZZZZZZ' }),
        )
      ).message,
    ).toContain('No keeper of this club');
    expect(
      (
        await refusalOf(
          putSource(lead(), uuid(), {
            kind: 'keeper',
            name: 'Again',
            variety: 'x',
            species: 'pear',
            code: keeper!.code,
          }),
        )
      ).refusal,
    ).toBe('conflict');
    const lot = await lotOf(3, { sourceId: plant });
    expect((await ledgerLot(lead(), lot)).from).toMatchObject({ name: 'First pear' });
    expect((await refusalOf(addWoodLot(lead(), workshop.id, uuid(), lotBody({ sourceId: uuid() })))).refusal).toBe(
      'not-found',
    );
    // Left open in the form, it is no plant; what is no id is told.
    expect((await ledgerLot(lead(), await lotOf(3, { sourceId: '' }))).from).toBeNull();
    for (const sourceId of ['first pear', 7, true])
      expect((await refusalOf(addWoodLot(lead(), workshop.id, uuid(), lotBody({ sourceId })))).refusal).toBe('invalid');
  });
  it('promise no more than they can give, at once or one after the other', async () => {
    const tree = uuid();
    await putSource(lead(), tree, { kind: 'tree', name: 'Boathouse pear', variety: 'Grey Heron', species: 'pear' });
    expect(
      (await refusalOf(promiseSticks(lead(), tree, uuid(), { year: 2028, whom: 'Ona', sticks: 1 }))).message,
    ).toContain('Say first how many');
    await putSourceYear(lead(), tree, '2028', { sticks: 10 });
    const ids = Array.from({ length: 5 }, () => uuid());
    const outcomes = await Promise.allSettled(
      ids.map((id) => promiseSticks(lead(), tree, id, { year: 2028, whom: 'Ona Ferrel', sticks: 4 })),
    );
    expect(outcomes.filter(({ status }) => status === 'fulfilled')).toHaveLength(2);
    expect((await refusalOf(putSourceYear(lead(), tree, '2028', { sticks: 7 }))).message).toContain(
      '8 sticks of 2028 are promised',
    );
    const made = (await listSources(lead())).find(({ id }) => id === tree)!.years[0]!;
    await Promise.all([1, 2].map(() => takePromiseBack(lead(), tree, made.bookings[0]!.id)));
    expect((await listSources(lead())).find(({ id }) => id === tree)!.years[0]).toMatchObject({
      sticks: 10,
      booked: 4,
    });
  });
  it('forget the name of who asked to be erased', async () => {
    const own = await testWorkshop(club);
    await club.services.db.people.update({ name: 'Lark Hollin' }, { where: { id: own.personIds[0]! } });
    const tree = uuid();
    await putSource(lead(), tree, {
      kind: 'tree',
      name: 'Harbour mulberry',
      variety: 'Night Ferry',
      species: 'mulberry',
    });
    await putSourceYear(lead(), tree, 2028, { sticks: 5 });
    await promiseSticks(lead(), tree, uuid(), { year: 2028, whom: 'Lark Hollin', sticks: 2 });
    await erasePerson(lead(), own.personIds[0]!);
    expect((await listSources(lead())).find(({ id }) => id === tree)!.years[0]!.bookings[0]!.whom).toBe(
      'Erased person',
    );
  });
});

describe('a site’s year', () => {
  const normals = { low: Array(12).fill(1), high: Array(12).fill(9) };
  const newSite = () => addSite(lead(), { name: `Shed ${uuid()}`, hemisphere: 'north', timeZone: 'Europe/Zurich' });
  it('is set, read from CSV and written again, and never over another change', async () => {
    const { id } = await newSite();
    await putClimate(lead(), id, {
      normals,
      lastFrost: '04-24',
      firstFrost: '10-28',
      frostMargin: 10,
      source: 'our book',
      version: 0,
    });
    expect(
      (
        await refusalOf(
          putClimate(lead(), id, {
            normals: { ...normals, low: Array(12).fill(2) },
            lastFrost: null,
            firstFrost: null,
            frostMargin: 10,
            source: 'other',
            version: 0,
          }),
        )
      ).refusal,
    ).toBe('conflict');
    const csv = await exportClimate(lead(), id);
    const { notes } = await importClimate(lead(), id, new TextEncoder().encode(csv), 'normals.csv', 1);
    expect(notes).toEqual([]);
    expect(await getSite(lead(), id)).toMatchObject({
      version: 2,
      climateSource: 'normals.csv',
      climate: { normals, lastFrost: '04-24' },
    });
    const weather = (await weatherCsv(lead(), id)).trim().split('\r\n');
    expect(weather[0]).toBe('date,lowest_c,highest_c,simulated');
    expect(weather).toHaveLength(366);
    expect(weather.at(-1)).toMatch(/^2028-03-04,.*,yes$/);
    const refused = async (changes: object): Promise<string> =>
      (
        await refusalOf(
          putClimate(lead(), id, {
            normals,
            lastFrost: null,
            firstFrost: null,
            frostMargin: 10,
            source: 'x',
            version: 2,
            ...changes,
          }),
        )
      ).message;
    expect(await refused({ normals: { low: [1], high: [2] } })).toContain('Twelve months');
    expect(await refused({ lastFrost: '04-24' })).toContain('Give both');
    expect(await refused({ lastFrost: '24.4.', firstFrost: '10-28' })).toContain('such as 04-24');
    expect(await refused({ source: '' })).toContain('where the figures come from');
  });
  it('keeps only figures that differ, with their source', async () => {
    const { id } = await newSite();
    await putAssumptions(lead(), id, {
      version: 0,
      region: 'Tarn isles',
      quarantine: ['grape'],
      edits: {
        'pome.swell': { value: 55, margin: 10, source: 'our book' },
        'bud-open': { value: 70, margin: 7, source: 'usual practice' },
      },
    });
    expect(await getSite(lead(), id)).toMatchObject({
      assumptions: { 'pome.swell': { value: 55, margin: 10, source: 'our book' } },
      quarantine: ['grape'],
    });
    expect(
      (
        await refusalOf(
          putAssumptions(lead(), id, {
            version: 1,
            region: '',
            quarantine: [],
            edits: { 'pome.swell': { value: 'soon', margin: 1, source: '' } },
          }),
        )
      ).message,
    ).toContain('as a number');
    expect(
      (
        await refusalOf(
          putAssumptions(lead(), id, {
            version: 1,
            region: '',
            quarantine: [],
            edits: { moon: { value: 1, margin: 1, source: '' } },
          }),
        )
      ).message,
    ).toContain('not known');
  });
  it('takes what was seen, once, and back again', async () => {
    const { id } = await newSite();
    const seen = { species: 'pear', sign: 'bark-slips', seenOn: '2027-03-05', note: '' };
    const observation = uuid();
    await Promise.all([1, 2].map(() => addObservation(lead(), id, observation, seen)));
    expect(await listObservations(lead(), id)).toHaveLength(1);
    expect((await refusalOf(addObservation(lead(), id, uuid(), { ...seen, seenOn: '2027-06-01' }))).message).toContain(
      'not seen yet',
    );
    await withdrawObservation(lead(), id, observation);
    expect(await listObservations(lead(), id)).toEqual([]);
  });
  it('may be unknown: the plan then says so and goes on', async () => {
    const own = await testWorkshop(club);
    const { facts } = await planning(lead(), own.id);
    expect(facts.year.climate).toBeNull();
    expect(
      (await readiness(lead(), own.id, await heardBriefing(lead(), own.id))).lines.find(({ says }) =>
        says.includes('no normals'),
      ),
    ).toBeTruthy();
  });
});

describe('the ready check of a workshop', () => {
  it('tells what is left, as things are done, and stops nobody for what was not counted', async () => {
    const own = await testWorkshop(club);
    const { siteId } = await getWorkshop(lead(), own.id);
    const cool = club.services.weather.climates()[0]!;
    await putClimate(lead(), siteId, {
      normals: cool.normals,
      lastFrost: cool.lastFrost,
      firstFrost: cool.firstFrost,
      frostMargin: 12,
      source: 'simulated',
      version: 0,
    });
    const before = await readiness(lead(), own.id, await heardBriefing(lead(), own.id));
    expect(before.light).toBe('care');
    // Stocks and sticks of lots that were chosen, and the kit.
    const uncounted = before.lines.filter(({ says }) => says.endsWith('counted so far.'));
    expect(uncounted.map(({ light }) => light)).toEqual(['care', 'care', 'care']);
    expect(before.lines.find(({ id }) => id === 'briefed')).toMatchObject({
      light: 'care',
      says: '3 of 3 have not heard the briefing.',
    });
    const { contentHash } = await workshopBriefing(lead(), own.id);
    for (const person of own.personIds) await acknowledge(lead(), own.id, person, { contentHash });
    await addCheck(lead(), own.woodLotId, uuid(), { lookedOn: '2027-03-05', green: 'yes', buds: 'shut', note: '' });
    await addObservation(lead(), siteId, uuid(), {
      species: 'quince',
      sign: 'buds-swell',
      seenOn: '2027-03-04',
      note: '',
    });
    const { version } = await ledgerLot(lead(), own.woodLotId);
    await putLot(lead(), own.woodLotId, {
      variety: 'Grey Heron',
      species: 'pear',
      source: 'row 3',
      cutOn: '2027-01-20',
      sticks: 30,
      version,
    });
    await bookWood(lead(), own.woodLotId, uuid(), { workshopId: own.id, seatId: null, sticks: 20 });
    const after = await readiness(lead(), own.id, await heardBriefing(lead(), own.id));
    const go = (id: string): string => after.lines.find((line) => line.id.startsWith(id))!.light;
    expect([go('briefed'), go('wood'), go('stocks'), go('leave')]).toEqual(['go', 'go', 'go', 'go']);
    expect(after.lines.some(({ says }) => says.startsWith('pear sticks booked'))).toBe(false);
    expect(after.lines.find(({ says }) => says.startsWith('quince stocks'))).toMatchObject({ light: 'care' });
    await putJudgement(lead(), uuid(), judgementBody(own));
  });
});
