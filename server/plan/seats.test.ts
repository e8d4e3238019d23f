import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { addWalkIn, changeSeat, listSeats, swapSeats } from './seats';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
});

const seats = () => listSeats(club.as('viewer'), workshop.id);

describe('seats', () => {
  it('are numbered, and a walk-in gets the lowest free one', async () => {
    expect((await seats()).map(({ number }) => number)).toEqual([1, 2, 3]);
    await addWalkIn(club.as('assistant'), workshop.id, uuid(), { name: '  Late Comer ', email: 'Late@Reed.example' });
    const late = (await seats()).at(-1)!;
    expect(late).toMatchObject({ number: 4, absent: false });
    expect(late.person).toMatchObject({ name: 'Late Comer', email: 'late@reed.example', mayContact: true });
  });
  it('take nobody twice for two clicks, and many at once without a clash', async () => {
    const same = uuid();
    await Promise.all([1, 2, 3].map(() => addWalkIn(club.as('lead'), workshop.id, same, { name: 'Twice Clicked' })));
    await Promise.all(
      Array.from({ length: 5 }, (_, i) => addWalkIn(club.as('lead'), workshop.id, uuid(), { name: `Crowd ${i}` })),
    );
    const all = await seats();
    expect(all.filter(({ person }) => person.name === 'Twice Clicked')).toHaveLength(1);
    expect(new Set(all.map(({ number }) => number)).size).toBe(all.length);
  });
  it('without an address there is no leave', async () => {
    const nobody = (await seats()).find(({ person }) => person.name === 'Person 3')!;
    expect(nobody.person).toMatchObject({ email: null, mayContact: false });
  });
  it('are renamed, marked absent, and swapped with the person', async () => {
    const [first, second] = workshop.seatIds as [string, string];
    await changeSeat(club.as('lead'), workshop.id, first, { name: 'Renamed', phone: '+99 1', absent: true });
    await swapSeats(club.as('lead'), workshop.id, { first, second });
    const all = await seats();
    expect(all.find(({ id }) => id === first)).toMatchObject({
      number: 2,
      absent: true,
      person: { name: 'Renamed', phone: '+99 1' },
    });
    expect(all.find(({ id }) => id === second)).toMatchObject({ number: 1 });
  });
  it('say what is wrong', async () => {
    const [first] = workshop.seatIds as [string];
    expect(await refusalOf(swapSeats(club.as('lead'), workshop.id, { first, second: first }))).toMatchObject({
      refusal: 'invalid',
    });
    expect(await refusalOf(changeSeat(club.as('lead'), workshop.id, first, { name: ' ' }))).toMatchObject({
      refusal: 'invalid',
      fields: { name: 'Enter the name.' },
    });
    expect(await refusalOf(changeSeat(club.as('lead'), workshop.id, first, { email: 'nowhere' }))).toMatchObject({
      fields: { email: expect.stringContaining('form name@place') as string },
    });
    expect(await refusalOf(addWalkIn(club.as('lead'), workshop.id, uuid(), { name: '' }))).toMatchObject({
      fields: { name: 'Enter the name.' },
    });
    expect(await refusalOf(changeSeat(club.as('lead'), workshop.id, uuid(), { absent: true }))).toMatchObject({
      refusal: 'not-found',
    });
    expect(await refusalOf(changeSeat(club.as('viewer'), workshop.id, first, { absent: true }))).toMatchObject({
      refusal: 'forbidden',
    });
  });
});
