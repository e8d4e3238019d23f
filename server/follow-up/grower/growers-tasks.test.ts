import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { DEADLY } from '@/core/aftercare/happening';
import { handOn } from '@/server/aftercare/hand-on';
import { livingUnions } from '@/server/aftercare/living-unions';
import { unionPlans } from '@/server/aftercare/union-plans';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { outbox } from '@/server/platform/outbox';
import { refusalOf, testClub, type TestClub, testKeepers, type TestWorkshop } from '@/server/testing/test-club';
import { askedUnions } from '../asks/asked-unions';
import { askByItself } from '../letters/due-letters';
import { writeTaskLetters } from '../letters/task-letters';
import { makeLink } from '../letters/links';
import { planLetters } from '../letters/letter-plan';
import { setAsksAlone } from '../follow-up';
import { growers } from '../rounds';
import { enterReport } from '../entering/enter-report';
import { growerCalendar } from './grower-calendar';
import { growerPage } from './grower-page';
import { memberCalendar } from '../asks/member-calendar';
import { makeCalendarAddress, withdrawCalendarAddress } from '@/server/club/calendar-address';
import { careBoard } from '@/server/findings/boards/care-board';
import { tellTask, untellTask } from './growers-tasks';
import { growerPlant } from './grower-plant';
import { closeLink, eraseMe, setLeave } from './wishes';
import { saveAnswer } from './save-answers';
import { tellHappening } from './tell-happening';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club);
});

const AUGUST = '2027-08-20';
const at = (date: string, time = '10:00') => ({ ...club.services, now: new Date(`${date}T${time}:00Z`) });
const as = (date: string) => club.as('lead', new Date(`${date}T10:00:00Z`));

/** A private link of somebody, as a letter carries it. */
async function linkOf(personId: string): Promise<string> {
  const { row, url } = makeLink(club.as('lead'), null, personId, 'mail');
  await club.services.db.reportLinks.create(row);
  return url.split('/r/')[1]!;
}
const tieOf = async (token: string, date = AUGUST) =>
  (await growerPage(at(date), token)).tasks.find(({ task }) => task === 'binding-off')!;
const stateOf = async (unionId: string) =>
  (await unionPlans(as(AUGUST), await livingUnions(as(AUGUST), { workshopId: workshop.id })))
    .find(({ union }) => union.id === unionId)!
    .tasks.find(({ id }) => id === 'binding-off')!.state;

describe('the tasks of a grower', () => {
  it('are for all of their plants together, said done by one tap however often it is sent, and taken back', async () => {
    const token = await linkOf(workshop.personIds[0]!);
    const tie = await tieOf(token);
    expect(tie.plants.length).toBeGreaterThan(1);
    const own = (await askedUnions(as(AUGUST), { workshopId: workshop.id })).filter(
      ({ person }) => person.id === workshop.personIds[0],
    );
    expect(new Set(tie.plants.map(({ unionId }) => unionId))).toEqual(new Set(own.map(({ union }) => union.id)));
    const told = {
      task: tie.task,
      said: 'done',
      plants: tie.plants.map(({ unionId, occurrence }) => ({ unionId, occurrence })),
    };
    const tap = uuid();
    await Promise.all([1, 2, 3].map(() => tellTask(at(AUGUST), token, tap, told)));
    expect(await stateOf(tie.plants[0]!.unionId)).toBe('done');
    const marks = await club.services.db.taskMarks.findAll({ where: { actionId: tap }, raw: true });
    expect(marks).toHaveLength(tie.plants.length);
    expect(marks[0]).toMatchObject({ markedBy: null, toldBy: workshop.personIds[0], doneOn: AUGUST });
    const after = await tieOf(token);
    expect(after).toMatchObject({ actionId: tap, said: 'You said on 20 Aug 2027: done.' });
    await untellTask(at(AUGUST), token, tap);
    expect(await stateOf(tie.plants[0]!.unionId)).toBe('open');
    // What a member marked is not theirs to take back.
    await tellTask(at(AUGUST), token, uuid(), { ...told, said: 'cannot', plants: told.plants.slice(0, 1) });
    expect((await growerPage(at(AUGUST), token)).tasks.some(({ said }) => said.includes('you cannot'))).toBe(true);
    expect(await stateOf(tie.plants[0]!.unionId)).toBe('open');
  });
  it('are nobody else’s, and no others than are asked', async () => {
    const token = await linkOf(workshop.personIds[1]!);
    const mine = await tieOf(token);
    const theirs = await tieOf(await linkOf(workshop.personIds[0]!));
    const tell = (told: object) => refusalOf(tellTask(at(AUGUST), token, uuid(), told));
    const plant = ({ plants: [first] }: typeof mine) => ({ unionId: first!.unionId, occurrence: first!.occurrence });
    expect(await tell({ task: 'binding-off', said: 'done', plants: [plant(theirs)] })).toMatchObject({
      refusal: 'not-found',
    });
    expect(await tell({ task: 'sing-to-it', said: 'done', plants: [plant(mine)] })).toMatchObject({ refusal: 'gone' });
    expect(await tell({ task: 'binding-off', said: 'perhaps', plants: [plant(mine)] })).toMatchObject({
      refusal: 'invalid',
    });
    expect(await tell({ task: 'binding-off', said: 'done', plants: [] })).toMatchObject({ refusal: 'invalid' });
  });
});

describe('letters about tasks', () => {
  const written = async (): Promise<string[]> =>
    (await outbox(club.as('lead'))).filter(({ subject }) => subject.includes('want')).map(({ text }) => text!);
  it('gather what matters, go to who may be written to, by day, and no more than twice in half a year', async () => {
    expect(await askByItself(at('2027-08-01'))).toBe(0);
    await setAsksAlone(club.as('assistant'), workshop.id, { asksAlone: true });
    await askByItself(at('2027-06-01', '22:30'));
    expect(await written()).toHaveLength(0);
    for (
      let day = new Date('2027-06-01T09:00:00Z');
      day < new Date('2027-11-01');
      day.setUTCDate(day.getUTCDate() + 1)
    ) {
      const services = { ...club.services, now: new Date(day) };
      await Promise.all([askByItself(services), askByItself(services)]);
    }
    const letters = await written();
    expect(letters.length).toBeGreaterThan(0);
    // Two people left an address; the third did not.
    expect(letters.length).toBeLessThanOrEqual(4);
    expect(letters[0]).toMatch(/#to-do/);
    expect(letters[0]).toMatch(/Otherwise: It girdles/);
    await setAsksAlone(club.as('assistant'), workshop.id, { asksAlone: false });
  });
});

describe('a letter about tasks', () => {
  it('does not go to who cannot do them, waits a day for who has not yet, and one keeps no other back', async () => {
    const own = await testClub();
    const day = await testKeepers(own);
    const on = (date: string) => ({ ...own.services, now: new Date(`${date}T10:00:00Z`) });
    const say = async (personId: string, said: string): Promise<void> => {
      const { row, url } = makeLink(own.as('lead'), null, personId, 'mail');
      await own.services.db.reportLinks.create(row);
      const token = url.split('/r/')[1]!;
      for (const { task, plants } of (await growerPage(on(AUGUST), token)).tasks) {
        const told = plants.map(({ unionId, occurrence }) => ({ unionId, occurrence }));
        await tellTask(on(AUGUST), token, uuid(), { task, said, plants: told });
      }
    };
    await say(day.personIds[0]!, 'cannot');
    await say(day.personIds[1]!, 'not-yet');
    const write = (date: string) => writeTaskLetters(own.as('lead', on(date).now), [day.id]);
    expect(await write(AUGUST)).toBe(0);
    expect(await write('2027-08-21')).toBe(1);
    const [letter] = await own.services.db.messages.findAll({ where: { clubId: own.clubId }, raw: true });
    expect(letter).toMatchObject({ personId: day.personIds[1], roundId: null });
  });
});

describe('who has a plant', () => {
  it('is asked of it, sees it and tells of it; whoever had it does not', async () => {
    const [first] = (await listKeepers(club.as('lead'), workshop.id)).filter(
      ({ seat }) => seat.personId === workshop.personIds[0],
    );
    const before = await linkOf(workshop.personIds[0]!);
    const personId = uuid();
    const body = {
      plantIds: [first!.id],
      to: 'new',
      personId,
      name: 'Ysolde Marl',
      email: 'ysolde@reed.example',
      phone: '',
      mayContact: true,
      on: '2027-08-19',
    };
    const action = uuid();
    expect(await refusalOf(handOn(club.as('viewer', at(AUGUST).now), action, body))).toMatchObject({
      refusal: 'forbidden',
    });
    expect((await refusalOf(handOn(as(AUGUST), action, { ...body, on: '2027-03-01' }))).fields).toHaveProperty('on');
    expect((await refusalOf(handOn(as(AUGUST), action, { ...body, on: '2027-12-01' }))).fields).toHaveProperty('on');
    expect((await refusalOf(handOn(as(AUGUST), action, { ...body, name: '' }))).fields).toHaveProperty('name');
    await Promise.all([1, 2].map(() => handOn(as(AUGUST), action, body)));
    const handings = await club.services.db.plantHandings.findAll({ where: { actionId: action }, raw: true });
    expect(handings).toHaveLength(1);
    const after = await linkOf(personId);
    expect((await growerPage(at(AUGUST), after)).plants.map(({ code }) => code)).toEqual([first!.code]);
    expect((await growerPage(at(AUGUST), before)).plants.map(({ code }) => code)).not.toContain(first!.code);
    expect((await growerPlant(at(AUGUST), after, first!.code)).page.plant.code).toBe(first!.code);
    expect(await refusalOf(growerPlant(at(AUGUST), before, first!.code))).toMatchObject({ refusal: 'not-found' });
    const answer = { unionId: first!.unionId, signs: {}, said: 'alive' };
    expect(await refusalOf(saveAnswer(at(AUGUST), before, uuid(), answer))).toMatchObject({ refusal: 'not-found' });
    await saveAnswer(at(AUGUST), after, uuid(), answer);
    const holder = (await growers(as(AUGUST), workshop.id)).find(({ person }) => person?.id === personId);
    expect(holder).toMatchObject({ seatNumber: null, keepers: [{ code: first!.code }] });
    // Erased, they are asked of nothing, and nothing more can be handed to them.
    await eraseMe(at(AUGUST), after);
    const again = { ...body, to: 'person' };
    expect((await refusalOf(handOn(as(AUGUST), uuid(), again))).fields).toHaveProperty('personId');
  });
  it('is the club where it stays: nobody is asked of it, and it comes back to its maker', async () => {
    const personId = workshop.personIds[1]!;
    const own = (await listKeepers(club.as('lead'), workshop.id)).filter(({ seat }) => seat.personId === personId);
    const token = await linkOf(personId);
    const plantIds = own.map(({ id }) => id);
    await handOn(as(AUGUST), uuid(), { plantIds, to: 'us', on: AUGUST });
    expect((await growerPage(at(AUGUST), token)).plants).toEqual([]);
    expect(await planLetters(as(AUGUST), [personId])).toEqual([]);
    const us = (await growers(as(AUGUST), workshop.id)).find(({ person }) => person === null);
    expect(new Set(us!.keepers.map(({ id }) => id))).toEqual(new Set(plantIds));
    await handOn(as(AUGUST), uuid(), { plantIds, to: 'maker', on: AUGUST });
    expect((await growerPage(at(AUGUST), token)).plants).toHaveLength(own.length);
    const other = await testClub();
    expect(
      await refusalOf(handOn(other.as('lead', at(AUGUST).now), uuid(), { plantIds, to: 'us', on: AUGUST })),
    ).toMatchObject({ refusal: 'not-found' });
  });
});

describe('what happened', () => {
  it('is told by a grower on any day, before any round; a death ends the asking', async () => {
    const personId = workshop.personIds[2]!;
    const token = await linkOf(personId);
    const [plant, other] = (await growerPage(at('2027-03-20'), token)).plants;
    const tell = (id: string, changes: object) =>
      tellHappening(at('2027-03-20'), token, id, { unionId: plant!.unionId, what: 'eaten', dead: true, ...changes });
    expect(await refusalOf(tell(uuid(), { seenOn: '2027-03-21' }))).toMatchObject({
      fields: { seenOn: expect.stringContaining('still to come') },
    });
    expect(await refusalOf(tell(uuid(), { what: 'sung to' }))).toMatchObject({ refusal: 'invalid' });
    expect(await refusalOf(tell(uuid(), { note: 'x'.repeat(301) }))).toHaveProperty('fields.note');
    const id = uuid();
    await Promise.all([1, 2].map(() => tell(id, { note: 'a hare' })));
    const seen = await club.services.db.unionObservations.findAll({
      where: { unionId: plant!.unionId, kind: 'ended' },
      raw: true,
    });
    expect(seen).toHaveLength(1);
    expect(seen[0]).toMatchObject({ about: 'eaten', seenBy: null, note: 'a hare' });
    expect(DEADLY).toContain('eaten');
    const after = await growerPage(at('2027-03-21'), token);
    expect(after.plants.map(({ unionId }) => unionId)).not.toContain(plant!.unionId);
    // What kills nothing is kept, and the plant is asked of as before.
    await tellHappening(at('2027-03-21'), token, uuid(), { unionId: other!.unionId, what: 'label-lost', dead: true });
    expect((await growerPage(at('2027-03-22'), token)).plants.map(({ unionId }) => unionId)).toContain(other!.unionId);
    const foreign = await linkOf(workshop.personIds[1]!);
    expect(
      await refusalOf(tellHappening(at('2027-03-21'), foreign, uuid(), { unionId: other!.unionId, what: 'died' })),
    ).toMatchObject({ refusal: 'not-found' });
  });
});

describe('private calendars', () => {
  it('hold one’s own plants only, nothing of months, a reminder each, and end with their address', async () => {
    const personId = workshop.personIds[1]!;
    const token = await linkOf(personId);
    const file = (await growerCalendar(at('2027-06-01'), token)).replaceAll('\r\n ', '');
    const own = (await growerPage(at('2027-06-01'), token)).plants.map(({ code }) => code);
    expect(own.length).toBeGreaterThan(0);
    for (const code of own) expect(file).toContain(`${code.slice(0, 3)} ${code.slice(3)}`);
    const others = (await listKeepers(club.as('lead'), workshop.id)).filter(({ seat }) => seat.personId !== personId);
    for (const { code } of others) expect(file).not.toContain(`${code.slice(0, 3)} ${code.slice(3)}`);
    const events = file.split('BEGIN:VEVENT').slice(1);
    for (const event of events) {
      const [, from] = /DTSTART;VALUE=DATE:(\d{8})/.exec(event)!;
      const [, to] = /DTEND;VALUE=DATE:(\d{8})/.exec(event)!;
      expect(Number(to) - Number(from) === 1 || to!.endsWith('01')).toBe(true);
      expect(from! >= '20270601').toBe(true);
      expect(event).toContain('BEGIN:VALARM');
    }
    await setLeave(at('2027-06-01'), token, false);
    await closeLink(at('2027-06-01'), token);
    expect(await refusalOf(growerCalendar(at('2027-06-01'), token))).toMatchObject({ refusal: 'gone' });
  });
  it('of a member hold what stays with the club, and a new address closes the one before', async () => {
    const { url } = await makeCalendarAddress(as('2027-06-01'));
    const token = url.split('/calendar/')[1]!.replace('.ics', '');
    expect(await memberCalendar(at('2027-06-01'), token)).not.toContain('BEGIN:VEVENT');
    const [plant] = (await listKeepers(club.as('lead'), workshop.id)).slice(-1);
    await handOn(as('2027-06-01'), uuid(), { plantIds: [plant!.id], to: 'us', on: '2027-05-30' });
    const file = (await memberCalendar(at('2027-06-01'), token))!.replaceAll('\r\n ', '');
    expect(file).toContain(`${plant!.code.slice(0, 3)} ${plant!.code.slice(3)}`);
    const { url: later } = await makeCalendarAddress(as('2027-06-01'));
    expect(await memberCalendar(at('2027-06-01'), token)).toBeNull();
    const second = later.split('/calendar/')[1]!.replace('.ics', '');
    await withdrawCalendarAddress(as('2027-06-01'));
    expect(await memberCalendar(at('2027-06-01'), second)).toBeNull();
    expect(await memberCalendar(at('2027-06-01'), 'nonsense')).toBeNull();
  });
});

describe('beside take', () => {
  it('stand ties off in time, what was missed, and how often growers were wrong', async () => {
    const { db } = club.services;
    const board = await careBoard(as('2028-06-01'), workshop.id);
    expect(board.ties.length).toBeGreaterThan(0);
    const all = board.ties.reduce((sum, { inTime, late, open }) => sum + inTime + late + open, 0);
    expect(all).toBeLessThanOrEqual((await listKeepers(club.as('lead'), workshop.id)).length);
    expect(board.tasks[0]).toMatchObject({ year: 2027 });
    expect(board.tasks[0]!.missed).toBeGreaterThan(0);
    expect(board.all.looked).toBe(0);
    const living = await askedUnions(as('2027-09-10'), { workshopId: workshop.id });
    const asked = living.find(({ seen, rounds }) => seen.every(({ kind }) => kind !== 'ended') && rounds.length > 0)!;
    const tell = (source: string, said: string, seenOn: string) =>
      enterReport(as('2027-09-10'), uuid(), { unionId: asked.union.id, said, signs: {}, source, seenOn, cameOn: '' });
    // Told alive a day after somebody had seen it dead: that is no graft that died since.
    await tell('visit', 'dead', '2027-09-01');
    await tell('phone', 'alive', '2027-09-02');
    expect((await careBoard(as('2028-06-01'), workshop.id)).all).toMatchObject({ looked: 1, wrong: 1 });
    expect(await db.unionFacts.findByPk(asked.union.id, { raw: true })).toMatchObject({ contradicted: true });
  });
});
