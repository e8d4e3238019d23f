import { v7 as uuid } from 'uuid';
import { beforeAll, beforeEach, describe, expect, it } from 'vitest';
import { ASKED_ON, type AskedGrower, askedGrower } from '@/server/testing/private-link';
import { refusalOf, statementsOf, testClub, type TestClub } from '@/server/testing/test-club';
import { askedUnions } from './asks/asked-unions';
import { keepAnswer, keepAnswers, type SentAnswer } from './reports';

let club: TestClub;
let grower: AskedGrower;
let sent: SentAnswer[];
const lead = () => club.as('lead', ASKED_ON);

beforeAll(async () => {
  club = await testClub();
  grower = await askedGrower(club);
});
beforeEach(async () => {
  const { db } = club.services;
  const ours = { where: { clubId: club.clubId } };
  await db.reports.destroy(ours);
  await db.unionObservations.destroy(ours);
  const asked = await askedUnions(lead(), { workshopId: grower.workshop.id });
  sent = asked.map((union): SentAnswer => ({
    asked: union,
    answer: {
      unionId: union.union.id,
      signs: {},
      said: 'alive',
      snapped: false,
      growth: '',
      growthUnit: 'mm',
      seenOn: '',
      note: '',
    },
    arrival: { reportId: uuid(), source: 'file', enteredBy: lead().actor.userId, cameOn: null },
  }));
});
const kept = () => club.services.db.reports.findAll({ where: { clubId: club.clubId }, raw: true });
const changed = (before: SentAnswer, answer: Partial<SentAnswer['answer']>): SentAnswer => ({
  ...before,
  answer: { ...before.answer, ...answer },
});

describe('answers that come together', () => {
  it('are each kept with its own id, and findings know of every one', async () => {
    const answers = await keepAnswers(lead(), sent);
    expect(answers.map(({ report }) => report.id)).toEqual(sent.map(({ arrival }) => arrival.reportId));
    expect((await kept()).map(({ id }) => id).sort()).toEqual(sent.map(({ arrival }) => arrival.reportId).sort());
    const facts = await club.services.db.unionFacts.findAll({ where: { clubId: club.clubId }, raw: true });
    expect(facts.filter(({ lastAliveOn }) => lastAliveOn !== null)).toHaveLength(sent.length);
    const noted = await club.services.db.audit.findAll({ where: { action: 'report saved' }, raw: true });
    for (const { arrival } of sent) expect(noted.map(({ subjectId }) => subjectId)).toContain(arrival.reportId);
  });
  it('ask no more statements the more there are', async () => {
    const few = await statementsOf(club, () => keepAnswers(lead(), sent.slice(0, 2)));
    const more = await statementsOf(club, () => keepAnswers(lead(), sent.slice(2)));
    expect(more.asked.length).toBeLessThanOrEqual(few.asked.length);
  });
  it('are all kept or none, where one of them cannot be read', async () => {
    const odd = [...sent.slice(0, 3), changed(sent[3]!, { growth: 'a hand', said: 'alive' })];
    expect((await refusalOf(keepAnswers(lead(), odd))).refusal).toBe('invalid');
    expect(await kept()).toEqual([]);
  });
  it('sent again, or twice in one sending, are the same answers', async () => {
    await keepAnswers(lead(), [...sent, sent[0]!]);
    await keepAnswers(lead(), sent);
    await Promise.all([keepAnswers(lead(), sent), keepAnswers(lead(), sent)]);
    expect(await kept()).toHaveLength(sent.length);
    const other = changed(sent[0]!, { said: 'dead' });
    expect((await refusalOf(keepAnswers(lead(), [sent[1]!, other]))).refusal).toBe('conflict');
    expect((await refusalOf(keepAnswers(lead(), [sent[0]!, other]))).refusal).toBe('conflict');
  });
  it('to one union and round take turns, in one sending and when several meet', async () => {
    const again = (): SentAnswer => ({ ...sent[0]!, arrival: { ...sent[0]!.arrival, reportId: uuid() } });
    await keepAnswers(lead(), [again(), again()]);
    await Promise.all(Array.from({ length: 4 }, () => keepAnswer(lead(), again())));
    const turns = (await kept()).map(({ turn }) => turn).sort();
    expect(turns).toEqual([1, 2, 3, 4, 5, 6]);
  });
  it('of which one tells a length keep it as a height of its plant', async () => {
    await keepAnswers(lead(), [changed(sent[0]!, { growth: '120' }), sent[1]!]);
    const heights = await club.services.db.unionObservations.findAll({ where: { clubId: club.clubId }, raw: true });
    expect(heights.map(({ unionId, kind, lengthMm }) => [unionId, kind, lengthMm])).toEqual([
      [sent[0]!.asked.union.id, 'height', 120],
    ]);
  });
  it('may be none', async () => {
    expect(await keepAnswers(lead(), [])).toEqual([]);
  });
});
