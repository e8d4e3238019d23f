import truth from '../demo/truth.json' with { type: 'json' };
import { expect, signIn, test } from './setup/bench-test';
import { query } from './setup/query';

test.beforeEach(({ page }) => signIn(page));

/** The workshop of the hidden truth's warm lot, and one of its dead. */
function warmDay(): { workshop: string; code: string; unionId: string } {
  const [workshop, code, unionId] = query(
    `SELECT f.workshop_id AS workshop, p.code, f.union_id AS unionId FROM union_facts f JOIN unions u ON u.id = f.union_id
     JOIN plants p ON p.id = u.plant_id JOIN wood_lots w ON w.id = p.wood_lot_id JOIN workshops h ON h.id = f.workshop_id
     WHERE w.variety = '${truth.warmLot.lot}' AND f.first_dead_on IS NOT NULL AND f.contradicted = 0
       AND NOT EXISTS (SELECT 1 FROM cause_looks l WHERE l.union_id = u.id) ORDER BY h.date, p.place LIMIT 1`,
  )
    .trim()
    .split('\t');
  return { workshop: workshop!, code: code!, unionId: unionId! };
}

const looksAt = (unionId: string): string[] =>
  query(`SELECT code FROM cause_looks WHERE union_id = '${unionId}' ORDER BY seq`).split('\n').filter(Boolean);

test('the page of a workshop names the lot that lay warm, draws it, and says what speaks for it', async ({ page }) => {
  const { workshop } = warmDay();
  await page.goto(`/workshops/${workshop}/findings`);
  await page.getByRole('link', { name: 'Why they died' }).click();
  await expect(page.getByText(`Most is explained by the lot of ${truth.warmLot.lot}`)).toBeVisible();
  await expect(page.getByText('mostly because the wood was awake or dead')).toBeVisible();
  // Drawn in the room, at the beds and over the day; ringed is what is chosen.
  await expect(page.getByRole('group', { name: 'The room, each keeper at the seat it was made at' })).toBeVisible();
  await page.getByRole('button', { name: 'Beds and places' }).click();
  await expect(page.getByRole('group', { name: 'Gardens of the members', exact: true })).toBeVisible();
  await page.getByRole('button', { name: 'Day', exact: true }).click();
  await expect(page.getByRole('group', { name: 'The day by its hours' })).toBeVisible();
  const dead = page.getByRole('link', { name: /, died$/ });
  expect(await dead.count()).toBeGreaterThan(10);
});

test('evidence is struck out with a reason, and a cause is settled; both stay to be seen', async ({ page }) => {
  const { workshop, code, unionId } = warmDay();
  await page.goto(`/workshops/${workshop}/findings/causes`);
  const called = `${code.slice(0, 3)} ${code.slice(3)}`;
  const death = page
    .getByRole('listitem')
    .filter({ has: page.getByRole('button', { name: called, exact: true }) })
    .last();
  const all = page.getByRole('button', { name: /^Show all/ });
  if (await all.isVisible()) await all.click();
  await death.getByRole('button', { name: called, exact: true }).click();
  // One death in five is drawn to be judged before the records speak.
  const reveal = death.getByRole('button', { name: 'Show what the records say' });
  await expect(death.getByText(/^All that is known of it/)).toBeVisible();
  if (await reveal.isVisible()) await reveal.click();
  await death.getByText(/^All that is known of it/).click();
  const line = death.getByRole('listitem').filter({ hasText: 'a look at the lot found it moving or brown' }).last();
  await line.getByRole('button', { name: 'Strike out' }).click();
  await line.getByRole('button', { name: 'Strike it out' }).click();
  await expect(line.getByRole('alert')).toContainText('Enter why it is struck out.');
  await line.getByLabel('Why it is not so').fill('that was another bag');
  await line.getByRole('button', { name: 'Strike it out' }).click();
  await expect(line.getByText('Struck out by Maren Ulvik: that was another bag')).toBeVisible();
  await death.getByLabel(/^Settle/).selectOption({ label: 'it was eaten' });
  await death.getByLabel('Reason').fill('a hare in May');
  await death.getByRole('button', { name: 'Settle it' }).click();
  await expect(death.getByText('Settled: it was eaten.')).toBeVisible();
  expect(
    query(`SELECT cause, reason FROM settled_causes WHERE union_id = '${unionId}' AND withdrawn_at IS NULL`).trim(),
  ).toBe('eaten\ta hare in May');
  await line.getByRole('button', { name: 'Counts again' }).click();
  await expect(line.getByText('Struck out by')).toHaveCount(0);
  await death.getByRole('button', { name: 'Take it back' }).click();
  await expect(death.getByText('Settled: it was eaten.')).toHaveCount(0);
});

test.describe('without reception', () => {
  test.use({ expectedNoise: /ERR_INTERNET_DISCONNECTED|Failed to load resource/ });
  test('the guide asks one question after the other on a phone, also without reception, and each answer arrives once', async ({
    page,
    context,
  }) => {
    const { code, unionId } = warmDay();
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto(`/plants/${code}`);
    await page.getByRole('link', { name: 'Why did it die?' }).click();
    await expect(page.getByRole('heading', { level: 1, name: 'Why did it die?' })).toBeVisible();
    const question = page.locator('#guide-question');
    const first = (await question.innerText()).trim();
    await page.locator('section[aria-labelledby="guide-question"] li button').first().click();
    await expect(question).not.toHaveText(first);
    await expect.poll(() => looksAt(unionId)).toHaveLength(1);
    // What is passed over is not asked again until one wants it.
    const second = (await question.innerText()).trim();
    await page.getByRole('button', { name: 'I cannot say' }).click();
    await expect(question).not.toHaveText(second);
    await context.setOffline(true);
    const third = (await question.innerText()).trim();
    await page.locator('section[aria-labelledby="guide-question"] li button').first().click();
    await expect(question).not.toHaveText(third);
    expect(looksAt(unionId)).toHaveLength(1);
    await context.setOffline(false);
    await expect.poll(() => looksAt(unionId)).toHaveLength(2);
    await expect(page.getByRole('heading', { name: 'So far' })).toBeVisible();
  });
});

test('a plant that lives is asked nothing', async ({ page }) => {
  const code = query(
    `SELECT p.code FROM union_facts f JOIN unions u ON u.id = f.union_id JOIN plants p ON p.id = u.plant_id
     WHERE f.last_alive_on IS NOT NULL AND f.first_dead_on IS NULL AND f.voided = 0 LIMIT 1`,
  ).trim();
  await page.goto(`/plants/${code}/why`);
  await expect(page.getByText('Nothing on this plant is known to have died')).toBeVisible();
});

test('a club changes its tables: looked at first on past deaths, then kept with its source', async ({ page }) => {
  await page.goto('/club/causes');
  await page.getByRole('button', { name: 'rot or canker' }).click();
  await page.getByLabel('a cut face was touched: how strongly').selectOption({ label: 'speaks for it, nearly proof' });
  await page.getByRole('button', { name: 'Look at past deaths' }).click();
  await expect(page.getByText(/^Of \d+ deaths/)).toBeVisible();
  await page.getByLabel('bench', { exact: true }).fill('0');
  await page.getByLabel('Who says so').fill('forty opened by the guild');
  await page.getByRole('button', { name: 'Keep them' }).click();
  await expect(page.getByRole('region', { name: 'Keep these tables' }).getByRole('alert')).toContainText(
    'is a number above 0',
  );
  await page.getByLabel('bench', { exact: true }).fill('3,5');
  await page.getByRole('button', { name: 'Keep them' }).click();
  await expect(page.getByText(/^1, .*: forty opened by the guild$/)).toBeVisible();
  await expect(page.getByLabel('a cut face was touched: how strongly')).toHaveCount(0);
  await page.getByRole('button', { name: 'rot or canker' }).click();
  await expect(page.getByLabel('a cut face was touched: how strongly')).toHaveValue('+++');
});

test('what failed is marked in the ledger of wood and over the years', async ({ page }) => {
  await page.goto('/wood');
  await expect(page.getByText(`This lot of ${truth.warmLot.lot} failed`).first()).toBeVisible();
  await page.goto('/findings/causes');
  for (const name of [truth.warmLot.lot, truth.bench.name, 'noon of', `${truth.pair.variety} on ${truth.pair.stock}`])
    await expect(page.getByRole('button', { name: new RegExp(name) }).first()).toBeVisible();
});
