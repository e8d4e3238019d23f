import { execFileSync } from 'node:child_process';
import { v7 as uuid } from 'uuid';
import { METHODS } from '@/core/methods/registry';
import { drawnPhoto } from '@/demo/demo-scoring';
import { expect, PEOPLE, apiSignIn, signIn, test, workshopIds } from './setup/bench-test';
import { query } from './setup/query';
import { benchOf, enterWhip, judgement, makeDay, strip } from './setup/score-day';

test.beforeEach(async ({ page }) => {
  await signIn(page);
});

for (const method of METHODS) {
  test(`a clean ${method.name} takes six inputs at most from an open seat to saved, by keys and by thumb`, async ({ page, browser, baseURL }) => {
    const day = await makeDay(page, { method: method.id, people: 2, date: '2032-05-10' });
    await page.goto(`/workshops/${day}/score?seat=1`);
    const figures = Object.entries(method.example);
    await expect(page.locator(`[name=${figures[0]![0]}]`)).toBeFocused();
    let inputs = 0;
    for (const [name, value] of figures) {
      await expect(page.locator(`[name=${name}]`)).toBeFocused();
      await page.keyboard.type(String(value));
      await page.keyboard.press('Enter');
      inputs++;
    }
    await expect(page.getByTestId('score')).toHaveText('100');
    await page.keyboard.press('Control+Enter');
    inputs++;
    await expect(page.getByText('1-1 saved.')).toBeVisible();
    expect(inputs, 'by keys').toBeLessThanOrEqual(6);

    // By thumb on a phone: figures picked instead of typed.
    const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true, baseURL: baseURL!, storageState: await page.context().storageState() });
    const hand = await phone.newPage();
    await hand.goto(`/workshops/${day}/score?seat=2`);
    let taps = 0;
    for (let i = 0; i < figures.length; i++) {
      const offered = hand.getByRole('group', { name: /picked instead of measured/ }).getByRole('button');
      const box = (await offered.first().boundingBox())!;
      expect(box.height).toBeGreaterThanOrEqual(44);
      await offered.nth(3).tap();
      taps++;
    }
    await expect(hand.getByTestId('score')).not.toHaveText('–');
    for (const part of await hand.locator('[data-point]').all()) expect((await part.boundingBox())!.height).toBeGreaterThanOrEqual(44);
    await hand.getByRole('button', { name: 'Save, same seat' }).tap();
    taps++;
    await expect(hand.getByText('2-1 saved.')).toBeVisible();
    expect(taps, 'by thumb').toBeLessThanOrEqual(6);
    await expect(strip(hand)).toContainText('Nothing waits');
    await expect.poll(() => query(`SELECT COUNT(*) FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`)).toBe('2');
    expect(query(`SELECT JSON_VALUE(j.measures, '$.${figures[0]![0]}.origin') FROM judgements j JOIN unions u ON u.id = j.union_id JOIN seats s ON s.id = u.seat_id WHERE u.workshop_id = '${day}' AND s.number = 2`)).toBe('picked');
    await phone.close();
  });
}

test('a caliper types figures with a comma and a unit into the bench, its rubbish is told, and strokes are counted without looking', async ({ page, context }) => {
  const day = await makeDay(page, { people: 1 });
  await page.goto(`/workshops/${day}/score?seat=1`);
  await expect(page.locator('[name=stockDiameter]')).toBeFocused();
  const caliper = await context.newPage();
  await caliper.goto('/stand-ins/caliper');
  await caliper.getByLabel('Decimal comma').check();
  await caliper.getByLabel('Sends').selectOption(' mm');
  await caliper.getByRole('button', { name: /^Type .* and Enter/ }).click();
  await expect(page.locator('[name=stockDiameter]')).toHaveValue('9,40 mm');
  await expect(page.locator('[name=scionDiameter]')).toBeFocused();
  // The letters of the unit marked nothing.
  await expect(page.locator('[data-grade="poor"], [data-grade="fatal"]')).toHaveCount(0);
  await caliper.getByRole('button', { name: 'Type rubbish' }).click();
  await expect(page.getByText("Enter the scion's diameter in figures, such as 9.5 or 9,5.").first()).toBeVisible();
  await page.locator('[name=scionDiameter]').fill('9');
  for (const name of ['stockLength', 'scionLength']) await page.locator(`[name=${name}]`).fill('34');
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: /^Count a stroke/ }).filter({ visible: true }).click();
  await expect(page.getByRole('button', { name: /^Strokes: poor/ })).toBeVisible();
  await page.keyboard.press('+');
  await page.keyboard.press('+');
  await expect(page.getByRole('button', { name: /^Strokes: recut/ })).toBeVisible();
  await page.getByRole('button', { name: 'Save, same seat' }).click();
  await expect.poll(() => query(`SELECT strokes, seconds IS NOT NULL FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`)).toBe('5\t1');
});

test('the room suggests whom to see, finds by number, name, tag and a photographed tag, and shows who is ready', async ({ page }) => {
  const day = await makeDay(page, { people: 5 });
  const bench = await benchOf(page.request, day);
  const put = async (seat: number, number: number, marks: object = {}): Promise<void> => expect((await page.request.put(`/api/judgements/${uuid()}`, { data: judgement(day, bench.seats[seat]!.id, number, marks) })).ok()).toBe(true);
  for (const n of [1, 2, 3]) await put(0, n);
  await put(1, 1, { hold: 'fatal' });
  await put(1, 2);
  await page.goto(`/workshops/${day}/score`);
  const next = page.getByRole('region', { name: 'See next' }).getByRole('listitem');
  // Never seen goes first; then whoever just got over a fatal fault; whoever is ready last.
  await expect(next.nth(0)).toContainText('not seen yet');
  await expect(next.nth(3)).toContainText('just over a fatal fault');
  await expect(page.getByText('1 of 5 ready for living wood', { exact: false })).toBeVisible();
  await expect(page.getByRole('button', { name: /^Seat 1, .*ready/ })).toBeVisible();
  await next.nth(0).getByRole('button').click();
  await expect(page.getByTestId('called')).toHaveText('3-1');
  await page.getByRole('button', { name: 'The room' }).click();

  const find = page.getByLabel('Find by seat, name or tag');
  await find.fill('4');
  await find.press('Enter');
  await expect(page.getByTestId('called')).toHaveText('4-1');
  await page.getByRole('button', { name: 'The room' }).click();
  await find.fill('tans');
  await page.getByRole('list', { name: 'Found' }).getByRole('button').click();
  await expect(page.getByTestId('called')).toHaveText('5-1');
  await page.getByRole('button', { name: 'The room' }).click();
  await find.fill('nobody of that name');
  await find.press('Enter');
  await expect(page.getByText('Nothing in this club is called')).toBeVisible();

  // A tag of another workshop leads there.
  const { past } = await workshopIds(page);
  const code = query(`SELECT code FROM plants WHERE workshop_id = '${past}' AND voided_at IS NULL LIMIT 1`);
  await page.goto(`/workshops/${day}/score`);
  await page.getByRole('button', { name: 'Scan a tag' }).click();
  await expect(page.getByText('No camera can be used here')).toBeVisible();
  const pdf = await (await page.request.get(`/api/workshops/${past}/tags?paper=A4&code=${code}`)).body();
  const png = execFileSync('pdftoppm', ['-png', '-r', '200', '-singlefile', '-'], { input: pdf, maxBuffer: 50_000_000 });
  await page.getByLabel('From a photo').setInputFiles({ name: 'nothing.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText('This file is no picture the browser can open')).toBeVisible();
  await page.getByLabel('From a photo').setInputFiles({ name: 'tag.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByRole('link', { name: /Pears and medlars on the bench/ })).toBeVisible({ timeout: 15_000 });
});

test('a union drawn for two is scored blind: the second assessor sees no score anywhere before theirs, then both see both', async ({ page, browser, baseURL }) => {
  const day = await makeDay(page, { people: 2 });
  await page.goto(`/workshops/${day}/score/settings`);
  await page.getByLabel('How many, drawn by chance').selectOption('1');
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
  const seats = (await benchOf(page.request, day)).seats;
  // 62.79 is a score no other union has.
  const first = uuid();
  expect((await page.request.put(`/api/judgements/${first}`, { data: judgement(day, seats[0]!.id, 1, { hold: 'poor', tongue: 'poor', daylight: 'poor', clean: 'poor', wood: 'poor', strokes: 'poor', 'cut-length': 'poor', flatness: 'poor' }) })).ok()).toBe(true);
  const secret = String(Math.round(Number(query(`SELECT score FROM judgements WHERE id = '${first}'`)) * 1000) / 1000).slice(0, 5);
  const other = await browser.newContext({ baseURL: baseURL! });
  const joss = await other.newPage();
  await signIn(joss, 'assistant');
  const heard: string[] = [];
  joss.on('response', (response) => void response.text().then((text) => heard.push(text), () => undefined));
  for (const path of ['', '?seat=1', '/readiness', '/cards', '/agreement', '/rubric']) {
    await joss.goto(`/workshops/${day}/score${path}`);
    await joss.waitForLoadState('networkidle');
    expect(await joss.locator('body').innerText()).not.toContain(secret.slice(0, 4));
  }
  const wall = await joss.request.get(`/wall/${day}`);
  const events = await joss.evaluate((address) => new Promise<string>((resolve) => { const source = new EventSource(address); source.onmessage = ({ data }) => { source.close(); resolve(String(data)); }; }), `/api/workshops/${day}/wall`);
  heard.push(await wall.text(), events);
  for (const call of [`/api/workshops/${day}/bench`, `/api/workshops/${day}/export/unions.csv`, `/api/workshops/${day}/export/judgements.csv`]) heard.push(await (await joss.request.get(call)).text());
  heard.push(execFileSync('pdftotext', ['-layout', '-', '-'], { input: await (await joss.request.get(`/api/workshops/${day}/cards?paper=A4`)).body() }).toString());
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

test('agreement is told with figures and in words, and a recalibration set shows the rubric only after the answer', async ({ page }) => {
  const { past } = await workshopIds(page);
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

test('a rubric whose weights do not add up is refused; a changed one is tried on past unions, saved, and scored again by', async ({ page }) => {
  const { past } = await workshopIds(page);
  await page.goto(`/workshops/${past}/score/rubric`);
  const weight = (point: string) => page.getByLabel(`Weight of ${point}`, { exact: true });
  await weight('Hold').fill('12');
  await expect(page.getByTestId('sum')).toHaveText('104');
  await expect(page.getByText('4 too many: they have to add up to 100')).toBeVisible();
  await expect(page.getByRole('button', { name: 'Save the rubric' })).toBeDisabled();
  expect((await page.request.put('/api/rubrics/whip-and-tongue', { data: { changeId: uuid(), version: 0, edits: { weights: { hold: 12 } } } })).status()).toBe(422);
  await weight('Cambium').fill('26');
  await page.getByLabel('Cap of a fatal fault').fill('20');
  await page.getByRole('button', { name: 'Try it on past unions' }).click();
  await expect(page.getByTestId('preview')).toContainText('Ready, and would not be');
  const counted = Number((await page.getByTestId('preview').locator('dd').first().innerText()));
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
  await expect(page.getByText('1 judgements scored again')).toBeVisible();
  expect(query(`SELECT score FROM union_facts WHERE workshop_id = '${day}'`)).toBe('40');
  expect(query(`SELECT COUNT(*), COUNT(DISTINCT rubric_id) FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`)).toBe('2\t2');
  await page.getByRole('button', { name: 'Score this workshop again by it' }).click();
  await expect(page.getByText('stand by this rubric already')).toBeVisible();
});

test.describe('pictures', () => {
  test.use({ expectedNoise: /status of 422/ });
  test('a picture is kept without what the camera wrote, measured on, and its figures go into a correction; a second look is set beside', async ({ page }) => {
  const day = await makeDay(page, { people: 1, date: '2020-03-14' });
  const [seat] = (await benchOf(page.request, day)).seats;
  await page.request.put(`/api/judgements/${uuid()}`, { data: judgement(day, seat!.id, 1) });
  const [union] = (await benchOf(page.request, day)).unions;
  await page.goto(`/workshops/${day}/score/unions/${union!.id}`);
  const file = page.getByLabel('Picture file');
  await file.setInputFiles({ name: 'no.jpg', mimeType: 'image/jpeg', buffer: Buffer.from('this is no picture') });
  await expect(page.getByText('This file is no picture that can be read')).toBeVisible();
  await file.setInputFiles({ name: 'huge.jpg', mimeType: 'image/jpeg', buffer: Buffer.alloc(8_100_000, 1) });
  await expect(page.getByText('larger than 8 MB')).toBeVisible();
  await file.setInputFiles({ name: 'face.jpg', mimeType: 'image/jpeg', buffer: await drawnPhoto() });
  const picture = page.getByRole('group', { name: /^The picture/ });
  await expect(picture).toBeVisible();
  const at = async (x: number, y: number): Promise<void> => {
    const box = (await picture.boundingBox())!;
    await page.mouse.click(box.x + (x / 1280) * box.width, box.y + (y / 960) * box.height);
  };
  await at(200, 828);
  await at(1000, 828);
  await page.getByLabel('Length of the stretch, mm').fill('40');
  await page.getByRole('button', { name: 'Set the scale' }).click();
  await expect(page.getByText('Scale set: a stretch of ruler of 40 mm.')).toBeVisible();
  // 39 mm apart on a picture of 20 pixels a millimetre.
  await at(214, 430);
  await at(994, 430);
  await expect(page.getByTestId('measured')).toHaveText(/^(38\.[89]|39(\.[01])?) mm$/);
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
  for (const n of [1, 2, 3]) await page.request.put(`/api/judgements/${uuid()}`, { data: judgement(day, bench.seats[0]!.id, n, n < 3 ? { tongue: 'poor' } : {}) });
  await expect(wall.getByTestId('ready')).toHaveText('1 of 2', { timeout: 10_000 });
  await expect(wall.getByRole('heading', { name: 'Right now most often: tongue' })).toBeVisible();
  await expect(wall.locator('body')).not.toContainText('95');
  // The step it comes from, right beside wrong.
  for (const caption of ['Right', '✕ Wrong']) await expect(wall.getByRole('figure').filter({ hasText: caption })).toBeVisible();
  await expect(wall.getByRole('img', { name: /^Tongue, wrong: The blade is pressed and the split runs/ })).toBeVisible();
  await expect(wall.getByRole('img', { name: '3 unions seen' })).toBeVisible();
  const settings = (wallSetting: string, version: number) => page.request.put(`/api/workshops/${day}/plan/scoring`, { data: { changeId: uuid(), version, ready: { last: 3, score: 75 }, blindRate: 0, wall: wallSetting } });
  expect((await settings('names', 0)).ok()).toBe(true);
  await expect(wall.getByText('1 Sedge Marlow 1')).toBeVisible({ timeout: 10_000 });
  expect((await settings('totals', 1)).ok()).toBe(true);
  await expect(wall.getByRole('list', { name: 'Everybody' })).toHaveCount(0, { timeout: 10_000 });
  await expect(wall.getByText('ready for living wood')).toBeVisible();
});

test('everybody gets a card: on paper, and by a private link on a phone without an account', async ({ page, browser, baseURL, request }) => {
  const { past } = await workshopIds(page);
  await page.goto(`/workshops/${past}/score/cards`);
  await page.getByRole('button', { name: /link to Tomasz Irrel/ }).click();
  const link = page.getByRole('dialog').getByRole('link');
  const address = (await link.getAttribute('href'))!;
  expect(new URL(address).pathname).toMatch(/^\/c\/[\w-]{43}$/);
  const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: baseURL! });
  const hand = await phone.newPage();
  await hand.goto(new URL(address).pathname);
  await expect(hand.getByRole('heading', { name: 'Tomasz Irrel' })).toBeVisible();
  for (const heading of ['Your practice unions', 'What to train', 'What goes home with you', 'When to look']) await expect(hand.getByRole('heading', { name: heading })).toBeVisible();
  await expect(hand.getByText('Ona Ferrel')).toHaveCount(0);
  await expect(hand.getByRole('img', { name: 'Flat faces, right' })).toBeVisible();
  await expect(hand.getByRole('img', { name: /^Flat faces, wrong: / })).toBeVisible();
  expect(await hand.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
  await hand.goto(`/c/${'x'.repeat(43)}`);
  await expect(hand.getByText('This link is not one of ours')).toBeVisible();
  await phone.close();
  const pdf = await page.request.get(`/api/workshops/${past}/cards?paper=A4`);
  expect(pdf.headers()['content-type']).toBe('application/pdf');
  const text = execFileSync('pdftotext', ['-layout', '-', '-'], { input: await pdf.body(), maxBuffer: 20_000_000 }).toString();
  for (const part of ['Tomasz Irrel', 'First, attempt 1', 'Last, attempt 5', 'Two things to train', 'What goes home with you']) expect(text).toContain(part);
  expect(execFileSync('pdfinfo', ['-'], { input: await pdf.body() }).toString()).toMatch(/Pages:\s+14/);
  await apiSignIn(request, PEOPLE.viewer);
  expect((await request.get(`/api/workshops/${past}/cards?paper=A4`)).ok()).toBe(true);
});
