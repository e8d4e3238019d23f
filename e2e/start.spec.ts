import { spawn, spawnSync, type ChildProcess } from 'node:child_process';
import { existsSync, readdirSync, readFileSync, rmSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { METHODS } from '@/core/methods/registry';
import { formatDate } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import { ENVIRONMENT, expect, PEOPLE, test, WORLD } from './setup/bench-test';
import { freePort } from '../ops/mariadb';
import { runSql } from './setup/run-sql';

test.describe.configure({ mode: 'serial' });
test.setTimeout(300_000);

const data = join(WORLD, 'start-data');
const empty = join(WORLD, 'start-empty');
const environment = (folder: string): NodeJS.ProcessEnv => {
  return { ...process.env, NODE_ENV: 'production', PEAR_BENCH_DATA: folder };
};

interface Started {
  child: ChildProcess;
  output: () => string;
  url: string;
}

/** Starts, and waits until it has said `words`. */
async function startUntil(words: string, folder: string, ...args: string[]): Promise<Started> {
  const port = await freePort();
  let output = '';
  const child = spawn('./start', ['--port', String(port), ...args], {
    env: environment(folder),
    stdio: ['ignore', 'pipe', 'pipe'],
  });
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk: Buffer) => (output += chunk.toString()));
  await expect
    .poll(() => (child.exitCode !== null ? `ended: ${output}` : output), { timeout: 240_000, intervals: [100] })
    .toContain(words);
  return { child, output: () => output, url: `http://127.0.0.1:${port}` };
}
const start = (folder: string, ...args: string[]): Promise<Started> =>
  startUntil('Pear Bench is ready at', folder, ...args);

async function stopped({ child }: Started, signal: NodeJS.Signals): Promise<void> {
  if (child.exitCode !== null || child.signalCode !== null) return;
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill(signal);
  await ended;
}

const databasePid = (): number => Number(readFileSync(join(data, 'mariadb.pid'), 'utf8'));
const runs = (pid: number): boolean => existsSync(`/proc/${pid}`);
const health = async (url: string): Promise<number> =>
  (await fetch(`${url}/api/health`).catch(() => ({ status: 0 }))).status;

let first: Started | undefined;

// A further try finds nothing of the first.
test.beforeAll(() => {
  for (const name of readdirSync(WORLD).filter((entry) => entry.startsWith('start-'))) {
    const pidFile = join(WORLD, name, 'mariadb.pid');
    if (existsSync(pidFile) && runs(Number(readFileSync(pidFile, 'utf8'))))
      process.kill(Number(readFileSync(pidFile, 'utf8')), 'SIGKILL');
    // A database that was killed this moment may still be writing.
    rmSync(join(WORLD, name), { recursive: true, force: true, maxRetries: 10, retryDelay: 200 });
  }
});

// A test that failed half-way leaves no server behind.
test.afterAll(async () => {
  if (first) await stopped(first, 'SIGKILL');
});

test('starts from nothing with its own database; killed while the demo loads, it loads it afresh the next time', async () => {
  const cut = await startUntil('Loading the demo guild.', data);
  expect(cut.output()).toContain('Setting up the database');
  const loaded = (): number => Number(runSql(data, 'SELECT COUNT(*) FROM plants'));
  // A machine that does much else besides takes its time until the first plant.
  await expect.poll(loaded, { intervals: [100], timeout: 60_000 }).toBeGreaterThan(0);
  await stopped(cut, 'SIGKILL');
  expect(existsSync(join(data, 'demo.loading'))).toBe(true);
  first = await start(data);
  expect(first.output()).toContain('cut off while it was loading');
  expect(first.output()).toContain('Loading the demo guild.');
  expect(runSql(data, 'SELECT COUNT(*) FROM clubs')).toBe('1');
  expect(existsSync(join(data, 'demo.loading'))).toBe(false);
});

test('tells address and sign-ins, and keeps secrets to itself', async () => {
  for (const words of [first!.url, 'maren@tarnholm.example', 'joss@tarnholm.example', 'edda@tarnholm.example'])
    // It may be told a breath after the address.
    await expect.poll(() => first!.output()).toContain(words);
  expect(await health(first!.url)).toBe(200);
  for (const file of readdirSync(data).filter((name) => name.endsWith('.password') || name === 'init.sql'))
    expect(statSync(join(data, file)).mode & 0o777).toBe(0o600);
});

test('a second start in the same checkout says so and leaves the first alone', async () => {
  const second = spawnSync('./start', ['--port', String(await freePort())], {
    env: environment(data),
    encoding: 'utf8',
    timeout: 60_000,
  });
  expect(second.status).toBe(1);
  expect(second.stdout).toContain('already running from this checkout');
  expect(await health(first!.url)).toBe(200);
});

test('a database that is killed comes back by itself while the application runs', async () => {
  const pid = databasePid();
  process.kill(pid, 'SIGKILL');
  await expect.poll(() => health(first!.url), { timeout: 30_000 }).toBe(200);
  expect(databasePid()).not.toBe(pid);
});

test('a database that keeps dying is not started for ever: the start ends and says where to look', async () => {
  const doomed = await start(join(WORLD, 'start-doomed'), '--empty');
  const pidFile = join(WORLD, 'start-doomed', 'mariadb.pid');
  const running = (): number => (existsSync(pidFile) ? Number(readFileSync(pidFile, 'utf8')) : 0);
  let last = 0;
  for (let i = 0; i < 4; i++) {
    await expect
      .poll(async () => running() !== 0 && running() !== last && (await health(doomed.url)) === 200, {
        timeout: 90_000,
      })
      .toBe(true);
    last = running();
    process.kill(last, 'SIGKILL');
  }
  await expect.poll(() => doomed.child.exitCode, { timeout: 60_000 }).toBe(1);
  expect(doomed.output()).toContain('The database keeps stopping.');
});

test('after kill -9 of the application the next start recovers within seconds, with nothing lost', async () => {
  const left = databasePid();
  await stopped(first!, 'SIGKILL');
  expect(runs(left)).toBe(true);
  const from = Date.now();
  first = await start(data);
  const seconds = (Date.now() - from) / 1000;
  expect(first.output()).not.toContain('Loading the demo guild.');
  expect(runs(left)).toBe(false);
  // A third of it on an idle machine; here another file of tests runs beside this one.
  expect(seconds).toBeLessThan(30);
  test.info().annotations.push({ type: 'seconds to ready', description: String(seconds) });
});

test('Ctrl-C stops application and database cleanly', async () => {
  const pid = databasePid();
  await stopped(first!, 'SIGINT');
  expect(first!.child.exitCode).toBe(0);
  expect(first!.output()).toContain('Nothing is lost');
  expect(runs(pid)).toBe(false);
  expect(readFileSync(join(data, 'mariadb.log'), 'utf8')).toContain('Shutdown complete');
});

test('what a new version is about to change is backed up before, and proven', async () => {
  first = await start(data);
  // As if this version had brought the last migration with it.
  runSql(data, "DELETE FROM migrations WHERE name = '0007-turns'");
  await stopped(first, 'SIGINT');
  first = await start(data);
  expect(first.output()).toContain('Backing up before 0007-turns.');
  expect(first.output()).toContain('Database brought up to date: 0007-turns.');
  const [, made] = /Backup made: (\S+)\.\n/.exec(first.output())!;
  expect(statSync(join(data, 'backups', made!.split('/').at(-1)!)).size).toBeGreaterThan(10_000);
  await stopped(first, 'SIGINT');
});

test('--empty starts without the demo, and leads in ten steps and fifteen fields to the first judged union', async ({
  browser,
}) => {
  const started = await start(empty, '--empty');
  const device = await browser.newContext({ timezoneId: 'Europe/Zurich' });
  const page = await device.newPage();
  let fields = 0;
  let steps = 0;
  const fill = async (label: string, value: string): Promise<void> => {
    await page.getByLabel(label, { exact: true }).fill(value);
    fields++;
  };
  const press = async (role: 'button' | 'link', name: string | RegExp): Promise<void> => {
    await page.getByRole(role, { name }).first().click();
    steps++;
  };
  try {
    await page.goto(started.url);
    await expect(page.getByRole('heading', { name: 'Set up your club' })).toBeVisible();
    await fill('Name of the club', 'Mudflat Grafters');
    await fill('Your name', 'Hanne Quay');
    await fill('Your e-mail', 'hanne@mudflat.example');
    await fill('Password', 'otter kettle marble nine');
    await press('button', 'Make the club');
    await page.waitForURL('**/week');
    await expect(page.getByText('No workshop is planned yet')).toBeVisible();
    await press('link', 'Plan a workshop');
    await expect(page.getByLabel('Time zone')).toHaveValue('Europe/Zurich');
    await fill('Name of the site', 'Mudflat shed');
    await press('button', 'Add the site');
    await fill('Title', 'First whips');
    await fill('Date', '2031-03-08');
    await fill('What is grafted', 'pear');
    await fill('On what', 'quince');
    await press('button', 'Plan it');
    await page.waitForURL('**/plan');
    await fill('Walk-in: name', 'Sedge Marlow');
    await press('button', 'Seat them');
    await expect(page.getByRole('row', { name: /Sedge Marlow/ })).toBeVisible();
    await press('link', 'Score');
    await press('button', /Sedge Marlow/);
    for (const [name, value] of Object.entries(METHODS[0]!.example)) {
      await page.locator(`[name=${name}]`).fill(String(value));
      fields++;
    }
    await press('button', 'Save, same seat');
    await expect(page.getByText('1-1 saved.')).toBeVisible();
    expect({ steps: steps <= 10, fields: fields <= 15 }, `${steps} steps, ${fields} fields`).toEqual({
      steps: true,
      fields: true,
    });
  } finally {
    await device.close();
    await stopped(started, 'SIGTERM');
  }
});

test('an outside server is used as it is: demo only when asked, and only into an empty schema', async () => {
  const outside = { ...environment(join(WORLD, 'start-outside')), DATABASE_URL: ENVIRONMENT.DATABASE_URL! };
  const refused = spawnSync('./start', ['--demo', '--port', String(await freePort())], {
    env: outside,
    encoding: 'utf8',
  });
  expect(refused.status).not.toBe(0);
  expect(refused.stderr).toContain('empty schema only');
});

test('--today shows the demo as of another day and lets it run on from there; a club’s own data goes by the real day', async ({
  page,
}) => {
  if (first) await stopped(first, 'SIGTERM');
  const real = new Date();
  const later = new Date(real.getTime() + 160 * 86_400_000).toISOString().slice(0, 10);
  const moved = await start(data, '--today', later);
  expect(moved.output()).toContain(`The clock of the demo is set to ${later}`);
  await page.goto(`${moved.url}/sign-in`);
  await page.getByLabel('E-mail').fill(PEOPLE.lead);
  await page.getByLabel('Password').fill(readFileSync(join(data, 'demo.password'), 'utf8').trim());
  await page.getByRole('button', { name: 'Sign in' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'This week' })).toBeVisible();
  // As the clock of the site has it: in the evening it may be the next day there.
  const move = Date.parse(later) - Date.parse(real.toISOString().slice(0, 10));
  const shown = formatDate(dateInZone(new Date(Date.now() + move), 'Europe/Zurich'));
  await expect(page.getByText(`${shown} to `)).toBeVisible();
  // The browser goes by the same clock: a new day is proposed from there on.
  expect(await page.evaluate(() => Number(document.documentElement.dataset.clockOffset))).toBeGreaterThan(
    159 * 86_400_000,
  );
  // Nothing of the page asks for a server that is being stopped.
  await page.waitForLoadState('networkidle');
  await page.goto('about:blank');
  await stopped(moved, 'SIGTERM');
  first = await start(data);
  expect(first.output()).toContain(`The clock of the demo is set to ${later}`);
  await stopped(first, 'SIGTERM');
  const refusedBack = spawnSync('./start', ['--today', '2020-01-01'], {
    env: environment(data),
    encoding: 'utf8',
    timeout: 120_000,
  });
  expect(refusedBack.status).toBe(2);
  expect(refusedBack.stderr).toContain('cannot go back to 2020-01-01');
  const own = spawnSync('./start', ['--today', later], { env: environment(empty), encoding: 'utf8', timeout: 120_000 });
  expect(own.status).toBe(2);
  expect(own.stderr).toContain('this is the data of a club');
});

test('options that cannot be are refused in words', () => {
  for (const [args, words] of [
    [['--port', 'x'], '--port must be a number'],
    [['--cert', 'none.pem'], 'go together'],
    [['--cert', 'none.pem', '--key', 'none.key'], 'There is no file none.pem'],
    [['--public-url', 'bench'], '--public-url must be an address'],
    [['--speed'], 'Usage: ./start'],
  ] as const) {
    const answer = spawnSync('./start', args, { env: environment(empty), encoding: 'utf8', timeout: 120_000 });
    expect(answer.status).toBe(2);
    expect(answer.stderr).toContain(words);
  }
  rmSync(empty, { recursive: true, force: true });
});
