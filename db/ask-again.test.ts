import { QueryTypes, type Sequelize } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { askAgain } from './ask-again';
import { openDatabase, type Database } from './database';
import { databaseErrno } from './database-errno';

let db: Database;
beforeAll(() => {
  db = openDatabase(inject('databaseUrl'));
});
afterAll(() => db.sequelize.close());

const refusedWith = (errno: number): Error => Object.assign(new Error(`errno ${errno}`), { parent: { errno } });
const lost = (): Error => Object.assign(new Error('lost'), { parent: { code: 'ER_SOCKET_UNEXPECTED_CLOSE' } });

/** A pool that fails with each of `errors` in turn and then answers; counts how often it was asked. */
function failing(errors: Error[]): { ask: (options: object) => Promise<unknown>; asked: () => number } {
  let asked = 0;
  const pool = {
    query: () => {
      const error = errors[asked++];
      return error ? Promise.reject(error) : Promise.resolve('answer');
    },
  } as unknown as Sequelize;
  askAgain(pool);
  return { ask: (options) => pool.query('x', options) as Promise<unknown>, asked: () => asked };
}

describe('askAgain', () => {
  it.each([1213, 1205, 1047])('asks again what the database says it has not done, also a write: %i', async (errno) => {
    const { ask, asked } = failing([refusedWith(errno)]);
    expect(await ask({ type: QueryTypes.INSERT })).toBe('answer');
    expect(asked()).toBe(2);
  });
  it('reads again when the connection was lost, and never repeats a write that may have been done', async () => {
    const read = failing([lost(), lost()]);
    expect(await read.ask({ type: QueryTypes.SELECT })).toBe('answer');
    expect(read.asked()).toBe(3);
    const write = failing([lost()]);
    await expect(write.ask({ type: QueryTypes.UPDATE })).rejects.toThrow('lost');
    expect(write.asked()).toBe(1);
  });
  it('gives up after three, and at once what will not get better', async () => {
    const dead = failing([lost(), lost(), lost(), lost()]);
    await expect(dead.ask({ type: QueryTypes.SELECT })).rejects.toThrow('lost');
    expect(dead.asked()).toBe(3);
    const wrong = failing([refusedWith(1064)]);
    await expect(wrong.ask({ type: QueryTypes.SELECT })).rejects.toThrow('1064');
    expect(wrong.asked()).toBe(1);
    const away = failing([
      Object.assign(lost(), { name: 'SequelizeConnectionRefusedError', parent: { code: 'ECONNREFUSED' } }),
    ]);
    await expect(away.ask({ type: QueryTypes.SELECT })).rejects.toThrow('lost');
    expect(away.asked()).toBe(1);
  });
  it('tries once more, also a write, where a connection was not made in time, and not for ever', async () => {
    const late = (): Error =>
      Object.assign(refusedWith(45012), {
        name: 'SequelizeConnectionError',
        parent: { errno: 45012, sqlState: '08S01' },
      });
    const busy = failing([late()]);
    expect(await busy.ask({ type: QueryTypes.UPDATE })).toBe('answer');
    expect(busy.asked()).toBe(2);
    const away = failing([late(), late(), late()]);
    await expect(away.ask({ type: QueryTypes.SELECT })).rejects.toThrow('45012');
    expect(away.asked()).toBe(2);
  });
  it('leaves a transaction to be begun again as a whole', async () => {
    const { ask, asked } = failing([refusedWith(1213)]);
    await expect(ask({ type: QueryTypes.SELECT, transaction: {} })).rejects.toThrow('1213');
    expect(asked()).toBe(1);
  });
  it('reads on over a connection that was ended under it', async () => {
    const marker = uuid();
    const asked = db.sequelize.query<{ answer: string }>(`SELECT '${marker}' AS answer, SLEEP(0.4)`, {
      type: QueryTypes.SELECT,
    });
    await new Promise((resolve) => setTimeout(resolve, 150));
    const [running] = await db.sequelize.query<{ id: number }>(
      'SELECT id FROM information_schema.processlist WHERE info LIKE :like AND id <> CONNECTION_ID()',
      { replacements: { like: `SELECT '${marker}'%` }, type: QueryTypes.SELECT },
    );
    await db.sequelize.query(`KILL CONNECTION ${running!.id}`, { type: QueryTypes.RAW });
    expect(await asked).toMatchObject([{ answer: marker }]);
  });
});

describe('a database that goes silent', () => {
  it('is given up after the time a page has, and a patient pool waits', async () => {
    const impatient = openDatabase(inject('databaseUrl'), { silence: 2000 });
    const from = Date.now();
    await expect(
      impatient.sequelize.query('DO SLEEP(20)', { type: QueryTypes.RAW }).finally(() => impatient.sequelize.close()),
    ).rejects.toThrow(/timeout/);
    expect(Date.now() - from).toBeLessThan(4000);
    const patient = openDatabase(inject('databaseUrl'), { silence: 0 });
    await patient.sequelize.query('DO SLEEP(2.5)', { type: QueryTypes.RAW }).finally(() => patient.sequelize.close());
  });
  it('tells who waits for a row so before the connection is given up', async () => {
    const id = uuid();
    await db.clubs.create({ id, name: 'x', createdAt: new Date() } as never);
    const impatient = openDatabase(inject('databaseUrl'), { silence: 2000 });
    const holder = await db.sequelize.transaction();
    await db.clubs.update({ name: 'held' }, { where: { id }, transaction: holder });
    const waiter = await impatient.sequelize.transaction();
    const refused: unknown = await impatient.clubs
      .update({ name: 'waited' }, { where: { id }, transaction: waiter })
      .catch((error: unknown) => error);
    await waiter.rollback();
    await holder.rollback();
    await impatient.sequelize.close();
    expect(databaseErrno(refused)).toBe(1205);
  });
});
