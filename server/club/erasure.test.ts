import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DataTypes, QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { erasePerson } from './erase-person';
import { FREE_TEXTS } from './free-texts';
import { nameTraces, settleTrace } from './name-traces';
import { putJudgement } from '@/server/score/judgements';
import {
  judgementBody,
  NOW,
  refusalOf,
  testClub,
  testWorkshop,
  type TestClub,
  type TestWorkshop,
} from '@/server/testing/test-club';

const NAME = 'Zephyrine Quilldorn';
const EMAIL = 'zq@secret-reed.example';

let club: TestClub;
let workshop: TestWorkshop;
let personId: string;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
  personId = workshop.personIds[0]!;
  await club.services.db.people.update(
    { name: NAME, email: EMAIL, phone: '+41 555 0199 77' },
    { where: { id: personId } },
  );
});

/** Columns of text in which no words of people stand: ids, codes, words of ours. */
const NO_WORDS: Record<string, string[]> = {
  memberships: ['role', 'calendarHash'],
  mailReplies: ['contentHash', 'outcome', 'problem', 'confirmation'],
  causeLooks: ['code'],
  struckEvidence: ['code', 'liveKey'],
  settledCauses: ['cause', 'computed'],
  reports: ['answer', 'said', 'signs', 'reading', 'why', 'source'],
  rounds: ['milestone', 'asks'],
  teachingStates: ['panel'],
  learnerQuestions: ['step'],
  taskMarks: ['task', 'outcome', 'liveKey'],
  unionObservations: ['about'],
  visitRules: ['weekdays', 'dates'],
  places: ['kind', 'rows', 'onLand', 'kin', 'alertTo'],
  plantPlaces: ['side'],
  tagFinds: ['verdict', 'seen', 'possible'],
  openedGrafts: ['kin'],
  placeLogs: ['contentHash'],
  weatherDays: ['source'],
  unionFacts: ['contactGrade', 'healed', 'growing', 'season', 'wintered'],
  clubs: ['id', 'name', 'language'],
  users: ['id', 'email', 'name', 'passwordHash', 'lengthUnit', 'temperatureUnit'],
  people: ['name', 'email', 'phone', 'language'],
  accountLetters: ['subject'],
  audit: ['action'],
  sites: ['hemisphere', 'timeZone', 'climate'],
  workshops: ['date', 'method', 'schools'],
  woodLots: ['stage', 'arrival'],
  workshopWoodLots: ['ribbon'],
  rubrics: ['contentHash', 'body'],
  plants: ['code', 'doubt'],
  judgements: [
    'measures',
    'marks',
    'runs',
    'fatal',
    'contactWords',
    'modelVersion',
    'sentHash',
    'stage',
    'contactGrade',
  ],
  storeItems: ['item'],
  calendarEntries: ['contentHash'],
  loggerRuns: ['contentHash', 'readings', 'summary'],
  recalibrations: ['marks'],
  photos: ['scale'],
  sessions: ['device'],
  nameTraces: ['tableName', 'rowKey', 'columnName'],
  passwordLinks: ['tokenHash'],
};

/** Everything the database holds of a club, as one text. */
async function dump(): Promise<string> {
  const { sequelize } = club.services.db;
  const tables = await sequelize.query<{ t: string }>(
    "SELECT table_name AS t FROM information_schema.tables WHERE table_schema = DATABASE() AND table_type = 'BASE TABLE'",
    { type: QueryTypes.SELECT },
  );
  const rows = await Promise.all(
    tables.map(({ t }) => sequelize.query(`SELECT * FROM \`${t}\``, { type: QueryTypes.SELECT })),
  );
  return rows
    .flat()
    .map((row) =>
      Object.values(row as object)
        .map((value: unknown) => (Buffer.isBuffer(value) ? value.toString('latin1') : JSON.stringify(value)))
        .join('\n'),
    )
    .join('\n');
}
const files = (): string =>
  readdirSync(club.mailFolder)
    .map((name) => readFileSync(join(club.mailFolder, name), 'latin1'))
    .join('\n');

describe('erasing a person', () => {
  it('knows every column of words there is', () => {
    const { sequelize, ...models } = club.services.db;
    void sequelize;
    for (const [name, model] of Object.entries(models)) {
      const attributes = (
        model as unknown as { getAttributes: () => Record<string, { type: unknown }> }
      ).getAttributes();
      const texts = Object.entries(attributes)
        .filter(
          ([attribute, { type }]) =>
            (type instanceof DataTypes.STRING || type instanceof DataTypes.JSON) &&
            !/(^id|Id|By|Hash|changeId|kind|state|source|species|sign|role|answer|asks|schools|materials|position|method|variant|stage|outlook|outlookBy|verdict|skill|callus|green|buds|part|purpose|milestone|entry|unit)$/.test(
              attribute,
            ),
        )
        .map(([attribute]) => attribute);
      const place = FREE_TEXTS.filter((text) => text.model === name).flatMap(({ columns, json = [] }) => [
        ...columns,
        ...json,
      ]);
      const left = texts.filter((attribute) => !place.includes(attribute) && !NO_WORDS[name]?.includes(attribute));
      expect(left, name).toEqual([]);
    }
  });
  it('leaves nothing of them in any table, letter or picture, wherever it was written', async () => {
    const { db, mail } = club.services;
    const { unionId, id: judgementId } = await putJudgement(
      club.as('assistant'),
      uuid(),
      judgementBody(workshop, { note: `as ${NAME} asked` }),
    );
    await db.photos.create({
      id: uuid(),
      clubId: club.clubId,
      unionId,
      takenBy: club.as('lead').actor.userId,
      width: 1,
      height: 1,
      bytes: Buffer.from(`picture of ${NAME}`),
      scale: null,
      version: 0,
      addedAt: NOW,
      withdrawn: true,
    });
    await db.cutLooks.create({
      id: uuid(),
      clubId: club.clubId,
      unionId,
      callus: 'ring',
      contactSeen: null,
      lookedOn: '2027-03-06',
      note: `cut by ${NAME}`,
      enteredBy: club.as('lead').actor.userId,
      recordedAt: NOW,
    });
    await db.woodChecks.create({
      id: uuid(),
      clubId: club.clubId,
      lotId: workshop.woodLotId,
      lookedOn: '2027-02-01',
      green: 'yes',
      buds: 'shut',
      note: `${NAME.toUpperCase()} looked, write to ${EMAIL}`,
      enteredBy: club.as('lead').actor.userId,
    });
    await db.briefings.create({
      clubId: club.clubId,
      workshopId: workshop.id,
      firstAid: `${NAME} knows`,
      kit: 'shelf',
      localRules: 'call +41 555 0199 77',
      sap: false,
      changedAt: NOW,
    });
    await db.planParts.create({
      clubId: club.clubId,
      workshopId: workshop.id,
      part: 'room',
      version: 1,
      body: { helpers: [{ name: NAME }], note: 'none' },
      changeId: uuid(),
      changedAt: NOW,
    });
    await db.workshops.update(
      { title: `Day for ${NAME}`, promise: 'Quilldorn gets two' },
      { where: { id: workshop.id } },
    );
    const sourceId = uuid();
    await db.woodSources.create({
      id: sourceId,
      clubId: club.clubId,
      kind: 'tree',
      plantId: null,
      name: 'Old wall',
      variety: 'Grey Heron',
      species: 'pear',
      region: '',
      note: '',
    });
    await db.woodSourceBookings.create({
      id: uuid(),
      clubId: club.clubId,
      sourceId,
      year: 2027,
      whom: NAME,
      sticks: 2,
    });
    // Letters: sent, waiting, and one whose transaction never was.
    const letter = (to: string): Buffer =>
      Buffer.from(`From: x@y.example\r\nTo: ${NAME} <${to}>\r\nSubject: x\r\n\r\nDear ${NAME}`);
    const roundId = uuid();
    await db.rounds.create({
      id: roundId,
      clubId: club.clubId,
      workshopId: workshop.id,
      milestone: 'healed',
      asks: '',
      opensOn: '2027-04-01',
      closesOn: '2027-05-01',
    });
    for (const [nth, state] of (['delivered', 'queued'] as const).entries()) {
      const id = uuid();
      await mail.prepare(id, letter(EMAIL));
      if (state === 'delivered') await mail.release(id);
      await db.messages.create({
        id,
        clubId: club.clubId,
        roundId,
        personId,
        nth: nth + 1,
        subject: 'x',
        state,
        createdAt: NOW,
      });
    }
    const [orphan, anothers] = [uuid(), uuid()];
    await mail.prepare(orphan, letter(EMAIL));
    await mail.prepare(anothers, Buffer.from('To: Somebody <else@reed.example>\r\n\r\nhello'));
    for (const secret of [NAME, EMAIL]) expect(`${await dump()}${files()}`).toContain(secret);

    await erasePerson(club.as('lead'), personId);
    const left = `${await dump()}\n${files()}`;
    expect(
      [NAME, NAME.toUpperCase(), EMAIL, '+41 555 0199 77', 'picture of'].flatMap((secret) =>
        left.split('\n').filter((line) => line.includes(secret)),
      ),
    ).toEqual([]);
    expect(existsSync(join(club.mailFolder, `${anothers}.pending`))).toBe(true);
    expect((await db.judgements.findOne({ where: { id: judgementId }, raw: true }))!.note).toBe('');
    expect((await db.workshops.findOne({ where: { id: workshop.id }, raw: true }))!.title).toBe(
      'Day for Erased person',
    );
    // What only a person can tell is the lead's to mend.
    const traces = await nameTraces(club.as('lead'));
    expect(traces).toMatchObject([
      { what: 'a workshop', text: 'Quilldorn gets two', page: `/workshops/${workshop.id}/plan` },
    ]);
    await settleTrace(club.as('lead'), traces[0]!.id);
    expect(await nameTraces(club.as('lead'))).toEqual([]);
    expect(await refusalOf(nameTraces(club.as('assistant')))).toMatchObject({ refusal: 'forbidden' });
    expect(await refusalOf(settleTrace(club.as('lead'), uuid()))).toMatchObject({ refusal: 'not-found' });
    // Kept outside the database, by id alone.
    expect(await club.services.erased.all()).toMatchObject([{ clubId: club.clubId, personId }]);
  });
  it('takes nothing from a namesake, and leaves the lead to tell them apart', async () => {
    const { db } = club.services;
    const [first, two] = [workshop.personIds[1]!, workshop.personIds[2]!];
    await db.people.update({ name: 'Ada Twinner' }, { where: { id: [first, two] } });
    const source = (await db.woodSources.findOne({ where: { clubId: club.clubId }, raw: true }))!;
    await db.woodSourceBookings.create({
      id: uuid(),
      clubId: club.clubId,
      sourceId: source.id,
      year: 2028,
      whom: 'Ada Twinner',
      sticks: 1,
    });
    await erasePerson(club.as('lead'), first);
    expect(await db.woodSourceBookings.count({ where: { clubId: club.clubId, whom: 'Ada Twinner' } })).toBe(1);
    expect((await nameTraces(club.as('lead'))).map(({ what, text }) => [what, text])).toEqual([
      ['a promise of sticks', 'Ada Twinner'],
    ]);
    expect((await db.people.findOne({ where: { id: two }, raw: true }))!.name).toBe('Ada Twinner');
  });
  it('of one short name rewrites no pear', async () => {
    const { db } = club.services;
    await db.people.update({ name: 'Heron', email: null, phone: '1' }, { where: { id: workshop.personIds[2]! } });
    await erasePerson(club.as('lead'), workshop.personIds[2]!);
    expect((await db.woodLots.findOne({ where: { id: workshop.woodLotId }, raw: true }))!.variety).toBe('Grey Heron');
  });
});
