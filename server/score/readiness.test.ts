import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { findPerson } from './find-person';
import { putJudgement } from './judgements';
import { keeperDoors, permitKeepers } from './keeper-permits';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { readinessBoard } from './readiness-board';
import { putScoringSettings, scoringSettings, USUAL_SCORING } from './scoring-settings';
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
  workshop = await testWorkshop(club, 1);
  // Back to what practice says.
  await club.services.db.keeperPermits.destroy({ where: { workshopId: workshop.id } });
});

const practise = async (seat: number, marks: Record<string, string>[], from = 1): Promise<void> => {
  for (const [i, mark] of marks.entries())
    await putJudgement(
      club.as('assistant'),
      uuid(),
      judgementBody(workshop, { seatId: workshop.seatIds[seat], number: from + i, marks: mark }),
    );
};
const door = async (seat: number) => (await keeperDoors(club.as('viewer'), workshop.id)).get(workshop.seatIds[seat]!)!;
const make = () =>
  makeKeepers(club.as('assistant'), workshop.id, {
    woodLotId: workshop.woodLotId,
    stockLotId: workshop.stockLotId,
    each: 1,
  });

describe('readiness', () => {
  it('opens the keepers to those whose last three are good, and to nobody else', async () => {
    await practise(0, [{ hold: 'fatal' }, {}, {}, {}]);
    await practise(1, [{}, {}, { hold: 'fatal' }]);
    expect(await door(0)).toEqual({ open: true, ready: true, said: null });
    expect(await door(1)).toMatchObject({ open: false, ready: false });
    expect(await make()).toEqual({ made: 1, notYet: [2, 3] });
    expect((await listKeepers(club.as('viewer'), workshop.id)).map(({ seat }) => seat.number)).toEqual([1]);
  });
  it('follows the rule of the workshop', async () => {
    await putScoringSettings(club.as('lead'), workshop.id, {
      ...USUAL_SCORING,
      ready: { last: 1, score: 95 },
      changeId: uuid(),
      version: 0,
    });
    expect((await door(1)).ready).toBe(false);
    await practise(1, [{}], 4);
    expect((await door(1)).ready).toBe(true);
    await putScoringSettings(club.as('lead'), workshop.id, { ...USUAL_SCORING, changeId: uuid(), version: 1 });
    expect((await door(1)).ready).toBe(false);
    expect(
      (
        await refusalOf(
          putScoringSettings(club.as('lead'), workshop.id, {
            ...USUAL_SCORING,
            ready: { last: 0, score: 200 },
            changeId: uuid(),
            version: 2,
          }),
        )
      ).fields,
    ).toHaveProperty(['ready.last']);
    expect(
      await refusalOf(
        putScoringSettings(club.as('viewer'), workshop.id, { ...USUAL_SCORING, changeId: uuid(), version: 2 }),
      ),
    ).toMatchObject({ refusal: 'forbidden' });
    expect(await scoringSettings(club.as('viewer'), workshop.id)).toMatchObject({
      version: 2,
      wall: 'seats',
      blindRate: 0,
    });
  });
  it('is overruled by a word that is kept with who said it and why; the last word counts', async () => {
    const permit = uuid();
    const decision = {
      seatIds: [workshop.seatIds[1]!, workshop.seatIds[2]!],
      may: true,
      reason: 'works with me beside them',
    };
    await Promise.all([1, 2, 3].map(() => permitKeepers(club.as('assistant'), workshop.id, permit, decision)));
    expect(await door(2)).toMatchObject({
      open: true,
      ready: false,
      said: { may: true, reason: decision.reason, by: 'The assistant' },
    });
    expect(
      await club.services.db.keeperPermits.count({ where: { clubId: club.clubId, workshopId: workshop.id } }),
    ).toBe(2);
    await permitKeepers(club.as('lead', new Date(NOW.getTime() + 60_000)), workshop.id, uuid(), {
      seatIds: [workshop.seatIds[2]!],
      may: false,
      reason: 'cut towards the hand',
    });
    expect(await door(2)).toMatchObject({ open: false, said: { may: false, by: 'The lead' } });
    expect(await make()).toEqual({ made: 1, notYet: [3] });
    expect(
      (
        await refusalOf(
          permitKeepers(club.as('lead'), workshop.id, uuid(), {
            seatIds: [workshop.seatIds[2]!],
            may: true,
            reason: ' ',
          }),
        )
      ).message,
    ).toContain('Say why');
    expect(
      await refusalOf(
        permitKeepers(club.as('lead'), workshop.id, uuid(), { seatIds: [uuid()], may: true, reason: 'x' }),
      ),
    ).toMatchObject({ refusal: 'not-found' });
    expect(await refusalOf(permitKeepers(club.as('viewer'), workshop.id, uuid(), decision))).toMatchObject({
      refusal: 'forbidden',
    });
  });
  it('is told with curve and outlook once there are four, and not before', async () => {
    await practise(2, [{ hold: 'poor' }, {}], 1);
    const early = await readinessBoard(club.as('viewer'), workshop.id);
    expect(early.people[2]).toMatchObject({ ready: false, outlook: { next: null, attempts: null }, line: null });
    await practise(2, [{ hold: 'poor', daylight: 'poor' }, { tongue: 'poor' }, { hold: 'fatal' }], 3);
    const { people } = await readinessBoard(club.as('viewer'), workshop.id);
    expect(people[2]!.attempts.map(({ score }) => Math.round(score!))).toEqual([95, 100, 92, 95, 40]);
    expect(people[0]).toMatchObject({ ready: true, needsHelp: false });
    const seen = people[2]!.outlook!;
    if (seen.next) expect(seen.attempts).toBeGreaterThanOrEqual(3);
  });
  it('goes by the clock on the day, by the plan on others: late in the day nobody gets ready any more', async () => {
    const at = (time: string) => readinessBoard(club.as('viewer', new Date(time)), workshop.id);
    const [before, noon, late] = await Promise.all([
      at('2027-03-05T10:00:00Z'),
      at('2027-03-06T10:00:00Z'),
      at('2027-03-06T22:00:00Z'),
    ]);
    expect(before).toMatchObject({ minutesLeft: null });
    expect(before.people[2]!.left).toBe(Math.max(0, before.planned - 5));
    expect(noon.minutesLeft).toBeGreaterThan(0);
    expect(noon.people[2]!.left).toBeGreaterThan(0);
    // Zürich has midnight at 23:00 UTC: at 22:00 it is the same day, and its time is used up.
    expect([before.over, noon.over, late.over, (await at('2027-03-06T23:30:00Z')).over]).toEqual([
      false,
      false,
      false,
      true,
    ]);
    expect(late.minutesLeft).toBe(0);
    expect(late.people.map(({ ready, needsHelp, left }) => [ready, needsHelp, left])).toEqual([
      [true, false, 0],
      [false, true, 0],
      [false, true, 0],
    ]);
  });
});

describe('findPerson', () => {
  it('finds people by the start of a name or one of its parts, and by a tag, in this club only', async () => {
    expect((await findPerson(club.as('viewer'), { q: 'person' })).map(({ seat }) => seat)).toEqual([1, 2, 3]);
    const [keeper] = await listKeepers(club.as('viewer'), workshop.id);
    expect(await findPerson(club.as('viewer'), { q: `https://bench.example/u/${keeper!.code}` })).toMatchObject([
      { workshopId: workshop.id, seat: keeper!.seat.number },
    ]);
    expect(await findPerson((await testClubOnce()).as('viewer'), { q: keeper!.code })).toEqual([]);
    expect(await findPerson(club.as('viewer'), { q: '%%' })).toEqual([]);
    expect((await refusalOf(findPerson(club.as('viewer'), { q: 'x' }))).message).toContain('two letters');
  });
});

let other: TestClub | null = null;
async function testClubOnce(): Promise<TestClub> {
  other ??= await testClub();
  return other;
}
