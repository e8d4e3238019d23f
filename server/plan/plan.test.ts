import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import { addDays } from '@/core/units/iso-date';
import { METHODS } from '@/core/methods/registry';
import { addPiece, importPieces, measuredWood, putPairs, removePiece } from './measured-wood';
import { dayPlan, putDayPlan } from './day-plan';
import { doorSheet, putRoom, roomOf } from './bench-plan';
import { pairingData } from './pairing-data';
import { plannedMethods, putPlannedMethods } from './planned-methods';
import { planning } from './planning';
import { foundTakes } from './found-takes';
import { kitCsv, kitPdf, putKit, putStore, quantities } from './quantities';
import { putJudgement } from '@/server/score/judgements';
import { changeSeat, listSeats, addWalkIn } from './seats';
import { seatSkills } from './skill';
import { addSite } from '@/server/club/sites';
import {
  judgementBody,
  NOW,
  refusalOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { workshopCalendar } from './calendar';
import { moveWorkshop, getWorkshop, putWorkshop } from './workshops';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
});
const lead = () => club.as('lead');
const methodsBody = (changes: object = {}, row: object = {}) => ({
  changeId: uuid(),
  version: 0,
  expected: null,
  settings: USUAL_SETTINGS,
  methods: [
    {
      method: METHODS[0]!.id,
      place: 'bench',
      scionSpecies: 'pear',
      stockSpecies: 'quince',
      practiceEach: 4,
      keepersEach: 2,
      practiceOn: 'good',
      ...row,
    },
  ],
  ...changes,
});

describe('a part of the plan', () => {
  it('is saved once for a change sent twice, and never over what somebody else saved', async () => {
    const body = methodsBody();
    const versions = await Promise.all([1, 2, 3].map(() => putPlannedMethods(lead(), workshop.id, body)));
    expect(versions).toEqual([1, 1, 1]);
    expect(await refusalOf(putPlannedMethods(lead(), workshop.id, methodsBody()))).toMatchObject({
      refusal: 'conflict',
    });
    const outcomes = await Promise.allSettled(
      [1, 2, 3, 4].map(() => putPlannedMethods(lead(), workshop.id, methodsBody({ version: 1 }))),
    );
    expect(outcomes.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    expect((await plannedMethods(lead(), await getWorkshop(lead(), workshop.id))).version).toBe(2);
  });
  it('keeps promise and methods of the day in step, both ways', async () => {
    const other = METHODS.find(({ use }) => use.takes.piece === 'bud')!;
    const { version } = await plannedMethods(lead(), await getWorkshop(lead(), workshop.id));
    const rows = methodsBody().methods;
    await putPlannedMethods(
      lead(),
      workshop.id,
      methodsBody({
        version,
        methods: [...rows, { ...rows[0]!, method: other.id, place: other.use.places[0], keepersEach: 3 }],
      }),
    );
    expect((await getWorkshop(lead(), workshop.id)).promisedKeepers).toBe(5);
    const now = await getWorkshop(lead(), workshop.id);
    await putWorkshop(lead(), workshop.id, { ...now, promisedKeepers: 4 });
    const { body } = await plannedMethods(lead(), await getWorkshop(lead(), workshop.id));
    expect(body.methods.map(({ keepersEach }) => keepersEach)).toEqual([1, 3]);
  });
  it('says plainly what cannot be', async () => {
    const { version } = await plannedMethods(lead(), await getWorkshop(lead(), workshop.id));
    const refused = async (changes: object, row: object = {}): Promise<string> =>
      (await refusalOf(putPlannedMethods(lead(), workshop.id, methodsBody({ version, ...changes }, row)))).message;
    expect(await refused({ expected: 0 })).toContain('zero people');
    expect(await refused({}, { practiceEach: -1 })).toContain('0 or more');
    expect(await refused({ methods: [] })).toContain('one method or more');
    expect(await refused({}, { method: METHODS[1]!.id })).toContain('stays in the plan');
    const field = METHODS.find(({ use }) => !use.places.includes('bench'))!;
    expect(
      await refused({ methods: [methodsBody().methods[0], { ...methodsBody().methods[0], method: field.id }] }),
    ).toContain('not done there');
    expect(await refused({ settings: { ...USUAL_SETTINGS, confidence: 1 } })).toContain('0.99 or less');
    expect((await refusalOf(putPlannedMethods(club.as('viewer'), workshop.id, methodsBody({ version })))).refusal).toBe(
      'forbidden',
    );
  });
});

describe('quantities', () => {
  it('come from roster, prior and the club’s own findings of milestones that were asked', async () => {
    const own = await testWorkshop(club);
    await putPlannedMethods(lead(), own.id, methodsBody({}, { scionSpecies: ' Pear ' }));
    const before = await quantities(lead(), own.id);
    expect(before).toMatchObject({ people: 3, problem: null });
    // Of ten cuts one spoils its wood, as long as nobody counted: 24 scions for 21 unions, three from a stick.
    expect(before.needs[0]).toMatchObject({ practice: 12, keepers: 9, stocks: 21, pieces: 24, sticks: 8 });
    expect(before.lines.some(({ id }) => id === 'sticks-pear')).toBe(true);
    const belief = (await foundTakes(lead()))(METHODS[0]!);
    expect(belief.found.workshops).toEqual([]);
    expect(belief.history).toHaveLength(2);
  });
  it('say that nobody is there, and plan for those expected', async () => {
    const empty = uuid();
    const { siteId } = await getWorkshop(lead(), workshop.id);
    await putWorkshop(lead(), empty, {
      title: 'Empty',
      date: '2030-03-02',
      siteId,
      method: METHODS[0]!.id,
      promisedKeepers: 2,
      promise: '',
    });
    expect((await quantities(lead(), empty)).problem).toContain('Nobody is seated');
    await putPlannedMethods(lead(), empty, methodsBody({ expected: '12' }));
    expect(await quantities(lead(), empty)).toMatchObject({ people: 12, problem: null });
  });
  it('are edited by hand, less what is in store, on paper and as CSV', async () => {
    const own = await testWorkshop(club);
    await putKit(lead(), own.id, {
      changeId: uuid(),
      version: 0,
      edits: { glove: { total: 10 } },
      extra: [{ id: 'own-1', name: '=tea', unit: 'cups', total: 12 }],
    });
    await putStore(lead(), { items: [{ item: 'glove', inStore: 4, price: 5 }] });
    const { lines } = await quantities(lead(), own.id);
    expect(lines.find(({ id }) => id === 'glove')).toMatchObject({ total: 10, buy: 6, cost: 30 });
    expect(lines.at(-1)).toMatchObject({ name: '=tea', buy: 12 });
    const csv = await kitCsv(lead(), own.id);
    expect(csv.split('\r\n')[0]).toBe('thing,unit,per,each,total,in_store,to_buy,unit_price,cost,note');
    expect(csv).toContain("'=tea");
    expect((await kitPdf(lead(), own.id, { paper: 'Letter' })).subarray(0, 5).toString()).toBe('%PDF-');
    expect(
      (
        await refusalOf(
          putKit(lead(), own.id, { changeId: uuid(), version: 1, edits: { glove: { total: -1 } }, extra: [] }),
        )
      ).message,
    ).toContain('cannot be below 0');
    expect(
      (await refusalOf(putStore(lead(), { items: [{ item: 'glove', inStore: 'some', price: null }] }))).message,
    ).toContain('in figures');
  });
});

describe('the calendar', () => {
  const entries = (ics: string) =>
    ics
      .replace(/\r\n[ \t]/g, '')
      .split('BEGIN:VEVENT')
      .slice(1)
      .map((text) =>
        Object.fromEntries(
          text
            .split('\r\n')
            .filter((line) => line.includes(':'))
            .map((line) => [line.slice(0, line.indexOf(':')).split(';')[0]!, line.slice(line.indexOf(':') + 1)]),
        ),
      );
  it('keeps every entry’s identity; what moved counts up, what went is cancelled, what stayed stays', async () => {
    const own = await testWorkshop(club);
    const first = entries(await workshopCalendar(lead(), own.id));
    expect(first.length).toBeGreaterThan(8);
    expect(first.every(({ SEQUENCE, STATUS }) => SEQUENCE === '0' && STATUS === 'CONFIRMED')).toBe(true);
    expect(
      entries(await workshopCalendar(club.as('viewer'), own.id)).map(({ UID, SEQUENCE }) => [UID, SEQUENCE]),
    ).toEqual(first.map(({ UID, SEQUENCE }) => [UID, SEQUENCE]));
    await moveWorkshop(lead(), own.id, { date: '2027-03-13', from: '2027-03-06' });
    const second = entries(await workshopCalendar(lead(), own.id));
    expect(second.map(({ UID }) => UID).sort()).toEqual(first.map(({ UID }) => UID).sort());
    expect(second.find(({ UID }) => UID!.includes('.day@'))).toMatchObject({
      SEQUENCE: '1',
      DTSTART: '20270313T083000Z',
    });
    const { version } = await plannedMethods(lead(), await getWorkshop(lead(), own.id));
    await putPlannedMethods(lead(), own.id, methodsBody({ version }, { place: 'field' }));
    const third = entries(await workshopCalendar(lead(), own.id));
    expect(third.find(({ UID }) => UID!.includes('.callus@'))).toMatchObject({ STATUS: 'CANCELLED', SEQUENCE: '2' });
    expect(third.find(({ UID }) => UID!.includes('.day@'))).toMatchObject({ STATUS: 'CONFIRMED' });
    const together = await Promise.all([1, 2, 3].map(() => workshopCalendar(lead(), own.id)));
    for (const request of together)
      expect(entries(request).map(({ SEQUENCE }) => SEQUENCE)).toEqual(third.map(({ SEQUENCE }) => SEQUENCE));
  });
  it('moves a day only from where it was, and not one that was held', async () => {
    const own = await testWorkshop(club);
    expect((await refusalOf(moveWorkshop(lead(), own.id, { date: '2027-04-01', from: '2027-03-01' }))).refusal).toBe(
      'conflict',
    );
    expect(
      (await refusalOf(moveWorkshop(lead(), own.id, { date: '2027-02-30', from: '2027-03-06' }))).message,
    ).toContain('existing date');
    await putJudgement(lead(), uuid(), judgementBody(own));
    expect(
      (await refusalOf(moveWorkshop(lead(), own.id, { date: '2027-04-01', from: '2027-03-06' }))).message,
    ).toContain('scored already');
  });
  it('is not moved past its first judgement or answer once it was held, by any route; a mistaken date goes back', async () => {
    const own = await testWorkshop(club);
    const held = await getWorkshop(lead(), own.id);
    const judged = new Date(`${held.date}T09:00:00Z`);
    const saved = await putJudgement(club.as('lead', judged), uuid(), {
      ...judgementBody(own),
      deviceAt: judged.toISOString(),
      sentAt: judged.toISOString(),
    });
    const put = (date: string) => putWorkshop(club.as('assistant'), own.id, { ...held, date });
    const refused = await refusalOf(put('2027-04-01'));
    expect(refused).toMatchObject({ refusal: 'conflict', message: expect.stringContaining('was judged on') });
    expect((await getWorkshop(lead(), own.id)).date).toBe(held.date);
    const union = await club.services.db.unions.findOne({ where: { id: saved.unionId }, raw: true });
    expect(union!.madeOn).toBe(held.date);
    await put(addDays(held.date, -3));
    expect((await getWorkshop(lead(), own.id)).date).toBe(addDays(held.date, -3));
    await put(held.date);
  });
  it('notices tools wanted elsewhere on the day', async () => {
    const own = await testWorkshop(club);
    const away = await addSite(lead(), { name: `Far barn ${uuid()}`, hemisphere: 'north', timeZone: 'Europe/Zurich' });
    await putWorkshop(lead(), uuid(), {
      title: 'Elsewhere',
      date: '2027-03-06',
      siteId: away.id,
      method: METHODS[0]!.id,
      promisedKeepers: 0,
      promise: '',
    });
    const { facts } = await planning(lead(), own.id);
    expect(
      facts.others.some(({ title, elsewhere, date }) => title === 'Elsewhere' && elsewhere && date === facts.date),
    ).toBe(true);
  });
});

describe('measured wood and pairs', () => {
  const piece = (kind: 'stick' | 'stock', caliper: unknown = 9.4) => ({
    kind,
    lotId: kind === 'stick' ? workshop.woodLotId : workshop.stockLotId,
    caliper,
    usableBuds: '',
  });
  it('numbers pieces one after the other, also when many measure at once and clicks come twice', async () => {
    const ids = Array.from({ length: 6 }, () => uuid());
    await Promise.all([...ids, ...ids].map((id) => addPiece(lead(), workshop.id, id, piece('stock'))));
    const stocks = (await measuredWood(lead(), workshop.id)).filter(({ kind }) => kind === 'stock');
    expect(stocks.map(({ number }) => number)).toEqual([1, 2, 3, 4, 5, 6]);
    await removePiece(lead(), workshop.id, ids[0]!);
    await removePiece(lead(), workshop.id, ids[0]!);
    expect((await measuredWood(lead(), workshop.id)).filter(({ kind }) => kind === 'stock')).toHaveLength(5);
  });
  it('refuses rubbish and lots that are not of the workshop', async () => {
    for (const [caliper, words] of [
      ['Er--', 'in figures'],
      [0.2, 'no wood to graft'],
      [900, 'cannot be right'],
    ] as const)
      expect((await refusalOf(addPiece(lead(), workshop.id, uuid(), piece('stick', caliper)))).message).toContain(
        words,
      );
    expect((await refusalOf(addPiece(lead(), workshop.id, uuid(), { ...piece('stick'), lotId: uuid() }))).refusal).toBe(
      'not-found',
    );
  });
  it('reads a file once, all of it or nothing', async () => {
    const importId = uuid();
    const file = new TextEncoder().encode('number,caliper_mm,buds\n20,9.1,8\n,8.2,\n');
    const piece = { importId, kind: 'stick', lotId: workshop.woodLotId };
    await Promise.all([1, 2, 3].map(() => importPieces(lead(), workshop.id, file, piece)));
    const sticks = (await measuredWood(lead(), workshop.id)).filter(({ kind }) => kind === 'stick');
    expect(sticks.map(({ number, caliper, usableBuds }) => [number, caliper, usableBuds])).toEqual([
      [1, 8.2, null],
      [20, 9.1, 8],
    ]);
    expect(
      (
        await refusalOf(
          importPieces(lead(), workshop.id, new TextEncoder().encode('number,caliper_mm\n30,9\n20,9\n'), {
            ...piece,
            importId: uuid(),
          }),
        )
      ).message,
    ).toContain('Number 20 is measured already');
    expect((await measuredWood(lead(), workshop.id)).filter(({ kind }) => kind === 'stick')).toHaveLength(2);
  });
  it('deals stocks to those present and cuts sticks into pieces; saved pairs are checked', async () => {
    const data = await pairingData(lead(), workshop.id);
    expect(data.stocks).toHaveLength(5);
    expect(new Set(data.stocks.map(({ seat }) => seat)).size).toBe(3);
    // Eight buds, two a scion, a quarter waste: three.
    expect(data.scions.filter(({ stick }) => stick === data.scions[0]!.stick)).toHaveLength(3);
    const pair = {
      stock: data.stocks[0]!.id,
      stick: data.scions[0]!.stick,
      piece: 0,
      seat: data.stocks[0]!.seat,
      contact: 0.8,
      fixed: 'true',
      method: data.method,
    };
    const body = { changeId: uuid(), version: 0, method: data.method, inOrder: 0.5, pairs: [pair] };
    expect(
      (
        await refusalOf(
          putPairs(lead(), workshop.id, { ...body, pairs: [pair, { ...pair, stock: data.stocks[1]!.id }] }),
        )
      ).message,
    ).toContain('paired twice');
    expect(
      (await refusalOf(putPairs(lead(), workshop.id, { ...body, pairs: [{ ...pair, stock: uuid() }] }))).refusal,
    ).toBe('conflict');
    expect(await putPairs(lead(), workshop.id, body)).toBe(1);
    expect((await pairingData(lead(), workshop.id)).saved!.pairs).toMatchObject([{ fixed: true, contact: 0.8 }]);
  });
});

describe('benches and the day', () => {
  it('reads how practised people are from earlier workshops, unless somebody said so', async () => {
    const own = await testWorkshop(club);
    for (let number = 1; number <= 3; number++) await putJudgement(lead(), uuid(), judgementBody(own, { number }));
    const later = uuid();
    const { siteId } = await getWorkshop(lead(), own.id);
    await putWorkshop(lead(), later, {
      title: 'Later',
      date: '2027-09-04',
      siteId,
      method: METHODS[0]!.id,
      promisedKeepers: 1,
      promise: '',
    });
    await addWalkIn(lead(), later, uuid(), { name: 'New here', email: '' });
    await club.services.db.seats.create({
      id: uuid(),
      clubId: club.clubId,
      workshopId: later,
      number: 2,
      personId: own.personIds[0]!,
      absent: false,
      leftHanded: false,
      skill: null,
    });
    const seats = await listSeats(lead(), later);
    const skills = await seatSkills(lead(), later);
    expect(seats.map(({ id }) => skills.get(id))).toEqual([
      { level: 'first', earlier: 0, said: false },
      { level: 'sure', earlier: 3, said: false },
    ]);
    await changeSeat(lead(), later, seats[0]!.id, { skill: 'some', leftHanded: true });
    expect((await seatSkills(lead(), later)).get(seats[0]!.id)).toMatchObject({ level: 'some', said: true });
    expect((await seatSkills(lead(), own.id)).get(own.seatIds[0]!)).toMatchObject({ level: 'first', earlier: 0 });
  });
  it('keeps a room, drops who left it, and prints a sheet for the door', async () => {
    const own = await testWorkshop(club);
    const seats = await listSeats(lead(), own.id);
    const { body, version } = await roomOf(lead(), own.id, seats, 4, 3);
    expect(Object.keys(body.seating)).toHaveLength(3);
    await putRoom(lead(), own.id, {
      ...body,
      changeId: uuid(),
      version,
      seating: { ...body.seating, [uuid()]: { bench: 'b1', place: 3 } },
    });
    expect(Object.keys((await roomOf(lead(), own.id, seats, 4, 3)).body.seating)).toHaveLength(3);
    expect(
      (await refusalOf(putRoom(lead(), own.id, { ...body, changeId: uuid(), version: 1, benches: [] }))).message,
    ).toBeTruthy();
    expect((await doorSheet(lead(), own.id, {})).subarray(0, 5).toString()).toBe('%PDF-');
  });
  it('refuses a day that ends before it starts and times that are none', async () => {
    const own = await testWorkshop(club);
    const { body } = await dayPlan(lead(), own.id);
    const refused = async (changes: object): Promise<string> =>
      (await refusalOf(putDayPlan(lead(), own.id, { ...body, changeId: uuid(), version: 0, ...changes }))).message;
    expect(await refused({ end: '08:00' })).toContain('ends before it starts');
    expect(await refused({ start: 'early' })).toContain('such as 09:30');
    expect(await refused({ knives: 0 })).toContain('Without a knife');
    expect(await putDayPlan(lead(), own.id, { ...body, changeId: uuid(), version: 0, knives: '' })).toBe(1);
  });
});

describe('dates before today', () => {
  it('are said to be past and leave the plan readable', async () => {
    const old = uuid();
    const { siteId } = await getWorkshop(lead(), workshop.id);
    await putWorkshop(lead(), old, {
      title: 'Long ago',
      date: addDays(NOW.toISOString().slice(0, 10), -400),
      siteId,
      method: METHODS[0]!.id,
      promisedKeepers: 1,
      promise: '',
    });
    const { facts } = await planning(lead(), old);
    expect(facts.date < facts.today).toBe(true);
    expect(await workshopCalendar(lead(), old)).toContain('BEGIN:VCALENDAR');
  });
});
