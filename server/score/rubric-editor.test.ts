import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { putJudgement } from './judgements';
import { countScoredOtherwise, rescoreWorkshop } from './rescoring';
import { previewRubric, putRubricEdits, rubricEdits } from './rubric-editor';
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
const method = METHODS[0]!.id;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
});

const practise = async (seat: number, list: Record<string, string>[]): Promise<void> => {
  for (const [i, marks] of list.entries())
    await putJudgement(
      club.as('assistant'),
      uuid(),
      judgementBody(workshop, { seatId: workshop.seatIds[seat], number: i + 1, marks }),
    );
};
const put = (edits: object, version: number, changeId = uuid()) =>
  putRubricEdits(club.as('lead'), method, { edits, version, changeId });
const rows = () => club.services.db.judgements.findAll({ where: { clubId: club.clubId }, raw: true });

describe('the rubric of a club', () => {
  it('tells what past unions would have scored and who would be ready, and saves nothing', async () => {
    await practise(0, [{}, {}, {}]);
    await practise(1, [{ hold: 'poor' }, { hold: 'poor' }, { hold: 'poor' }]);
    const before = await rows();
    // Hold at 60 of 100 and a loose one worth half: 65 of the 95 looked at... under the line of 75.
    const preview = await previewRubric(club.as('assistant'), method, {
      edits: {
        weights: {
          hold: 60,
          cambium: 0,
          flatness: 0,
          'cut-length': 0,
          tongue: 0,
          bind: 8,
          daylight: 6,
          strokes: 4,
          seal: 4,
          wood: 3,
          clean: 3,
          'way-up': 2,
          label: 2,
          'safe-hands': 8,
        },
      },
    });
    expect(preview).toMatchObject({
      unions: 6,
      people: 2,
      readyNow: 2,
      readyThen: 1,
      lost: 1,
      gained: 0,
      falls: 3,
      rises: 0,
    });
    expect(preview.mean!.now).toBeGreaterThan(preview.mean!.then);
    expect(await rows()).toEqual(before);
    expect(await refusalOf(previewRubric(club.as('viewer'), method, { edits: {} }))).toMatchObject({
      refusal: 'forbidden',
    });
  });
  it('is changed by the lead alone, once for any number of clicks, and by nobody who has not seen the last change', async () => {
    expect(
      await refusalOf(putRubricEdits(club.as('assistant'), method, { edits: {}, version: 0, changeId: uuid() })),
    ).toMatchObject({ refusal: 'forbidden' });
    expect((await refusalOf(put({ weights: { hold: 20 } }, 0))).message).toContain('add up to 112, not 100');
    const changeId = uuid();
    await Promise.all([1, 2, 3].map(() => put({ weights: { cambium: 26, hold: 12 }, fatalCap: 20 }, 0, changeId)));
    expect(await rubricEdits(club.as('viewer'), method)).toMatchObject({ version: 1, edits: { fatalCap: 20 } });
    expect(await refusalOf(put({}, 0))).toMatchObject({ refusal: 'conflict' });
    expect(await refusalOf(put({ words: { hold: { name: 'x'.repeat(41) } } }, 1))).toMatchObject({
      refusal: 'invalid',
    });
    expect(
      await refusalOf(putRubricEdits(club.as('lead'), 'glue', { edits: {}, version: 0, changeId: uuid() })),
    ).toMatchObject({ refusal: 'not-found' });
    expect((await refusalOf(put({ weights: { hold: 'heavy' } }, 1))).refusal).toBe('invalid');
  });
  it('holds for what is scored from then on; what was scored keeps its row until the lead has it scored again', async () => {
    const [first] = (await scoredUnions(club.as('lead'), workshop.id)).filter(
      ({ seatId }) => seatId === workshop.seatIds[1],
    );
    expect(first!.counts.score).toBeCloseTo((100 * (86 - 4)) / 86, 6);
    const fresh = await putJudgement(
      club.as('assistant'),
      uuid(),
      judgementBody(workshop, { seatId: workshop.seatIds[2], number: 1, marks: { hold: 'poor' } }),
    );
    expect(fresh.score).toBeCloseTo((100 * (86 - 6)) / 86, 6);
    expect(fresh.rubricId).not.toBe(first!.counts.rubricId);
    const count = (await rows()).length;
    expect(await countScoredOtherwise(club.as('viewer'), workshop.id)).toBe(6);
    expect(await refusalOf(rescoreWorkshop(club.as('assistant'), workshop.id))).toMatchObject({ refusal: 'forbidden' });
    // Asked twice at once, each is scored again once.
    const both = await Promise.all([
      rescoreWorkshop(club.as('lead', new Date(NOW.getTime() + 60_000)), workshop.id),
      rescoreWorkshop(club.as('lead', new Date(NOW.getTime() + 60_000)), workshop.id),
    ]);
    expect(Math.max(...both)).toBe(6);
    expect((await rows()).length).toBe(count + 6);
    const [again] = (await scoredUnions(club.as('lead'), workshop.id)).filter(
      ({ seatId }) => seatId === workshop.seatIds[1],
    );
    expect(again!.counts.score).toBeCloseTo((100 * (86 - 6)) / 86, 6);
    expect(again!.counts).toMatchObject({
      assessorId: club.as('assistant').actor.userId,
      rescoredBy: club.as('lead').actor.userId,
      rubricId: fresh.rubricId,
    });
    expect(again!.counts.earlier.map(({ score }) => Math.round(score!))).toEqual([95]);
    expect(again!.likelyDouble).toBe(false);
    expect(await rescoreWorkshop(club.as('lead'), workshop.id)).toBe(0);
    expect(await countScoredOtherwise(club.as('viewer'), workshop.id)).toBe(0);
  });
  it('goes back to the method’s own, and scores again by it', async () => {
    await put({}, 1);
    expect(await rescoreWorkshop(club.as('lead', new Date(NOW.getTime() + 120_000)), workshop.id)).toBe(7);
    const [again] = (await scoredUnions(club.as('lead'), workshop.id)).filter(
      ({ seatId }) => seatId === workshop.seatIds[1],
    );
    expect(again!.counts.score).toBeCloseTo((100 * (86 - 4)) / 86, 6);
    expect(again!.counts.earlier).toHaveLength(2);
  });
  it('offers what an earlier contact model read, and reads it again', async () => {
    const { db } = club.services;
    const { id, unionId } = (await scoredUnions(club.as('lead'), workshop.id))[0]!.counts;
    await db.judgements.update(
      { modelVersion: 'outline-1', contactGrade: 'poor', score: 50 },
      { where: { clubId: club.clubId, id } },
    );
    expect(await countScoredOtherwise(club.as('viewer'), workshop.id)).toBe(1);
    expect(await rescoreWorkshop(club.as('lead', new Date(NOW.getTime() + 180_000)), workshop.id)).toBe(1);
    const again = (await scoredUnions(club.as('lead'), workshop.id)).find(({ counts }) => counts.unionId === unionId)!;
    expect(again.counts).toMatchObject({ modelVersion: 'outline-2', contactGrade: 'good' });
    expect(again.counts.earlier.find((row) => row.id === id)).toMatchObject({ modelVersion: 'outline-1', score: 50 });
    expect(await countScoredOtherwise(club.as('viewer'), workshop.id)).toBe(0);
  });
  it('is written anew where a backup from before it was played back under the running server', async () => {
    const other = await testClub();
    const bench = await testWorkshop(other);
    const score = (number: number) => putJudgement(other.as('assistant'), uuid(), judgementBody(bench, { number }));
    const lost = await score(1);
    const where = { where: { clubId: other.clubId } };
    const { db } = other.services;
    await db.judgements.destroy(where);
    await db.rubrics.destroy(where);
    const fresh = await score(1);
    expect(fresh.score).toBe(lost.score);
    expect((await db.rubrics.findAll({ ...where, raw: true })).map(({ id }) => id)).toEqual([fresh.rubricId]);
  });
});
