import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { countedCuts } from '@/server/plan/spoil-rates';
import { quantities } from '@/server/plan/quantities';
import {
  judgementBody,
  refusalOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '../testing/test-club';
import { benchChanges, openBench } from './bench';
import { putJudgement } from './judgements';
import { putSpoiledCut, takeSpoiledCutBack } from './spoiled-cuts';

let club: TestClub;
let workshop: TestWorkshop;
let method: string;
const cut = (seat = 0) => ({ workshopId: workshop.id, seatId: workshop.seatIds[seat]!, method });

beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
  method = (await openBench(club.as('lead'), workshop.id)).workshop.method;
});
const spoiled = async () => (await openBench(club.as('viewer'), workshop.id)).spoiled.map(({ id }) => id);

describe('a cut that spoils its wood', () => {
  it('is counted once however often it comes, and taken back once', async () => {
    const [first, second] = [uuid(), uuid()];
    await Promise.all([1, 2, 3].map(() => putSpoiledCut(club.as('assistant'), first, cut())));
    await putSpoiledCut(club.as('lead'), second, cut());
    expect(await spoiled()).toEqual([first, second]);
    await Promise.all([1, 2].map(() => takeSpoiledCutBack(club.as('assistant'), first)));
    expect(await spoiled()).toEqual([second]);
    // Sent again by a device that heard nothing, it stays taken back.
    await putSpoiledCut(club.as('assistant'), first, cut());
    expect(await spoiled()).toEqual([second]);
  });
  it('is refused of a seat that is not there, by a method nobody knows, and to whoever may only look', async () => {
    expect(await refusalOf(putSpoiledCut(club.as('viewer'), uuid(), cut()))).toMatchObject({ refusal: 'forbidden' });
    const elsewhere = await testWorkshop(club);
    expect(
      await refusalOf(putSpoiledCut(club.as('lead'), uuid(), { ...cut(), seatId: elsewhere.seatIds[0] })),
    ).toMatchObject({ refusal: 'not-found' });
    expect((await refusalOf(putSpoiledCut(club.as('lead'), uuid(), { ...cut(), method: 'glue' }))).fields).toEqual({
      method: 'Choose a method from the list.',
    });
    const known = uuid();
    await putSpoiledCut(club.as('lead'), known, cut());
    expect(await refusalOf(putSpoiledCut(club.as('lead'), known, cut(1)))).toMatchObject({ refusal: 'conflict' });
    await takeSpoiledCutBack(club.as('lead'), known);
    const other = await testClub();
    expect(await refusalOf(takeSpoiledCutBack(other.as('lead'), known))).toMatchObject({ refusal: 'not-found' });
  });
  it('reaches a bench that asks what changed, and not one where nothing did', async () => {
    const later = new Date('2030-01-01T09:00:00Z');
    expect((await benchChanges(club.as('lead', later), workshop.id, later)).spoiled).toBeUndefined();
    await putSpoiledCut(club.as('lead', later), uuid(), cut());
    expect((await benchChanges(club.as('lead', later), workshop.id, later)).spoiled).toHaveLength(2);
  });
  it('is planned for with wood: a guess at first, what was counted from twenty cuts on', async () => {
    const need = async () => (await quantities(club.as('lead'), workshop.id)).needs[0]!;
    const guess = (await need()).spoils;
    expect(guess.share).toBeCloseTo(0.1, 12);
    expect(guess.cuts).toBe(0);
    for (let number = 1; number <= 8; number++)
      await putJudgement(club.as('lead'), uuid(), judgementBody(workshop, { number }));
    for (let i = 0; i < 10; i++) await putSpoiledCut(club.as('lead'), uuid(), cut());
    // Twelve spoiled and eight joined by one hand; for the others the club's twenty cuts count.
    const hand = (await club.services.db.seats.findByPk(workshop.seatIds[0]!, { raw: true }))!.personId;
    expect((await countedCuts(club.as('lead')))(method, hand)).toEqual({ spoiled: 12, cuts: 20 });
    expect((await need()).spoils).toMatchObject({ share: 0.6, spoiled: 36, cuts: 60 });
    expect((await need()).pieces).toBeGreaterThan((await need()).stocks * 2);
  });
});
