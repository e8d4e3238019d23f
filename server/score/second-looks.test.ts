import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { openBench } from './bench';
import { exportCsv } from '@/server/findings/exports';
import { keeperDoors } from './keeper-permits';
import { settleDouble } from './doubles';
import { putJudgement, withdrawJudgement } from './judgements';
import { madeAt } from './insert-judgement';
import { scoredUnions } from './scored-unions';
import { putScoringSettings, USUAL_SCORING } from './scoring-settings';
import { closeSecondLooks, isDrawn } from './second-looks';
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
  await putScoringSettings(club.as('lead'), workshop.id, {
    ...USUAL_SCORING,
    blindRate: 1,
    changeId: uuid(),
    version: 0,
  });
});

/** A score no other union of these tests has, so that it can be looked for in everything that is said. */
const SECRET = { marks: { hold: 'poor', tongue: 'poor' } } as const;
const secretScore = (100 * (86 - 8)) / 86;
const body = (number: number, changes: object = {}): object => judgementBody(workshop, { number, ...changes });
const fact = async (unionId: string) =>
  club.services.db.unionFacts.findOne({ where: { clubId: club.clubId, unionId }, raw: true });

describe('a union that is scored twice', () => {
  let unionId: string;
  const [first, second] = [uuid(), uuid()];

  it('is shown to nobody but its first assessor until the second has scored it', async () => {
    ({ unionId } = await putJudgement(club.as('assistant'), first, body(1, SECRET)));
    for (const role of ['lead', 'viewer'] as const) {
      const bench = await openBench(club.as(role), workshop.id);
      expect(bench.unions).toEqual([]);
      expect(bench.unseen).toEqual(
        role === 'viewer' ? [] : [{ id: unionId, seatId: workshop.seatIds[0], number: 1, method: 'whip-and-tongue' }],
      );
      expect(JSON.stringify(bench)).not.toContain(String(secretScore).slice(0, 6));
      const tables = (
        await Promise.all(
          (['unions', 'judgements'] as const).map((name) => exportCsv(club.as(role), workshop.id, name)),
        )
      ).join();
      expect(tables).not.toContain(String(secretScore).slice(0, 6));
      expect(tables).not.toContain(first);
    }
    expect(await fact(unionId)).toMatchObject({ score: null, contact: null, assessorId: null, fatal: null });
    const own = await openBench(club.as('assistant'), workshop.id);
    expect(own.unions.map(({ number }) => number)).toEqual([1]);
    expect(own.unseen).toEqual([]);
  });
  it('does not even open the keepers, which would tell', async () => {
    await club.services.db.keeperPermits.destroy({ where: { workshopId: workshop.id } });
    for (const number of [31, 32, 33])
      await putJudgement(
        club.as('assistant'),
        uuid(),
        judgementBody(workshop, { seatId: workshop.seatIds[1], number }),
      );
    const door = async () => (await keeperDoors(club.as('lead'), workshop.id)).get(workshop.seatIds[1]!);
    expect(await door()).toEqual({ open: false, ready: false, said: null });
    for (const number of [31, 32, 33])
      await putJudgement(
        club.as('lead'),
        uuid(),
        judgementBody(workshop, { seatId: workshop.seatIds[1], number, second: true }),
      );
    expect(await door()).toEqual({ open: true, ready: true, said: null });
  });
  it('cannot be read by correcting it or by settling it as a double', async () => {
    expect(await refusalOf(putJudgement(club.as('lead'), uuid(), body(1, { correctsId: first })))).toMatchObject({
      refusal: 'not-found',
    });
    expect(
      await refusalOf(settleDouble(club.as('lead'), workshop.id, unionId, { as: 'one', judgementId: first })),
    ).toMatchObject({ refusal: 'not-found' });
  });
  it('is open to all once it was scored by both; the first score counts and it is no double', async () => {
    const saved = await putJudgement(club.as('lead'), second, body(1, { second: true }));
    expect(saved.blind).toBe(true);
    const union = (await scoredUnions(club.as('viewer'), workshop.id)).find(({ id }) => id === unionId);
    expect(union).toMatchObject({ likelyDouble: false, counts: { id: first } });
    expect(union!.judgements.map(({ blind }) => Boolean(blind))).toEqual([false, true]);
    expect(await fact(unionId)).toMatchObject({ score: expect.closeTo(secretScore, 6) as number });
    expect(await exportCsv(club.as('viewer'), workshop.id, 'judgements')).toContain(first);
  });
  it('stays open when the first score is taken back: then the second counts', async () => {
    await withdrawJudgement(club.as('assistant'), first);
    const union = (await scoredUnions(club.as('viewer'), workshop.id)).find(({ id }) => id === unionId);
    expect(union!.counts.id).toBe(second);
  });
  it('is given up by the lead alone, and then shown', async () => {
    const { unionId: open } = await putJudgement(club.as('assistant'), uuid(), body(2, SECRET));
    expect((await openBench(club.as('lead'), workshop.id)).unseen.map(({ id }) => id)).toEqual([open]);
    expect(await refusalOf(closeSecondLooks(club.as('assistant'), workshop.id))).toMatchObject({
      refusal: 'forbidden',
    });
    expect(await closeSecondLooks(club.as('lead'), workshop.id)).toBe(1);
    expect(await closeSecondLooks(club.as('lead'), workshop.id)).toBe(0);
    expect((await openBench(club.as('viewer'), workshop.id)).unions.map(({ number }) => number)).toContain(2);
    expect(await fact(open)).toMatchObject({ score: expect.closeTo(secretScore, 6) as number });
  });
  it('counts as blind only when it was: an unmarked second judgement is a likely double', async () => {
    const { unionId: open } = await putJudgement(club.as('assistant'), uuid(), body(3));
    await putJudgement(club.as('lead'), uuid(), body(3, { marks: { hold: 'poor' } }));
    const union = (await scoredUnions(club.as('lead'), workshop.id)).find(({ id }) => id === open)!;
    expect(union.likelyDouble).toBe(true);
    // And one who scored it first cannot be their own second assessor.
    const own = await putJudgement(club.as('assistant'), uuid(), body(4));
    expect((await putJudgement(club.as('assistant'), uuid(), body(4, { second: true }))).blind).toBe(false);
    expect(own.unionId).toBeTruthy();
  });
  it('is drawn by chance at the rate that is set', () => {
    const ids = Array.from({ length: 4000 }, () => uuid());
    expect(ids.filter((id) => isDrawn(id, 0))).toHaveLength(0);
    expect(ids.filter((id) => isDrawn(id, 1))).toHaveLength(4000);
    expect(ids.filter((id) => isDrawn(id, 0.2)).length / 4000).toBeCloseTo(0.2, 1);
    expect(isDrawn(ids[0]!, 0.5)).toBe(isDrawn(ids[0]!, 0.5));
  });
});

describe('judgements that waited on a device', () => {
  it('are refused under another assessor’s session, and kept for theirs', async () => {
    const id = uuid();
    const { userId } = club.as('assistant').actor;
    expect(await refusalOf(putJudgement(club.as('lead'), id, body(11, { assessorId: userId })))).toMatchObject({
      refusal: 'forbidden',
      message: expect.stringContaining('another assessor') as string,
    });
    expect((await putJudgement(club.as('assistant'), id, body(11, { assessorId: userId }))).assessorId).toBe(userId);
  });
  it('get their true time though the device’s clock is a day off', async () => {
    const deviceAt = new Date(NOW.getTime() - 86_400_000 - 40 * 60_000);
    const saved = await putJudgement(
      club.as('lead'),
      uuid(),
      body(12, { deviceAt, sentAt: new Date(NOW.getTime() - 86_400_000) }),
    );
    expect(saved.madeAt.toISOString()).toBe(new Date(NOW.getTime() - 40 * 60_000).toISOString());
    expect(saved.deviceAt.toISOString()).toBe(deviceAt.toISOString());
    // A clock set back while it waited cannot put it into the future.
    expect(madeAt({ deviceAt: NOW, sentAt: deviceAt, filledInAt: null }, NOW)).toEqual(NOW);
  });
  it('are one judgement when they arrive again later from the same device', async () => {
    const id = uuid();
    const judgement = await putJudgement(club.as('lead'), id, body(13, { sentAt: NOW }));
    const again = await putJudgement(
      club.as('lead', new Date(NOW.getTime() + 3_600_000)),
      id,
      body(13, { sentAt: new Date(NOW.getTime() + 3_600_000) }),
    );
    expect(again.madeAt).toEqual(judgement.madeAt);
    expect(
      await club.services.db.judgements.count({ where: { clubId: club.clubId, unionId: judgement.unionId } }),
    ).toBe(1);
  });
  it('keep time and strokes, and refuse what no hand does', async () => {
    expect(await putJudgement(club.as('lead'), uuid(), body(14, { seconds: 27, strokes: 3 }))).toMatchObject({
      seconds: 27,
      strokes: 3,
    });
    expect(await putJudgement(club.as('lead'), uuid(), body(15, { seconds: 999_999 }))).toMatchObject({
      seconds: 86_400,
    });
    expect((await refusalOf(putJudgement(club.as('lead'), uuid(), body(16, { strokes: -1 })))).refusal).toBe('invalid');
  });
});
