import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { statementsOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { insideTransaction } from '@/db/inside-transaction';
import type { Database } from '@/db/database';
import { addSite } from '@/server/club/sites';
import { beginLook, type Stamps } from '@/db/remembering';
import { STAMPED_TABLES } from '@/db/stamped-tables';
import { LOGGED_TABLES, loggedStampsSql, pruneTableChanges } from '@/db/table-changes';

let club: TestClub;
let workshop: TestWorkshop;
beforeAll(async () => {
  club = await testClub();
  workshop = await testWorkshop(club);
});
async function stamps(): Promise<Stamps> {
  const rows = await club.services.db.sequelize.query<{ t: string; s: string }>(
    'SELECT table_name AS t, stamp AS s FROM table_stamps WHERE club_id = :clubId',
    { replacements: { clubId: club.clubId }, type: QueryTypes.SELECT },
  );
  const [logged] = await club.services.db.sequelize.query<{ stamps: string | Stamps }>(
    `SELECT ${loggedStampsSql(':clubId')} AS stamps`,
    { replacements: { clubId: club.clubId }, type: QueryTypes.SELECT },
  );
  const parsed = typeof logged!.stamps === 'string' ? (JSON.parse(logged!.stamps) as Stamps) : logged!.stamps;
  return { ...Object.fromEntries(rows.map(({ t, s }) => [t, s])), ...parsed };
}
const observations = (db: Database) => db.visitRules.count({ where: { clubId: club.clubId } });
const observe = (statement: string): Promise<unknown> =>
  club.services.db.sequelize.query(statement, {
    replacements: { clubId: club.clubId, siteId: workshop.siteId },
    type: QueryTypes.RAW,
  });
/** A look at a page, and how many statements it sent. */
async function readTwice<T>(
  work: (db: Database) => Promise<T>,
  remembered?: Stamps | null,
): Promise<{ seen: T; asked: number }> {
  const { db } = club.services;
  const known = remembered === undefined ? await stamps() : remembered;
  const { result: seen, asked } = await statementsOf(club, () => work(beginLook(db, club.clubId, known).database()));
  return { seen, asked: asked.length };
}
const workshops = (db: Database) => db.workshops.findAll({ where: { clubId: club.clubId }, raw: true });

describe('a database that remembers', () => {
  it('asks the same once, and not at all while nothing has changed; every change is seen', async () => {
    const twice = async (db: Database) => [await workshops(db), await workshops(db)];
    expect((await readTwice(twice)).asked).toBe(1);
    expect((await readTwice(twice)).asked).toBe(0);
    for (const change of [{ title: 'By update' }, { title: 'Again' }]) {
      await club.services.db.workshops.update(change, { where: { id: workshop.id } });
      const {
        seen: [first],
        asked,
      } = await readTwice(twice);
      expect(asked).toBe(1);
      expect(first![0]!.title).toBe(change.title);
    }
    const id = uuid();
    await club.services.db.stockLots.create({
      id,
      clubId: club.clubId,
      stockType: 'Fresh',
      species: 'pear',
      stocks: 0,
    });
    const lots = async (db: Database) => db.stockLots.findAll({ where: { clubId: club.clubId }, raw: true });
    expect((await readTwice(lots)).seen).toHaveLength(2);
    await club.services.db.stockLots.destroy({ where: { id } });
    expect((await readTwice(lots)).seen).toHaveLength(1);
    // A statement typed by hand, past all of our code.
    await club.services.db.sequelize.query("UPDATE workshops SET title = 'By hand' WHERE id = :id", {
      replacements: { id: workshop.id },
      type: QueryTypes.UPDATE,
    });
    expect((await readTwice(workshops)).seen[0]!.title).toBe('By hand');
  });
  it('never remembers the time, or anything of another club', async () => {
    const time = async (db: Database) =>
      (await db.sequelize.query<{ at: Date }>('SELECT NOW(3) AS at', { type: QueryTypes.SELECT }))[0]!.at.getTime();
    const first = (await readTwice(time)).seen;
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect((await readTwice(time)).seen).toBeGreaterThan(first);
    // The trail and sessions leave no stamp: they are asked for each time, alone or beside what does.
    const trail = async (db: Database) =>
      db.sequelize.query('SELECT s.id FROM seats s JOIN audit a ON a.subject_id = s.id WHERE s.club_id = :clubId', {
        replacements: { clubId: club.clubId },
        type: QueryTypes.SELECT,
      });
    await readTwice(trail);
    expect((await readTwice(trail)).asked).toBe(1);
    const other = await testClub();
    expect(
      await beginLook(club.services.db, other.clubId, {})
        .database()
        .workshops.findAll({
          where: { clubId: other.clubId },
          raw: true,
        }),
    ).toEqual([]);
  });
  it('remembers what every judgement and answer writes too, until it is written again', async () => {
    expect((await readTwice(observations)).seen).toBe(0);
    expect((await readTwice(observations)).asked).toBe(0);
    await observe("INSERT INTO visit_rules (site_id, club_id, weekdays, dates) VALUES (:siteId, :clubId, '[]', '[]')");
    expect((await readTwice(observations)).seen).toBe(1);
    expect((await readTwice(observations)).asked).toBe(0);
    const before = await stamps();
    await observe('UPDATE visit_rules SET most = 3 WHERE club_id = :clubId');
    expect((await stamps()).visit_rules).not.toBe(before.visit_rules);
    await observe('DELETE FROM visit_rules WHERE club_id = :clubId');
    expect((await readTwice(observations)).seen).toBe(0);
  });
  it('sees a change that began before and ended after another, and one whose row of the log was removed since', async () => {
    const { sequelize } = club.services.db;
    const early = await sequelize.transaction();
    await sequelize.query(
      'INSERT INTO visit_rules (site_id, club_id, weekdays, dates) VALUES (:siteId, :clubId, "[]", "[]")',
      {
        replacements: { clubId: club.clubId, siteId: workshop.siteId },
        type: QueryTypes.INSERT,
        transaction: early,
      },
    );
    const other = await addSite(club.as('lead'), { name: 'Far field', hemisphere: 'north', timeZone: 'UTC' });
    await observe(
      `INSERT INTO visit_rules (site_id, club_id, weekdays, dates) VALUES ('${other.id}', :clubId, '[]', '[]')`,
    );
    const meanwhile = (await readTwice(observations)).seen;
    await early.commit();
    expect((await readTwice(observations)).seen).toBe(meanwhile + 1);
    const before = await stamps();
    await observe('UPDATE table_changes SET changed_at = changed_at - INTERVAL 1 HOUR WHERE club_id = :clubId');
    for (let i = 0; i < 60; i++) await observe(`UPDATE visit_rules SET most = ${i} WHERE club_id = :clubId`);
    await observe('UPDATE table_changes SET changed_at = changed_at - INTERVAL 2 HOUR WHERE club_id = :clubId');
    expect(await pruneTableChanges(club.services.db)).toBeGreaterThan(60);
    const after = await stamps();
    expect(after.visit_rules).not.toBe(before.visit_rules);
    expect(after.visit_rules).toMatch(/^1-/);
  });
  it('gives everybody a list of their own, and rows that nobody changes', async () => {
    const {
      seen: [first, two],
    } = await readTwice(async (db) => [await workshops(db), await workshops(db)]);
    first!.length = 0;
    expect(two).toHaveLength(1);
    expect(() => {
      two![0]!.title = 'Changed';
    }).toThrow(TypeError);
  });
  it('stops remembering when something is written, and inside a transaction', async () => {
    const { seen } = await readTwice(async (db) => {
      const before = (await workshops(db))[0]!.title;
      await db.workshops.update({ title: `${before} and more` }, { where: { id: workshop.id } });
      return [before, (await workshops(db))[0]!.title];
    });
    expect(seen[1]).toBe(`${seen[0]} and more`);
    const { seen: inside } = await readTwice((db) =>
      db.sequelize.transaction((transaction) =>
        insideTransaction(async () => {
          await club.services.db.workshops.update({ title: 'Within' }, { where: { id: workshop.id }, transaction });
          return (await db.workshops.findAll({ where: { clubId: club.clubId }, transaction, raw: true }))[0]!.title;
        }),
      ),
    );
    expect(inside).toBe('Within');
  });
  it('asks every time where the server keeps no stamps', async () => {
    await readTwice(workshops, null);
    expect((await readTwice(workshops, null)).asked).toBe(1);
  });
  it('is told of changes by three triggers a table', async () => {
    const rows = await club.services.db.sequelize.query<{ n: number }>(
      "SELECT COUNT(*) AS n FROM information_schema.triggers WHERE trigger_schema = DATABASE() AND trigger_name LIKE 'stamp%'",
      { type: QueryTypes.SELECT },
    );
    expect(rows[0]!.n).toBe(3 * (STAMPED_TABLES.length + LOGGED_TABLES.length));
  });
});
