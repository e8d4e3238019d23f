import { spawn, spawnSync } from 'node:child_process';
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { type Database, openDatabase } from '@/db/database';
import { migrate, pendingMigrations } from '@/db/migrate';
import { loadDemo } from '@/demo/load-demo';
import { ASSISTANT, LEAD, VIEWER } from '@/demo/scenario';
import { madeWith } from '@/core/methods/made-with';
import { methodById } from '@/core/methods/registry';
import { variantsOn } from '@/server/plan/taught';
import type { Context, Services } from '@/server/platform/context';
import { rebuildUnionFacts } from '@/server/platform/union-facts';
import { erasePersonRows } from '@/server/club/erase-person';
import { deedLogIn } from '@/server/platform/deed-log';
import { erasedListIn } from '@/server/platform/erased-list';
import { changeMember } from '@/server/club/members';
import { changePassword } from '@/server/club/passwords';
import { changeSeat } from '@/server/plan/seats';
import { askByItself } from '@/server/follow-up/letters/due-letters';
import { FREE_TEXTS } from '@/server/club/free-texts';
import { EXPORTS, exportCsv } from '@/server/findings/exports';
import { actorOf, signIn } from '@/server/club/sign-in';
import { folderMail } from '@/stand-ins/mail/folder-mail';
import { simulatedWeather } from '@/stand-ins/weather/simulated-weather';
import { isEncrypted, keepBackupKey } from './backup-encryption';
import { backupsToKeep } from './backup-retention';
import { inWords, makeBackup, removeUnfinished, unpackBackup } from './backup';
import { dumpSchema } from './dump';
import { startMariaDb } from './mariadb';
import { redoDeeds } from './redo-deeds';
import { restoreBackup } from './restore';

const root = join(process.cwd(), '.check', `backups-${process.pid}`);
const data = join(root, 'data');
const PASSWORD = 'heron ladle quartz evening';
let server: Awaited<ReturnType<typeof startMariaDb>>;
let db: Database;
const services = (database: Database, folder: string): Services => ({
  db: database,
  mail: folderMail(join(folder, 'outbox')),
  weather: simulatedWeather,
  erased: erasedListIn(join(folder, 'erased.txt')),
  deeds: deedLogIn(join(folder, 'deeds')),
  publicUrl: 'http://127.0.0.1:3000',
  now: new Date(),
});

async function open(): Promise<void> {
  server = await startMariaDb(data);
  db = openDatabase(server.url);
}
async function close(): Promise<void> {
  await db.sequelize.close();
  await server.stop();
}
/** A sum over every row of every table, but for sessions and limits, which a restore ends. */
async function sums(database: Database): Promise<Record<string, unknown>> {
  const tables = await database.sequelize.query<{ t: string }>(
    "SELECT table_name AS t FROM information_schema.tables WHERE table_schema = DATABASE() AND table_name NOT IN ('sessions', 'rate_limits', 'migration_guard') ORDER BY 1",
    { type: QueryTypes.SELECT },
  );
  const rows = await database.sequelize.query<{ Table: string; Checksum: unknown }>(
    `CHECKSUM TABLE ${tables.map(({ t }) => `\`${t}\``).join(', ')}`,
    { type: QueryTypes.SELECT },
  );
  return Object.fromEntries(rows.map(({ Table, Checksum }) => [Table, Checksum]));
}
async function leadContext(database: Database, folder: string): Promise<Context> {
  const { token } = await signIn(services(database, folder), { email: LEAD.email, password: PASSWORD }, '127.0.0.1');
  return { ...services(database, folder), actor: (await actorOf(services(database, folder), token))! };
}
async function tables(database: Database, folder: string): Promise<string[]> {
  const context = await leadContext(database, folder);
  const workshops = await database.workshops.findAll({ order: [['date', 'ASC']], raw: true });
  return Promise.all(workshops.flatMap(({ id }) => EXPORTS.map((name) => exportCsv(context, id, name))));
}

beforeAll(async () => {
  mkdirSync(data, { recursive: true });
  await open();
  await migrate(db.sequelize);
  await loadDemo(services(db, data), PASSWORD);
}, 120_000);
afterAll(async () => {
  await close();
  rmSync(root, { recursive: true, force: true });
});

describe('a backup', () => {
  it('comes back equal to the byte: every table, every export, every letter', async () => {
    const exported = await tables(db, data);
    const [before, letters] = [await sums(db), readdirSync(join(data, 'outbox')).sort()];
    const file = await makeBackup({ data, url: server.url }, new Date());
    expect(readdirSync(join(data, 'backups')).sort()).toEqual([
      'last-good.json',
      expect.stringMatching(/^pear-bench-\d{8}T\d{6}Z\.tar\.gz$/),
    ]);
    const good = JSON.parse(readFileSync(join(data, 'backups', 'last-good.json'), 'utf8')) as {
      rows: number;
      letters: number;
    };
    expect(good.letters).toBe(letters.length);
    expect(good.rows).toBeGreaterThan(500);
    // What happens after it is undone by it.
    await db.workshops.update({ title: 'Changed since' }, { where: {} });
    await close();
    const tried = await restoreBackup(data, file, { dryRun: true });
    expect(tried).toMatchObject({ migrated: [], erased: 0, replaced: null });
    await open();
    expect(await db.workshops.count({ where: { title: 'Changed since' } })).toBeGreaterThan(0);
    await close();
    const { replaced } = await restoreBackup(data, file);
    expect(existsSync(join(replaced!, 'mariadb'))).toBe(true);
    await open();
    expect(await sums(db)).toEqual(before);
    expect(await tables(db, data)).toEqual(exported);
    expect(readdirSync(join(data, 'outbox')).sort()).toEqual(letters);
    expect(readdirSync(data).filter((name) => name.startsWith('restoring-'))).toEqual([]);
  }, 180_000);
  it('that is older than an erasure brings nobody back, whatever their name was written into', async () => {
    const person = (await db.people.findAll({ raw: true })).find(({ name, email }) => name?.includes(' ') && email)!;
    const { clubId, name, email } = person as { clubId: string; name: string; email: string };
    let planted = 0;
    for (const place of FREE_TEXTS) {
      const model = db[place.model] as typeof db.people;
      const row = (await model.findOne({ where: { clubId } as never, raw: true })) as unknown as Record<
        string,
        unknown
      > | null;
      if (!row) continue;
      const words = Object.fromEntries(place.columns.map((column) => [column, `by ${name}`]));
      const json = Object.fromEntries(
        (place.json ?? []).map((column) => [
          column,
          Array.isArray(row[column])
            ? [...(row[column] as unknown[]), name]
            : { ...(row[column] as object), note: `write to ${email}` },
        ]),
      );
      await model.update(
        { ...words, ...json },
        { where: { clubId, ...Object.fromEntries(place.key.map((part) => [part, row[part]])) } as never },
      );
      planted += place.columns.length + (place.json ?? []).length;
    }
    expect(planted).toBeGreaterThan(30);
    const everything = async (): Promise<string> => {
      const sql = join(root, 'everything.sql');
      await dumpSchema(server.url, sql);
      const letters = readdirSync(join(data, 'outbox')).map((letter) =>
        readFileSync(join(data, 'outbox', letter), 'utf8'),
      );
      return [readFileSync(sql, 'utf8'), ...letters].join('\n');
    };
    expect((await everything()).split(name).length).toBeGreaterThan(20);
    const file = await makeBackup({ data, url: server.url }, new Date());
    await erasePersonRows(services(db, data), clubId, person.id, null);
    for (const secret of [name, email]) expect(await everything(), secret).not.toContain(secret);
    await close();
    expect(await restoreBackup(data, file)).toMatchObject({ erased: 1 });
    await open();
    for (const secret of [name, email]) expect(await everything(), secret).not.toContain(secret);
    // Nor in what lies about the data folder, but for the database's own files and what was kept aside.
    const loose = readdirSync(data, { recursive: true, encoding: 'utf8', withFileTypes: true }).filter(
      (entry) => entry.isFile() && !/\/(mariadb|backups|replaced-[^/]*)(\/|$)/.test(`${entry.parentPath}/`),
    );
    for (const entry of loose)
      expect(readFileSync(join(entry.parentPath, entry.name), 'latin1'), entry.name).not.toContain(name);
    // On a machine that has nothing the list comes with the backup, and an older one brings nobody back there either.
    const later = await makeBackup({ data, url: server.url }, new Date());
    const empty = join(root, 'empty');
    await restoreBackup(empty, later);
    expect(readFileSync(join(empty, 'erased.txt'), 'utf8')).toContain(person.id);
    expect(await restoreBackup(empty, file)).toMatchObject({ erased: 1 });
    expect(readFileSync(join(empty, 'erased.txt'), 'utf8').split(person.id)).toHaveLength(2);
  }, 240_000);
  it('that is older than what people rely on does it again: leave, members, passwords, links and letters', async () => {
    const context = await leadContext(db, data);
    const { clubId } = context.actor;
    await db.workshops.update({ asksAlone: true }, { where: { clubId } });
    const file = await makeBackup({ data, url: server.url }, new Date());
    // Grafts fall due later in the year: rounds are made, and people are written to.
    let sent = 0;
    for (let days = 30; sent === 0 && days < 400; days += 30)
      sent = await askByItself({ ...context, now: new Date(Date.now() + days * 86_400_000) });
    expect(sent).toBeGreaterThan(0);
    const [messages, asks, links] = await Promise.all([
      db.messages.count(),
      db.letterAsks.count(),
      db.reportLinks.count(),
    ]);
    const person = (await db.people.findOne({ where: { clubId, mayContact: true }, raw: true }))!;
    const seat = (await db.seats.findOne({ where: { clubId, personId: person.id }, raw: true }))!;
    await changeSeat(context, seat.workshopId, seat.id, { mayContact: false });
    const assistant = (await db.users.findOne({ where: { email: ASSISTANT.email }, raw: true }))!;
    await changeMember(context, assistant.id, { role: 'none' });
    await changePassword(context, { old: PASSWORD, password: 'otter thimble marble dusk' });
    const letters = readdirSync(join(data, 'outbox')).sort();
    await close();
    const { redone } = await restoreBackup(data, file);
    expect(redone).toEqual({ leave: 1, roles: 1, passwords: 1, letters: sent, keptLeads: 0 });
    await open();
    expect((await db.people.findOne({ where: { id: person.id }, raw: true }))!.mayContact).toBe(false);
    expect(await db.memberships.count({ where: { clubId, userId: assistant.id } })).toBe(0);
    const again = { ...services(db, data), now: new Date(Date.now() + 60_000) };
    await expect(signIn(again, { email: LEAD.email, password: PASSWORD }, '127.0.0.1')).rejects.toThrow();
    await signIn(again, { email: LEAD.email, password: 'otter thimble marble dusk' }, '127.0.0.1');
    expect(await Promise.all([db.messages.count(), db.letterAsks.count(), db.reportLinks.count()])).toEqual([
      messages,
      asks,
      links,
    ]);
    expect(readdirSync(join(data, 'outbox')).sort()).toEqual(letters);
    // On a machine that has nothing, the log comes with a later backup.
    const after = await makeBackup({ data, url: server.url }, new Date());
    const bare = join(root, 'bare');
    await restoreBackup(bare, after);
    expect((await restoreBackup(bare, file)).redone.passwords).toBe(1);
    await db.users.update(
      { passwordHash: (await db.users.findOne({ where: { email: VIEWER.email }, raw: true }))!.passwordHash },
      { where: { email: LEAD.email } },
    );
  }, 240_000);
  it.skipIf(spawnSync('age', ['--version']).error)(
    'is encrypted for a key that the lead keeps, and played back with that key alone',
    async () => {
      const [own, other] = ['own', 'other'].map((name) => join(root, `${name}.key`)) as [string, string];
      for (const file of [own, other]) spawnSync('age-keygen', ['-o', file]);
      const publicKey = /age1\w+/.exec(readFileSync(own, 'utf8'))![0];
      expect(() => keepBackupKey(data, `${publicKey.slice(0, -1)}q`)).toThrow('mistyped');
      expect(() => keepBackupKey(data, 'AGE-SECRET-KEY-1ABC')).toThrow('the secret half');
      expect(() => keepBackupKey(data, 'my key')).toThrow('age-keygen -o');
      keepBackupKey(data, publicKey);
      const file = await makeBackup({ data, url: server.url }, new Date());
      keepBackupKey(data, 'none');
      expect(file).toMatch(/\.tar\.gz\.age$/);
      expect(isEncrypted(file)).toBe(true);
      expect(readFileSync(file, 'latin1')).not.toContain('manifest.json');
      expect(readdirSync(join(data, 'backups')).filter((name) => name.startsWith('making-'))).toEqual([]);
      const there = join(root, 'of-the-key');
      await expect(restoreBackup(there, file, { key: other })).rejects.toThrow(
        'not the one this backup was encrypted for',
      );
      await expect(restoreBackup(there, file, { key: file })).rejects.toThrow('holds no key');
      expect(await restoreBackup(there, file, { key: own, dryRun: true })).toMatchObject({ replaced: null });
    },
    120_000,
  );
  it('never takes the only lead of a club away', async () => {
    const context = await leadContext(db, data);
    const { clubId, userId } = context.actor;
    expect(await redoDeeds(db, [{ what: 'role', clubId, userId, role: 'none' }])).toMatchObject({
      roles: 0,
      keptLeads: 1,
    });
    expect(await db.memberships.count({ where: { clubId, role: 'lead' } })).toBe(1);
  });
  it('of two at once one is made and the other waits to be asked again; one that was killed holds up nobody', async () => {
    const both = await Promise.allSettled([1, 2].map(() => makeBackup({ data, url: server.url }, new Date())));
    expect(both.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    expect(String((both.find(({ status }) => status === 'rejected') as PromiseRejectedResult).reason)).toContain(
      'Another backup is being made',
    );
    // The process of this number is none any more.
    writeFileSync(join(data, 'backups', 'making.lock'), '4194300');
    await makeBackup({ data, url: server.url }, new Date());
    expect(existsSync(join(data, 'backups', 'making.lock'))).toBe(false);
  }, 120_000);
  it('ends its throwaway server with itself, and says a full disk in words', async () => {
    const maker = spawn(process.execPath, ['--import', 'tsx', 'ops/backup-now.ts'], {
      env: { ...process.env, DATABASE_URL: server.url, PEAR_BENCH_DATA: data },
      stdio: 'ignore',
    });
    const proofs = (): string[] =>
      readdirSync(join(data, 'backups'), { recursive: true, encoding: 'utf8' }).filter((name) =>
        name.endsWith('proof/mariadb.pid'),
      );
    await expect.poll(() => proofs().length, { timeout: 60_000, interval: 20 }).toBe(1);
    const pid = Number(readFileSync(join(data, 'backups', proofs()[0]!), 'utf8'));
    maker.kill('SIGKILL');
    await expect.poll(() => existsSync(`/proc/${pid}`), { timeout: 10_000 }).toBe(false);
    await removeUnfinished(join(data, 'backups'));
    expect(readdirSync(join(data, 'backups')).filter((name) => name.startsWith('making-'))).toEqual([]);
    expect(
      String(inWords(Object.assign(new Error('tar failed'), { stderr: 'No space left on device' }), '/data')),
    ).toContain('The disk is full.');
  }, 120_000);
  it('that meets a full disk leaves the last good one, and says so', async () => {
    const there = (): string[] =>
      readdirSync(join(data, 'backups'))
        .filter((name) => name !== 'making.lock')
        .sort();
    const before = there();
    // No file may grow past 60 kB, as on a disk that is full.
    const made = spawnSync(
      'bash',
      ['-c', `trap '' XFSZ; ulimit -f 60; exec ${process.execPath} --import tsx ops/backup-now.ts`],
      { encoding: 'utf8', env: { ...process.env, DATABASE_URL: server.url, PEAR_BENCH_DATA: data } },
    );
    expect(made.status).toBe(1);
    expect(made.stderr).toContain('The backup failed');
    expect(there()).toEqual(before);
  }, 120_000);
  it('that is damaged or none changes nothing', async () => {
    const file = join(
      data,
      'backups',
      readdirSync(join(data, 'backups')).find((name) => name.endsWith('.gz'))!,
    );
    const half = join(root, 'half.tar.gz');
    writeFileSync(half, readFileSync(file).subarray(0, 20_000));
    const none = join(root, 'none.tar.gz');
    writeFileSync(none, 'no backup');
    await close();
    const there = readdirSync(data).sort();
    for (const bad of [half, none]) await expect(restoreBackup(data, bad)).rejects.toThrow();
    expect(readdirSync(data).sort()).toEqual(there);
    await open();
    expect(await db.users.count()).toBe(3);
  }, 120_000);
});

/** Every union carries how it was made, as its workshop and its plan say it was. */
async function expectMaking(context: Context): Promise<void> {
  const { db: old } = context;
  const seats = new Map((await old.seats.findAll({ raw: true })).map((seat) => [seat.id, seat]));
  let checked = 0;
  for (const workshop of await old.workshops.findAll({ raw: true })) {
    const unions = await old.unions.findAll({ where: { workshopId: workshop.id }, raw: true });
    const method = methodById(workshop.method);
    const variant = (await variantsOn(context, workshop))(method);
    for (const union of unions) {
      expect(union).toMatchObject({
        method: workshop.method,
        variant,
        ...madeWith(method, workshop.schools, variant),
        madeOn: workshop.date,
        makerId: seats.get(union.seatId)!.personId,
        position: 'sole',
      });
      checked++;
    }
    const facts = await old.unionFacts.findAll({ where: { workshopId: workshop.id }, order: ['unionId'], raw: true });
    await rebuildUnionFacts(old, context.actor.clubId);
    expect(await old.unionFacts.findAll({ where: { workshopId: workshop.id }, order: ['unionId'], raw: true })).toEqual(
      facts,
    );
  }
  expect(checked).toBeGreaterThan(60);
  for (const { seenOn, recordedAt } of await old.reports.findAll({ raw: true }))
    expect(seenOn).toBe(recordedAt.toISOString().slice(0, 10));
  for (const { method } of await old.judgements.findAll({ raw: true })) expect(method).not.toBe('');
}

describe('demos of earlier releases', () => {
  it.each(readdirSync('demo/releases').filter((name) => name.endsWith('.tar.gz')))(
    '%s comes up in this version',
    async (name) => {
      const folder = join(root, name);
      const { manifest, migrated } = await restoreBackup(folder, join('demo', 'releases', name));
      expect(migrated.length).toBeGreaterThan(0);
      const own = await startMariaDb(folder);
      const old = openDatabase(own.url);
      try {
        expect(await pendingMigrations(old.sequelize)).toEqual([]);
        const context = {
          ...services(old, folder),
          actor: {
            userId: (await old.users.findOne({ where: { email: LEAD.email }, raw: true }))!.id,
            clubId: (await old.clubs.findOne({ raw: true }))!.id,
            role: 'lead' as const,
            name: '',
            clubName: '',
            lengthUnit: 'mm' as const,
            temperatureUnit: 'C' as const,
            sessionId: '',
            confirmedAt: null,
          },
        };
        for (const { id } of await old.workshops.findAll({ raw: true }))
          for (const table of EXPORTS) expect((await exportCsv(context, id, table)).length).toBeGreaterThan(50);
        expect(await old.judgements.count()).toBe(manifest.rows.judgements);
        await expectMaking(context);
      } finally {
        await old.sequelize.close();
        await own.stop();
      }
    },
    120_000,
  );
  it('are packed small', async () => {
    for (const name of readdirSync('demo/releases'))
      expect(readFileSync(join('demo', 'releases', name)).length).toBeLessThan(400_000);
    expect((await unpackBackup('demo/releases/0004-scoring.tar.gz', join(root, 'unpacked'))).migrations).toHaveLength(
      4,
    );
  });
});

describe('backupsToKeep', () => {
  it('keeps the last of seven days, five weeks and twelve months', () => {
    const nights = Array.from({ length: 500 }, (_, i) => new Date(Date.UTC(2027, 5, 30, 3) - i * 86_400_000));
    const kept = backupsToKeep(nights, nights[0]!);
    expect(kept.slice(0, 7)).toEqual(nights.slice(0, 7));
    expect(kept.length).toBeLessThanOrEqual(7 + 5 + 12);
    expect(new Set(kept.map((at) => at.toISOString().slice(0, 7))).size).toBe(12);
    expect(backupsToKeep(kept, nights[0]!)).toEqual(kept);
    expect(backupsToKeep([], nights[0]!)).toEqual([]);
    // Night after night, nothing that is still owed is lost.
    let held: Date[] = [];
    for (const night of [...nights].reverse()) held = backupsToKeep([...held, night], night);
    expect(new Set(held.map((at) => at.toISOString().slice(0, 7))).size).toBe(12);
    expect(held.slice(0, 7)).toEqual(nights.slice(0, 7));
  });
  it('keeps all of two days: a bad afternoon takes none of the good ones before it', () => {
    const now = new Date('2027-06-30T18:00:00Z');
    const hourly = Array.from({ length: 100 }, (_, i) => new Date(now.getTime() - i * 3_600_000));
    const kept = backupsToKeep(hourly, now);
    expect(kept.slice(0, 49)).toEqual(hourly.slice(0, 49));
    // One a day before that.
    expect(kept.slice(49).map((at) => at.toISOString().slice(0, 10))).toEqual(['2027-06-27', '2027-06-26']);
  });
});
