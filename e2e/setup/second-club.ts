import { v7 as uuid } from 'uuid';
import type { Services } from '@/server/platform/context';
import { hashPassword } from '@/server/platform/secrets';
import { actorOf, signIn } from '@/server/club/sign-in';
import { addStockLot, addWoodLot } from '@/server/plan/lots';
import { addWalkIn, listSeats } from '@/server/plan/seats';
import { addSite } from '@/server/club/sites';
import { putWorkshop } from '@/server/plan/workshops';
import { METHODS } from '@/core/methods/registry';
import { putJudgement } from '@/server/score/judgements';
import { exampleMeasures } from '@/core/methods/example-measures';
import { permitKeepers } from '@/server/score/keeper-permits';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { addRound } from '@/server/follow-up/rounds';
import { putSource } from '@/server/plan/wood-sources';

/** Ids of another club, which nobody of the first may reach. */
export interface SecondClub {
  workshopId: string;
  seatId: string;
  personId: string;
  siteId: string;
  woodLotId: string;
  stockLotId: string;
  judgementId: string;
  unionId: string;
  plantId: string;
  keeperUnionId: string;
  roundId: string;
  userId: string;
  sourceId: string;
}

export async function makeSecondClub(services: Services, password: string): Promise<SecondClub> {
  const { db, now } = services;
  const clubId = uuid();
  const userId = uuid();
  await db.clubs.create({ id: clubId, name: 'Farshore Grafters', createdAt: now });
  await db.users.create({
    id: userId,
    email: 'lead@farshore.example',
    name: 'Ansgar Fell',
    passwordHash: await hashPassword(password),
    lengthUnit: 'mm',
    temperatureUnit: 'C',
  });
  await db.memberships.create({ clubId, userId, role: 'lead' });
  const { token } = await signIn(services, { email: 'lead@farshore.example', password }, 'setup');
  const context = { ...services, actor: (await actorOf(services, token))! };
  const site = await addSite(context, { name: 'Farshore barn', hemisphere: 'south', timeZone: 'Pacific/Auckland' });
  const [workshopId, personId, woodLotId, stockLotId, judgementId, roundId] = Array.from({ length: 6 }, () =>
    uuid(),
  ) as [string, string, string, string, string, string];
  await putWorkshop(context, workshopId, {
    title: 'Winter whips',
    date: '2026-07-18',
    siteId: site.id,
    method: METHODS[0]!.id,
    promisedKeepers: 1,
    promise: '',
  });
  await addWalkIn(context, workshopId, personId, { name: 'Brigid Tamm', email: 'brigid@farshore.example' });
  await addWoodLot(context, workshopId, woodLotId, {
    variety: 'Long Ebb',
    species: 'pear',
    source: 'barn wall',
    cutOn: '',
  });
  await addStockLot(context, workshopId, stockLotId, { stockType: 'Ebb seedling', species: 'pear' });
  const [seat] = await listSeats(context, workshopId);
  const judgement = await putJudgement(context, judgementId, {
    workshopId,
    seatId: seat!.id,
    number: 1,
    stage: 'joined',
    measures: exampleMeasures(METHODS[0]!),
    marks: {},
    note: '',
    deviceAt: now,
  });
  await permitKeepers(context, workshopId, uuid(), {
    seatIds: (await listSeats(context, workshopId)).map(({ id }) => id),
    may: true,
    reason: 'practised at home',
  });
  await makeKeepers(context, workshopId, { woodLotId, stockLotId });
  const [keeper] = await listKeepers(context, workshopId);
  const sourceId = uuid();
  await putSource(context, sourceId, { kind: 'tree', name: 'Barn pear', variety: 'Long Ebb', species: 'pear' });
  await addRound(context, workshopId, roundId, { milestone: 'healed', opensOn: '2026-08-10', closesOn: '2026-09-01' });
  return {
    workshopId,
    seatId: seat!.id,
    personId,
    siteId: site.id,
    woodLotId,
    stockLotId,
    judgementId,
    unionId: judgement.unionId,
    plantId: keeper!.id,
    keeperUnionId: keeper!.unionId,
    roundId,
    userId,
    sourceId,
  };
}
