import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { beforeAll, describe, expect, it } from 'vitest';
import { statementsOf, testClub, testWorkshop, type TestClub, type TestWorkshop } from '@/server/testing/test-club';
import { insideTransaction } from '@/db/inside-transaction';
import type { Database } from '@/db/database';
import { beginLook, type Stamps } from '@/db/remembering';
import { STAMPED_TABLES } from '@/db/stamped-tables';

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
  return Object.fromEntries(rows.map(({ t, s }) => [t, s]));
}
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
const workshops = (db: Database) =>
  db.workshops.findAll({ where: { clubId: club.clubId }, raw: true });

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
    const lots = async (db: Database) =>
      db.stockLots.findAll({ where: { clubId: club.clubId }, raw: true });
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
  it('never remembers the time, what every judgement writes, or anything of another club', async () => {
    const time = async (db: Database) =>
      (await db.sequelize.query<{ at: Date }>('SELECT NOW(3) AS at', { type: QueryTypes.SELECT }))[0]!.at.getTime();
    const first = (await readTwice(time)).seen;
    await new Promise((resolve) => setTimeout(resolve, 20));
    expect((await readTwice(time)).seen).toBeGreaterThan(first);
    const unions = async (db: Database) =>
      db.unions.count({ where: { clubId: club.clubId } });
    await readTwice(unions);
    expect((await readTwice(unions)).asked).toBe(1);
    const joined = async (db: Database) =>
      db.sequelize.query('SELECT s.id FROM seats s JOIN unions u ON u.seat_id = s.id WHERE s.club_id = :clubId', {
        replacements: { clubId: club.clubId },
        type: QueryTypes.SELECT,
      });
    await readTwice(joined);
    expect((await readTwice(joined)).asked).toBe(1);
    const other = await testClub();
    expect(
      await beginLook(club.services.db, other.clubId, {}).database().workshops.findAll({
        where: { clubId: other.clubId },
        raw: true,
      }),
    ).toEqual([]);
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
    expect(rows[0]!.n).toBe(3 * STAMPED_TABLES.length);
  });
});
