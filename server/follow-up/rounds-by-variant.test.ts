import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { getWorkshop, putWorkshop } from '@/server/plan/workshops';
import { testClub, type TestClub, testWorkshop } from '@/server/testing/test-club';
import { followUp, roundChoices } from './follow-up';
import { growerPage, saveAnswer } from './grower-page';
import { outbox } from '@/server/platform/outbox';
import { sendRound } from './round-messages';
import { enterReport } from './reports';
import { addRound } from './rounds';

let club: TestClub;
beforeAll(async () => {
  club = await testClub();
});

/** A workshop of a method on a day, with two keepers of each person. */
async function taught(method: string, date: string) {
  const { id, woodLotId, stockLotId } = await testWorkshop(club, 2);
  const { title, siteId } = await getWorkshop(club.as('lead'), id);
  await putWorkshop(club.as('lead'), id, { title, siteId, date, method, promisedKeepers: 2, promise: '' });
  await makeKeepers(club.as('lead'), id, { woodLotId, stockLotId, each: 2 });
  const [plant] = await listKeepers(club.as('lead'), id);
  return { id, plant: plant! };
}
const fact = async (unionId: string) =>
  club.services.db.unionFacts.findOne({ where: { clubId: club.clubId, unionId }, raw: true });

describe('rounds of a workshop', () => {
  it('are offered each on its own days: a chip of April the same year, one of August the next spring', async () => {
    const april = await taught('chip', '2027-04-21');
    const spring = await roundChoices(club.as('viewer'), april.id);
    expect(spring.map(({ milestone, opensOn }) => [milestone, opensOn.slice(0, 7)])).toEqual([
      ['healed', '2027-05'],
      ['growing', '2027-06'],
      ['season', '2027-10'],
      ['wintered', '2028-04'],
    ]);
    for (const { opensOn, closesOn } of spring) expect(closesOn > opensOn).toBe(true);
    const august = await taught('chip', '2027-08-25');
    const choices = await roundChoices(club.as('viewer'), august.id);
    expect(choices.map(({ milestone, opensOn }) => [milestone, opensOn.slice(0, 7)])).toEqual([
      ['healed', '2027-09'],
      ['growing', '2028-06'],
    ]);
    expect(choices[1]!.question).toContain('this spring');
  });
  it('are offered once: what was made is not offered again', async () => {
    const { id } = await taught('whip-and-tongue', '2027-03-06');
    const [first, second] = await roundChoices(club.as('viewer'), id);
    await addRound(club.as('lead'), id, uuid(), first!);
    expect((await roundChoices(club.as('viewer'), id))[0]).toEqual(second);
  });
  it('ask in the words of the variant, on the board, in the letter and on the grower’s page', async () => {
    const { id, plant } = await taught('t-bud', '2027-08-25');
    const roundId = uuid();
    await addRound(club.as('lead'), id, roundId, {
      milestone: 'healed',
      opensOn: '2027-09-04',
      closesOn: '2027-09-25',
    });
    const question = 'Is the bud plump and green, and does the leaf stub, if one was left, drop at a touch?';
    const now = new Date('2027-09-05T08:00:00Z');
    expect((await followUp(club.as('viewer', now), id))[0]!.question).toBe(question);
    await sendRound(club.as('lead', now), roundId, { sentSoFar: 0 });
    const letters = await outbox(club.as('lead'));
    const { text } = letters.find(({ to, text: body }) => to.startsWith('Person 1') && body?.includes(question))!;
    expect(text).toContain(question);
    const token = /\/r\/([\w-]+)/.exec(text!)![1]!;
    const services = { ...club.services, now };
    expect((await growerPage(services, token)).questions).toEqual([question]);
    const { advice } = await saveAnswer(services, token, uuid(), {
      unionId: plant.unionId,
      answer: 'yes',
      note: '',
    });
    expect(advice).toContain('before spring nothing more will show');
  });
  it('of a bud that slept tell with its first shoot that it wintered; of a whip only that it grows', async () => {
    for (const [method, date, wintered] of [
      ['chip', '2027-08-25', 'alive'],
      ['whip-and-tongue', '2027-03-06', 'unknown'],
    ] as const) {
      const made = await taught(method, date);
      const roundId = uuid();
      await addRound(club.as('lead'), made.id, roundId, {
        milestone: 'growing',
        opensOn: '2028-06-06',
        closesOn: '2028-06-27',
      });
      await enterReport(club.as('lead'), uuid(), {
        roundId,
        unionId: made.plant.unionId,
        answer: 'yes',
        note: '',
        source: 'phone',
      });
      expect(await fact(made.plant.unionId), method).toMatchObject({ healed: 'alive', growing: 'alive', wintered });
    }
  });
});
