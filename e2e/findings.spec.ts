import truth from '../demo/truth.json' with { type: 'json' };
import { expect, signIn, test } from './setup/bench-test';
import { query } from './setup/query';

test.beforeEach(({ page }) => signIn(page));

test('take over the years: a sentence, each keeper as a mark, the workshops on a chart with a table, and the unheard', async ({
  page,
}) => {
  await page.goto('/findings');
  await expect(page.getByRole('heading', { level: 1 })).toHaveText(
    /^\d+\s% of \d+ keepers of the club live \(when last asked/,
  );
  await page.getByRole('button', { name: /^Variety/ }).click();
  const lot = page.getByRole('listitem').filter({ hasText: truth.warmLot.lot });
  await expect(lot.getByRole('link').first()).toHaveAttribute('href', /\/plants\//);
  // A method each: three or four workshops that differ anyhow hold none that is far off.
  await expect(page.getByRole('heading', { name: 'Whip-and-tongue', level: 3 })).toBeVisible();
  await page.getByText('The same as a table').first().click();
  await expect(page.getByRole('cell', { name: 'no', exact: true }).first()).toBeVisible();
  // Where a conclusion turns.
  const share = page.getByRole('slider');
  await share.focus();
  await share.press('Home');
  await expect(page.getByText('If 0 % of them live')).toBeVisible();
  await page.getByLabel('Is take above').fill('0');
  await expect(page.getByText('Yes, whatever became of them.')).toBeVisible();
  await page.getByLabel('Is take above').fill('much');
  await expect(page.getByText('Enter a percentage from 0 to 100.')).toBeVisible();
});

test('a filter is kept from page to page, and one that cannot be read is said', async ({ page }) => {
  await page.goto('/findings');
  await page.getByLabel('Method').selectOption({ label: 'Chip bud' });
  await page.getByRole('button', { name: 'Show these' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('of chip bud');
  await page.getByRole('link', { name: 'When they die' }).click();
  await expect(page).toHaveURL(/\/findings\/when\?.*method=chip/);
  await page.goto('/findings?year=soon');
  await expect(page.getByRole('alert').filter({ hasText: 'Enter a year' })).toContainText('All are shown instead.');
});

test('what differs is reckoned while one waits; a level opens the unions behind it', async ({ page }) => {
  await page.goto('/findings/differs');
  await expect(page.getByText(/With days, hands, lots and methods weighed at once/)).toBeVisible({ timeout: 60_000 });
  await page.getByText('The same as a table').click();
  const row = page.getByRole('row', { name: new RegExp(truth.warmLot.lot) }).last();
  await row.getByRole('link').click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText(`the lot ${truth.warmLot.lot}`);
  await expect(page.getByRole('row').nth(1)).toContainText(truth.warmLot.lot);
});

test('what faults cost names the binding and the bark, with step and drill', async ({ page }) => {
  await page.goto('/findings/teach');
  await expect(page.getByRole('heading', { name: 'Where the dearest are taught' })).toBeVisible({ timeout: 60_000 });
  await expect(page.getByText('Practise:').first()).toBeVisible();
  await page.goto('/findings/score');
  // What may be concluded stands above the boxes: nothing yet, since nearly all scored above 95.
  await expect(page.getByText(/for the same hand on the same day/).first()).toBeVisible({ timeout: 60_000 });
  await expect(page.getByRole('img', { name: /of 100 would live, with a fatal fault/ })).toBeVisible();
  await expect(page.getByText(/scored above 95/)).toBeVisible();
  await page.getByText('As plainly counted, whatever else differed').click();
  await page.getByText('The same as a table').first().click();
  await page.getByRole('link', { name: '95 to 100' }).click();
  await expect(page.getByRole('heading', { level: 1 })).toContainText('scored 95 to 100');
});

test('deaths are told by cause, with how many are still watched and which look would tell most', async ({ page }) => {
  await page.goto('/findings/when?by=cause');
  await expect(page.getByRole('heading', { name: 'Dead of each cause, of 100 plants' })).toBeVisible();
  await page.getByText('The same in figures').click();
  const last = page
    .getByRole('table', { name: /dead of each cause by day/ })
    .getByRole('row')
    .last();
  const cells = await last.getByRole('cell').allTextContents();
  const dead = cells.slice(0, -1).reduce((sum, cell) => sum + parseFloat(cell), 0);
  expect(dead).toBeGreaterThan(10);
  expect(dead).toBeLessThan(60);
  expect(Number(cells.at(-1))).toBeGreaterThanOrEqual(20);
  await expect(page.getByText(/would tell early deaths from late ones/)).toBeVisible();
});

test('the report is a page and a file, the poster and the letters open, a table saves', async ({ page }) => {
  await page.goto('/findings/report');
  await expect(page.getByRole('heading', { name: 'What is not known' })).toBeVisible();
  for (const name of ['Report, A4', 'Report, Letter', 'Poster, A3', 'Letters to growers, A4']) {
    const href = (await page.getByRole('link', { name, exact: true }).getAttribute('href'))!;
    const answer = await page.request.get(href);
    expect([name, answer.status(), answer.headers()['content-type']]).toEqual([name, 200, 'application/pdf']);
  }
  const csv = await page.request.get((await page.getByRole('link', { name: 'levels.csv' }).getAttribute('href'))!);
  expect(await csv.text()).toContain(truth.warmLot.lot);
  expect((await page.request.get('/api/findings/report/other.pdf')).status()).toBe(404);
  expect((await page.request.get('/api/models/horoscope')).status()).toBe(404);
});

test('weights that keepers’ fates propose are tried in the rubric’s fields, and saved by nobody', async ({ page }) => {
  const id = query(`SELECT id FROM workshops WHERE method = 'cleft' ORDER BY date LIMIT 1`);
  await page.goto(`/workshops/${id}/score/rubric?method=bark`);
  const proposal = page.getByRole('region', { name: 'What the fates of keepers say of the weights' });
  await expect(proposal.getByText(/^Take of bark graft follows the points otherwise/)).toBeVisible({ timeout: 60_000 });
  const weight = page.getByLabel('Weight of Hold');
  const before = await weight.inputValue();
  const proposed = await proposal.getByRole('row', { name: /^Hold/ }).getByRole('cell').nth(1).textContent();
  expect(Number(proposed)).toBeGreaterThan(Number(before));
  await proposal.getByRole('button', { name: 'Try these weights' }).click();
  await expect(weight).toHaveValue(proposed!);
  await expect(page.getByTestId('sum')).toHaveText('100');
  await expect(page.getByText('Nothing is saved until you save the rubric.')).toBeVisible();
  await page.reload();
  await expect(weight).toHaveValue(before);
});
