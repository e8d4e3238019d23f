import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { changeKeepers } from './change-keepers';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { makeKeepers } from './make-keepers';
import { enterReport } from '@/server/follow-up/entering/enter-report';
import { addRound } from '@/server/follow-up/rounds';
import {
  refusalOf,
  statementsOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';
import { refreshUnionFacts } from '@/server/platform/union-facts';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
  await makeKeepers(club.as('lead'), workshop.id, {
    woodLotId: workshop.woodLotId,
    stockLotId: workshop.stockLotId,
    each: 2,
  });
});

describe('a keeper that is voided', () => {
  it('is held from the first look on, so that nobody reports on it in between', async () => {
    const [keeper] = await listKeepers(club.as('lead'), workshop.id);
    const { asked } = await statementsOf(club, () =>
      changeKeepers(club.as('lead'), workshop.id, { plantIds: [keeper!.id], voided: true }),
    );
    const looks = asked.filter((sql) => sql.includes('FROM `plants`') || sql.includes('FROM `reports`'));
    expect(looks[0]).toMatch(/`plants`.* FOR UPDATE/);
    await addRound(club.as('lead'), workshop.id, uuid(), {
      milestone: 'healed',
      opensOn: '2027-04-01',
      closesOn: '2027-05-01',
    });
  });
  it('is refused once somebody has reported on it', async () => {
    const keepers = await listKeepers(club.as('lead'), workshop.id);
    const keeper = keepers.at(-1)!;
    await enterReport(club.as('lead', new Date('2027-04-05T10:00:00Z')), uuid(), {
      unionId: keeper.unionId,
      said: 'alive',
      seenOn: '2027-03-27',
      source: 'phone',
    });
    expect(
      await refusalOf(changeKeepers(club.as('lead'), workshop.id, { plantIds: [keeper.id], voided: true })),
    ).toMatchObject({ refusal: 'conflict' });
  });
});

describe('what findings know of a union', () => {
  it('is written before the transaction that changed it is over', async () => {
    const { db } = club.services;
    const keeper = (await listKeepers(club.as('lead'), workshop.id)).at(-1)!;
    const transaction = await db.sequelize.transaction();
    await db.unionFacts.destroy({ where: { unionId: keeper.unionId }, transaction });
    await refreshUnionFacts(db, club.clubId, [keeper.unionId], transaction);
    // At this moment and not at some later one.
    expect(await db.unionFacts.count({ where: { unionId: keeper.unionId }, transaction })).toBe(1);
    await transaction.rollback();
  });
});
