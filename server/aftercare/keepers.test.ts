import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { isPlantCode } from '@/core/codes/plant-code';
import { changeKeepers } from './change-keepers';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { plantByCode } from './plant-by-code';
import { makeKeepers } from './make-keepers';
import { addWoodLot, chooseWoodLot, dropLot, workshopLots } from '@/server/plan/lots';
import { enterReport } from '@/server/follow-up/entering/enter-report';
import { addRound } from '@/server/follow-up/rounds';
import { changeSeat } from '@/server/plan/seats';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 2);
});

const keepers = () => listKeepers(club.as('viewer'), workshop.id);
const lots = () => ({ woodLotId: workshop.woodLotId, stockLotId: workshop.stockLotId, each: 2 });

describe('keepers', () => {
  it('are made in one step for those present, as many as promised, once for any number of clicks', async () => {
    await changeSeat(club.as('lead'), workshop.id, workshop.seatIds[2]!, { absent: true });
    const made = await Promise.all([1, 2, 3, 4].map(() => makeKeepers(club.as('assistant'), workshop.id, lots())));
    expect(made.reduce((sum, lot) => sum + lot.made, 0)).toBe(4);
    const all = await keepers();
    expect(all.map(({ seat }) => seat.number)).toEqual([1, 1, 2, 2]);
    expect(new Set(all.map(({ code }) => code)).size).toBe(4);
    expect(all.every(({ code }) => isPlantCode(code))).toBe(true);
    await changeSeat(club.as('lead'), workshop.id, workshop.seatIds[2]!, { absent: false });
    expect(await makeKeepers(club.as('lead'), workshop.id, lots())).toEqual({ made: 2, notYet: [] });
  });
  it('change wood, stock and grafter, one or many at once, all or none', async () => {
    const other = uuid();
    await addWoodLot(club.as('lead'), workshop.id, other, {
      variety: 'Lantern Bay',
      species: 'medlar',
      source: 'landing',
      cutOn: '',
    });
    const all = await keepers();
    await changeKeepers(club.as('lead'), workshop.id, {
      plantIds: [all[0]!.id, all[1]!.id],
      woodLotId: other,
      seatId: workshop.seatIds[1],
    });
    const changed = (await keepers()).filter(({ wood }) => wood.variety === 'Lantern Bay');
    expect(changed.map(({ id, seat }) => [id, seat.id])).toEqual(
      [all[0]!.id, all[1]!.id].map((id) => [id, workshop.seatIds[1]]),
    );
    const facts = await club.services.db.unionFacts.findAll({
      where: { clubId: club.clubId, seatId: workshop.seatIds[1]! },
      raw: true,
    });
    expect(facts).toHaveLength(4);
    expect(
      await refusalOf(changeKeepers(club.as('lead'), workshop.id, { plantIds: [all[0]!.id, uuid()], voided: true })),
    ).toMatchObject({ refusal: 'not-found' });
    expect((await keepers()).filter(({ voidedAt }) => voidedAt)).toHaveLength(0);
    expect(await refusalOf(changeKeepers(club.as('lead'), workshop.id, { plantIds: [all[0]!.id] }))).toMatchObject({
      refusal: 'invalid',
    });
    // A lot in use cannot be taken off the workshop.
    expect((await refusalOf(dropLot(club.as('lead'), workshop.id, 'wood', other))).message).toContain('2 keepers');
  });
  it('are voided while unused, brought back, and not voided once somebody has reported', async () => {
    const [first, two] = (await keepers()).slice(-2) as [
      Awaited<ReturnType<typeof keepers>>[number],
      Awaited<ReturnType<typeof keepers>>[number],
    ];
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [first.id], voided: true });
    expect((await plantByCode(club.services, first.code))!.voided).toBe(true);
    await changeKeepers(club.as('lead'), workshop.id, { plantIds: [first.id], voided: false });
    const roundId = uuid();
    await addRound(club.as('lead'), workshop.id, roundId, {
      milestone: 'healed',
      opensOn: '2027-03-20',
      closesOn: '2027-04-10',
    });
    await enterReport(club.as('lead', new Date('2027-03-22T10:00:00Z')), uuid(), {
      roundId,
      unionId: two.unionId,
      said: 'alive',
      source: 'phone',
    });
    expect(
      (await refusalOf(changeKeepers(club.as('lead'), workshop.id, { plantIds: [first.id, two.id], voided: true })))
        .message,
    ).toContain('reported on one of these');
    expect((await keepers()).every(({ voidedAt }) => voidedAt === null)).toBe(true);
  });
  it('tell by their code what they are, and no person', async () => {
    const [keeper] = await keepers();
    const plant = await plantByCode(club.services, keeper!.code);
    expect(plant).toMatchObject({
      variety: 'Lantern Bay',
      stockType: 'Reedmoor',
      date: '2027-03-06',
      clubName: 'Reed Islet Grafters',
    });
    expect(JSON.stringify(plant)).not.toContain('Person');
    expect(await plantByCode(club.services, 'ZZZZZZ')).toBeNull();
  });
});

describe('lots', () => {
  it('have ribbons unique within the workshop, also when chosen at once, and say when there are no more', async () => {
    const fresh = await testWorkshop(club);
    await Promise.all(
      Array.from({ length: 7 }, (_, i) =>
        addWoodLot(club.as('lead'), fresh.id, uuid(), {
          variety: `Lot ${i}`,
          species: 'pear',
          source: 'row',
          cutOn: '',
        }),
      ),
    );
    const { wood } = await workshopLots(club.as('viewer'), fresh.id);
    expect(new Set(wood.map(({ ribbon }) => ribbon)).size).toBe(8);
    expect(
      (
        await refusalOf(
          addWoodLot(club.as('lead'), fresh.id, uuid(), {
            variety: 'Ninth',
            species: 'pear',
            source: 'row',
            cutOn: '',
          }),
        )
      ).message,
    ).toContain('8 wood lots');
    await dropLot(club.as('lead'), fresh.id, 'wood', wood[0]!.id);
    await chooseWoodLot(club.as('lead'), fresh.id, wood[0]!.id);
    await chooseWoodLot(club.as('lead'), fresh.id, wood[0]!.id);
    expect((await workshopLots(club.as('viewer'), fresh.id)).wood).toHaveLength(8);
  });
  it('ask for what they need', async () => {
    const bad = await refusalOf(
      addWoodLot(club.as('lead'), workshop.id, uuid(), {
        variety: '',
        species: 'pear',
        source: 'row',
        cutOn: '20 January',
      }),
    );
    expect(Object.keys(bad.fields).sort()).toEqual(['cutOn', 'variety']);
  });
});
