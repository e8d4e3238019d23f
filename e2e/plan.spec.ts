import { execFileSync } from 'node:child_process';
import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { APIRequestContext } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { CLIMATES } from '@/stand-ins/weather/climates';
import { demoSite, expect, signIn, test, WORLD, workshopIds } from './setup/bench-test';

test.describe.configure({ mode: 'serial' });

/** A workshop of its own with people, wood and stocks, far from the demo's. */
let day = '';
const [woodLot, stockLot] = [uuid(), uuid()];

async function put(request: APIRequestContext, path: string, data: object): Promise<void> {
  const answer = await request.put(path, { data });
  expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true);
}

test('the tag is drawn along the year, and all that hangs on the day follows', async ({ page }) => {
  await signIn(page);
  const siteId = demoSite();
  day = uuid();
  await put(page.request, `/api/workshops/${day}`, {
    title: 'Far islet day',
    date: '2031-03-22',
    siteId,
    method: 'whip-and-tongue',
    promisedKeepers: 2,
    promise: '',
  });
  for (const name of ['Ulla Reed', 'Hob Sedge', 'Tam Willow', 'Wil Marsh'])
    await put(page.request, `/api/workshops/${day}/walk-ins/${uuid()}`, { name, email: '' });
  await put(page.request, `/api/workshops/${day}/wood-lots/${woodLot}`, {
    variety: 'Tall Reed',
    species: 'pear',
    source: 'row 9',
    cutOn: '',
    sticks: 6,
    region: 'Tarn isles',
  });
  await put(page.request, `/api/workshops/${day}/stock-lots/${stockLot}`, {
    stockType: 'Sedge seedling',
    species: 'pear',
    stocks: 12,
  });

  await page.goto(`/workshops/${day}/plan/season`);
  const band = page.getByRole('img', { name: /Whip-and-tongue: .* to / });
  await expect(band).toBeVisible();
  const tag = page.getByRole('slider', { name: 'Day of the workshop' });
  await expect(tag).toHaveAttribute('aria-valuetext', '22 Mar 2031');
  await expect(page.getByText('Whip-and-tongue: in season')).toBeVisible();
  await tag.focus();
  for (let i = 0; i < 7; i++) await page.keyboard.press('ArrowRight');
  await expect(page.getByRole('status').filter({ hasText: 'is tried out' })).toContainText('29 Mar 2031');
  const callus = page.getByRole('listitem').filter({ hasText: 'Callus in the warm' });
  await expect(callus).toContainText('12 Apr 2031');
  await expect(callus).toContainText('moved');
  // Drawn by hand far into summer: out of season, with the reason, and the wood would be cut awake.
  const handle = (await tag.boundingBox())!;
  await page.mouse.move(handle.x + handle.width / 2, handle.y + handle.height / 2);
  await page.mouse.down();
  await page.mouse.move(handle.x + 420, handle.y + handle.height / 2, { steps: 12 });
  await page.mouse.up();
  await expect(page.getByText('Whip-and-tongue: not now')).toBeVisible();
  await expect(page.getByText(/wood for this day would be cut after its buds may swell/)).toBeVisible();
  await page.getByRole('button', { name: 'Back', exact: true }).click();
  await expect(tag).toHaveAttribute('aria-valuetext', '22 Mar 2031');
  await tag.focus();
  await page.keyboard.press('ArrowRight');
  await page.getByRole('button', { name: 'Move the workshop to 23 Mar 2031' }).click();
  await expect(page.getByText('The workshop is on 23 Mar 2031.')).toBeVisible();
  await page.getByLabel('Every method on this wood').check();
  await expect(page.getByRole('img', { name: /Patch bud:/ })).toBeVisible();
});

test('the roster is sorted by its heads as people sort, and searched', async ({ page }) => {
  await signIn(page);
  const workshop = uuid();
  await put(page.request, `/api/workshops/${workshop}`, {
    title: 'Sorted day',
    date: '2031-03-29',
    siteId: demoSite(),
    method: 'whip-and-tongue',
    promisedKeepers: 2,
    promise: '',
  });
  const rest = ['Bram Alder', 'Cleo Rush', 'Dag Sallow', 'Esk Mere'];
  const seated = ['ulla Fen', 'Tam Willow 10', 'Zora Sedge', 'Ödil Reed', 'Tam Willow 9', ...rest];
  for (const name of seated)
    await put(page.request, `/api/workshops/${workshop}/walk-ins/${uuid()}`, { name, email: '' });
  await page.goto(`/workshops/${workshop}/plan`);
  const table = page.getByRole('table').filter({ has: page.getByRole('button', { name: 'Name' }) });
  const names = table.locator('tbody tr td:nth-child(2)');
  const byName = table.getByRole('columnheader', { name: 'Name' });
  await expect(names).toHaveText(seated);
  await byName.getByRole('button').click();
  await expect(byName).toHaveAttribute('aria-sort', 'ascending');
  const sorted = [...rest, 'Ödil Reed', 'Tam Willow 9', 'Tam Willow 10', 'ulla Fen', 'Zora Sedge'];
  await expect(names).toHaveText(sorted);
  await byName.getByRole('button').click();
  await expect(names).toHaveText([...sorted].reverse());
  await byName.getByRole('button').click();
  await expect(names).toHaveText(seated);
  await page.getByRole('searchbox').fill('willow');
  await expect(names).toHaveText(['Tam Willow 10', 'Tam Willow 9']);
  await page.getByRole('searchbox').fill('birch');
  await expect(page.getByText('Nothing here has “birch” in it.')).toBeVisible();
});

test('dates are listed with their sources, and the calendar file counts up instead of doubling', async ({ page }) => {
  await signIn(page);
  await page.goto(`/workshops/${day}/plan/dates`);
  const cut = page.getByRole('listitem').filter({ hasText: 'Cut scion wood: pear' });
  await expect(cut).toContainText('12 Jan 2031');
  await expect(cut).toContainText('Source: usual practice');
  await expect(page.getByRole('listitem').filter({ hasText: 'Order stocks' })).toContainText('No source: our guess');
  await expect(page.getByText('No date of the plan speaks against this day.')).toBeVisible();
  const file = async (): Promise<string> => {
    const download = page.waitForEvent('download');
    await page.getByRole('link', { name: 'Calendar file' }).click();
    return readFileSync((await (await download).path())!, 'utf8');
  };
  const first = await file();
  await put(page.request, `/api/workshops/${day}/date`, { date: '2031-03-22', from: '2031-03-23' });
  const second = await file();
  const uids = (text: string): string[] =>
    text
      .replace(/\r\n[ \t]/g, '')
      .match(/^UID:.*$/gm)!
      .sort();
  expect(uids(second)).toEqual(uids(first));
  expect(second).toContain('SEQUENCE:1');
});

test('a site’s year: normals from CSV with what is wrong said, and what was seen goes first', async ({ page }) => {
  await signIn(page);
  await page.goto('/sites');
  await page.getByLabel('Name of the site').fill('Windy hill');
  // The device's own stands there, and the list has all that the browser knows.
  const zone = page.getByLabel('Time zone');
  await expect(zone).toHaveValue(await page.evaluate(() => Intl.DateTimeFormat().resolvedOptions().timeZone));
  await zone.focus();
  await expect(page.locator('datalist option[value="Europe/Zurich"]')).toHaveCount(1);
  await zone.fill('Europe/Zurich');
  await page.getByRole('button', { name: 'Add the site' }).click();
  await page.getByRole('main').getByRole('link', { name: 'Windy hill' }).click();
  await expect(page.getByText('Nothing can be reckoned without normals')).toBeVisible();
  await page.getByLabel('Take a simulated climate').selectOption({ label: 'Hill village, long winter' });
  await page.getByRole('button', { name: 'Save the year' }).click();
  await expect(page.getByRole('link', { name: 'The simulated year as CSV' })).toBeVisible();
  await page.getByLabel('Species', { exact: true }).fill('mulberry');
  await page.getByLabel('Seen', { exact: true }).selectOption({ label: 'buds swell' });
  await page.getByLabel('On', { exact: true }).fill('2026-05-01');
  await page.getByRole('button', { name: 'Enter what was seen' }).click();
  await expect(page.getByText('mulberry, buds swell').first()).toBeVisible();
  await page.getByLabel('Buds swell, pome kin: value').fill('55');
  await page.getByLabel('Buds swell, pome kin: source').fill('our own book');
  await page.getByRole('button', { name: 'Save the figures' }).click();
  await expect(page.getByRole('row', { name: /Buds swell, pome kin/ })).toContainText('changed here');
});

test.describe('how a bud lives on', () => {
  test.use({ expectedNoise: /status of 422/ });
  test('a day that allows a sleeping and a forced bud asks which is meant, and keeps what was said', async ({
    page,
  }) => {
    await signIn(page);
    const name = `River bank ${uuid().slice(-6)}`;
    const made = await page.request.post('/api/sites', {
      data: { name, hemisphere: 'north', timeZone: 'Europe/Zurich' },
    });
    expect(made.ok()).toBe(true);
    await page.goto('/sites');
    const link = page.getByRole('main').getByRole('link', { name });
    const siteId = (await link.getAttribute('href'))!.split('/').at(-1)!;
    const { normals, lastFrost, firstFrost, frostMargin } = CLIMATES.find((each) =>
      each.name.startsWith('River plain'),
    )!;
    const climate = { normals, lastFrost, firstFrost, frostMargin, source: 'a test', version: 0 };
    expect((await page.request.put(`/api/sites/${siteId}/climate`, { data: climate })).ok()).toBe(true);
    const budDay = uuid();
    const workshop = {
      title: 'Buds in July',
      date: '2031-07-20',
      siteId,
      method: 'chip',
      promisedKeepers: 1,
      promise: '',
    };
    expect((await page.request.put(`/api/workshops/${budDay}`, { data: workshop })).ok()).toBe(true);
    await page.goto(`/workshops/${budDay}/plan/dates`);
    const asked = page.getByRole('group', { name: /which is meant/ });
    await expect(page.getByText(/Chip bud on 20 Jul 2031 can be/)).toBeVisible();
    await asked.getByRole('radio', { name: /^forced to grow at once/ }).check();
    await asked.getByRole('button', { name: 'Save how it lives on' }).click();
    await expect(page.getByRole('button', { name: 'Saved' })).toBeVisible();
    await expect(page.getByText(/Chip bud on 20 Jul 2031 can be/)).toHaveCount(0);
    // What the day does not allow is asked for its reason.
    await page.getByRole('radio', { name: /^with dormant wood in spring/ }).check();
    await page.getByRole('button', { name: 'Save how it lives on' }).click();
    await expect(page.getByText('Say why it is meant so')).toBeVisible();
    await page.getByLabel('Why it is meant so').fill('sticks by post, still asleep');
    await page.getByRole('button', { name: 'Save how it lives on' }).click();
    await expect(page.getByRole('button', { name: 'Saved' })).toBeVisible();
    await page.reload();
    await expect(page.getByRole('radio', { name: /^with dormant wood in spring/ })).toBeChecked();
  });
});

test.describe('files with faults', () => {
  test.use({ expectedNoise: /status of 422/ });
  test('are refused in words, or read with what was put right', async ({ page }) => {
    await signIn(page);
    await page.goto('/sites');
    await page.getByRole('main').getByRole('link', { name: 'Windy hill' }).click();
    const csv = (name: string, text: string): string => {
      const path = join(WORLD, name);
      writeFileSync(path, text);
      return path;
    };
    await page.getByLabel('Read normals from CSV').setInputFiles(csv('bad.csv', 'month,rain\n1,80\n'));
    await expect(page.getByRole('alert').filter({ hasText: 'lowest_c and highest_c are needed' })).toBeVisible();
    const twelve = Array.from({ length: 12 }, (_, i) => `${i + 1},${30 + i},${50 + i}`).join('\n');
    await page
      .getByLabel('Read normals from CSV')
      .setInputFiles(csv('good.csv', `month,lowest_f,highest_f,wind\n${twelve}\n`));
    await expect(page.getByText('Read as °F and kept as °C. Columns not known and left out: wind.')).toBeVisible();

    await page.goto(`/wood/${woodLot}`);
    const log = async (text: string, unit = ''): Promise<void> => {
      await page.getByLabel('CSV file of a logger').setInputFiles(csv('log.csv', text));
      await page.getByLabel('Degrees in the file').selectOption(unit);
      await page.getByRole('button', { name: 'Read the log' }).click();
    };
    const rows = (count: number, skip: (i: number) => boolean): string =>
      Array.from({ length: count }, (_, i) =>
        skip(i)
          ? ''
          : `2031-01-${String(20 + Math.floor(i / 24)).padStart(2, '0')}T${String(i % 24).padStart(2, '0')}:00Z,35\n`,
      ).join('');
    await log(`time,temperature\n${rows(48, () => false)}`);
    await expect(page.getByRole('alert').filter({ hasText: 'whether the temperatures are °C or °F' })).toBeVisible();
    await log(`time,temperature\n${rows(100, (i) => i > 30 && i < 60)}2031-01-20T00:00Z,35\n`, 'F');
    await expect(page.getByRole('status').filter({ hasText: 'Read.' })).toContainText(
      /°F.*out of order in 1 place.*1 repeated time.*1 gap/,
    );
    await expect(page.getByRole('img', { name: /Temperature of the store/ })).toBeVisible();
    await page.getByLabel('Looked at on').fill('2026-11-01');
    await page.getByLabel('Buds', { exact: true }).selectOption({ label: 'buds moving' });
    await page.getByRole('button', { name: 'Enter the look' }).click();
    await expect(page.getByText('Tall Reed on 1 Nov 2026: green under the bark, buds moving.')).toBeVisible();
  });
});

test.describe('quantities', () => {
  test.use({ expectedNoise: /status of (422|409)/ });
  test('follow what is made; short wood is named with what could be given up', async ({ page }) => {
    await signIn(page);
    await page.goto(`/workshops/${day}/plan/quantities`);
    await expect(page.getByText('For 4 people on the roster.')).toBeVisible();
    await page.getByRole('button', { name: 'Change what is made' }).click();
    await page.getByLabel('People expected').fill('0');
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'zero people' })).toBeVisible();
    await page.getByLabel('People expected').fill('12');
    await page.getByLabel('Practice on').selectOption({ label: 'good wood and stocks' });
    await page.getByRole('button', { name: 'Save', exact: true }).click();
    await expect(page.getByText('For 12 people, as expected.')).toBeVisible();
    await expect(page.getByText(/Pear: \d+ sticks needed/)).toBeVisible();
    await expect(page.getByText(/Practise on prunings: \d+ sticks/)).toBeVisible();
    await expect(page.getByText(/Chip bud for the keepers: \d+ sticks/)).toBeVisible();
    await expect(page.getByRole('row', { name: /chlorine solution/ })).toContainText(
      '300 ml of 5 % and 700 ml of water',
    );
    await page.getByLabel('cut-resistant gloves: in store').fill('5');
    await page.getByLabel('cut-resistant gloves: unit price').fill('4,5');
    await page.getByLabel('cut-resistant gloves: in all').fill('14');
    await page.getByRole('button', { name: 'Add a line' }).click();
    await page.getByLabel('Name of the line').fill('tea');
    await page.getByRole('button', { name: 'Save the kit list' }).click();
    await expect(page.getByRole('row', { name: /cut-resistant gloves/ })).toContainText('changed by hand');
    await page.reload();
    await expect(page.getByLabel('cut-resistant gloves: in all')).toHaveValue('14');
    await expect(page.getByLabel('Name of the line')).toHaveValue('tea');
    const pdf = join(WORLD, 'kit.pdf');
    writeFileSync(pdf, await (await page.request.get(`/api/workshops/${day}/plan/kit`)).body());
    const text = execFileSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' });
    for (const words of ['Kit: Far islet day', 'At each seat', 'To buy', 'tea', 'never with acids or ammonia'])
      expect(text).toContain(words);
  });

  test('wood is booked for the workshop and for a person, and never more than there is', async ({ page }) => {
    await signIn(page);
    await page.goto(`/workshops/${day}/plan/wood`);
    await page.getByLabel('Sticks of Tall Reed').fill('4');
    await page.getByRole('button', { name: 'Book Tall Reed' }).click();
    await expect(page.getByText('2 of 6 sticks free.')).toBeVisible();
    await page.getByLabel('Sticks of Tall Reed').fill('3');
    await page.getByRole('button', { name: 'Book Tall Reed' }).click();
    await expect(page.getByRole('alert').filter({ hasText: 'has 2 of 6 sticks free' })).toBeVisible();
    await page.getByLabel('Sticks of Tall Reed').fill('2');
    await page.getByLabel('Who gets Tall Reed').selectOption({ label: '2 Hob Sedge' });
    await page.getByRole('button', { name: 'Book Tall Reed' }).click();
    await expect(page.getByText('2 for 2 Hob Sedge')).toBeVisible();
    await page.getByRole('button', { name: 'Give back 4 sticks of Tall Reed' }).click();
    await expect(page.getByText('4 of 6 sticks free.')).toBeVisible();
  });
});

test('sticks and stocks are measured by a caliper that types, paired, fixed by hand and kept', async ({ page }) => {
  await signIn(page);
  await page.goto(`/workshops/${day}/plan/pairs`);
  await expect(page.getByText('Measure stocks first.')).toBeVisible();
  const caliper = await page.context().newPage();
  await caliper.goto('/stand-ins/caliper');
  await caliper.getByLabel('Decimal comma').check();
  const type = async (mm: number): Promise<void> => {
    await caliper.getByLabel('Opened to, mm').fill(String(mm * 10));
    await caliper.getByRole('button', { name: /^Type .* and Enter$/ }).click();
  };
  const stocks = page.getByRole('region', { name: /^Stocks/ });
  await page.getByLabel('Caliper of the next stock, mm').focus();
  await type(12);
  await expect(stocks.getByRole('button', { name: 'Remove stock 1' })).toBeVisible();
  await type(8.5);
  await expect(stocks.getByText('8.5')).toBeVisible();
  // Rubbish is said and changes nothing.
  await caliper.getByRole('button', { name: 'Type “Er--”' }).click();
  await expect(stocks.getByRole('alert').filter({ hasText: 'is no caliper' })).toBeVisible();
  await type(10);
  await expect(stocks.getByRole('button', { name: 'Remove stock 3' })).toBeVisible();
  await caliper.close();
  const file = join(WORLD, 'sticks.csv');
  writeFileSync(file, 'number,caliper_mm,usable_buds\n1,8.4,3\n2,10.1,3\n3,11.8,3\n');
  await page.getByLabel('sticks from a CSV file').setInputFiles(file);
  await expect(page.getByText('3 sticks read.')).toBeVisible();
  await page.getByRole('button', { name: 'Pair them' }).click();
  await expect(page.getByText(/Paired in/)).toBeVisible({ timeout: 60_000 });
  const row = (stock: string) => page.getByRole('row', { name: new RegExp(stock) });
  await expect(row('1 12 3 11.8')).toBeVisible();
  await expect(row('2 8.5 1 8.4')).toBeVisible();
  await expect(page.getByText(/a union paired, \d+\s% in the order they lie/)).toBeVisible();
  await page.getByLabel('Stick for stock 1').selectOption({ label: 'stick 2, 10.1' });
  await expect(row('1 12 2 10.1')).toBeVisible({ timeout: 60_000 });
  await page.getByRole('button', { name: 'Save the pairs' }).click();
  await expect(page.getByRole('button', { name: 'Save the pairs' })).toBeHidden();
  await page.reload();
  await expect(row('1 12 2 10.1')).toBeVisible();
});

test('benches are moved by mouse and by keys, people seated, and the door sheet names them', async ({ page }) => {
  await signIn(page);
  await page.goto(`/workshops/${day}/plan/benches`);
  const bench = page.getByRole('button', { name: /^Bench 1, 4 places/ });
  const before = (await bench.boundingBox())!;
  await page.mouse.move(before.x + 20, before.y + 20);
  await page.mouse.down();
  await page.mouse.move(before.x + 80, before.y + 60, { steps: 8 });
  await page.mouse.up();
  await expect.poll(async () => Math.round((await bench.boundingBox())!.x - before.x)).toBeGreaterThan(40);
  await bench.focus();
  await page.keyboard.press('Enter');
  await page.waitForTimeout(150);
  await page.keyboard.press('ArrowDown');
  await page.waitForTimeout(150);
  await page.keyboard.press('Enter');
  await page.getByLabel('Another assistant').fill('Joss Pelling');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  // What is done while a save is under way stays, and is saved by the next.
  const save = page.getByRole('button', { name: 'Save the room' });
  await page.route(
    '**/plan/room',
    async (route) => {
      await page.waitForTimeout(1500);
      await route.continue();
    },
    { times: 1 },
  );
  const first = page.waitForResponse('**/plan/room');
  await save.click();
  await page.getByLabel('Another assistant').fill('Edda Late');
  await page.getByRole('button', { name: 'Add', exact: true }).click();
  await page.getByLabel('Another assistant').fill('Third Hand');
  expect((await first).status()).toBe(200);
  await expect(save).toBeEnabled();
  await page.waitForTimeout(1000);
  await expect(page.getByText('Edda Late').first()).toBeVisible();
  await expect(page.getByLabel('Another assistant')).toHaveValue('Third Hand');
  // Disabled while it is saved as well: only its answer says that it is.
  const second = page.waitForResponse('**/plan/room');
  await save.click();
  expect((await second).status()).toBe(200);
  await page.reload();
  await expect(page.getByText('Edda Late').first()).toBeVisible();
  await expect.poll(async () => Math.round((await bench.boundingBox())!.x - before.x)).toBeGreaterThan(40);
  await page.getByRole('button', { name: 'Change the times' }).click();
  await page.getByLabel('Ends at').fill('11:00');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText(/The day overruns by \d+ minutes/)).toBeVisible();
  const pdf = join(WORLD, 'door.pdf');
  writeFileSync(pdf, await (await page.request.get(`/api/workshops/${day}/door-sheet?paper=Letter`)).body());
  const text = execFileSync('pdftotext', ['-layout', pdf, '-'], { encoding: 'utf8' });
  for (const words of ['Far islet day', 'Safety briefing', 'Hob Sedge', 'Bench 1', 'First aid'])
    expect(text).toContain(words);
});

test('the ready check stops the day, names why, and turns as things are done', async ({ page }) => {
  await signIn(page);
  await page.goto(`/workshops/${day}/plan/ready`);
  await expect(page.getByText('4 of 4 have not heard the briefing.')).toBeVisible();
  // The day is far off: nobody knows its weather.
  await expect(page.getByText('simulated weather')).toHaveCount(0);
  await expect(page.getByText('Tall Reed on 1 Nov 2026')).toBeVisible();
  await page.goto(`/workshops/${day}/teach/briefing`);
  await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
  const { past } = workshopIds();
  await page.goto(`/workshops/${past}/plan/ready`);
  await expect(page.getByText('1 of 14 have not heard the briefing.')).toBeVisible();
  await expect(page.getByText('simulated weather')).toBeVisible();
});

test('a viewer sees the plan and can change nothing of it', async ({ page }) => {
  await signIn(page, 'viewer');
  for (const [path, button] of [
    ['season', /Move the workshop/],
    ['quantities', /Change what is made|Save/],
    ['wood', /Book|Add/],
    ['pairs', /Pair them|Add/],
    ['benches', /Save|Change/],
  ] as const) {
    await page.goto(`/workshops/${day}/plan/${path}`);
    await expect(page.getByRole('heading', { level: 1 })).toBeVisible();
    await expect(page.getByRole('main').getByRole('button', { name: button })).toHaveCount(0);
  }
});
