import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { expect, signIn, signInByHand, test, WORLD, workshopIds } from './setup/bench-test';
import { query } from './setup/query';

test.use({ serviceWorkers: 'allow', expectedNoise: /status of (401|404|5\d\d)|net::ERR_|Failed to fetch/ });

const alarms = (page: Page) => page.getByRole('region', { name: /past the last day/ });
const strip = (page: Page) => page.getByRole('region', { name: 'Waiting on this device' });
const marksOf = (task: string, where = '') =>
  Number(query(`SELECT COUNT(*) FROM task_marks WHERE task = '${task}' AND undone_at IS NULL ${where}`));

test('after signing in, what wants doing this week stands first: ties past their day, then the plants by place', async ({
  page,
}) => {
  await signInByHand(page);
  await expect(page.getByRole('heading', { name: 'This week', level: 1 })).toBeVisible();
  await expect(alarms(page)).toContainText('Look at the stretch tape');
  await expect(page.getByRole('region', { name: /^Boathouse, Tarnholm/ })).toContainText('shoots of the stock');
  await expect(page.getByRole('complementary', { name: 'Besides the plants' })).toBeVisible();
});

test('one tap marks a task for a whole lot, and is taken back with another', async ({ page }) => {
  await signIn(page);
  await page.goto('/week');
  const before = marksOf('stock-shoots');
  const row = page.getByRole('listitem').filter({ hasText: 'Keep the best one or two shoots' }).first();
  const count = Number(/(\d+) plants? of/.exec(await row.innerText())![1]);
  await row.getByRole('button', { name: /^Done/ }).dblclick();
  await expect(page.getByRole('status').filter({ hasText: 'Marked' })).toContainText('Keep the best one or two shoots');
  await expect.poll(() => marksOf('stock-shoots')).toBe(before + count);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect.poll(() => marksOf('stock-shoots')).toBe(before);
  await expect(row).toContainText(`${count} plant`);
});

test('a tag that is taken out of a tap stays open, and what is left undone says why', async ({ page }) => {
  await signIn(page);
  await page.goto('/week');
  const row = page.getByRole('listitem').filter({ hasText: 'Cut the dead scion out' }).first();
  await row.getByRole('button', { name: /another way/ }).click();
  const tags = row.getByRole('group', { name: /All but these/ }).getByRole('checkbox');
  const count = await tags.count();
  await tags.first().uncheck();
  await row.getByLabel('What became of it').selectOption('skipped');
  await row.getByRole('button', { name: /^Mark/ }).click();
  await expect(row.getByRole('alert')).toContainText('Say why');
  if (count === 1) {
    await tags.first().check();
  }
  await row.getByLabel('Why').fill('the stock is dead too');
  await row.getByRole('button', { name: /^Mark/ }).click();
  await expect.poll(() => marksOf('dead-wood', "AND outcome = 'skipped'")).toBe(Math.max(1, count - 1));
});

/** A device of its own, signed in, with the page of the week kept for no reception. */
async function device(browser: Browser, who: 'lead' | 'assistant', url: string): Promise<Page> {
  const context = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: url });
  const page = await context.newPage();
  await signIn(page, who);
  await page.goto('/week');
  await expect
    .poll(() =>
      page.evaluate(
        async () =>
          (await caches.keys()).includes('pear-bench-benches-1') &&
          (await (await caches.open('pear-bench-benches-1')).keys()).some((request) => request.url.endsWith('/week')),
      ),
    )
    .toBe(true);
  return page;
}

test('two devices without reception mark one task by its tag: it is done once, and both come to rest', async ({
  browser,
  baseURL,
}) => {
  const [maren, joss] = [await device(browser, 'lead', baseURL!), await device(browser, 'assistant', baseURL!)];
  const code = query(
    `SELECT plants.code FROM plants JOIN unions ON unions.plant_id = plants.id
     LEFT JOIN task_marks ON task_marks.union_id = unions.id AND task_marks.task = 'binding-off' AND undone_at IS NULL
     WHERE plants.workshop_id = '${workshopIds().past}' AND voided_at IS NULL AND task_marks.id IS NULL LIMIT 1`,
  ).split('\n')[0]!;
  const before = marksOf('binding-off');
  for (const page of [maren, joss]) {
    await page.context().setOffline(true);
    // A phone that was put away: the page comes from the device.
    await page.goto('about:blank');
    await page.goto('/week');
    await page.getByRole('button', { name: 'Scan a tag' }).click();
    await page.getByRole('button', { name: 'Type the code' }).click();
    await page.getByLabel('Code of the tag').fill(code.toLowerCase());
    const sheet = page.getByRole('dialog');
    await expect(sheet).toContainText('last day was');
    await sheet.getByRole('button', { name: 'Done' }).first().click();
    await sheet.getByRole('button', { name: 'Close' }).click();
    await expect(strip(page)).toContainText('1 entry waits on this device');
  }
  expect(marksOf('binding-off')).toBe(before);
  for (const page of [maren, joss]) await page.context().setOffline(false);
  for (const page of [maren, joss])
    await expect(strip(page)).toContainText('Nothing waits on this device', { timeout: 20_000 });
  expect(marksOf('binding-off')).toBe(before + 1);
  for (const page of [maren, joss]) await page.context().close();
});

test('a tag that is none of ours is told from one with nothing due', async ({ page }) => {
  await signIn(page);
  await page.goto('/week');
  await page.getByRole('button', { name: 'Scan a tag' }).click();
  await page.getByRole('button', { name: 'Type the code' }).click();
  const living = query(
    `SELECT code FROM plants JOIN unions ON unions.plant_id = plants.id JOIN union_facts ON union_facts.union_id = unions.id
     WHERE plants.workshop_id = '${workshopIds().past}' AND voided_at IS NULL AND first_dead_on IS NULL
       AND unions.id IN (SELECT union_id FROM task_marks WHERE task = 'binding-off' AND undone_at IS NULL) LIMIT 1`,
  ).split('\n')[0]!;
  await page.getByLabel('Code of the tag').fill(living);
  await expect(page.getByRole('dialog')).toContainText('Nothing is due on it');
});

test('a plant has a page from its tag’s code: its line, what is due, ties of its own, heights that date tasks', async ({
  page,
}) => {
  await signIn(page);
  const code = query(
    `SELECT plants.code FROM plants JOIN unions ON unions.plant_id = plants.id
     JOIN union_observations ON union_observations.union_id = unions.id AND union_observations.kind = 'height'
     WHERE plants.workshop_id = '${workshopIds().past}' LIMIT 1`,
  ).split('\n')[0]!;
  await page.goto(`/u/${code}`);
  await page.waitForURL(`**/plants/${code}`);
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(`${code.slice(0, 3)} ${code.slice(3)}`);
  await expect(page.getByRole('img', { name: /^Its life from/ })).toBeVisible();
  const ties = page.getByRole('list').filter({ hasText: 'Tie of the label' });
  await expect(ties).toContainText('Tie of the union');
  await page.getByText('Enter what was seen').click();
  await page.getByLabel('What', { exact: true }).selectOption('shortened');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Enter the length as a number.')).toBeVisible();
  await page.getByLabel(/^New height/).fill('180');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Say why: tipped')).toBeVisible();
  await page.getByLabel('Why').fill('tipped to branch');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await page.getByText(/^All of it as a list/).click();
  await expect(page.getByText(/Shortened on purpose: 180 mm: tipped to branch/)).toBeVisible();
  await page.getByRole('button', { name: /^Take back: Shortened on purpose/ }).click();
  await expect
    .poll(() => query("SELECT COUNT(*) FROM union_observations WHERE kind = 'shortened' AND taken_back_at IS NULL"))
    .toBe('0');
});

test('visits are found from the days one can go, and each has a sheet for the phone and on paper', async ({ page }) => {
  await signIn(page);
  await page.goto('/visits');
  const link = page.locator('a[href^="/visits/"]').first();
  await expect(link).toBeVisible();
  await page.getByLabel('Sat').uncheck();
  await page.getByLabel('Tue').check();
  await page.getByLabel('Visits at most').fill('1');
  await page.getByRole('button', { name: 'Find the visits' }).click();
  await expect(page.locator('a[href^="/visits/"]')).toHaveCount(1);
  await page.getByLabel('Tue').uncheck();
  await page.getByLabel('Visits at most').fill('');
  await page.getByRole('button', { name: 'Find the visits' }).click();
  await expect(page.getByRole('alert').filter({ hasText: 'weekday' })).toBeVisible();
  await page.setViewportSize({ width: 390, height: 844 });
  await page.locator('a[href^="/visits/"]').first().click();
  await expect(page.getByRole('heading', { name: 'Bring' })).toBeVisible();
  const done = page.getByRole('button', { name: /^Done/ }).first();
  await done.click();
  await expect(page.getByRole('status').filter({ hasText: 'Marked' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo' }).click();
  const paper = await page.request.get((await page.getByRole('link', { name: 'On paper (A4)' }).getAttribute('href'))!);
  writeFileSync(join(WORLD, 'visit.pdf'), await paper.body());
  const words = execFileSync('pdftotext', ['-layout', join(WORLD, 'visit.pdf'), '-'], { encoding: 'utf8' });
  for (const part of ['Boathouse, Tarnholm', 'Bring:', 'TAKE OFF NOW', 'read and renew the label'])
    expect(words).toContain(part);
});

test('a grower sees the life of a plant behind the private link, and no other’s; a viewer may look and not mark', async ({
  page,
}) => {
  await signIn(page, 'viewer');
  await page.goto('/week');
  await expect(page.getByRole('heading', { name: 'This week', level: 1 })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Done/ })).toHaveCount(0);
  await page.context().clearCookies();
  await signIn(page);
  await page.goto('/outbox');
  await page.getByText('Cilla Varn').first().click();
  const link = (await page.getByRole('link', { name: /\/r\// }).first().getAttribute('href'))!;
  await page.context().clearCookies();
  await page.goto(link);
  await page.getByRole('link', { name: 'Its life' }).first().click();
  await expect(page.getByRole('heading', { name: 'Its life so far' })).toBeVisible();
  const shown = await page.locator('body').innerText();
  for (const name of ['Maren', 'Joss', 'Ona']) expect(shown).not.toContain(name);
  const others = query(
    `SELECT plants.code FROM plants JOIN seats ON seats.id = plants.seat_id JOIN people ON people.id = seats.person_id
     WHERE people.name = 'Ona Ferrel' AND plants.voided_at IS NULL LIMIT 1`,
  ).split('\n')[0]!;
  await page.goto(`${link}/${others}`);
  await expect(page.getByText('This plant is not one of yours')).toBeVisible();
});

test('a stock whose graft died says what can still be done, and is joined by the new union', async ({ page }) => {
  await signIn(page);
  const code = query(
    `SELECT plants.code FROM plants JOIN union_facts ON union_facts.plant_id = plants.id
     WHERE plants.workshop_id = '${workshopIds().past}' AND first_dead_on IS NOT NULL AND contradicted = 0
     AND plants.voided_at IS NULL ORDER BY plants.place LIMIT 1`,
  );
  await page.goto(`/plants/${code}`);
  const chance = page.getByRole('region', { name: 'A second chance' });
  await expect(chance.getByRole('listitem').first()).toContainText('Whip-and-tongue outdoors');
  await expect(chance.getByRole('listitem').first()).toContainText('Cut dormant wood of it from');
  // A stock that was measured leaves out what it is too thick for.
  await expect(chance).toContainText('Measure the stock');
  await page.getByText('Enter what was seen').click();
  await page.getByLabel('What', { exact: true }).selectOption('caliper');
  await page.getByLabel(/^Length/).fill('30');
  await page.getByRole('button', { name: 'Keep it' }).click();
  await expect(page.getByText('Kept.')).toBeVisible();
  await expect
    .poll(async () => {
      await page.reload();
      return chance.innerText();
    })
    .toContain('For its stock of 30 mm.');
  await expect(chance).not.toContainText('Whip-and-tongue');
  await chance.getByLabel('Grafted again by').selectOption({ label: 'Chip bud' });
  await chance.getByRole('button', { name: 'Join it to this plant' }).dblclick();
  await expect(page.getByRole('heading', { level: 2, name: /set after the first died/ })).toBeVisible();
  await expect(chance).toHaveCount(0);
  expect(
    query(`SELECT COUNT(*) FROM unions JOIN plants ON plants.id = unions.plant_id WHERE plants.code = '${code}'`),
  ).toBe('2');
});

test('of two buds on a stock the better is kept, and nothing more is asked of the other', async ({ page }) => {
  await signIn(page);
  const [workshop, plant, code] = query(
    `SELECT workshops.id, plants.id, plants.code FROM plants JOIN workshops ON workshops.id = plants.workshop_id
     JOIN unions ON unions.plant_id = plants.id JOIN union_facts ON union_facts.union_id = unions.id
     WHERE workshops.title = 'Summer buds 2025' AND unions.method = 'chip' AND unions.position = 'sole'
     AND union_facts.first_dead_on IS NULL AND plants.voided_at IS NULL ORDER BY plants.place LIMIT 1`,
  ).split('\t');
  const other = `00000000-0000-4000-8000-${Date.now().toString().slice(-12)}`;
  const added = await page.request.put(`/api/workshops/${workshop}/plants/${plant}/unions/${other}`, {
    data: { method: 'chip', position: 'upper' },
  });
  expect(added.ok()).toBe(true);
  await page.goto(`/plants/${code}`);
  const question = page.getByRole('region', { name: 'Which bud is kept?' });
  await question.getByRole('button', { name: 'Headed back above the lower one' }).click();
  await expect(question).toContainText('The lower one is kept.');
  await expect
    .poll(async () => {
      await page.reload();
      return page.getByRole('heading', { level: 2, name: /the upper one/ }).innerText();
    })
    .toContain('Cut away');
  await expect(question).toHaveCount(0);
  expect(query(`SELECT COUNT(*) FROM union_observations WHERE kind = 'cut-away' AND union_id = '${other}'`)).toBe('1');
});

test('what happened to a plant is told on its page on any day, and taken back', async ({ page }) => {
  await signIn(page);
  const code = query(
    `SELECT plants.code FROM plants JOIN union_facts ON union_facts.plant_id = plants.id
     WHERE plants.workshop_id = '${workshopIds().past}' AND first_dead_on IS NULL AND voided = 0
     ORDER BY plants.place DESC LIMIT 1`,
  );
  const died = () =>
    query(`SELECT COALESCE(MAX(first_dead_on), '') FROM union_facts JOIN plants ON plants.id = union_facts.plant_id
           WHERE plants.code = '${code}'`);
  await page.goto(`/plants/${code}`);
  await page.getByText('What happened to it').click();
  await page.getByLabel('What happened', { exact: true }).selectOption({ label: 'An animal ate or stripped it' });
  await expect(page.getByLabel('The graft is')).toBeVisible();
  await page.getByRole('button', { name: 'Keep it' }).first().dblclick();
  await expect(page.getByText('Kept.')).toBeVisible();
  await expect.poll(died).not.toBe('');
  await page.reload();
  await expect(page.getByRole('heading', { level: 2 }).first()).toContainText('Dead');
  await expect(page.getByRole('region', { name: 'A second chance' })).toBeVisible();
  await page.getByText(/^All of it as a list/).click();
  for (const back of await page.getByRole('button', { name: /^Take back: Died/ }).all()) await back.click();
  await expect.poll(died).toBe('');
});
