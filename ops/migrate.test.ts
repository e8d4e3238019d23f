import { createHash } from 'node:crypto';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { type Model, type ModelStatic, QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { openDatabase, type Database } from '@/db/database';
import { migrate, pendingMigrations } from '@/db/migrate';
import { up as numberTurns } from '@/db/migrations/0007-turns';
import { up as chipCover } from '@/db/migrations/0020-chip-cover';
import { startMariaDb } from './mariadb';

const ALL = [
  '0001-workshop-life',
  '0002-teaching',
  '0003-planning',
  '0004-scoring',
  '0005-faults-and-doors',
  '0006-stamps',
  '0007-turns',
  '0008-guards',
  '0009-rounds-by-variant',
  '0010-union-making',
  '0011-wood-and-edges',
  '0012-learner-questions',
  '0013-aftercare',
  '0014-places',
  '0015-follow-up',
  '0016-causes',
  '0017-keeper-counts',
  '0018-table-changes',
  '0019-topworking-day',
  '0020-chip-cover',
  '0021-more-signs',
  '0022-variant-reason',
  '0023-spoiled-cuts',
  '0024-stop-confirmed',
  '0025-who-has-plants',
  '0026-calendar-addresses',
];
/** Tables that are spoken to without a model. */
const BARE = ['guards', 'migration_guard', 'migrations', 'rate_limits', 'table_changes', 'table_stamps'];
const folder = join(process.cwd(), '.check', `migrate-database-${process.pid}`);
let server: Awaited<ReturnType<typeof startMariaDb>>;
const opened: Database[] = [];
beforeAll(async () => {
  server = await startMariaDb(folder);
}, 60_000);
afterAll(async () => {
  for (const { sequelize } of opened) await sequelize.close();
  await server.stop();
  rmSync(folder, { recursive: true, force: true });
});

/** The address of a schema without a table. */
async function emptySchema(): Promise<string> {
  const { sequelize } = open(server.url);
  for (const what of [
    'DROP DATABASE pear_bench',
    'CREATE DATABASE pear_bench CHARACTER SET utf8mb4 COLLATE utf8mb4_unicode_ci',
  ])
    await sequelize.query(what, { type: QueryTypes.RAW });
  return server.url;
}
function open(url: string): Database {
  // As a start opens it: what changes whole tables takes as long as it takes.
  const db = openDatabase(url, { silence: 0 });
  opened.push(db);
  return db;
}

describe('migrations', () => {
  it('bring an empty database up to date once, and say what is still to do', async () => {
    const { sequelize } = open(await emptySchema());
    expect(await pendingMigrations(sequelize)).toEqual(ALL);
    expect(await migrate(sequelize)).toEqual(ALL);
    expect(await pendingMigrations(sequelize)).toEqual([]);
    expect(await migrate(sequelize)).toEqual([]);
  });
  it('are done by one of several servers that start at the same moment', async () => {
    const url = await emptySchema();
    const done = await Promise.all([1, 2, 3].map(() => migrate(open(url).sequelize)));
    expect(done.flat()).toEqual(ALL);
    expect(done.filter(({ length }) => length > 0)).toHaveLength(1);
  });
  it('wait for a server that is at it, and take over from one that is not heard of any more', async () => {
    const { sequelize } = open(await emptySchema());
    await migrate(sequelize);
    const guard = (sql: string) => sequelize.query(sql, { type: QueryTypes.RAW });
    await guard("UPDATE migration_guard SET holder = 'another', seen_at = NOW(3)");
    let done = false;
    const waiting = migrate(sequelize).then(() => (done = true));
    await new Promise((resolve) => setTimeout(resolve, 700));
    expect(done).toBe(false);
    await guard('UPDATE migration_guard SET seen_at = NOW(3) - INTERVAL 31 SECOND');
    await waiting;
    const [row] = await sequelize.query('SELECT holder FROM migration_guard', { type: QueryTypes.SELECT });
    expect(row).toEqual({ holder: null });
  });
  it('number earlier answers of a union to a round in the order they came', async () => {
    const { sequelize } = open(await emptySchema());
    await migrate(sequelize);
    const run = (sql: string) => sequelize.query(sql, { type: QueryTypes.RAW });
    await run('ALTER TABLE reports ADD KEY of_union (union_id), DROP KEY reports_turn');
    const row = (id: string, union: string, round: string): string =>
      `('${id}', 'c', '${union}', '${round}', 'yes', '', 'link', NOW(3), NOW())`;
    const rows = [row('1', 'a', 'r'), row('2', 'b', 'r'), row('3', 'a', 'r'), row('4', 'a', 's'), row('5', 'a', 'r')];
    await sequelize.transaction(async (transaction) => {
      await sequelize.query('SET FOREIGN_KEY_CHECKS = 0', { type: QueryTypes.RAW, transaction });
      await sequelize.query(
        `INSERT INTO reports (id, club_id, union_id, round_id, answer, note, source, recorded_at, came_on) VALUES ${rows.join(', ')}`,
        { type: QueryTypes.RAW, transaction },
      );
      await sequelize.query('SET FOREIGN_KEY_CHECKS = 1', { type: QueryTypes.RAW, transaction });
    });
    // Twice: a start may be killed in between.
    await numberTurns(sequelize);
    await numberTurns(sequelize);
    const turns = await sequelize.query<{ id: string; turn: number }>('SELECT id, turn FROM reports ORDER BY id', {
      type: QueryTypes.SELECT,
    });
    expect(turns.map(({ id, turn }) => `${id}: ${turn}`)).toEqual(['1: 1', '2: 1', '3: 2', '4: 1', '5: 3']);
  });
  it('write down how the bud of every earlier chip lay, so that none changes its care', async () => {
    const { sequelize } = open(await emptySchema());
    await migrate(sequelize);
    await sequelize.transaction(async (transaction) => {
      const run = (sql: string) => sequelize.query(sql, { type: QueryTypes.RAW, transaction });
      // Rows with nothing but what counts here.
      await run("SET FOREIGN_KEY_CHECKS = 0, sql_mode = ''");
      const union = (id: string, method: string, schools: object): string =>
        `('${id}', '${method}', '${JSON.stringify(schools)}', '${id}')`;
      await run(
        `INSERT INTO unions (id, method, schools, seat_id) VALUES ${[
          union('a', 'chip', {}),
          union('b', 'chip', { 'bud-cover': 'film', knife: 'any' }),
          union('c', 't-bud', { 'bud-cover': 'rubber' }),
        ].join(', ')}`,
      );
      await run(
        `INSERT INTO workshops (id, method, schools) VALUES ('w', 'chip', '{"bud-cover":"rubber"}'), ('x', 'cleft', '{}')`,
      );
      await run(`INSERT INTO rubrics (id, method, content_hash, body) VALUES ('r', 'chip', 'old', '{"fatalCap":40}')`);
      await run('SET FOREIGN_KEY_CHECKS = 1, sql_mode = DEFAULT');
    });
    // Twice: a start may be killed in between.
    await chipCover(sequelize);
    await chipCover(sequelize);
    const schools = async (table: string): Promise<Record<string, unknown>> => {
      const rows = await sequelize.query<{ id: string; json: unknown }>(`SELECT id, schools AS json FROM ${table}`, {
        type: QueryTypes.SELECT,
      });
      return Object.fromEntries(
        rows.map(({ id, json }) => [id, typeof json === 'string' ? (JSON.parse(json) as unknown) : json]),
      );
    };
    expect(await schools('unions')).toEqual({
      a: { 'chip-cover': 'out' },
      b: { 'chip-cover': 'film', knife: 'any' },
      c: { 'bud-cover': 'rubber' },
    });
    expect(await schools('workshops')).toEqual({ w: { 'bud-cover': 'rubber', 'chip-cover': 'rubber' }, x: {} });
    const [rule] = await sequelize.query<{ body: unknown; hash: string }>(
      'SELECT body, content_hash AS hash FROM rubrics',
      { type: QueryTypes.SELECT },
    );
    const body = '{"fatalCap":40,"schools":{"chip-cover":"out"}}';
    expect(typeof rule!.body === 'string' ? rule!.body : JSON.stringify(rule!.body)).toBe(body);
    expect(rule!.hash).toBe(createHash('sha256').update(body).digest('hex'));
  });
  it('leave tables that have exactly the columns the models read and write', async () => {
    const { sequelize, ...models } = open(inject('databaseUrl'));
    const columns = await sequelize.query<{ t: string; c: string }>(
      'SELECT table_name AS t, column_name AS c FROM information_schema.columns WHERE table_schema = DATABASE()',
      { type: QueryTypes.SELECT },
    );
    const inDatabase = new Map<string, string[]>();
    for (const { t, c } of columns) inDatabase.set(t, [...(inDatabase.get(t) ?? []), c]);
    for (const table of BARE) inDatabase.delete(table);
    const inModels = new Map(
      (Object.values(models) as ModelStatic<Model>[]).map((model) => [
        String(model.getTableName()),
        Object.values(model.getAttributes()).map(({ field }) => field!),
      ]),
    );
    expect([...inDatabase.keys()].sort()).toEqual([...inModels.keys()].sort());
    for (const [table, fields] of inModels)
      expect([...fields].sort(), table).toEqual([...inDatabase.get(table)!].sort());
  });
  it('give every table of a club its club, so that no look-up can forget it', async () => {
    const rows = await open(inject('databaseUrl')).sequelize.query<{ t: string }>(
      "SELECT table_name AS t FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name NOT IN (SELECT table_name FROM information_schema.columns WHERE table_schema = DATABASE() AND column_name = 'club_id')",
      { type: QueryTypes.SELECT },
    );
    expect(rows.map(({ t }) => t).sort()).toEqual([
      'account_letters',
      'clubs',
      'known_networks',
      'migration_guard',
      'migrations',
      'password_links',
      'rate_limits',
      'users',
    ]);
  });
});
