import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { openDatabase, type Database } from './database';
import { databaseErrno, isDuplicate, transact } from './transact';

let db: Database;
beforeAll(() => {
  db = openDatabase(inject('databaseUrl'));
});
afterAll(() => db.sequelize.close());

const club = (id: string, name = 'x') => ({ id, name, createdAt: new Date() });

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
