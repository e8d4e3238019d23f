import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type BrowserContext, type Page } from '@playwright/test';
import { seededRandom } from '@/core/chance/seeded-random';
import { CHROMIUM } from '../ops/chromium';
import { startMariaDb } from '../ops/mariadb';
import { DATABASE_PORT, expect, PASSWORD, PEOPLE, signIn, signInByHand, test, WORLD } from './setup/bench-test';
import { query } from './setup/query';
import { benchOf, enterWhip, makeDay, strip } from './setup/score-day';

// A browser of its own for each test: what one has kept on its device is not the next one's.
test.use({
  reuseContext: false,
  serviceWorkers: 'allow',
  expectedNoise: /status of (401|404|5\d\d)|net::ERR_|Failed to fetch/,
});

const kept = (page: Page) =>
  page.evaluate(
    async () =>
      (await caches.keys()).includes('pear-bench-benches-1') &&
      (await (await caches.open('pear-bench-benches-1')).keys()).some((request) => request.url.endsWith('/score')),
  );

test('the bench opens and scores without reception, says what waits, and sends it by itself', async ({ page }) => {
  await signIn(page);
  const day = await makeDay(page);
  await page.goto(`/workshops/${day}/score`);
  await expect(strip(page)).toContainText('Nothing waits on this device');
  await expect.poll(() => kept(page)).toBe(true);
  await page.context().setOffline(true);
  // A phone that was put away: the page is gone and has to come from the device.
  await page.goto('about:blank');
  await page.goto(`/workshops/${day}/score?seat=2`);
  await expect(page.getByTestId('called')).toHaveText('2-1');
  await expect(strip(page)).toContainText('No reception');
  await enterWhip(page, 'in the shed');
  await page.getByRole('button', { name: 'Save, same seat' }).click();
  await expect(page.getByText('2-1 saved.')).toBeVisible();
  await expect(strip(page)).toContainText('1 judgement waits on this device');
  await expect(page.getByTestId('called')).toHaveText('2-2');
  // What waits counts here already: in the attempts, in the room, and after another reload.
  await page.reload();
  await expect(page.getByRole('region', { name: /Attempts of seat 2/ })).toContainText('on this device only');
  await page.getByRole('button', { name: 'The room' }).click();
  await expect(page.getByRole('button', { name: /^Seat 2, .*waits on this device/ })).toBeVisible();
  await strip(page).getByRole('button', { name: 'Show them' }).click();
  await expect(page.getByRole('list', { name: 'What waits' })).toContainText('2-1');
  expect(
    query(`SELECT COUNT(*) FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`),
  ).toBe('0');
  await page.context().setOffline(false);
  await expect(strip(page)).toContainText('Nothing waits on this device', { timeout: 15_000 });
  expect(query(`SELECT note FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`)).toBe(
    'in the shed',
  );
});

test('a judgement taken back before it left never reaches the server; one that left is taken back there', async ({
  page,
}) => {
  await signIn(page);
  const day = await makeDay(page);
  await page.goto(`/workshops/${day}/score?seat=1`);
  await expect(strip(page)).toContainText('Nothing waits');
  await enterWhip(page, 'kept');
  await page.getByRole('button', { name: 'Save, same seat' }).click();
  await expect
    .poll(() =>
      query(`SELECT COUNT(*) FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`),
    )
    .toBe('1');
  await expect(page.getByRole('region', { name: /Attempts of seat 1/ })).not.toContainText('on this device only');
  await page.context().setOffline(true);
  await enterWhip(page, 'a slip of the thumb');
  await page.getByRole('button', { name: 'Save, same seat' }).click();
  await expect(strip(page)).toContainText('waits on this device');
  await page.getByRole('button', { name: 'Take back 1-2' }).click();
  await expect(page.getByText('1-2 taken back')).toBeVisible();
  await page.context().setOffline(false);
  await expect(strip(page)).toContainText('Nothing waits', { timeout: 15_000 });
  const rows = (): string =>
    query(
      `SELECT note, withdrawn_at IS NULL FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`,
    );
  expect(rows()).not.toContain('a slip of the thumb\t1');
});

test('two devices that score one seat without reception leave two judgements and a likely double', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page);
  const day = await makeDay(page);
  const other = await (await browser.newContext({ baseURL: baseURL! })).newPage();
  await signIn(other, 'assistant');
  for (const tab of [page, other]) {
    await tab.goto(`/workshops/${day}/score?seat=1`);
    await expect(strip(tab)).toContainText('Nothing waits');
    await tab.context().setOffline(true);
    await enterWhip(tab, tab === page ? 'by Maren' : 'by Joss');
    await tab.getByRole('button', { name: 'Save, same seat' }).click();
    await expect(strip(tab)).toContainText('waits on this device');
  }
  for (const tab of [page, other]) {
    await tab.context().setOffline(false);
    await expect(strip(tab)).toContainText('Nothing waits', { timeout: 15_000 });
  }
  await page.reload();
  await expect(page.getByRole('region', { name: 'Likely doubles' })).toContainText('1-1 was judged 2 times');
  const { unions } = await benchOf(page.request, day);
  expect(unions[0]!.judgements.map(({ note }) => note).sort()).toEqual(['by Joss', 'by Maren']);
  await other.context().close();
});

test('a session that ran out keeps the queue with its assessor: another who signs in does not send it', async ({
  page,
}) => {
  await signInByHand(page, 'assistant');
  await page.context().clearCookies();
  await signInByHand(page);
  const day = await makeDay(page);
  await page.context().clearCookies();
  await signInByHand(page, 'assistant');
  await page.goto(`/workshops/${day}/score?seat=1`);
  await expect(strip(page)).toContainText('Nothing waits');
  const cookies = await page.context().cookies();
  await page.context().clearCookies();
  await enterWhip(page, 'after the session ran out');
  await page.getByRole('button', { name: 'Save, same seat' }).click();
  await expect(strip(page)).toContainText('You are signed out.');
  await expect(strip(page)).toContainText('1 judgement waits on this device');
  await strip(page).getByRole('link', { name: 'Sign in to send them' }).click();
  await page.getByLabel('E-mail').fill(PEOPLE.lead);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL('**/score');
  await expect(strip(page)).toContainText('1 judgement of Joss Pelling waits here too');
  await page.waitForTimeout(5000);
  expect(query(`SELECT COUNT(*) FROM judgements WHERE note = 'after the session ran out'`)).toBe('0');
  await page.context().clearCookies();
  await page.context().addCookies(cookies);
  await page.goto(`/workshops/${day}/score`);
  await expect(strip(page)).toContainText('Nothing waits', { timeout: 15_000 });
  expect(
    query(
      `SELECT u.name FROM judgements j JOIN users u ON u.id = j.assessor_id WHERE note = 'after the session ran out'`,
    ),
  ).toBe('Joss Pelling');
});

test('a new build meanwhile strands nothing: the kept page has all its parts, and sends what waits', async ({
  page,
}) => {
  await signIn(page);
  const day = await makeDay(page);
  await page.goto(`/workshops/${day}/score`);
  await expect.poll(() => kept(page)).toBe(true);
  await page.context().setOffline(true);
  await page.goto(`/workshops/${day}/score?seat=3`);
  await enterWhip(page, 'before the new build');
  await page.getByRole('button', { name: 'Save, same seat' }).click();
  await expect(strip(page)).toContainText('waits on this device');
  await page.goto('about:blank');
  await page.context().setOffline(false);
  // A server with another build knows none of the old parts, and its pages do not arrive yet.
  await page.context().route('**/_next/static/**', (route) => route.fulfill({ status: 404 }));
  await page.context().route(/\/workshops\/[^/]+\/score/, (route) => route.abort());
  await page.goto(`/workshops/${day}/score`);
  await expect(page.getByRole('button', { name: /^Seat 3/ })).toBeVisible();
  await expect(strip(page)).toContainText('Nothing waits', { timeout: 15_000 });
  expect(query(`SELECT COUNT(*) FROM judgements WHERE note = 'before the new build'`)).toBe('1');
});

const PROFILES = 3;
const EACH = [67, 67, 66];

test('200 judgements from three browsers: lines that break, answers that are lost, a browser and the database killed; each arrives once and whole', async ({
  page,
  baseURL,
}) => {
  test.setTimeout(480_000);
  await signIn(page);
  const day = await makeDay(page, { people: PROFILES, title: 'The day of two hundred' });
  const random = seededRandom(2026);
  const folders = Array.from({ length: PROFILES }, () => mkdtempSync(join(tmpdir(), 'bench-profile-')));
  const open = async (i: number): Promise<{ context: BrowserContext; tab: Page }> => {
    const context = await chromium.launchPersistentContext(folders[i]!, {
      ...CHROMIUM,
      baseURL: baseURL!,
      viewport: { width: 1280, height: 800 },
    });
    const tab = context.pages()[0] ?? (await context.newPage());
    return { context, tab };
  };
  const browsers = await Promise.all(folders.map((_, i) => open(i)));
  for (const [i, { tab }] of browsers.entries()) {
    await signIn(tab, i === 1 ? 'assistant' : 'lead');
    await tab.goto(`/workshops/${day}/score?seat=${i + 1}`);
    await expect(strip(tab)).toContainText('Nothing waits');
    await expect.poll(() => kept(tab)).toBe(true);
    // Some answers are lost after the server has saved, and some requests arrive twice.
    await tab.route('**/api/judgements/*', async (route) => {
      const roll = random();
      if (roll < 0.15) {
        await route.fetch().catch(() => undefined);
        await route.abort('connectionreset').catch(() => undefined);
      } else if (roll < 0.3) {
        await route.fetch().catch(() => undefined);
        await route.continue().catch(() => undefined);
      } else if (roll < 0.4) await route.abort('connectionrefused').catch(() => undefined);
      else await route.continue().catch(() => undefined);
    });
  }
  const scoreSome = async (tab: Page, from: number, to: number, who: number): Promise<void> => {
    for (let n = from; n <= to; n++) {
      await expect(tab.getByTestId('called')).toHaveText(`${who + 1}-${n}`);
      await enterWhip(tab, `profile ${who + 1}, union ${n}`);
      await tab.getByRole('button', { name: 'Save, same seat' }).click();
      await expect(tab.getByText(`${who + 1}-${n} saved.`)).toBeVisible();
      if (random() < 0.12) await tab.context().setOffline(random() < 0.6);
    }
  };
  const half = EACH.map((count) => Math.floor(count / 2));
  // The database dies in the midst of it, and comes back.
  const killed = (async () => {
    await new Promise((resolve) => setTimeout(resolve, 6000));
    process.kill(Number(readFileSync(join(WORLD, 'mariadb.pid'), 'utf8')), 'SIGKILL');
    await new Promise((resolve) => setTimeout(resolve, 5000));
    await startMariaDb(WORLD, { port: DATABASE_PORT });
  })();
  await Promise.all([...browsers.map(({ tab }, i) => scoreSome(tab, 1, half[i]!, i)), killed]);

  // One browser dies with its queue full.
  const third = browsers[2]!;
  await third.context.setOffline(true);
  await scoreOffline(third.tab, half[2]! + 1, half[2]! + 12);
  async function scoreOffline(tab: Page, from: number, to: number): Promise<void> {
    for (let n = from; n <= to; n++) {
      await expect(tab.getByTestId('called')).toHaveText(`3-${n}`);
      await enterWhip(tab, `profile 3, union ${n}`);
      await tab.getByRole('button', { name: 'Save, same seat' }).click();
      await expect(tab.getByText(`3-${n} saved.`)).toBeVisible();
    }
  }
  await expect(strip(third.tab)).toContainText(/\d+ judgements wait/);
  execFileSync('pkill', ['-9', '-f', folders[2]!]);
  await third.context.close().catch(() => undefined);
  browsers[2] = await open(2);
  await browsers[2].tab.goto(`/workshops/${day}/score?seat=3`);

  await Promise.all(
    browsers.map(({ tab }, i) =>
      i === 2 ? scoreSome(tab, half[2]! + 13, EACH[2]!, 2) : scoreSome(tab, half[i]! + 1, EACH[i]!, i),
    ),
  );
  for (const { tab, context } of browsers) {
    await context.setOffline(false);
    await expect(strip(tab)).toContainText('Nothing waits', { timeout: 120_000 });
  }
  const rows = query(
    `SELECT j.id, j.note, s.number, u.number, j.score FROM judgements j JOIN unions u ON u.id = j.union_id JOIN seats s ON s.id = u.seat_id WHERE u.workshop_id = '${day}'`,
  )
    .split('\n')
    .map((line) => line.split('\t'));
  expect(rows).toHaveLength(200);
  expect(new Set(rows.map(([id]) => id)).size).toBe(200);
  const wanted = EACH.flatMap((count, i) =>
    Array.from({ length: count }, (_, n) => `profile ${i + 1}, union ${n + 1} at ${i + 1}-${n + 1}`),
  );
  expect(rows.map(([, note, seat, number]) => `${note} at ${seat}-${number}`).sort()).toEqual(wanted.sort());
  expect(new Set(rows.map(([, , , , score]) => score))).toEqual(new Set(['100']));
  expect(query(`SELECT COUNT(*) FROM union_facts WHERE workshop_id = '${day}' AND score = 100`)).toBe('200');
  for (const { context } of browsers) await context.close();
  for (const folder of folders) rmSync(folder, { recursive: true, force: true });
});
