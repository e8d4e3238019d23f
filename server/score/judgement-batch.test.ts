import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { openBench } from './bench';
import { putJudgements } from './judgement-batch';
import { putJudgement } from './judgements';
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
const saved = (ids: string[]) => club.services.db.judgements.count({ where: { clubId: club.clubId, id: ids } });

describe('judgements sent together', () => {
  it('are each saved by their own id, and one that is refused keeps none of the others back', async () => {
    const ids = [uuid(), uuid(), uuid(), uuid(), uuid()];
    const bodies = [
      judgementBody(workshop, { number: 1 }),
      judgementBody(workshop, { number: 2, seatId: uuid() }),
      judgementBody(workshop, { number: 3, marks: { tongue: 'splendid' } }),
      judgementBody(workshop, { number: 4, measures: null }),
      judgementBody(workshop, { number: 5 }),
    ];
    const send = () => putJudgements(club.as('assistant'), { judgements: ids.map((id, i) => ({ id, ...bodies[i] })) });
    const first = await send();
    expect(first.map(({ id, status }) => [id, status])).toEqual(ids.map((id, i) => [id, [200, 404, 422, 422, 200][i]]));
    expect(first[1]!.message).toContain('The seat was not found');
    expect(await saved(ids)).toBe(2);
    // Sent again, answered again.
    expect((await send()).map(({ status }) => status)).toEqual([200, 404, 422, 422, 200]);
    expect(await saved(ids)).toBe(2);
  });
  it('are refused together when they are none, too many, or without ids', async () => {
    const sent = { id: uuid(), ...judgementBody(workshop, { number: 9 }) };
    for (const input of [
      null,
      {},
      { judgements: 5 },
      { judgements: [] },
      { judgements: [null] },
      { judgements: [{ id: 'x' }] },
      { judgements: Array.from({ length: 51 }, () => ({ ...sent, id: uuid() })) },
    ]) {
      expect(
        (await refusalOf(putJudgements(club.as('assistant'), input))).refusal,
        JSON.stringify(input)?.slice(0, 40),
      ).toBe('invalid');
    }
    expect((await refusalOf(putJudgements(club.as('viewer'), { judgements: [sent] }))).refusal).toBe('forbidden');
  });
  it('belong to their assessor', async () => {
    const [result] = await putJudgements(club.as('assistant'), {
      judgements: [
        { id: uuid(), ...judgementBody(workshop, { number: 10, assessorId: club.as('lead').actor.userId }) },
      ],
    });
    expect(result).toMatchObject({ status: 403, fields: { assessorId: expect.any(String) } });
  });
});

describe('a class that saves at once', () => {
  it('is let in one after the other: 200 first judgements without one refusal', async () => {
    const day = await testWorkshop(club);
    const ids = Array.from({ length: 200 }, () => uuid());
    await Promise.all(
      ids.map((id, i) =>
        putJudgement(
          club.as('assistant'),
          id,
          judgementBody(day, { seatId: day.seatIds[i % 3], number: 1 + Math.floor(i / 3) }),
        ),
      ),
    );
    expect(await saved(ids)).toBe(200);
  }, 60_000);
});

describe('an id that is sent again', () => {
  it('answers as before with the same content, and 409 with any other', async () => {
    const id = uuid();
    const at = NOW.toISOString();
    const body = judgementBody(workshop, { number: 20, note: 'half \ufffd', filledInAt: at });
    const first = await putJudgement(club.as('assistant'), id, body);
    expect((await putJudgement(club.as('assistant'), id, { ...body, sentAt: at })).recordedAt).toEqual(
      first.recordedAt,
    );
    for (const other of [
      { number: 21 },
      { seatId: workshop.seatIds[1] },
      { filledInAt: null },
      { note: '' },
      { marks: { tongue: 'poor' } },
      { stage: 'wrapped' },
      { seconds: 12 },
    ]) {
      expect(
        (await refusalOf(putJudgement(club.as('assistant'), id, { ...body, ...other }))).refusal,
        JSON.stringify(other),
      ).toBe('conflict');
    }
  });
  it('answers as before though its union was parted meanwhile', async () => {
    const [first, two] = [uuid(), uuid()];
    const at = { seatId: workshop.seatIds[2], number: 30 };
    await putJudgement(club.as('assistant'), first, judgementBody(workshop, at));
    const { unionId } = await putJudgement(club.as('lead'), two, judgementBody(workshop, { ...at, note: 'again' }));
    const { settleDouble } = await import('./doubles');
    await settleDouble(club.as('lead'), workshop.id, unionId, { as: 'two', judgementId: two });
    expect((await putJudgement(club.as('lead'), two, judgementBody(workshop, { ...at, note: 'again' }))).id).toBe(two);
  });
});

describe('a correction', () => {
  it('names what it replaces, in its own row and to whoever looks', async () => {
    const [first, second] = [uuid(), uuid()];
    await putJudgement(club.as('assistant'), first, judgementBody(workshop, { number: 60 }));
    await putJudgement(
      club.as('assistant'),
      second,
      judgementBody(workshop, { number: 60, marks: { tongue: 'poor' }, correctsId: first }),
    );
    expect(await club.services.db.judgements.findOne({ where: { id: second }, raw: true })).toMatchObject({
      correctsId: first,
      liveCorrectsId: first,
    });
    const { unions } = await openBench(club.as('viewer'), workshop.id);
    const union = unions.find(({ number, seatId }) => number === 60 && seatId === workshop.seatIds[0])!;
    expect(union).toMatchObject({ counts: second, likelyDouble: false });
    expect(union.judgements).toMatchObject([{ id: second, earlier: [100] }]);
    // One correction stands: a second one of the same is refused.
    expect(
      await refusalOf(
        putJudgement(club.as('lead'), uuid(), judgementBody(workshop, { number: 60, correctsId: first })),
      ),
    ).toMatchObject({ refusal: 'conflict' });
  });
});

describe('marks', () => {
  it('are graded points of the method, and nothing else', async () => {
    const many = Object.fromEntries(Array.from({ length: 5000 }, (_, i) => [`point-${i}`, 'good']));
    for (const marks of [
      5,
      [],
      ['good'],
      'good',
      { tongue: 'fine' },
      { tongue: {} },
      { tongue: null },
      { 'no-such-point': 'good' },
      many,
    ]) {
      const id = uuid();
      expect(
        (await refusalOf(putJudgement(club.as('assistant'), id, judgementBody(workshop, { number: 40, marks }))))
          .refusal,
        JSON.stringify(marks).slice(0, 40),
      ).toBe('invalid');
      expect(await saved([id])).toBe(0);
    }
  });
});

describe('times', () => {
  it('of a clock that is years off are taken, of no clock at all are refused', async () => {
    for (const deviceAt of ['1970-01-02T00:00:00Z', '2199-01-01T00:00:00Z']) {
      const { madeAt } = await putJudgement(
        club.as('assistant'),
        uuid(),
        judgementBody(workshop, { number: 50, deviceAt, sentAt: NOW.toISOString() }),
      );
      expect(madeAt).toEqual(NOW);
    }
    for (const deviceAt of [
      '+275760-09-13T00:00:00Z',
      '-000001-01-01T00:00:00Z',
      '9999-99-99',
      8.64e15,
      {},
      [],
      'soon',
    ]) {
      expect(
        (await refusalOf(putJudgement(club.as('assistant'), uuid(), judgementBody(workshop, { number: 51, deviceAt }))))
          .refusal,
        String(deviceAt),
      ).toBe('invalid');
    }
  });
});
