import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { openDatabase, type Database } from './database';
import { databaseErrno } from './database-errno';
import { isDuplicate, transact } from './transact';

let db: Database;
beforeAll(() => {
  db = openDatabase(inject('databaseUrl'));
});
afterAll(() => db.sequelize.close());

const club = (id: string, name = 'x') => ({ id, name, createdAt: new Date() });

async function aClub(): Promise<{ id: string }> {
  const id = uuid();
  await db.clubs.create(club(id));
  return { id };
}

describe('transact', () => {
  it('keeps all or nothing', async () => {
    const id = uuid();
    await expect(
      transact(db, async (transaction) => {
        await db.clubs.create(club(id), { transaction });
        throw new Error('and then this');
      }),
    ).rejects.toThrow('and then this');
    expect(await db.clubs.findByPk(id)).toBeNull();
  });
  it.each([5000, 0])('sees what others have committed meanwhile, with a patience of %d ms', async (silence) => {
    const own = openDatabase(inject('databaseUrl'), { silence });
    const transaction = await own.sequelize.transaction();
    const id = uuid();
    expect(await own.clubs.findByPk(id, { transaction })).toBeNull();
    await db.clubs.create(club(id));
    expect(await own.clubs.findByPk(id, { transaction })).not.toBeNull();
    await transaction.commit();
    await own.sequelize.close();
  });
  it('tries a deadlock again, so that both of two that met get done', async () => {
    const [a, b] = [uuid(), uuid()];
    await db.clubs.bulkCreate([club(a), club(b)]);
    let tries = 0;
    // Each takes one row and then wants the other's; a barrier makes sure that they meet.
    let arrived = 0;
    let open = (): void => undefined;
    const barrier = new Promise<void>((resolve) => (open = resolve));
    const rename = (first: string, second: string, name: string) =>
      transact(db, async (transaction) => {
        tries++;
        await db.clubs.update({ name: `${name} 1` }, { where: { id: first }, transaction });
        if (++arrived === 2) open();
        await barrier;
        await db.clubs.update({ name: `${name} 2` }, { where: { id: second }, transaction });
      });
    await Promise.all([rename(a, b, 'one'), rename(b, a, 'two')]);
    expect(tries).toBe(3);
  });
  it('begins again when its connection is lost, and does the work once', async () => {
    const id = uuid();
    let tries = 0;
    // Somebody else, outside the transaction, ends its connection once it is known.
    let name: (connection: number) => void = () => undefined;
    const killed = new Promise<number>((resolve) => (name = resolve)).then((connection) =>
      db.sequelize.query(`KILL CONNECTION ${connection}`, { type: QueryTypes.RAW }),
    );
    await transact(db, async (transaction) => {
      await db.clubs.create(club(id, `try ${++tries}`), { transaction });
      if (tries > 1) return;
      const [{ own }] = (await db.sequelize.query<{ own: number }>('SELECT CONNECTION_ID() AS own', {
        type: QueryTypes.SELECT,
        transaction,
      })) as [{ own: number }];
      name(own);
      await killed;
      await db.clubs.update({ name: 'lost' }, { where: { id }, transaction });
    });
    expect(tries).toBe(2);
    expect((await db.clubs.findByPk(id))?.name).toBe('try 2');
  });
  it('does not begin again when the connection is lost while committing: what was done may stand', async () => {
    const lost = Object.assign(new Error('gone'), { parent: { fatal: true } });
    let tries = 0;
    const away = {
      ...db,
      sequelize: {
        transaction: async (run: (transaction: unknown) => Promise<unknown>) => {
          await run({});
          throw lost;
        },
      },
    } as unknown as Database;
    await expect(transact(away, () => Promise.resolve(++tries))).rejects.toBe(lost);
    expect(tries).toBe(1);
  });
  it('gives rows as their types say: truth values, dates as text, instants', async () => {
    const [row] = await db.sequelize.query(
      "SELECT CAST('2027-03-06' AS DATE) AS day, CAST('2027-03-06 10:20:30.456' AS DATETIME(3)) AS at, 1 AS first",
      { type: QueryTypes.SELECT },
    );
    expect(row).toEqual({ day: '2027-03-06', at: new Date('2027-03-06T10:20:30.456Z'), first: 1 });
    const user = uuid();
    await db.people.create({
      id: user,
      clubId: (await aClub()).id,
      name: 'x',
      email: null,
      mayContact: true,
      erasedAt: null,
    } as never);
    expect(await db.people.findOne({ where: { id: user }, raw: true })).toMatchObject({
      mayContact: true,
      erasedAt: null,
    });
  });
  it('knows a duplicate from other errors', async () => {
    const id = uuid();
    await db.clubs.create(club(id));
    const duplicate: unknown = await db.clubs.create(club(id)).catch((error: unknown) => error);
    expect(isDuplicate(duplicate)).toBe(true);
    const wrong: unknown = await db.sequelize
      .query('SELECT nothing FROM nowhere', { type: QueryTypes.SELECT })
      .catch((error: unknown) => error);
    expect(isDuplicate(wrong)).toBe(false);
    expect(databaseErrno(wrong)).toBe(1146);
    expect(databaseErrno(null)).toBeNull();
  });
});

describe('openDatabase', () => {
  it('asks for an address it can use', () => {
    expect(() => openDatabase('postgres://x')).toThrow('must start with mariadb://');
  });
  it('reports a database that is away within seconds', async () => {
    const away = openDatabase('mariadb://x:x@127.0.0.1:9/x');
    const from = Date.now();
    await expect(away.clubs.findAll()).rejects.toThrow();
    expect(Date.now() - from).toBeLessThan(6000);
    await away.sequelize.close();
  });
});
