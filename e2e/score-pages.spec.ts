import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { drawnPhoto } from '@/demo/demo-scoring';
import { expect, PEOPLE, apiSignIn, signIn, test, workshopIds } from './setup/bench-test';
import { query } from './setup/query';
import { benchOf, enterWhip, judgement, makeDay } from './setup/score-day';

test.beforeEach(async ({ page }) => {
  await signIn(page);
});

test('a union drawn for two is scored blind: the second assessor sees no score anywhere before theirs, then both see both', async ({
  page,
  browser,
  baseURL,
}) => {
  const day = await makeDay(page, { people: 2 });
  await page.goto(`/workshops/${day}/score/settings`);
  await page.getByLabel('How many, drawn by chance').selectOption('1');
  // The word stays when the page has what was saved.
  const refreshed = page.waitForResponse((answer) => answer.url().includes('/score/settings?_rsc'));
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await refreshed;
  await expect(page.getByText('Saved.')).toBeVisible();
  const seats = (await benchOf(page.request, day)).seats;
  // 62.79 is a score no other union has.
  const first = uuid();
  expect(
    (
      await page.request.put(`/api/judgements/${first}`, {
        data: judgement(day, seats[0]!.id, 1, {
          hold: 'poor',
          tongue: 'poor',
          daylight: 'poor',
          clean: 'poor',
          wood: 'poor',
          strokes: 'poor',
          'cut-length': 'poor',
          flatness: 'poor',
        }),
      })
    ).ok(),
  ).toBe(true);
  const secret = String(
    Math.round(Number(query(`SELECT score FROM judgements WHERE id = '${first}'`)) * 1000) / 1000,
  ).slice(0, 5);
  const other = await browser.newContext({ baseURL: baseURL! });
  const joss = await other.newPage();
  await signIn(joss, 'assistant');
  const heard: string[] = [];
  joss.on(
    'response',
    (response) =>
      void response.text().then(
        (text) => heard.push(text),
        () => undefined,
      ),
  );
  for (const path of ['', '?seat=1', '/readiness', '/cards', '/agreement', '/rubric']) {
    await joss.goto(`/workshops/${day}/score${path}`);
    await joss.waitForLoadState('networkidle');
    expect(await joss.locator('body').innerText()).not.toContain(secret.slice(0, 4));
  }
  const wall = await joss.request.get(`/wall/${day}`);
  const events = await joss.evaluate(
    (address) =>
      new Promise<string>((resolve) => {
        const source = new EventSource(address);
        source.onmessage = ({ data }) => {
          source.close();
          resolve(String(data));
        };
      }),
    `/api/workshops/${day}/wall`,
  );
  heard.push(await wall.text(), events);
  for (const call of [
    `/api/workshops/${day}/bench`,
    `/api/workshops/${day}/export/unions.csv`,
    `/api/workshops/${day}/export/judgements.csv`,
  ])
    heard.push(await (await joss.request.get(call)).text());
  heard.push(
    execFileSync('pdftotext', ['-layout', '-', '-'], {
      input: await (await joss.request.get(`/api/workshops/${day}/cards?paper=A4`)).body(),
    }).toString(),
  );
  expect(heard.length).toBeGreaterThan(20);
  expect(heard.filter((text) => text.includes(secret) || text.includes(first))).toEqual([]);
  expect((await benchOf(joss.request, day)).unseen).toHaveLength(1);
  const unionId = (await benchOf(joss.request, day)).unseen[0]!.id;
  expect((await joss.request.get(`/workshops/${day}/score/unions/${unionId}`)).status()).toBe(404);

  await joss.goto(`/workshops/${day}/score?seat=1`);
  await expect(joss.getByTestId('called')).toHaveText('1-2');
  await joss.getByRole('button', { name: 'Score 1-1 too' }).click();
  await expect(joss.getByRole('heading', { name: /1-1 .*second assessor/ })).toBeVisible();
  await enterWhip(joss);
  await joss.getByRole('button', { name: 'Save, same seat' }).click();
  const attempts = joss.getByRole('region', { name: /Attempts of seat 1/ }).getByRole('listitem');
  await expect(attempts).toHaveCount(2);
  await expect(attempts.filter({ hasText: 'second assessor' })).toContainText('100');
  await expect(joss.getByRole('region', { name: 'Likely doubles' })).toHaveCount(0);
  await page.goto(`/workshops/${day}/score/agreement`);
  await expect(page.getByRole('heading', { name: 'All assessors, 1 union' })).toBeVisible();
  await expect(page.getByText('Nothing can be told from 1 union')).toBeVisible();
  await other.close();
});

test('agreement is told with figures and in words, and a recalibration set shows the rubric only after the answer', async ({
  page,
}) => {
  const { past } = workshopIds();
  await page.goto(`/workshops/${past}/score/agreement`);
  await expect(page.getByRole('heading', { name: 'What to look at together' })).toBeVisible();
  await expect(page.getByText(/Krippendorff's alpha:/)).toContainText(/0\.\d\d over all marks/);
  await expect(page.getByRole('table').first()).toContainText('Hold');
  await page.goto(`/workshops/${past}/score/agreement/recalibration?set=77`);
  await expect(page.getByRole('heading', { name: 'Recalibration, set 77' })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What was seen' })).toBeVisible();
  expect(await page.locator('main').innerText()).not.toMatch(/otherwise than the rubric|As the rubric has it/);
  await page.getByRole('button', { name: /^Hold: good/ }).click();
  await page.getByRole('button', { name: 'Keep my grades' }).click();
  await expect(page.getByRole('region', { name: /the rubric/ })).toContainText("the rubric's");
  await expect(page.getByRole('button', { name: /^Hold: poor/ })).toBeVisible();
  await page.reload();
  await page.getByRole('button', { name: /^1/ }).first().click();
  await expect(page.getByRole('region', { name: /the rubric/ })).toBeVisible();
});

test('a rubric whose weights do not add up is refused; a changed one is tried on past unions, saved, and scored again by', async ({
  page,
}) => {
  const { past } = workshopIds();
  await page.goto(`/workshops/${past}/score/rubric`);
  const weight = (point: string) => page.getByLabel(`Weight of ${point}`, { exact: true });
  await weight('Hold').fill('12');
  await expect(page.getByTestId('sum')).toHaveText('104');
  await expect(page.getByText('4 too many: they have to add up to 100')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save the rubric' })).toBeDisabled();
  expect(
    (
      await page.request.put('/api/rubrics/whip-and-tongue', {
        data: { changeId: uuid(), version: 0, edits: { weights: { hold: 12 } } },
      })
    ).status(),
  ).toBe(422);
  await weight('Cambium').fill('26');
  await page.getByLabel('Cap of a fatal fault').fill('20');
  await page.getByRole('button', { name: 'Try it on past unions' }).click();
  await expect(page.getByTestId('preview')).toContainText('Ready, and would not be');
  const counted = Number(await page.getByTestId('preview').locator('dd').first().innerText());
  expect(counted).toBeGreaterThan(40);
  await page.getByRole('button', { name: 'Words of Hold' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Shake');
  await page.getByRole('button', { name: 'Take these words' }).click();
  const rows = Number(query('SELECT COUNT(*) FROM judgements'));
  await page.getByRole('button', { name: 'Save the rubric' }).click();
  await expect(page.getByText('Saved. It holds for what is scored from now on.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Shake', { exact: true })).toBeVisible();
  expect(Number(query('SELECT COUNT(*) FROM judgements'))).toBe(rows);
  const day = await makeDay(page, { people: 1 });
  await page.goto(`/workshops/${day}/score?seat=1`);
  await enterWhip(page);
  await page.getByRole('button', { name: /^Shake: good/ }).click();
  await page.getByRole('button', { name: /^Shake: poor/ }).click();
  await expect(page.getByTestId('score')).toHaveText('20');
  await page.getByRole('button', { name: 'Save, same seat' }).click();
  await expect.poll(() => query(`SELECT score FROM union_facts WHERE workshop_id = '${day}'`)).toBe('20');
  // Back to the method's own, and this workshop scored again by it: a row more, the old one kept.
  await page.goto(`/workshops/${day}/score/rubric`);
  await page.getByRole('button', { name: "Back to the method's own" }).click();
  await page.getByRole('button', { name: 'Save the rubric' }).click();
  await expect(weight('Hold')).toHaveValue('8');
  await expect(page.getByText('Saved. It holds for what is scored from now on.')).toBeVisible();
  await page.getByRole('button', { name: 'Score this workshop again by it' }).click();
  await expect(page.getByText('One judgement scored again')).toBeVisible();
  expect(query(`SELECT score FROM union_facts WHERE workshop_id = '${day}'`)).toBe('40');
  expect(
    query(
      `SELECT COUNT(*), COUNT(DISTINCT rubric_id) FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`,
    ),
  ).toBe('2\t2');
  await page.getByRole('button', { name: 'Score this workshop again by it' }).click();
  await expect(page.getByText('stand by this rubric already')).toBeVisible();
});

/**
 * Sets the scale of the drawn photo by its ruler and measures its face, 39 mm at 20 pixels a millimetre.
 * `place` says where a point of the photo lies in the picture as it was given, as shares of its size.
 */
async function measureDrawnPhoto(
  page: Page,
  place: (x: number, y: number) => [number, number],
  [width, height]: [number, number],
): Promise<void> {
  const picture = page.getByRole('group', { name: /^The picture/ });
  await picture.scrollIntoViewIfNeeded();
  const at = async (x: number, y: number): Promise<void> => {
    const box = (await picture.boundingBox())!;
    // A picture lies in the middle of a box that is wider or higher than it is.
    const scale = Math.min(box.width / width, box.height / height);
    const [across, down] = place(x, y);
    await page.mouse.click(
      box.x + box.width / 2 + (across - 0.5) * width * scale,
      box.y + box.height / 2 + (down - 0.5) * height * scale,
    );
  };
  await at(200, 828);
  await at(1000, 828);
  await page.getByLabel('Length of the stretch, mm').fill('40');
  await page.getByRole('button', { name: 'Set the scale' }).click();
  await expect(page.getByText('Scale set: a stretch of ruler of 40 mm.')).toBeVisible();
  await at(214, 430);
  await at(994, 430);
  await expect(page.getByTestId('measured')).toHaveText(/^(38\.[89]|39(\.[01])?) mm$/);
}

test.describe('pictures', () => {
  test.use({ expectedNoise: /status of 422/ });
  test('a picture is kept without what the camera wrote, measured on, and its figures go into a correction; a second look is set beside', async ({
    page,
  }) => {
    const day = await makeDay(page, { people: 1, date: '2020-03-14' });
    const [seat] = (await benchOf(page.request, day)).seats;
    await page.request.put(`/api/judgements/${uuid()}`, { data: judgement(day, seat!.id, 1) });
    const [union] = (await benchOf(page.request, day)).unions;
    await page.goto(`/workshops/${day}/score/unions/${union!.id}`);
    const file = page.getByLabel('Picture file');
    await file.setInputFiles({ name: 'no.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('this is no picture') });
    await expect(page.getByText('Only photographs are kept')).toBeVisible();
    await file.setInputFiles({
      name: 'torn.jpg',
      mimeType: 'image/jpeg',
      buffer: Buffer.concat([Buffer.from([0xff, 0xd8, 0xff, 0xe0]), Buffer.alloc(500, 7)]),
    });
    await expect(page.getByText('This file is no picture that can be read')).toBeVisible();
    await file.setInputFiles({ name: 'huge.jpg', mimeType: 'image/jpeg', buffer: Buffer.alloc(8_100_000, 1) });
    await expect(page.getByText('larger than 8 MB')).toBeVisible();
    await file.setInputFiles({ name: 'face.jpg', mimeType: 'image/jpeg', buffer: await drawnPhoto() });
    const picture = page.getByRole('group', { name: /^The picture/ });
    await expect(picture).toBeVisible();
    await measureDrawnPhoto(page, (x, y) => [x / 1280, y / 960], [1280, 960]);
    await page.getByLabel('Figure it is').selectOption('stockLength');
    await page.getByRole('button', { name: 'Take this figure' }).click();
    await expect(page.getByText(/Taken from the picture: Stock cut (38\.[89]|39(\.[01])?) mm/)).toBeVisible();
    await page.getByRole('button', { name: 'Correct 1-1 with them' }).click();
    await expect(page.getByRole('heading', { name: /1-1 .*correcting/ })).toBeVisible();
    await expect(page.locator('[name=stockLength]')).toHaveValue(/^(38\.[89]|39(\.[01])?)$/);
    await page.getByRole('button', { name: 'Save correction' }).click();
    await expect.poll(() => query(`SELECT COUNT(*) FROM judgements WHERE union_id = '${union!.id}'`)).toBe('2');

    await page.goto(`/workshops/${day}/score/unions/${union!.id}`);
    await page.getByRole('button', { name: 'Enter a second look' }).click();
    await page.getByLabel('Joined, % of the line').fill('140');
    await page.getByLabel('Cut open on').fill('2020-04-04');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByText('A share is 0 to 100 %.').first()).toBeVisible();
    await page.getByLabel('Joined, % of the line').fill('85');
    await page.getByRole('button', { name: 'Keep', exact: true }).click();
    await expect(page.getByRole('region', { name: 'Cut open' })).toContainText('seen 85 %');
  });
  test('a tall picture, which does not fill its box, is measured where one points', async ({ page }) => {
    const day = await makeDay(page, { people: 1, date: '2020-03-15' });
    const [seat] = (await benchOf(page.request, day)).seats;
    await page.request.put(`/api/judgements/${uuid()}`, { data: judgement(day, seat!.id, 1) });
    const [union] = (await benchOf(page.request, day)).unions;
    await page.goto(`/workshops/${day}/score/unions/${union!.id}`);
    // The drawn picture on its side: what lay at (x, y) of 1280 by 960 lies at (960 - y, x).
    await page.getByLabel('Picture file').setInputFiles({
      name: 'tall.jpg',
      mimeType: 'image/jpeg',
      buffer: await sharp(await drawnPhoto())
        .rotate(90)
        .jpeg()
        .toBuffer(),
    });
    const picture = page.getByRole('group', { name: /^The picture/ });
    await expect(picture).toHaveAttribute('viewBox', '0 0 960 1280');
    const box = (await picture.boundingBox())!;
    expect(box.width / box.height).toBeGreaterThan(960 / 1280 + 0.02);
    await measureDrawnPhoto(page, (x, y) => [(960 - y) / 960, x / 1280], [960, 1280]);
  });
});

test('the wall follows the room by itself and names nobody when it is told not to', async ({ page, context }) => {
  const day = await makeDay(page, { people: 2 });
  const bench = await benchOf(page.request, day);
  const wall = await context.newPage();
  await wall.setViewportSize({ width: 1920, height: 1080 });
  await wall.goto(`/wall/${day}`);
  await expect(wall.getByTestId('ready')).toHaveText('0 of 2');
  await expect(wall.getByRole('list', { name: 'Everybody' }).getByRole('listitem')).toHaveCount(2);
  await expect(wall.getByText('Marlow')).toHaveCount(0);
  for (const n of [1, 2, 3])
    await page.request.put(`/api/judgements/${uuid()}`, {
      data: judgement(day, bench.seats[0]!.id, n, n < 3 ? { tongue: 'poor' } : {}),
    });
  await expect(wall.getByTestId('ready')).toHaveText('1 of 2', { timeout: 10_000 });
  await expect(wall.getByRole('heading', { name: 'Right now most often: tongue' })).toBeVisible();
  await expect(wall.locator('body')).not.toContainText('95');
  // The step it comes from, right beside wrong.
  for (const caption of ['Right', '✕ Wrong'])
    await expect(wall.getByRole('figure').filter({ hasText: caption })).toBeVisible();
  await expect(
    wall.getByRole('img', { name: /^Tongue, wrong: The blade is pressed and the split runs/ }),
  ).toBeVisible();
  await expect(wall.getByRole('img', { name: '3 unions seen' })).toBeVisible();
  const settings = (wallSetting: string, version: number) =>
    page.request.put(`/api/workshops/${day}/plan/scoring`, {
      data: { changeId: uuid(), version, ready: { last: 3, score: 75 }, blindRate: 0, wall: wallSetting },
    });
  expect((await settings('names', 0)).ok()).toBe(true);
  await expect(wall.getByText('1 Sedge Marlow 1')).toBeVisible({ timeout: 10_000 });
  expect((await settings('totals', 1)).ok()).toBe(true);
  await expect(wall.getByRole('list', { name: 'Everybody' })).toHaveCount(0, { timeout: 10_000 });
  await expect(wall.getByText('ready for living wood')).toBeVisible();
});

test('everybody gets a card: on paper, and by a private link on a phone without an account', async ({
  page,
  browser,
  baseURL,
  request,
}) => {
  const { past } = workshopIds();
  await page.goto(`/workshops/${past}/score/cards`);
  await page.getByRole('button', { name: /link to Tomasz Irrel/ }).click();
  const link = page.getByRole('dialog').getByRole('link');
  const address = (await link.getAttribute('href'))!;
  expect(new URL(address).pathname).toMatch(/^\/c\/[\w-]{43}$/);
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: baseURL! });
  const hand = await phone.newPage();
  await hand.goto(new URL(address).pathname);
  await expect(hand.getByRole('heading', { name: 'Tomasz Irrel' })).toBeVisible();
  for (const heading of [
    'Your practice unions',
    'What to train',
    'What goes home with you',
    'What to do with it, and when',
  ])
    await expect(hand.getByRole('heading', { name: heading })).toBeVisible();
  await expect(hand.getByText('Ona Ferrel')).toHaveCount(0);
  await expect(hand.getByRole('img', { name: 'Flat faces, right' })).toBeVisible();
  await expect(hand.getByRole('img', { name: /^Flat faces, wrong: / })).toBeVisible();
  expect(await hand.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await hand.goto(`/c/${'x'.repeat(43)}`);
  await expect(hand.getByText('This link is not one of ours')).toBeVisible();
  await phone.close();
  const pdf = await page.request.get(`/api/workshops/${past}/cards?paper=A4`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  const text = execFileSync('pdftotext', ['-layout', '-', '-'], {
    input: await pdf.body(),
    maxBuffer: 20_000_000,
  }).toString();
  for (const part of [
    'Tomasz Irrel',
    'First, attempt 1',
    'Last, attempt 5',
    'Two things to train',
    'What goes home with you',
  ])
    expect(text).toContain(part);
  // One for each of fourteen; whoever takes more home than a page holds has a second one, so that nothing is cut off.
  const pages = text.split('\f').slice(0, -1);
  expect(pages.length).toBeGreaterThanOrEqual(14);
  expect(pages.length).toBeLessThanOrEqual(28);
  expect(pages.filter((page) => page.includes('Your practice unions'))).toHaveLength(14);
  await apiSignIn(request, PEOPLE.viewer);
  expect((await request.get(`/api/workshops/${past}/cards?paper=A4`)).ok()).toBe(true);
});
