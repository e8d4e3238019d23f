import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { listKeepers, type Keeper } from '@/server/plan/keepers-of-workshop';
import { putJudgement, withdrawJudgement } from '@/server/score/judgements';
import {
  keeperBody,
  refusalOf,
  testClub,
  type TestClub,
  testKeepers,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { unionPicture } from './union-picture';

let club: TestClub;
let workshop: TestWorkshop;
let keepers: Keeper[];
beforeAll(async () => {
  club = await testClub();
  workshop = await testKeepers(club, 1);
  keepers = await listKeepers(club.as('lead'), workshop.id);
});

/** Judges a keeper by figures; gives the judgement's id. */
async function judge(keeper: Keeper, figures: Parameters<typeof keeperBody>[3]): Promise<string> {
  const id = uuid();
  await putJudgement(club.as('lead'), id, keeperBody(workshop, keeper, {}, figures));
  return id;
}

describe('a union from the side', () => {
  it('is drawn as such unions usually are until somebody measured it, then as it was measured', async () => {
    const [keeper, other] = keepers as [Keeper, Keeper];
    const usual = await unionPicture(club.as('viewer'), keeper.unionId);
    expect(usual.from).toMatch(/^Nobody measured it/);
    expect(usual.drawing.items.length).toBeGreaterThan(3);
    const id = await judge(keeper, { stockDiameter: 14 });
    const measured = await unionPicture(club.as('viewer'), keeper.unionId);
    expect(measured.from).toBe('Drawn as it was measured.');
    expect(measured.drawing).not.toEqual(usual.drawing);
    // Another's picture is its own.
    expect(await unionPicture(club.as('viewer'), other.unionId)).toEqual(usual);
    await withdrawJudgement(club.as('lead'), id);
    expect(await unionPicture(club.as('viewer'), keeper.unionId)).toEqual(usual);
  });
  it('is labelled in the unit of whoever looks', async () => {
    const viewer = club.as('viewer');
    const inches = { ...viewer, actor: { ...viewer.actor, lengthUnit: 'in' as const } };
    const words = async (context: typeof viewer): Promise<string> =>
      JSON.stringify((await unionPicture(context, keepers[0]!.unionId)).drawing.items);
    expect(await words(inches)).not.toMatch(/\d\s?mm/);
    expect(await words(inches)).not.toBe(await words(viewer));
  });
  it('of another club is not found', async () => {
    const other = await testClub();
    expect(await refusalOf(unionPicture(other.as('lead'), keepers[0]!.unionId))).toMatchObject({
      refusal: 'not-found',
    });
  });
});
