import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { RIBBONS } from '@/core/plan/wood/ribbons';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { addStockLot, addWoodLot, chooseStockLot, chooseWoodLot, dropLot, putStockCount, workshopLots } from './lots';
import { lotBookingViews } from './lot-views';
import { ledgerLot } from './wood-ledger';
import { bookWood } from './wood-bookings';
import { refusalOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club, 1);
});
const lots = () => workshopLots(club.as('viewer'), workshop.id);
const wood = (variety: string) => ({ variety, species: 'pear', source: 'row 3', cutOn: '2027-01-20' });

describe('wood lots of a workshop', () => {
  it('get a ribbon each, also when many are chosen at the same moment', async () => {
    const ids = Array.from({ length: 5 }, () => uuid());
    await Promise.all(ids.map((lotId, i) => addWoodLot(club.as('assistant'), workshop.id, lotId, wood(`Sort ${i}`))));
    const ribbons = (await lots()).wood.map(({ ribbon }) => ribbon);
    expect(ribbons).toHaveLength(6);
    expect(new Set(ribbons).size).toBe(6);
  });
  it('are added once by a form that was sent twice', async () => {
    const lotId = uuid();
    await Promise.all([1, 2, 3].map(() => addWoodLot(club.as('assistant'), workshop.id, lotId, wood('Twice Sent'))));
    expect((await lots()).wood.filter(({ id }) => id === lotId)).toHaveLength(1);
  });
  it('are refused in words when the ribbons are used up', async () => {
    const taken = (await lots()).wood.length;
    for (let i = taken; i < RIBBONS.length; i++)
      await addWoodLot(club.as('assistant'), workshop.id, uuid(), wood(`More ${i}`));
    expect(
      (await refusalOf(addWoodLot(club.as('assistant'), workshop.id, uuid(), wood('One Too Many')))).message,
    ).toContain(`ribbons for ${RIBBONS.length} wood lots. Take one off first.`);
    // The lot itself is not lost: it can be chosen once there is room.
    const left = (await lots()).otherWood.find(({ variety }) => variety === 'One Too Many')!;
    await dropLot(
      club.as('assistant'),
      workshop.id,
      'wood',
      (await lots()).wood.find(({ variety }) => variety === 'Sort 0')!.id,
    );
    await chooseWoodLot(club.as('assistant'), workshop.id, left.id);
    expect((await lots()).wood.map(({ variety }) => variety)).toContain('One Too Many');
  });
  it('stay while keepers are made of them', async () => {
    await makeKeepers(club.as('lead'), workshop.id, {
      woodLotId: workshop.woodLotId,
      stockLotId: workshop.stockLotId,
      each: 1,
    });
    for (const [kind, id] of [
      ['wood', workshop.woodLotId],
      ['stock', workshop.stockLotId],
    ] as const) {
      expect(await refusalOf(dropLot(club.as('lead'), workshop.id, kind, id))).toMatchObject({
        refusal: 'conflict',
        message: expect.stringMatching(/^3 keepers of this workshop are made of this lot/) as string,
      });
    }
  });
  it('say who booked sticks of them, and who may', async () => {
    const lotId = uuid();
    await dropLot(
      club.as('assistant'),
      workshop.id,
      'wood',
      (await lots()).wood.find(({ variety }) => variety === 'Sort 1')!.id,
    );
    await addWoodLot(club.as('assistant'), workshop.id, lotId, { ...wood('Booked'), sticks: 5 });
    const booking = uuid();
    await bookWood(club.as('assistant'), lotId, booking, {
      workshopId: workshop.id,
      seatId: workshop.seatIds[1],
      sticks: 2,
    });
    const { bookings, workshops } = await lotBookingViews(
      club.as('viewer'),
      await ledgerLot(club.as('viewer'), lotId),
      workshop.id,
    );
    expect(bookings).toEqual([{ id: booking, sticks: 2, workshop: 'Bench day', seat: '2 Person 2', own: true }]);
    expect(workshops).toEqual([
      {
        id: workshop.id,
        title: 'Bench day',
        seats: workshop.seatIds.map((id, i) => ({ id, name: `${i + 1} Person ${i + 1}` })),
      },
    ]);
  });
});

describe('stock lots of a workshop', () => {
  it('are added, counted, chosen twice as once, and taken off', async () => {
    const lotId = uuid();
    await addStockLot(club.as('assistant'), workshop.id, lotId, {
      stockType: 'Quillstem',
      species: 'quince',
      stocks: 12,
    });
    await Promise.all([1, 2].map(() => chooseStockLot(club.as('assistant'), workshop.id, lotId)));
    await putStockCount(club.as('assistant'), lotId, { stocks: 30 });
    expect((await lots()).stocks.find(({ id }) => id === lotId)).toMatchObject({ stockType: 'Quillstem', stocks: 30 });
    await dropLot(club.as('assistant'), workshop.id, 'stock', lotId);
    expect((await lots()).otherStocks.map(({ id }) => id)).toContain(lotId);
  });
  it('are read with care: counts in figures, lots of this club, people who may', async () => {
    expect(
      (await refusalOf(putStockCount(club.as('assistant'), workshop.stockLotId, { stocks: 'many' }))).fields.stocks,
    ).toContain('as a number');
    expect(
      (await refusalOf(putStockCount(club.as('assistant'), workshop.stockLotId, { stocks: -1 }))).fields.stocks,
    ).toContain('0 or more');
    const other = await testClub();
    const theirs = await testWorkshop(other);
    for (const refused of [
      () => chooseWoodLot(club.as('lead'), workshop.id, theirs.woodLotId),
      () => chooseStockLot(club.as('lead'), workshop.id, theirs.stockLotId),
      () => putStockCount(club.as('lead'), theirs.stockLotId, { stocks: 1 }),
    ])
      expect(await refusalOf(refused())).toMatchObject({ refusal: 'not-found' });
    for (const refused of [
      () => chooseWoodLot(club.as('viewer'), workshop.id, workshop.woodLotId),
      () => dropLot(club.as('viewer'), workshop.id, 'wood', workshop.woodLotId),
      () => putStockCount(club.as('viewer'), workshop.stockLotId, { stocks: 1 }),
    ])
      expect(await refusalOf(refused())).toMatchObject({ refusal: 'forbidden' });
  });
});
