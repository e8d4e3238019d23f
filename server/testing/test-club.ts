import { mkdtempSync, readdirSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { inject } from 'vitest';
import { METHODS } from '@/core/methods/registry';
import { exampleMeasures } from '@/core/methods/example-measures';
import { type Database, openDatabase } from '@/db/database';
import type { Role } from '@/core/club/role';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import type { Context, Services } from '@/server/platform/context';
import { deedLogIn } from '@/server/platform/deed-log';
import { erasedListIn } from '@/server/platform/erased-list';
import { normaliseEmail } from '@/core/inputs/fields';
import { permitKeepers } from '@/server/score/keeper-permits';
import type { Keeper } from '@/server/plan/keepers-of-workshop';
import { addStockLot, addWoodLot, workshopLots } from '@/server/plan/lots';
import { addMember } from '@/server/club/members';
import { setPasswordByLink } from '@/server/club/passwords';
import { addWalkIn, listSeats } from '@/server/plan/seats';
import { UseCaseError, type Refusal } from '@/server/platform/use-case-error';
import { addSite } from '@/server/club/sites';
import { putWorkshop } from '@/server/plan/workshops';

/** A day at the benches in the tests; use cases are given it as now. */
export const NOW = new Date('2027-03-06T10:00:00Z');

export interface TestClub {
  services: Services;
  mailFolder: string;
  clubId: string;
  as: (role: Role, now?: Date) => Context;
}

/** Files of tests that run in one process share its pool, as the pages of a server do. */
let shared: Database | undefined;

/** A club of its own in the throwaway database, with a lead, an assistant and a viewer. */
export async function testClub(): Promise<TestClub> {
  const db = (shared ??= openDatabase(inject('databaseUrl')));
  const mailFolder = mkdtempSync(join(tmpdir(), 'outbox-'));
  const services: Services = {
    db,
    mail: folderMail(mailFolder, join(mailFolder, 'inbox')),
    weather: simulatedWeather,
    erased: erasedListIn(join(mailFolder, 'erased.txt')),
    deeds: deedLogIn(`${mailFolder}-deeds`),
    publicUrl: 'https://bench.example',
    now: NOW,
  };
  const clubId = uuid();
  await db.clubs.create({ id: clubId, name: 'Reed Islet Grafters', createdAt: NOW });
  const users = {} as Record<Role, string>;
  const sessions = { lead: uuid(), assistant: uuid(), viewer: uuid() };
  for (const role of ['lead', 'assistant', 'viewer'] as const) {
    users[role] = uuid();
    await db.users.create({
      id: users[role],
      email: `${role}-${users[role]}@reed.example`,
      name: `The ${role}`,
      passwordHash: 'none',
      lengthUnit: 'mm',
      temperatureUnit: 'C',
    });
    await db.memberships.create({ clubId, userId: users[role], role });
  }
  const as = (role: Role, now = NOW): Context => ({
    ...services,
    now,
    actor: {
      userId: users[role],
      clubId,
      role,
      name: `The ${role}`,
      clubName: 'Reed Islet Grafters',
      lengthUnit: 'mm',
      temperatureUnit: 'C',
      sessionId: sessions[role],
      confirmedAt: now,
    },
  });
  return { services, mailFolder, clubId, as };
}

export interface TestWorkshop {
  id: string;
  siteId: string;
  seatIds: string[];
  personIds: string[];
  woodLotId: string;
  stockLotId: string;
}

/** A workshop of three people with a wood lot and a stock lot. */
export async function testWorkshop({ as }: TestClub, promisedKeepers = 2): Promise<TestWorkshop> {
  const context = as('lead');
  const site = await addSite(context, { name: `Shed ${uuid()}`, hemisphere: 'north', timeZone: 'Europe/Zurich' });
  const id = uuid();
  await putWorkshop(context, id, {
    title: 'Bench day',
    date: '2027-03-06',
    siteId: site.id,
    method: METHODS[0]!.id,
    promisedKeepers,
    promise: '',
  });
  // Files of tests share a database: whoever asks by themselves there asks in all clubs.
  await context.db.workshops.update({ asksAlone: false }, { where: { clubId: context.actor.clubId, id } });
  const personIds = [uuid(), uuid(), uuid()];
  for (const [i, personId] of personIds.entries())
    await addWalkIn(context, id, personId, {
      name: `Person ${i + 1}`,
      email: i < 2 ? `p${i}-${personId}@reed.example` : '',
    });
  await addWoodLot(context, id, uuid(), {
    variety: 'Grey Heron',
    species: 'pear',
    source: 'row 3',
    cutOn: '2027-01-20',
  });
  await addStockLot(context, id, uuid(), { stockType: 'Reedmoor', species: 'quince' });
  const lots = await workshopLots(context, id);
  const seatIds = (await listSeats(context, id)).map((seat) => seat.id);
  await permitKeepers(context, id, uuid(), { seatIds, may: true, reason: 'tests make keepers without practice' });
  return { id, siteId: site.id, seatIds, personIds, woodLotId: lots.wood[0]!.id, stockLotId: lots.stocks[0]!.id };
}

/** The same with keepers for each of its people, as many as promised. */
export async function testKeepers(club: TestClub, each = 2): Promise<TestWorkshop> {
  const workshop = await testWorkshop(club, each);
  const { id, woodLotId, stockLotId } = workshop;
  await makeKeepers(club.as('lead'), id, { woodLotId, stockLotId, each });
  return workshop;
}

/** What the bench sends for a union. */
export function judgementBody(
  workshop: TestWorkshop,
  changes: object = {},
  figures: Parameters<typeof exampleMeasures>[1] = {},
): object {
  return {
    workshopId: workshop.id,
    seatId: workshop.seatIds[0],
    number: 1,
    stage: 'joined',
    measures: exampleMeasures(METHODS[0]!, figures),
    marks: {},
    note: '',
    deviceAt: NOW.toISOString(),
    ...changes,
  };
}

/** What the bench sends for a keeper that is wrapped and tagged. */
export function keeperBody(
  workshop: TestWorkshop,
  { unionId, seatId, place }: Pick<Keeper, 'unionId' | 'seatId' | 'place'>,
  changes: object = {},
  figures: Parameters<typeof exampleMeasures>[1] = {},
): object {
  const keeper = { seatId, kind: 'keeper', unionId, number: place, stage: 'keeper' };
  return judgementBody(workshop, { ...keeper, ...changes }, figures);
}

/** The refusal and words of what a use case said no to. */
export async function refusalOf(
  work: Promise<unknown>,
): Promise<{ refusal: Refusal; message: string; fields: Record<string, string> }> {
  try {
    await work;
  } catch (error) {
    if (error instanceof UseCaseError) return { refusal: error.refusal, message: error.message, fields: error.fields };
    throw error;
  }
  throw new Error('Nothing was refused.');
}

/** Somebody who was asked to join and chose a password, as the lead and they would do it. */
export async function joined(
  club: TestClub,
  address: string,
  password: string,
  role: Role = 'viewer',
  name = 'New Hand',
): Promise<string> {
  const { url } = await addMember(club.as('lead'), { name, email: address, role });
  await setPasswordByLink(club.services, { token: url.split('/').at(-1), password });
  return (await club.services.db.users.findOne({ where: { email: normaliseEmail(address) }, raw: true }))!.id;
}

/** The links in letters to an address, latest last. */
export async function lettersTo(
  { mailFolder, services }: TestClub,
  address: string,
): Promise<{ subject: string; text: string; link: string | undefined }[]> {
  const ids = readdirSync(mailFolder)
    .filter((name) => name.endsWith('.eml'))
    .sort()
    .map((name) => name.slice(0, 36));
  const read = await Promise.all(ids.map((id) => services.mail.read(id)));
  return read.flatMap((letter) =>
    letter?.to.endsWith(`, ${address}`)
      ? [{ subject: letter.subject, text: letter.text, link: /\/(?:password|r)\/([\w-]+)/.exec(letter.text)?.[1] }]
      : [],
  );
}

/** What some work asks of the database, statement by statement, and what it gave. */
export async function statementsOf<T>(
  { services: { db } }: TestClub,
  work: () => Promise<T>,
): Promise<{ result: T; asked: string[] }> {
  const { options } = db.sequelize as unknown as { options: { logging: false | ((sql: string) => void) } };
  const asked: string[] = [];
  options.logging = (sql) => void asked.push(sql);
  try {
    return { result: await work(), asked };
  } finally {
    options.logging = false;
  }
}
