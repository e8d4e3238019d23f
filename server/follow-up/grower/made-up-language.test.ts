import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { tradeKey } from '@/core/follow-up/wording/wording';
import { englishLeft as left, madeUpLanguage, turned } from '@/core/testing/made-up-language';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { livingUnions } from '@/server/aftercare/living-unions';
import { unionPlans } from '@/server/aftercare/union-plans';
import { outbox } from '@/server/platform/outbox';
import { refusalOf, testClub, type TestClub, testWorkshop } from '@/server/testing/test-club';
import { sendRound } from '../letters/send-round';
import { addRound } from '../rounds';
import { wordingIn, wordings } from '../wordings';
import type { GrowerError } from './grower-error';
import { growerPage } from './grower-page';
import { saveAnswer } from './save-answers';
import { setLanguage } from './wishes';

let club: TestClub;
let token = '';
let unionId = '';
const NOW = new Date('2027-06-26T08:00:00Z');
const services = () => ({ ...club.services, now: NOW });
const before = process.env.PEAR_BENCH_WORDING;
afterAll(() => {
  if (before === undefined) delete process.env.PEAR_BENCH_WORDING;
  else process.env.PEAR_BENCH_WORDING = before;
});

beforeAll(async () => {
  club = await testClub();
  const workshop = await testWorkshop(club, 2);
  const { woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('lead'), workshop.id, { woodLotId, stockLotId, each: 1 });
  // What the trade calls its work, by the same file.
  const plans = await unionPlans(club.as('lead', NOW), await livingUnions(club.as('lead', NOW)));
  const trade = Object.fromEntries(
    [...plans.flatMap(({ tasks }) => tasks.map(({ name }) => tradeKey(name))), 'Whip-and-tongue at the bench'].map(
      (words) => [words, turned(words)],
    ),
  );
  const folder = mkdtempSync(join(tmpdir(), 'wording-'));
  writeFileSync(join(folder, 'qaa.json'), JSON.stringify(madeUpLanguage(trade)));
  writeFileSync(join(folder, 'broken.json'), '{"language": "qab"}');
  process.env.PEAR_BENCH_WORDING = folder;
  await club.services.db.clubs.update({ language: 'qaa' }, { where: { id: club.clubId } });
  const roundId = uuid();
  await addRound(club.as('lead'), workshop.id, roundId, {
    milestone: 'growing',
    opensOn: '2027-06-22',
    closesOn: '2027-07-11',
  });
  await sendRound(club.as('lead', NOW), roundId, { sentSoFar: 0 });
  const letter = (await outbox(club.as('lead'))).find(({ to }) => to.startsWith('Person 1'))!;
  token = /\/r\/([\w-]+)/.exec(letter.text!)![1]!;
  unionId = (await growerPage(services(), token)).grafts[0]!.unionId;
});

describe('a second language, added by one file', () => {
  it('is offered beside English, and a file that cannot be used is left out', () => {
    expect(wordings().map(({ language }) => language)).toEqual(['en', 'qaa']);
    expect(wordingIn('qaa').say('page.left', { count: 3 })).toContain('3 q');
  });
  it('leaves no English word of the catalogue in a letter', async () => {
    const letter = (await outbox(club.as('lead'))).find(({ to }) => to.startsWith('Person 1'))!;
    const own = letter
      .text!.replace(/https?:\S+/g, '')
      .replaceAll('Bench day', '')
      .replaceAll('Grey Heron', '')
      .replaceAll('Reed Islet Grafters', '');
    expect(left(own)).toEqual([]);
    expect(left(letter.subject)).toEqual([]);
  });
  it('leaves none in what is said back, nor on what a page is made of', async () => {
    const back = await saveAnswer(services(), token, uuid(), { unionId, signs: { growth: 'none', scratch: 'green' } });
    expect(left(Object.values(back).flat().join(' '))).toEqual([]);
    expect(back.week.length).toBeGreaterThan(0);
    const { grafts, resting } = await growerPage(services(), token);
    const said = grafts.flatMap(({ question, method, sayings }) => [
      question,
      method,
      ...sayings.map(({ words }) => words),
    ]);
    expect(left([...said, ...resting.map(({ when }) => when)].join(' '))).toEqual([]);
  });
  it('leaves none in errors', async () => {
    for (const input of [
      { unionId: uuid(), said: 'dead' },
      { unionId },
      { unionId, said: 'dead', seenOn: '2027-07-23' },
    ]) {
      const refused = await saveAnswer(services(), token, uuid(), input).catch(
        (error: unknown) => error as GrowerError,
      );
      const { key, values } = refused as GrowerError;
      expect(left(wordingIn('qaa').say(key, values))).toEqual([]);
    }
  });
  it('is chosen by a grower for themselves, one of those there are', async () => {
    await setLanguage(services(), token, 'en');
    expect((await growerPage(services(), token)).language).toBe('en');
    expect((await refusalOf(setLanguage(services(), token, 'xx'))).refusal).toBe('invalid');
  });
});
