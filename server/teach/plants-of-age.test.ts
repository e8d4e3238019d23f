import { beforeAll, describe, expect, it } from 'vitest';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { getWorkshop, putWorkshop } from '@/server/plan/workshops';
import { testClub, type TestClub, testWorkshop } from '@/server/testing/test-club';
import { plantsOfAge } from './plants-of-age';

let club: TestClub;
let day: string;

/** A day of a method, with two keepers of each of its three people. */
async function taught(method: string, date: string): Promise<string> {
  const { id, woodLotId, stockLotId } = await testWorkshop(club, 2);
  const { title, siteId } = await getWorkshop(club.as('lead'), id);
  await putWorkshop(club.as('lead'), id, { title, siteId, date, method, promisedKeepers: 2, promise: '' });
  await makeKeepers(club.as('lead'), id, { woodLotId, stockLotId, each: 2 });
  return id;
}

beforeAll(async () => {
  club = await testClub();
  day = await taught('whip-and-tongue', '2027-04-10');
});

const counts = async (id: string, method = 'whip-and-tongue') =>
  Object.fromEntries((await plantsOfAge(club.as('viewer'), id, method)).map(({ age, count }) => [age, count]));

describe('plants to bring', () => {
  it('are those that are two weeks, a month, two months or a year old on the day, of the method alone', async () => {
    expect(await counts(day)).toEqual({ 'two-weeks': 0, 'one-month': 0, 'two-months': 0, 'one-year': 0 });
    await taught('whip-and-tongue', '2027-03-27');
    await taught('whip-and-tongue', '2027-03-10');
    await taught('cleft', '2027-03-11');
    await taught('whip-and-tongue', '2026-04-08');
    expect(await counts(day)).toEqual({ 'two-weeks': 6, 'one-month': 6, 'two-months': 0, 'one-year': 6 });
    expect((await counts(day, 'cleft'))['one-month']).toBe(6);
  });
  it('are named by tag, variety, grower and place, no more than five of an age', async () => {
    const [young] = await plantsOfAge(club.as('viewer'), day, 'whip-and-tongue');
    expect(young!.plants).toHaveLength(5);
    expect(young!.plants[0]).toMatchObject({ variety: 'Grey Heron', state: 'unknown', madeOn: '2027-03-27' });
    expect(young!.plants[0]!.grower).toMatch(/^Person \d$/);
  });
  it('have one that is dead among them', async () => {
    const { db } = club.services;
    const dead = await db.unionFacts.findOne({ where: { clubId: club.clubId, date: '2027-03-27' }, raw: true });
    await db.unionFacts.update({ healed: 'dead' }, { where: { unionId: dead!.unionId } });
    const [young] = await plantsOfAge(club.as('viewer'), day, 'whip-and-tongue');
    expect(young!.plants.map(({ state }) => state)).toEqual(['unknown', 'unknown', 'unknown', 'unknown', 'dead']);
  });
  it('are never those of another club', async () => {
    const other = await testClub();
    const theirs = await testWorkshop(other);
    expect(
      (await plantsOfAge(other.as('viewer'), theirs.id, 'whip-and-tongue')).every(({ count }) => count === 0),
    ).toBe(true);
  });
});
