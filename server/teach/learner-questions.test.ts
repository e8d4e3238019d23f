import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { refusalOf, testClub, type TestClub, testWorkshop, type TestWorkshop } from '@/server/testing/test-club';
import { askedAt, noteQuestion, takeQuestionBack } from './learner-questions';

let club: TestClub;
let today: TestWorkshop;
let before: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  before = await testWorkshop(club);
  today = await testWorkshop(club);
});

const question = (changes: object = {}) => ({
  id: uuid(),
  method: 'whip-and-tongue',
  step: 'bind',
  kind: 'how-tight',
  ...changes,
});
const countOf = async (workshop: TestWorkshop, kind: string) =>
  (await askedAt(club.as('viewer'), workshop.id)).find((count) => count.kind === kind && count.step === 'bind');

describe('what learners ask', () => {
  it('is counted for the day and for all days of the club, the most asked first', async () => {
    await noteQuestion(club.as('assistant'), before.id, question());
    await noteQuestion(club.as('assistant'), before.id, question({ kind: 'come-off' }));
    const counts = await noteQuestion(club.as('lead'), today.id, question());
    expect(counts[0]).toEqual({ method: 'whip-and-tongue', step: 'bind', kind: 'how-tight', here: 1, ever: 2 });
    expect(await countOf(today, 'come-off')).toMatchObject({ here: 0, ever: 1 });
  });
  it('counts once however often it is sent, also at the same time', async () => {
    const sent = question({ kind: 'how-deep' });
    await Promise.all(Array.from({ length: 5 }, () => noteQuestion(club.as('assistant'), today.id, sent)));
    await noteQuestion(club.as('assistant'), today.id, sent);
    expect(await countOf(today, 'how-deep')).toMatchObject({ here: 1, ever: 1 });
  });
  it('can be taken back, once and for all', async () => {
    const sent = question({ kind: 'which-side' });
    await noteQuestion(club.as('assistant'), today.id, sent);
    await takeQuestionBack(club.as('assistant'), today.id, { id: sent.id });
    await takeQuestionBack(club.as('assistant'), today.id, { id: sent.id });
    expect(await countOf(today, 'which-side')).toBeUndefined();
  });
  it('is noted by assistants only, and at steps that the day teaches', async () => {
    expect(await refusalOf(noteQuestion(club.as('viewer'), today.id, question()))).toMatchObject({
      refusal: 'forbidden',
    });
    for (const wrong of [
      { step: 'lift' },
      { method: 'cleft' },
      { kind: 'how-long' },
      { id: 'one' },
      { step: undefined },
    ])
      expect(
        await refusalOf(noteQuestion(club.as('lead'), today.id, question(wrong))),
        JSON.stringify(wrong),
      ).toMatchObject({
        refusal: 'invalid',
      });
  });
  it('is never seen, noted or taken back in another club', async () => {
    const other = await testClub();
    const theirs = await testWorkshop(other);
    const sent = question({ kind: 'come-off' });
    await noteQuestion(other.as('assistant'), theirs.id, sent);
    expect(await refusalOf(noteQuestion(club.as('lead'), theirs.id, question()))).toMatchObject({
      refusal: 'not-found',
    });
    expect(await refusalOf(noteQuestion(club.as('lead'), today.id, sent))).toMatchObject({ refusal: 'conflict' });
    await takeQuestionBack(club.as('lead'), today.id, { id: sent.id });
    expect(await askedAt(other.as('viewer'), theirs.id)).toHaveLength(1);
  });
});
