import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { formatCode } from '@/core/codes/plant-code';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { outbox } from '@/server/platform/outbox';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import {
  refusalOf,
  statementsOf,
  testClub,
  type TestClub,
  testWorkshop,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { askedUnions } from '../asks/asked-unions';
import { sendRound } from '../letters/send-round';
import { addRound } from '../rounds';
import { unheardOf } from '../unheard/unheard';
import { importAnswers, previewAnswers } from './answers-file';
import { enterReport } from './enter-report';
import { findCards } from './find-cards';

let club: TestClub;
let workshop: TestWorkshop;
let keepers: Keeper[];
const roundId = uuid();
const NOW = new Date('2027-06-26T09:00:00Z');
const assistant = () => club.as('assistant', NOW);
const csv = (...lines: string[]) => new TextEncoder().encode(['code,answer,seen_on,growth,note', ...lines].join('\n'));

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('lead'), workshop.id, { woodLotId, stockLotId, each: 2 });
  keepers = await listKeepers(club.as('lead'), workshop.id);
  await addRound(club.as('lead'), workshop.id, roundId, {
    milestone: 'growing',
    opensOn: '2027-06-22',
    closesOn: '2027-07-11',
  });
});

describe('whoever enters answers', () => {
  it('finds grafts by code, name, or the square of a slip', async () => {
    const [first] = keepers as [Keeper];
    const codes = async (search: string) => (await findCards(assistant(), search)).map(({ code }) => code);
    expect(await codes(formatCode(first.code).toLowerCase())).toEqual([first.code]);
    expect(await codes(`https://bench.example/p/${first.code}`)).toEqual([first.code]);
    expect((await codes('person 2')).length).toBe(2);
    await sendRound(club.as('lead', NOW), roundId, { sentSoFar: 0 });
    const url = /http\S+\/r\/\S+/.exec(
      (await outbox(club.as('lead'))).find(({ to }) => to.startsWith('Person 1'))!.text!,
    )!;
    expect((await codes(url[0])).sort()).toEqual(
      keepers
        .filter(({ seat }) => seat.number === 1)
        .map(({ code }) => code)
        .sort(),
    );
    expect(await codes('%')).toEqual([]);
    expect(await codes('nobody at all')).toEqual([]);
    expect(await refusalOf(findCards(club.as('viewer'), first.code))).toMatchObject({ refusal: 'forbidden' });
  });
  it('sees what is asked, and nothing is preset', async () => {
    const [card] = await findCards(assistant(), keepers[0]!.code);
    expect(card).toMatchObject({ state: 'due', measured: true, question: expect.stringContaining('50 mm') as string });
    expect(card!.groups.map(({ id, after }) => [id, after])).toEqual([
      ['growth', ''],
      ['leaves', 'growth:begun,shoot'],
      ['scratch', 'growth:none'],
    ]);
  });
  it('keeps how it came, who typed it, the day it was seen and the day it came', async () => {
    const [first] = keepers as [Keeper];
    const back = await enterReport(assistant(), uuid(), {
      unionId: first.unionId,
      signs: { growth: 'begun', leaves: 'wilted' },
      source: 'slip',
      seenOn: '2027-06-23',
      cameOn: '2027-06-25',
    });
    expect(back).toMatchObject({ reading: 'Too early to tell.', next: 'Look again about 30 Jun 2027.' });
    const report = await club.services.db.reports.findOne({ where: { unionId: first.unionId }, raw: true });
    expect(report).toMatchObject({
      answer: 'not-sure',
      reading: 'wait',
      why: 'wilted',
      usualDay: 109,
      nextLookOn: '2027-06-30',
      source: 'slip',
      seenOn: '2027-06-23',
      cameOn: '2027-06-25',
      enteredBy: assistant().actor.userId,
    });
    const later = { unionId: first.unionId, said: 'dead', source: 'phone', cameOn: '2027-06-27' };
    expect((await refusalOf(enterReport(assistant(), uuid(), later))).fields.cameOn).toBe('Still to come.');
    expect(await refusalOf(enterReport(assistant(), uuid(), { ...later, cameOn: '', unionId: uuid() }))).toMatchObject({
      refusal: 'not-found',
    });
  });
});

describe('a file of answers', () => {
  it('is looked through line by line, and nothing is kept before it is said so', async () => {
    const [, second, third, fourth] = keepers as [Keeper, Keeper, Keeper, Keeper];
    const before = await club.services.db.reports.count({ where: { clubId: club.clubId } });
    const bytes = csv(
      `${formatCode(second.code)},alive,2027-06-24,120,good`,
      `${third.code},green,,,`,
      'ABCDEF,dead,,,',
      'K7M4XQ,dead,,,',
      `${fourth.code},dead,2027-06-30,,`,
      `${keepers[4]!.code},dead,,,`,
      `${keepers[4]!.code},alive,,,`,
      `${keepers[5]!.code},not found,2027-03-01,,`,
    );
    const { rows, good } = await previewAnswers(assistant(), bytes);
    expect(good).toBe(1);
    expect(rows.map(({ problem }) => problem)).toEqual([
      '',
      expect.stringContaining('is no answer') as string,
      expect.stringContaining('is no code') as string,
      expect.stringMatching(/No plant|is no code/) as string,
      'The day is still to come.',
      expect.stringContaining('lines 7 and 8') as string,
      expect.stringContaining('lines 7 and 8') as string,
      expect.stringContaining('before the plant') as string,
    ]);
    expect(await club.services.db.reports.count({ where: { clubId: club.clubId } })).toBe(before);
    const importId = uuid();
    await Promise.all([1, 2].map(() => importAnswers(assistant(), importId, bytes)));
    expect(await importAnswers(assistant(), importId, bytes)).toEqual({ kept: 1, left: 7 });
    expect(await club.services.db.reports.count({ where: { clubId: club.clubId } })).toBe(before + 1);
    expect(await club.services.db.reports.findOne({ where: { unionId: second.unionId }, raw: true })).toMatchObject({
      answer: 'yes',
      said: 'alive',
      source: 'file',
      signs: { growth: 120 },
    });
  });
  it('without its columns, empty, or with no line to keep says what to do', async () => {
    const bytes = (text: string) => new TextEncoder().encode(text);
    expect((await refusalOf(previewAnswers(assistant(), bytes('a,b\n1,2\n')))).message).toContain(
      'columns code and answer',
    );
    expect((await refusalOf(previewAnswers(assistant(), bytes('')))).message).toContain('empty');
    expect((await refusalOf(importAnswers(assistant(), uuid(), csv('x,dead,,,')))).message).toContain('No line');
    expect(await refusalOf(previewAnswers(club.as('viewer'), csv('x,dead,,,')))).toMatchObject({
      refusal: 'forbidden',
    });
  });
});

describe('of whom nothing was heard', () => {
  it('is told by bounds, and by whom to phone so that they come nearer', async () => {
    const asked = await askedUnions(assistant(), { workshopId: workshop.id });
    const {
      asked: all,
      alive,
      dead,
      unknown,
      bounds,
      calls,
      notToCall,
    } = await unheardOf(assistant(), workshop.id, asked);
    expect([all, alive, dead, unknown]).toEqual([6, 1, 0, 5]);
    expect(bounds).toEqual({ least: 1 / 6, most: 1 });
    expect(calls.map(({ seatNumber, grafts, narrows }) => [seatNumber, grafts, narrows])).toEqual([[2, 2, 2 / 6]]);
    expect(calls.find(({ seatNumber }) => seatNumber === 2)!.letters).toBe(1);
    // Who gave no leave is counted, and not named.
    expect(notToCall).toBe(1);
  });
  it('and all of a page is asked in few statements', async () => {
    const { asked } = await statementsOf(club, () => askedUnions(assistant(), { workshopId: workshop.id }));
    expect(asked.length).toBeLessThanOrEqual(24);
  });
});
