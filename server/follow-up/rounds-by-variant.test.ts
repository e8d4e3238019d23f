import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import type { Context } from '@/server/platform/context';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { getWorkshop, putWorkshop } from '@/server/plan/workshops';
import { formatCode } from '@/core/codes/plant-code';
import { refusalOf, testClub, type TestClub, testWorkshop } from '@/server/testing/test-club';
import { followUp, roundChoices } from './follow-up';
import { askedUnions } from './asks/asked-unions';
import { growerPage } from './grower/grower-page';
import { saveAnswer } from './grower/save-answers';
import { outbox } from '@/server/platform/outbox';
import { sendRound } from './letters/send-round';
import { enterReport } from './entering/enter-report';
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
const board = async (context: Context, id: string) =>
  followUp(context, id, await askedUnions(context, { workshopId: id }));
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
    const question =
      'Is the bud plump and green (covered, plump to the touch), and does the leaf stub, if one was left, drop at a touch?';
    const now = new Date('2027-09-05T08:00:00Z');
    expect((await board(club.as('viewer', now), id))[0]!.question).toBe(question);
    await sendRound(club.as('lead', now), roundId, { sentSoFar: 0 });
    const letters = await outbox(club.as('lead'));
    const { text } = letters.find(({ to, text: body }) => to.startsWith('Person 1') && body?.includes(question))!;
    expect(text).toContain(question);
    const token = /\/r\/([\w-]+)/.exec(text!)![1]!;
    const services = { ...club.services, now };
    const page = await growerPage(services, token);
    expect(page.grafts.map(({ question: put }) => put)).toEqual([question, question]);
    expect(page.grafts[0]!.looks!.right.words).toMatch(/green/i);
    const back = await saveAnswer(services, token, uuid(), {
      unionId: plant.unionId,
      signs: { shield: 'plump', stub: 'drops' },
    });
    expect(back).toMatchObject({
      reading: 'It looks alive.',
      why: expect.stringContaining('plump green shield') as string,
    });
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
      await enterReport(club.as('lead', new Date('2028-06-20T10:00:00Z')), uuid(), {
        roundId,
        unionId: made.plant.unionId,
        said: 'alive',
        note: '',
        source: 'phone',
      });
      expect(await fact(made.plant.unionId), method).toMatchObject({ healed: 'alive', growing: 'alive', wintered });
    }
  });
});

describe('a day of two methods', () => {
  const ASKS = { whip: 'whip-and-tongue/bench', chip: 'chip/spring' };
  /** Whips and chips of one April day, a keeper of each for everybody. */
  async function twoMethods() {
    const { id, woodLotId, stockLotId } = await testWorkshop(club, 2);
    const { title, siteId } = await getWorkshop(club.as('lead'), id);
    const day = { title, siteId, date: '2027-04-10', method: 'whip-and-tongue', promisedKeepers: 2, promise: '' };
    await putWorkshop(club.as('lead'), id, day);
    for (const method of ['whip-and-tongue', 'chip'])
      await makeKeepers(club.as('lead'), id, { woodLotId, stockLotId, each: 1, method });
    const keepers = await listKeepers(club.as('lead'), id);
    const first = (method: string) => keepers.find((keeper) => keeper.method === method)!;
    return { id, whip: first('whip-and-tongue'), chip: first('chip') };
  }

  it('is asked in rounds of its own where the days differ, and in one where they are the same', async () => {
    const { id } = await twoMethods();
    const choices = await roundChoices(club.as('viewer'), id);
    expect(choices.map(({ milestone, asks, opensOn }) => [milestone, asks, opensOn])).toEqual([
      ['healed', ASKS.whip, '2027-04-24'],
      ['healed', ASKS.chip, '2027-05-01'],
      // A graft from the bench is kept cool until its kin is in leaf, and counts from there.
      ['growing', ASKS.chip, '2027-06-05'],
      ['growing', ASKS.whip, '2027-06-20'],
      ['season', '', expect.stringMatching(/^2027-1/)],
      ['wintered', '', expect.stringMatching(/^2028-0/)],
    ]);
    expect(choices[1]!.whose).toBe('Chip bud');
    await addRound(club.as('lead'), id, uuid(), choices[0]);
    const left = await roundChoices(club.as('viewer'), id);
    expect(left.map(({ milestone, asks }) => [milestone, asks])[0]).toEqual(['healed', ASKS.chip]);
    await addRound(club.as('lead'), id, uuid(), left[0]);
    expect((await refusalOf(addRound(club.as('lead'), id, uuid(), choices[1]))).refusal).toBe('conflict');
    expect((await refusalOf(addRound(club.as('lead'), id, uuid(), { ...choices[1], asks: '' }))).refusal).toBe(
      'conflict',
    );
    expect((await refusalOf(addRound(club.as('lead'), id, uuid(), { ...choices[1], asks: 'all; DROP' }))).refusal).toBe(
      'invalid',
    );
  });
  it('asks each grower of the plants a round is about, and of each in its own words', async () => {
    const { id, whip, chip } = await twoMethods();
    const [healed, , , , season] = await roundChoices(club.as('viewer'), id);
    const [first, second] = [uuid(), uuid()];
    await addRound(club.as('lead'), id, first, healed);
    await addRound(club.as('lead'), id, second, season);
    const [early, both] = await board(club.as('viewer'), id);
    const codes = (round: typeof early) => round!.growers.find(({ seatNumber }) => seatNumber === 1)!.plants;
    expect(codes(early).map(({ code }) => code)).toEqual([whip.code]);
    expect(codes(both).map(({ code }) => code)).toEqual([whip.code, chip.code]);
    const now = new Date('2027-11-12T08:00:00Z');
    await sendRound(club.as('lead', now), second, { sentSoFar: 0 });
    const letter = (await outbox(club.as('lead'))).find(({ text }) => text?.includes(formatCode(chip.code)))!;
    const token = /\/r\/([\w-]+)/.exec(letter.text!)![1]!;
    const page = await growerPage({ ...club.services, now }, token);
    expect(page.grafts.map(({ code, method }) => [code, method])).toEqual([
      [whip.code, 'Whip-and-tongue at the bench'],
      [chip.code, 'Chip bud with dormant wood in spring'],
    ]);
    expect(page.grafts[0]!.looks).not.toEqual(page.grafts[1]!.looks);
  });
  it('keeps the day a thing was seen beside the day it was told, and goes by it', async () => {
    const { id, whip } = await twoMethods();
    const [healed] = await roundChoices(club.as('viewer'), id);
    const roundId = uuid();
    await addRound(club.as('lead'), id, roundId, healed);
    const told = new Date('2027-06-10T10:00:00Z');
    const enter = (change: object) =>
      enterReport(club.as('lead', told), uuid(), {
        roundId,
        unionId: whip.unionId,
        said: 'alive',
        source: 'slip',
        ...change,
      });
    expect((await refusalOf(enter({ seenOn: '2027-06-11' }))).fields).toEqual({
      seenOn: 'That day is still to come. Enter the day you saw it.',
    });
    expect((await refusalOf(enter({ seenOn: '2027-04-09' }))).fields).toEqual({
      seenOn: 'That is before it was grafted. Check the day.',
    });
    await enter({ seenOn: '2027-04-28' });
    expect(await fact(whip.unionId)).toMatchObject({ firstAliveOn: '2027-04-28', lastAliveOn: '2027-04-28' });
    const report = await club.services.db.reports.findOne({ where: { unionId: whip.unionId }, raw: true });
    expect(report).toMatchObject({ seenOn: '2027-04-28', recordedAt: told });
    // Said without a day, it was seen when it was told.
    await enter({ said: 'dead' });
    expect(await fact(whip.unionId)).toMatchObject({ firstAliveOn: null, firstDeadOn: '2027-06-10', healed: 'dead' });
  });
});
