import { execFileSync } from 'node:child_process';
import { v7 as uuid } from 'uuid';
import { METHODS } from '@/core/methods/registry';
import { expect, signIn, test, workshopIds } from './setup/bench-test';
import { query } from './setup/query';
import { benchOf, judgement, makeDay, strip } from './setup/score-day';

test.beforeEach(async ({ page }) => {
  await signIn(page);
});

for (const method of METHODS) {
  test(`a clean ${method.name} takes six inputs at most from an open seat to saved, by keys and by thumb`, async ({
    page,
    browser,
    baseURL,
  }) => {
    const day = await makeDay(page, { method: method.id, people: 2, date: '2031-05-11' });
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
    const phone = await browser.newContext({
      viewport: { width: 390, height: 844 },
      hasTouch: true,
      isMobile: true,
      baseURL: baseURL!,
      storageState: await page.context().storageState(),
    });
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
    for (const part of await hand.locator('[data-point]').all())
      expect((await part.boundingBox())!.height).toBeGreaterThanOrEqual(44);
    await hand.getByRole('button', { name: 'Save, same seat' }).tap();
    taps++;
    await expect(hand.getByText('2-1 saved.')).toBeVisible();
    expect(taps, 'by thumb').toBeLessThanOrEqual(6);
    await expect(strip(hand)).toContainText('Nothing waits');
    await expect
      .poll(() =>
        query(`SELECT COUNT(*) FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`),
      )
      .toBe('2');
    expect(
      query(
        `SELECT JSON_VALUE(j.measures, '$.${figures[0]![0]}.origin') FROM judgements j JOIN unions u ON u.id = j.union_id JOIN seats s ON s.id = u.seat_id WHERE u.workshop_id = '${day}' AND s.number = 2`,
      ),
    ).toBe('picked');
    await phone.close();
  });
}

test.describe('beside the window of the caliper', () => {
  // Behind the bench it is not painted, and so has no use for its fonts for a while.
  test.use({ expectedNoise: /woff2 was preloaded using link preload but not used/ });
  test('a caliper types figures with a comma and a unit into the bench, its rubbish is told, and strokes are counted without looking', async ({
    page,
    context,
  }) => {
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
    // What is no figure changes nothing: not the figure that stands there, not the field in use, no mark.
    for (const rubbish of ['ERR', 'Er--', 'OL', 'no data']) {
      // A burst that a busy machine tore apart reads as a hand's letters, refused one by one: the caliper sends again.
      await expect(async () => {
        await page.locator('[name=scionDiameter]').fill('9');
        await page.locator('[name=scionDiameter]').focus();
        await caliper.getByRole('button', { name: `Type “${rubbish}”` }).click();
        await expect(page.getByText(`“${rubbish}” is no figure.`)).toBeVisible({ timeout: 2_000 });
      }).toPass();
      await expect(page.locator('[name=scionDiameter]')).toHaveValue('9');
      await expect(page.locator('[name=scionDiameter]')).toBeFocused();
    }
    await expect(page.locator('[data-grade="poor"], [data-grade="fatal"]')).toHaveCount(0);
    // The same from real keys, and the figure that follows takes the place of the one before.
    // Here too a busy machine may tear the burst apart.
    await expect(async () => {
      await page.locator('[name=scionDiameter]').fill('9');
      await page.locator('[name=scionDiameter]').focus();
      await page.keyboard.type('12ERR', { delay: 5 });
      await page.keyboard.press('Enter');
      await expect(page.locator('[name=scionDiameter]')).toHaveValue('9', { timeout: 2_000 });
    }).toPass();
    await page.waitForTimeout(200);
    await page.keyboard.type('9,4');
    await expect(page.locator('[name=scionDiameter]')).toHaveValue('9,4');
    await page.locator('[name=scionDiameter]').fill('9');
    for (const name of ['stockLength', 'scionLength']) await page.locator(`[name=${name}]`).fill('34');
    for (let i = 0; i < 3; i++)
      await page
        .getByRole('button', { name: /^Count a stroke/ })
        .filter({ visible: true })
        .click();
    await expect(page.getByRole('button', { name: /^Strokes: poor/ })).toBeVisible();
    await page.keyboard.press('+');
    await page.keyboard.press('+');
    await expect(page.getByRole('button', { name: /^Strokes: recut/ })).toBeVisible();
    // Two cuts were thrown away, one of them by mistake.
    const spoiled = page.getByRole('button', { name: /^Spoiled/ }).filter({ visible: true });
    const counted = () =>
      query(`SELECT COUNT(*) FROM spoiled_cuts WHERE workshop_id = '${day}' AND taken_back_at IS NULL`);
    await spoiled.click();
    await expect(spoiled).toHaveAccessibleName(/1 so far/);
    await spoiled.click();
    await expect(spoiled).toHaveAccessibleName(/2 so far/);
    await expect.poll(counted).toBe('2');
    await page.getByRole('button', { name: 'Take the last spoiled cut back' }).filter({ visible: true }).click();
    await expect(spoiled).toHaveAccessibleName(/1 so far/);
    await expect.poll(counted).toBe('1');
    await page.getByRole('button', { name: 'Save, same seat' }).click();
    await expect
      .poll(() =>
        query(
          `SELECT strokes, seconds IS NOT NULL FROM judgements j JOIN unions u ON u.id = j.union_id WHERE u.workshop_id = '${day}'`,
        ),
      )
      .toBe('5\t1');
  });
});

test('the room suggests whom to see, finds by number, name, tag and a photographed tag, and shows who is ready', async ({
  page,
}) => {
  const day = await makeDay(page, { people: 5 });
  const bench = await benchOf(page.request, day);
  const put = async (seat: number, number: number, marks: object = {}): Promise<void> =>
    expect(
      (
        await page.request.put(`/api/judgements/${uuid()}`, {
          data: judgement(day, bench.seats[seat]!.id, number, marks),
        })
      ).ok(),
    ).toBe(true);
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
  const { past } = workshopIds();
  const code = query(`SELECT code FROM plants WHERE workshop_id = '${past}' AND voided_at IS NULL LIMIT 1`);
  await page.goto(`/workshops/${day}/score`);
  await page.getByRole('button', { name: 'Scan a tag' }).click();
  await expect(page.getByText('No camera can be used here')).toBeVisible();
  const pdf = await (await page.request.get(`/api/workshops/${past}/tags?paper=A4&code=${code}`)).body();
  const png = execFileSync('pdftoppm', ['-png', '-r', '200', '-singlefile', '-'], {
    input: pdf,
    maxBuffer: 50_000_000,
  });
  await page
    .getByLabel('From a photo')
    .setInputFiles({ name: 'nothing.png', mimeType: 'image/png', buffer: Buffer.from('no picture') });
  await expect(page.getByText('This file is no picture the browser can open')).toBeVisible();
  await page.getByLabel('From a photo').setInputFiles({ name: 'tag.png', mimeType: 'image/png', buffer: png });
  await expect(page.getByRole('link', { name: /Pears and medlars on the bench/ })).toBeVisible({ timeout: 15_000 });
});
