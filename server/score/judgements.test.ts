import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { putJudgement, withdrawJudgement } from './judgements';
import { settleDouble } from './doubles';
import { scoredUnions } from './scored-unions';
import {
  judgementBody,
  NOW,
  refusalOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
});

const later = (minutes: number): Date => new Date(NOW.getTime() + minutes * 60_000);
const union = async (number: number, seat = 0) =>
  (await scoredUnions(club.as('viewer'), workshop.id)).find(
    (scoredUnion) => scoredUnion.number === number && scoredUnion.seatId === workshop.seatIds[seat],
  );
const rows = async (unionId: string) => club.services.db.judgements.count({ where: { clubId: club.clubId, unionId } });
const fact = async (unionId: string) =>
  club.services.db.unionFacts.findOne({ where: { clubId: club.clubId, unionId }, raw: true });

describe('putJudgement', () => {
  it('computes contact and score on the server, whatever the browser showed', async () => {
    const saved = await putJudgement(
      club.as('assistant'),
      uuid(),
      judgementBody(
        workshop,
        { marks: { hold: 'poor' } },
        { scionDiameter: 7, scionBark: 0.8, stockBark: 1, placement: 'right-lines' },
      ),
    );
    expect(saved.contact).toBeCloseTo(0.5253, 2);
    // All that this thin scion can have; only hold loses 4 of the 86 asked at this stage.
    expect(saved.contactGrade).toBe('good');
    expect(saved.score).toBeCloseTo((100 * (86 - 4)) / 86, 6);
    expect(saved.modelVersion).toBe('outline-2');
    expect(await fact(saved.unionId)).toMatchObject({ score: saved.score, kind: 'practice', number: 1, fatal: false });
  });
  it('saves the same id once, also when many arrive together, and refuses other content under it', async () => {
    const id = uuid();
    const body = judgementBody(workshop, { number: 2 });
    const saved = await Promise.all(Array.from({ length: 8 }, () => putJudgement(club.as('lead'), id, body)));
    expect(new Set(saved.map((judgement) => judgement.unionId)).size).toBe(1);
    expect(await rows(saved[0]!.unionId)).toBe(1);
    expect(await refusalOf(putJudgement(club.as('lead'), id, { ...body, note: 'other' }))).toMatchObject({
      refusal: 'conflict',
    });
    // Time, strokes and variant are content too.
    for (const other of [{ seconds: 40 }, { strokes: 3 }, { variant: 'bench' }])
      expect(await refusalOf(putJudgement(club.as('lead'), id, { ...body, ...other }))).toMatchObject({
        refusal: 'conflict',
      });
  });
  it('makes one union for two assessors of the same seat and number, and keeps both judgements', async () => {
    const body = judgementBody(workshop, { number: 3 });
    await Promise.all([
      putJudgement(club.as('lead'), uuid(), body),
      putJudgement(club.as('assistant'), uuid(), { ...body, marks: { hold: 'poor' } }),
    ]);
    expect(await union(3)).toMatchObject({ likelyDouble: true });
    expect((await union(3))!.judgements.map(({ assessorName }) => assessorName).sort()).toEqual([
      'The assistant',
      'The lead',
    ]);
  });
  it('corrects by adding: the earlier value is kept, one correction stands, a race is told', async () => {
    const first = uuid();
    const body = judgementBody(workshop, { number: 4 });
    await putJudgement(club.as('lead'), first, body);
    const correction = { ...body, correctsId: first, marks: { hold: 'fatal' } };
    await putJudgement(club.as('lead', later(1)), uuid(), correction);
    const corrected = (await union(4))!;
    expect(corrected.counts).toMatchObject({ score: 40 });
    expect(corrected.counts.earlier.map(({ score }) => score)).toEqual([100]);
    expect(corrected.likelyDouble).toBe(false);
    expect(corrected.glyph.fatal).toBe('h');
    expect(await refusalOf(putJudgement(club.as('assistant', later(2)), uuid(), correction))).toMatchObject({
      refusal: 'conflict',
      message: expect.stringContaining('corrected this judgement meanwhile') as string,
    });
    expect(await refusalOf(putJudgement(club.as('lead'), uuid(), { ...correction, correctsId: uuid() }))).toMatchObject(
      { refusal: 'not-found' },
    );
  });
  it('takes back by marking: nothing is deleted, the earlier value counts again, and it can be corrected anew', async () => {
    const [first, second] = [uuid(), uuid()];
    const body = judgementBody(workshop, { number: 5 });
    const { unionId } = await putJudgement(club.as('lead'), first, body);
    await putJudgement(club.as('lead', later(1)), second, { ...body, correctsId: first, marks: { hold: 'poor' } });
    await withdrawJudgement(club.as('lead', later(2)), second);
    await withdrawJudgement(club.as('lead', later(3)), second);
    expect((await union(5))!.counts.id).toBe(first);
    expect(await rows(unionId)).toBe(2);
    await putJudgement(club.as('lead', later(4)), uuid(), { ...body, correctsId: first, marks: { hold: 'fatal' } });
    expect((await fact(unionId))!.score).toBe(40);
    expect(await refusalOf(withdrawJudgement(club.as('assistant'), first))).toMatchObject({ refusal: 'forbidden' });
  });
  it('keeps the time a paper sheet was filled in, and refuses one in the future', async () => {
    const saved = await putJudgement(
      club.as('lead'),
      uuid(),
      judgementBody(workshop, { number: 6, filledInAt: '2027-03-05T09:30:00.000Z' }),
    );
    expect(saved.filledInAt!.toISOString()).toBe('2027-03-05T09:30:00.000Z');
    expect(
      await refusalOf(
        putJudgement(
          club.as('lead'),
          uuid(),
          judgementBody(workshop, { number: 6, filledInAt: later(60).toISOString() }),
        ),
      ),
    ).toMatchObject({ fields: { filledInAt: 'Later than now.' } });
  });
  it.each([
    ['a negative bark', { stockBark: -1 } as Record<string, number>, /bark cannot be less than 0/],
    ['an absurd diameter', { stockDiameter: 900 }, /more than 100 mm cannot be right/],
    ['bark as thick as the radius', { scionBark: 5 }, /bark is as thick as its radius/],
    ['a cut shorter than the diameter', { stockLength: 9 }, /no longer than its diameter/],
    ['pieces that do not overlap', { placement: 30 }, /do not overlap/],
  ])('refuses %s in words and saves nothing', async (_name, figures, message) => {
    const before = await club.services.db.judgements.count({ where: { clubId: club.clubId } });
    const refused = await refusalOf(
      putJudgement(club.as('lead'), uuid(), judgementBody(workshop, { number: 50 }, figures)),
    );
    expect(refused.refusal).toBe('invalid');
    expect(refused.message).toMatch(message);
    expect(Object.keys(refused.fields)).not.toEqual([]);
    expect(await club.services.db.judgements.count({ where: { clubId: club.clubId } })).toBe(before);
    expect(await union(50)).toBeUndefined();
  });
  it('refuses marks and shapes that are none', async () => {
    for (const changes of [
      { marks: { hold: 'splendid' } },
      { marks: { 'DROP TABLE': 'poor' } },
      { stage: 'later' },
      { number: 0 },
      { measures: {} },
      { note: 'x'.repeat(501) },
    ]) {
      expect((await refusalOf(putJudgement(club.as('lead'), uuid(), judgementBody(workshop, changes)))).refusal).toBe(
        'invalid',
      );
    }
  });
});

describe('settleDouble', () => {
  const double = async (number: number): Promise<{ unionId: string; ids: [string, string] }> => {
    const ids: [string, string] = [uuid(), uuid()];
    const body = judgementBody(workshop, { number, seatId: workshop.seatIds[1] });
    const { unionId } = await putJudgement(club.as('lead'), ids[0], body);
    await putJudgement(club.as('assistant', later(1)), ids[1], { ...body, marks: { hold: 'poor' } });
    return { unionId, ids };
  };
  it('as one union: the chosen judgement counts, also once corrected, until a third one comes', async () => {
    const { unionId, ids } = await double(1);
    await settleDouble(club.as('lead'), workshop.id, unionId, { as: 'one', judgementId: ids[1] });
    expect(await union(1, 1)).toMatchObject({ likelyDouble: false, counts: { id: ids[1] } });
    const correction = uuid();
    const body = judgementBody(workshop, { number: 1, seatId: workshop.seatIds[1] });
    await putJudgement(club.as('assistant', later(2)), correction, {
      ...body,
      correctsId: ids[1],
      marks: { hold: 'fatal' },
    });
    expect(await union(1, 1)).toMatchObject({ likelyDouble: false, counts: { id: correction } });
    await putJudgement(club.as('lead', later(3)), uuid(), body);
    expect(await union(1, 1)).toMatchObject({ likelyDouble: true });
  });
  it('as two unions: the judgement moves to the next number with its corrections', async () => {
    const { unionId, ids } = await double(7);
    const correction = uuid();
    await putJudgement(club.as('assistant', later(2)), correction, {
      ...judgementBody(workshop, { number: 7, seatId: workshop.seatIds[1] }),
      correctsId: ids[1],
      marks: { hold: 'fatal' },
    });
    await settleDouble(club.as('lead'), workshop.id, unionId, { as: 'two', judgementId: correction });
    expect((await union(7, 1))!.counts.id).toBe(ids[0]);
    const moved = (await union(8, 1))!;
    expect(moved.counts.id).toBe(correction);
    expect(moved.counts.earlier.map(({ id }) => id)).toEqual([ids[1]]);
    expect(
      await refusalOf(settleDouble(club.as('lead'), workshop.id, unionId, { as: 'two', judgementId: ids[0] })),
    ).toMatchObject({ refusal: 'conflict' });
  });
});
