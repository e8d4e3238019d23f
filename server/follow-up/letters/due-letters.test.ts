import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { outbox } from '@/server/platform/outbox';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { getWorkshop, putWorkshop } from '@/server/plan/workshops';
import { refusalOf, testClub, type TestClub, testWorkshop, type TestWorkshop } from '@/server/testing/test-club';
import { askedUnions } from '../asks/asked-unions';
import { enterReport } from '../entering/enter-report';
import { setAsksAlone, workshopRoundPlan } from '../follow-up';
import { askByItself } from './due-letters';

let club: TestClub;
let workshop: TestWorkshop;
const day = (date: string) => new Date(`${date}T08:00:00Z`);
const askOn = (date: string) => askByItself({ ...club.services, now: day(date) });
const letters = async (person = 'Person 1') =>
  (await outbox(club.as('lead'))).filter(({ to }) => to.startsWith(person)).sort((a, b) => +a.at - +b.at);
const rounds = async () =>
  (await club.services.db.rounds.findAll({ where: { workshopId: workshop.id }, raw: true })).map(
    ({ milestone, asks, opensOn }) => [milestone, asks, opensOn],
  );

/** Whips and chips of one April day, a keeper of each for everybody. */
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const { id, woodLotId, stockLotId } = workshop;
  const { title, siteId } = await getWorkshop(club.as('lead'), id);
  const [whip, chip] = ['whip-and-tongue', 'chip'];
  await putWorkshop(club.as('lead'), id, {
    title,
    siteId,
    date: '2027-04-10',
    method: whip,
    promisedKeepers: 2,
    promise: '',
  });
  for (const method of [whip, chip]) await makeKeepers(club.as('lead'), id, { woodLotId, stockLotId, each: 1, method });
});

describe('letters that write themselves', () => {
  it('are nobody’s until somebody says so', async () => {
    expect(await askOn('2027-04-24')).toBe(0);
    expect(await rounds()).toEqual([]);
    expect(await refusalOf(setAsksAlone(club.as('viewer'), workshop.id, { asksAlone: true }))).toMatchObject({
      refusal: 'forbidden',
    });
    await setAsksAlone(club.as('assistant'), workshop.id, { asksAlone: true });
  });
  it('ask each at its own time, one letter a week at most, however often it is looked', async () => {
    expect(await askOn('2027-04-23')).toBe(0);
    // The whips are asked first; nobody who cannot be written to is.
    expect(await Promise.all([askOn('2027-04-24'), askOn('2027-04-24'), askOn('2027-04-24')])).toContain(2);
    expect(await askOn('2027-04-24')).toBe(0);
    expect(await rounds()).toEqual([['healed', 'whip-and-tongue/bench', '2027-04-24']]);
    expect(await letters()).toHaveLength(1);
    const [first] = await letters();
    expect(first!.text).toContain('Is there a ring of callus along the cut');
    expect(first!.text).not.toContain('bud swelling');
    // The chips on the first of May, and with them what was not told of the whips: in one letter.
    for (const early of ['2027-04-27', '2027-04-30']) expect(await askOn(early)).toBe(0);
    expect(await askOn('2027-05-01')).toBe(2);
    const second = (await letters()).at(-1)!;
    expect(second.text).toContain('Is there a ring of callus along the cut');
    expect(second.text).toContain('Is the bud swelling?');
    expect((await rounds()).map(([milestone, asks]) => [milestone, asks])).toEqual(
      expect.arrayContaining([['healed', 'chip/spring']]),
    );
  });
  it('remind twice at most, and stop with any answer', async () => {
    const keepers = (await listKeepers(club.as('lead'), workshop.id)).filter(({ seat }) => seat.number === 1);
    const chip = keepers.find(({ method }) => method === 'chip')!;
    await enterReport(club.as('lead', day('2027-05-02')), uuid(), {
      unionId: chip.unionId,
      said: 'unsure',
      source: 'phone',
    });
    expect(await askOn('2027-05-08')).toBe(2);
    const third = (await letters()).at(-1)!;
    // Of the whip for the last time; the chip was told of and waits for its day.
    expect(third.subject).toContain('The last time');
    expect(third.text).not.toContain('Is the bud swelling?');
    // "Not sure" is asked again by itself on the day it can be told.
    const [asked] = (await askedUnions(club.as('viewer', day('2027-05-09')), { workshopId: workshop.id })).filter(
      ({ union }) => union.id === chip.unionId,
    );
    expect(asked!.due).toMatchObject({ key: 'healed', askOn: '2027-05-09', lookedBefore: true });
  });
  it('show the plan of the day, a lane for each way of making', async () => {
    const plan = workshopRoundPlan(
      await askedUnions(club.as('viewer', day('2027-05-03')), { workshopId: workshop.id }),
    );
    expect(plan.map(({ whose, unions }) => [whose.split(' ')[0], unions])).toEqual([
      ['Whip-and-tongue', 3],
      ['Chip', 3],
    ]);
    expect(plan[1]!.rounds[0]).toMatchObject({ key: 'healed', from: '2027-05-01', made: true });
    expect(plan[1]!.rounds[0]!.states.again).toBe(1);
  });
});
