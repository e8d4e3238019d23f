import type { Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { USUAL_SETTINGS } from '@/core/plan/quantities/needs';
import { expect, signIn, test } from './setup/bench-test';
import { benchOf, enterWhip, makeDay, strip } from './setup/score-day';

test.beforeEach(async ({ page }) => {
  await signIn(page);
});

/** A day with keepers of everybody, made through the routes; their codes by seat and number. */
async function dayWithKeepers(page: Page, date: string): Promise<{ day: string; codes: string[] }> {
  const day = await makeDay(page, { people: 2, date });
  const send = async (method: 'PUT' | 'POST', path: string, data: object) => {
    const answer = await page.request.fetch(`/api/workshops/${day}/${path}`, { method, data });
    expect(answer.ok(), `${path}: ${await answer.text()}`).toBe(true);
  };
  const [wood, stock] = [uuid(), uuid()];
  await send('PUT', `wood-lots/${wood}`, { variety: `Reed ${date}`, species: 'pear', source: 'landing', cutOn: '' });
  await send('PUT', `stock-lots/${stock}`, { stockType: 'Tarn seedling', species: 'pear', stocks: 30 });
  const { seats } = await benchOf(page.request, day);
  const seatIds = seats.map(({ id }) => id);
  await send('PUT', `keeper-permits/${uuid()}`, { seatIds, may: true, reason: 'they graft at home' });
  await send('POST', 'keepers', { woodLotId: wood, stockLotId: stock, each: 2 });
  const bench = (await (await page.request.get(`/api/workshops/${day}/bench`)).json()) as {
    keepers: { code: string }[];
  };
  return { day, codes: bench.keepers.map(({ code }) => code) };
}

const keeper = (page: Page, code: string) => page.locator(`[data-keeper="${code}"]`);

test('a clean keeper takes six inputs up to its label: joined, then one gesture for wrapped and tagged', async ({
  page,
}) => {
  const { day, codes } = await dayWithKeepers(page, '2031-04-11');
  await page.goto(`/workshops/${day}/score?keeper=${codes[0]}`);
  await expect(page.getByTestId('called')).toHaveText(`${codes[0]!.slice(0, 3)} ${codes[0]!.slice(3)}`);
  await expect(page.getByRole('radio', { name: 'joined' })).toBeChecked();
  // Four figures.
  await enterWhip(page);
  let inputs = 4;
  await expect(page.getByTestId('score')).toHaveText('100');
  await page.getByRole('button', { name: 'Save, same keeper' }).click();
  inputs++;
  await expect(keeper(page, codes[0]!)).toContainText('joined, 100');
  // The later stage has the earlier figures, and what is seen only then.
  await expect(page.locator('[name=stockDiameter]')).toHaveValue('10');
  await expect(page.locator('[data-point=label]')).toBeVisible();
  // On a phone the second step is within the screen, with all that is judged only then.
  await page.setViewportSize({ width: 390, height: 844 });
  const second = page.getByRole('button', { name: 'As just judged, now wrapped and tagged' });
  await expect(second).toBeInViewport({ ratio: 1 });
  const wide = await page.evaluate(() => document.documentElement.scrollWidth);
  expect(wide).toBeLessThanOrEqual(390);
  await page.setViewportSize({ width: 1280, height: 800 });
  await second.click();
  inputs++;
  expect(inputs).toBeLessThanOrEqual(6);
  await expect(keeper(page, codes[0]!)).toContainText('finished, 100');
  // The next one of the same hand is open.
  await expect(keeper(page, codes[1]!)).toHaveAttribute('aria-pressed', 'true');
  await expect(strip(page)).toContainText('Nothing waits');
  await page.reload();
  await expect(keeper(page, codes[0]!)).toContainText('finished, 100');
  // Practice of the seat knows nothing of it.
  await page.getByRole('button', { name: 'Practice', exact: true }).click();
  await expect(page.getByTestId('called')).toHaveText('1-1');
});

test('a finished keeper is judged in one look, its maker says whether it will live, and the rest stays unjudged', async ({
  page,
}) => {
  const { day, codes } = await dayWithKeepers(page, '2031-04-12');
  await page.goto(`/workshops/${day}/score`);
  await page.getByLabel('Find by seat, name or tag').fill(codes[2]!);
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Rill Marlow');
  await page.getByText('finished', { exact: true }).click();
  await enterWhip(page);
  await page.locator('[data-point=seal]').click();
  await expect(page.getByTestId('score')).not.toHaveText('100');
  await page.getByRole('button', { name: 'Its maker: hardly' }).click();
  await page.getByRole('button', { name: 'Save, next keeper' }).click();
  await expect(keeper(page, codes[3]!)).toHaveAttribute('aria-pressed', 'true');
  // The stage stays at hand for the next.
  await expect(page.getByRole('radio', { name: 'finished' })).toBeChecked();
  await page.getByRole('button', { name: 'The room' }).click();
  await page.getByText('one of each hand').click();
  await expect(page.getByText('1 of 4 judged.')).toBeVisible();
  await expect(strip(page)).toContainText('Nothing waits');
  await page.goto(`/workshops/${day}/aftercare`);
  await expect(page.getByText(/, finished \d+$/)).toHaveCount(1);
  await expect(page.getByText('not judged')).toHaveCount(3);
  await page.goto(`/workshops/${day}/findings`);
  await expect(page.getByRole('row', { name: /“hardly”, said the maker 1/ })).toBeVisible();
});

test('a day of two methods: one tap at the bench, remembered by seat', async ({ page }) => {
  const day = await makeDay(page, { people: 2, date: '2031-04-13' });
  const row = { scionSpecies: 'pear', stockSpecies: 'pear', practiceEach: 3, keepersEach: 0, practiceOn: 'prunings' };
  const methods = [
    { ...row, method: 'whip-and-tongue', place: 'bench', keepersEach: 1 },
    { ...row, method: 'chip', place: 'field' },
  ];
  const body = { changeId: uuid(), version: 0, expected: null, settings: USUAL_SETTINGS, methods };
  expect((await page.request.put(`/api/workshops/${day}/plan/methods`, { data: body })).ok()).toBe(true);
  await page.goto(`/workshops/${day}/score?seat=1`);
  await page.getByText('Chip bud', { exact: true }).click();
  for (const [name, value] of [
    ['stockDiameter', '10'],
    ['scionDiameter', '9'],
    ['stockLength', '32'],
    ['scionLength', '32'],
  ])
    await page.locator(`[name=${name}]`).fill(value!);
  await page.getByRole('button', { name: 'Save, next seat' }).click();
  await expect(page.getByText('1-1 saved.')).toBeVisible();
  // The next seat begins with the method of the day, the first goes on with its own.
  await expect(page.getByRole('radio', { name: 'Whip-and-tongue' })).toBeChecked();
  await page.getByRole('button', { name: /^1 Sedge/ }).click();
  await expect(page.getByRole('radio', { name: 'Chip bud' })).toBeChecked();
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Chip bud' })).toBeChecked();
  await expect(page.getByRole('region', { name: 'Attempts of seat 1' })).toContainText('1-1Chip bud');
  await page.goto(`/workshops/${day}/teach`);
  await page.getByRole('navigation', { name: 'Method' }).getByRole('link', { name: 'Chip bud' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('Chip bud');
});
