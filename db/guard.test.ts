import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { openDatabase, type Database } from './database';
import { holdGuard } from './guard';
import { transact } from './transact';

let db: Database;
beforeAll(() => {
  db = openDatabase(inject('databaseUrl'));
});
afterAll(() => db.sequelize.close());

const clubOf = (id: string) => ({ id, name: 'open', createdAt: new Date() }) as never;

/** Closes `own` if somebody else is still open, as two leads would leave a club: they write different rows. */
const closeUnlessLast = (guardedBy: string | null, own: string, all: string[]) =>
  transact(db, async (transaction) => {
    if (guardedBy) await holdGuard(db, transaction, guardedBy, 'closing');
    const open = await db.clubs.count({ where: { id: all, name: 'open' }, transaction });
    await new Promise((resolve) => setTimeout(resolve, 100));
    if (open > 1) await db.clubs.update({ name: 'closed' }, { where: { id: own }, transaction });
  });

describe('holdGuard', () => {
  it('lets one decide after the other, though they write different rows', async () => {
    const all = [uuid(), uuid(), uuid()];
    await db.clubs.bulkCreate(all.map(clubOf));
    const guard = uuid();
    await Promise.all(all.map((own) => closeUnlessLast(guard, own, all)));
    expect(await db.clubs.count({ where: { id: all, name: 'open' } })).toBe(1);
    // Without it all would have closed: the case is the one it is for.
    await db.clubs.update({ name: 'open' }, { where: { id: all } });
    await Promise.all(all.map((own) => closeUnlessLast(null, own, all)));
    expect(await db.clubs.count({ where: { id: all, name: 'open' } })).toBe(0);
  });
  it('holds nobody up who decides about something else, or in another club', async () => {
    const [here, elsewhere] = [uuid(), uuid()];
    let hold: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (hold = resolve));
    const first = transact(db, async (transaction) => {
      await holdGuard(db, transaction, here, 'leads');
      await held;
    });
    await transact(db, (transaction) => holdGuard(db, transaction, here, 'letters'));
    await transact(db, (transaction) => holdGuard(db, transaction, elsewhere, 'leads'));
    hold();
    await first;
  });
  it('writes its row each time, which is what a cluster compares', async () => {
    const id = uuid();
    for (let i = 0; i < 3; i++) await transact(db, (transaction) => holdGuard(db, transaction, id, 'leads'));
    const rows = await db.sequelize.query<{ turn: number }>('SELECT turn FROM guards WHERE club_id = :id', {
      replacements: { id },
      type: QueryTypes.SELECT,
    });
    expect(rows.map(({ turn }) => Number(turn))).toEqual([3]);
  });
});
