import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { METHODS } from '@/core/methods/registry';
import { pointsOf } from '@/core/methods/shown-technique';
import { demoSite, expect, signIn, test, workshopIds } from './setup/bench-test';

test.beforeEach(async ({ page }) => {
  await signIn(page);
});

/** A workshop of one method with one person, made through the routes; far off, so that other tests' season line stays as it is. */
async function workshopOf(page: Page, method: string): Promise<string> {
  const siteId = demoSite();
  const id = uuid();
  expect(
    (
      await page.request.put(`/api/workshops/${id}`, {
        data: { title: `Day of ${method}`, date: '2031-05-10', siteId, method, promisedKeepers: 0, promise: '' },
      })
    ).ok(),
  ).toBe(true);
  expect(
    (
      await page.request.put(`/api/workshops/${id}/walk-ins/${uuid()}`, { data: { name: 'Sedge Marlow', email: '' } })
    ).ok(),
  ).toBe(true);
  return id;
}

test.describe('in three dimensions', () => {
  // Said by a browser that draws without a graphics card.
  test.use({ expectedNoise: /GPU stall due to ReadPixels/ });
  test('a step is turned in the hand: by keys, the joint opened, and drawn only when something changes', async ({
    page,
  }) => {
    await page.goto('/methods/cleft');
    await page.locator('#step-join').getByRole('button', { name: 'Turn it' }).click();
    const canvas = page.getByRole('img', { name: /Arrow keys turn it/ });
    await expect(canvas).toHaveAttribute('aria-busy', 'false');
    await expect(canvas).toHaveAttribute('data-pictures', /^[1-9]/);
    const pictures = async (): Promise<number> => Number(await canvas.getAttribute('data-pictures'));
    const rested = async (): Promise<number> => {
      let before = -1;
      await expect
        .poll(async () => {
          const last = before;
          before = await pictures();
          return before === last;
        })
        .toBe(true);
      return before;
    };
    const first = await rested();
    const closed = await canvas.screenshot();
    await page.waitForTimeout(700);
    expect(await pictures()).toBe(first);
    await canvas.focus();
    await page.keyboard.press('ArrowRight');
    await expect.poll(pictures).toBeGreaterThan(first);
    const turned = await rested();
    expect((await canvas.screenshot()).equals(closed)).toBe(false);
    await page.getByLabel('Open the joint').fill('1');
    await expect.poll(pictures).toBeGreaterThan(turned);
    await rested();
    expect((await page.request.get('/api/methods/cleft/bodies/nothing?stock=30&scion=9')).status()).toBe(404);
  });
});

test('what learners ask is noted with one tap, answered there, counted for next time, and taken back', async ({
  page,
}) => {
  const first = await workshopOf(page, 'cleft');
  await page.goto(`/workshops/${first}/teach`);
  const step = page.locator('#step-bind');
  await step.getByRole('button', { name: 'How tight?' }).click();
  await expect(step.getByText('Noted.')).toBeVisible();
  await expect(step.getByText('asked once so far')).toBeVisible();
  await step.getByRole('button', { name: 'Must it come off?' }).click();
  await expect(step.getByText(/the heavy tape/)).toBeVisible();
  await step.getByRole('button', { name: 'Take it back' }).click();
  await expect(step.getByText('Noted.')).toHaveCount(0);
  // On another day of the method it stands at its step, for whoever teaches and for the remote.
  const next = await workshopOf(page, 'cleft');
  await page.goto(`/workshops/${next}/teach`);
  await expect(page.locator('#step-bind').getByText('asked once so far')).toBeVisible();
  await expect(page.locator('#step-bind').getByText('Must it come off? asked')).toHaveCount(0);
  await page.goto(`/remote/${next}`);
  await page.getByRole('button', { name: 'How deep?' }).click();
  await expect(page.getByText('Noted.')).toBeVisible();
});

test('a day shows what becomes of its unions, and which of the club’s plants will be that old', async ({ page }) => {
  const { upcoming } = workshopIds();
  await page.goto(`/workshops/${upcoming}/teach/healing`);
  await expect(page.getByRole('img', { name: /^A good union after/ })).toHaveCount(4);
  await expect(page.getByRole('img', { name: /^A failed union after/ })).toHaveCount(4);
  await expect(page.getByText('Bring these').first()).toBeVisible();
});

test('calipers move the drawing; those outside the limits say what to do instead', async ({ page }) => {
  await page.goto('/methods/whip-and-tongue');
  await page.getByLabel('Stock Ø, mm').fill('14');
  await page.getByLabel('Scion Ø, mm').fill('11');
  await page.getByRole('button', { name: 'Draw' }).click();
  await page.waitForURL(/stock=14/);
  await expect(page.getByText('Shift the scion to one side')).toBeVisible();
  await page.getByLabel('Stock Ø, mm').fill('60');
  await page.getByRole('button', { name: 'Draw' }).click();
  await expect(page.getByRole('main').getByRole('alert')).toContainText(
    'done on stocks up to 20 mm. On 60 mm: take a cleft graft',
  );
  await page.goto('/methods/four-flap?stock=20&scion=9');
  await expect(page.getByRole('main').getByRole('alert')).toContainText(
    'The scion is too thin for this stock: 18 mm or more',
  );
});

test('the school is chosen once, and steps, card and rubric follow', async ({ page }) => {
  const { upcoming } = workshopIds();
  await page.goto(`/workshops/${upcoming}/teach`);
  await page.getByText('Choose, with reasons').click();
  await page.getByRole('radio', { name: /in the middle, about 6 mm/ }).check();
  await expect(page.getByText('Not saved yet')).toBeVisible();
  await page.getByRole('button', { name: 'Follow these' }).click();
  await expect(page.getByRole('heading', { name: /Cut a shallow tongue in the middle/ })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('heading', { name: /Cut a shallow tongue in the middle/ })).toBeVisible();
  await page.getByRole('link', { name: 'Phone card' }).click();
  await expect(page.getByText('Cut a shallow tongue in the middle')).toBeVisible();
  const handout = await page.request.get(`/api/methods/whip-and-tongue/handout?tongue=middle`);
  expect(
    execFileSync('pdftotext', ['-raw', '-', '-'], { input: await handout.body() })
      .toString()
      .replace(/\s+/g, ' '),
  ).toContain('shallow, in the middle');
  expect(
    (
      await page.request.put(`/api/workshops/${upcoming}/schools`, { data: { schools: { tongue: 'sideways' } } })
    ).status(),
  ).toBe(422);
  expect((await page.request.put(`/api/workshops/${upcoming}/schools`, { data: { schools: {} } })).status()).toBe(204);
});

test('the chooser ranks what can work and says what would have to change', async ({ page }) => {
  await page.goto('/methods/choose');
  await page.getByLabel('Stock Ø, mm').fill('45');
  await page.getByLabel('Scion Ø, mm').fill('9');
  await page.getByLabel('Date').fill('2027-05-10');
  await page.getByLabel('Worked').selectOption('field');
  await page.getByLabel('Bark').selectOption('slips');
  await page.getByLabel('Hands are').selectOption('practised');
  await page.getByLabel('Stock is').fill('quince');
  await page.getByRole('button', { name: 'Rank' }).click();
  await page.waitForURL(/stock=45/);
  await expect(page.locator('main ol h3').first()).toHaveText('Inlay');
  await expect(page.getByText('pear on quince: with care.')).toBeVisible();
  await expect(page.getByRole('listitem').filter({ hasText: 'Whip-and-tongue' })).toContainText(
    'A stock, or a place on it, of 20 mm or less.',
  );
  await page.getByLabel('Stock Ø, mm').fill('thick');
  await page.getByRole('button', { name: 'Rank' }).click();
  await expect(page.getByText('Enter the stock’s caliper in figures')).toBeVisible();
});

test('the table of pairs can be changed, names its source, and keeps one row a pair', async ({ page }) => {
  await page.goto('/methods/pairs');
  await page.getByRole('button', { name: 'Add a pair' }).click();
  const sheet = page.getByRole('dialog');
  await sheet.getByLabel('Scion').fill('Medlar');
  await sheet.getByLabel('Stock').fill('Rowan');
  await sheet.getByLabel('Source').fill('hedge by the ferry, 2019');
  await sheet.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('row', { name: /medlar rowan With care.*hedge by the ferry/ })).toBeVisible();
  const again = await page.request.put(`/api/compatibility/${uuid()}`, {
    data: { stock: 'rowan', scion: ' medlar ', verdict: 'works', note: '', source: 'twice' },
  });
  expect(again.status()).toBe(409);
  const sourceless = await page.request.put(`/api/compatibility/${uuid()}`, {
    data: { stock: 'aronia', scion: 'quince', verdict: 'works', note: '', source: '' },
  });
  expect(((await sourceless.json()) as { message: string }).message).toBe('Enter where this comes from.');
  await page.goto('/methods/choose?species=rowan&scionSpecies=medlar');
  await expect(page.getByText('hedge by the ferry, 2019')).toBeVisible();
  await page.goto('/methods/pairs');
  await page
    .getByRole('row', { name: /medlar rowan/ })
    .getByRole('button', { name: 'Take back' })
    .click();
  await expect(page.getByRole('row', { name: /medlar rowan/ })).toHaveCount(0);
});

test.describe('when the line is lost', () => {
  test.use({ serviceWorkers: 'allow', expectedNoise: /ERR_INTERNET_DISCONNECTED|Failed to load resource|net::ERR/ });

  test('the wall follows the phone, and comes back at the right step', async ({ page, browser, baseURL }) => {
    const { past } = workshopIds();
    const phone = await browser.newContext({ viewport: { width: 390, height: 844 }, baseURL: baseURL! });
    const remote = await phone.newPage();
    await signIn(remote, 'assistant');
    await page.setViewportSize({ width: 1920, height: 1080 });
    await page.goto(`/screen/${past}`);
    await page.keyboard.press('Home');
    await remote.goto(`/remote/${past}`);
    await expect(remote.getByText('on the wall', { exact: true })).toBeVisible();
    const wall = page.locator('main[data-step]');
    await expect(wall).toHaveAttribute('data-step', '1');
    await remote.getByRole('button', { name: 'Next' }).click();
    await expect(wall).toHaveAttribute('data-step', '2');
    // Both ways: the wall's keys reach the phone.
    await page.keyboard.press('ArrowRight');
    await expect(remote.getByTestId('step')).toHaveText('3');
    await remote.getByRole('button', { name: 'Wrong beside right' }).click();
    await expect(page.getByText('Wrong', { exact: false }).first()).toBeVisible();
    await remote.getByRole('button', { name: '1 min', exact: true }).click();
    await expect(page.getByRole('timer')).toContainText('Everyone cuts now');
    await expect(page.getByRole('timer')).toContainText(/0:5\d/);
    await remote.getByRole('button', { name: 'Blank' }).click();
    await expect(page.getByTestId('blank')).toBeVisible();
    await remote.getByRole('button', { name: 'Show again' }).click();
    await expect(wall).toHaveAttribute('data-step', '3');
    await remote.getByRole('button', { name: 'Safety briefing on the wall' }).click();
    await expect(page.getByTestId('briefing-wall')).toContainText('Joss Pelling');
    await remote.getByRole('button', { name: 'Back to the steps' }).click();
    await page.context().setOffline(true);
    await page.reload().catch(() => undefined);
    await remote.getByRole('button', { name: 'Next' }).click();
    await remote.getByRole('button', { name: 'Next' }).click();
    await expect(remote.getByTestId('step')).toHaveText('5');
    await page.context().setOffline(false);
    await page.goto(`/screen/${past}`);
    await expect(wall).toHaveAttribute('data-step', '5');
    await phone.close();
  });

  test('a line that broke is opened again by itself', async ({ page, browser, baseURL }) => {
    const { past } = workshopIds();
    await page.goto(`/screen/${past}`);
    await page.keyboard.press('Home');
    await expect(page.locator('main[data-step]')).toHaveAttribute('data-step', '1');
    const phone = await browser.newContext({ baseURL: baseURL! });
    const remote = await phone.newPage();
    await signIn(remote);
    // The wall's line is refused for a while, as when the router in the shed starts anew.
    let refuse = true;
    await page.route('**/teaching', (route) =>
      refuse && route.request().method() === 'GET' ? route.abort() : route.continue(),
    );
    await page.reload();
    await expect(page.getByText('line lost, trying again')).toBeVisible();
    await remote.goto(`/remote/${past}`);
    await remote.getByRole('button', { name: 'Next' }).click();
    await expect(remote.getByTestId('step')).toHaveText('2');
    refuse = false;
    await expect(page.locator('main[data-step]')).toHaveAttribute('data-step', '2', { timeout: 15_000 });
    await expect(page.getByText('line lost, trying again')).toHaveCount(0);
    await phone.close();
  });

  test('a phone card opens with no reception once it was opened', async ({ page }) => {
    await page.context().clearCookies();
    await page.setViewportSize({ width: 390, height: 844 });
    await page.goto('/cards/chip?stock=12&scion=9');
    await expect(page.getByText('Kept on this phone: it opens without reception.', { exact: true })).toBeVisible();
    await page.context().setOffline(true);
    await page.reload();
    await expect(page.getByRole('heading', { level: 1, name: 'Chip bud' })).toBeVisible();
    await expect(page.getByText('Push the chip’s foot behind the lip')).toBeVisible();
    await expect(page.getByText('Kept on this phone: it opens without reception.', { exact: true })).toBeVisible();
    await page.goto('/cards/cleft');
    await expect(page.getByText('was not opened on this phone before')).toBeVisible();
    await page.context().setOffline(false);
  });
});

test('who has not heard the briefing is shown when scoring; a change asks everybody again', async ({ page }) => {
  const id = await workshopOf(page, 'bark');
  await page.goto(`/workshops/${id}/score?seat=1`);
  await expect(page.getByRole('link', { name: 'not briefed' })).toBeVisible();
  await page.getByRole('link', { name: 'not briefed' }).click();
  await expect(page.getByRole('heading', { name: '0 of 1 briefed' })).toBeVisible();
  await page.getByRole('button', { name: /Acknowledges/ }).click();
  await expect(page.getByRole('heading', { name: '1 of 1 briefed' })).toBeVisible();
  await page.goto(`/workshops/${id}/score?seat=1`);
  await expect(page.getByRole('link', { name: 'not briefed' })).toHaveCount(0);
  await page.goto(`/workshops/${id}/teach/briefing`);
  await page.getByLabel('Trained in first aid').fill('Joss, by the door');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('heard older words')).toBeVisible();
  const stale = await page.request.put(`/api/workshops/${id}/briefing/${uuid()}`, {
    data: { contentHash: '0'.repeat(64) },
  });
  expect(stale.status()).toBe(409);
});

test('a tree is planned limb by limb, and two people do not overwrite each other', async ({ page }) => {
  await page.goto('/topworking/new');
  await page.getByLabel('Which tree').fill('Quince at the slip');
  await page.getByLabel('Species').fill('quince');
  for (let i = 0; i < 3; i++) await page.getByRole('button', { name: 'Add a limb' }).click();
  await page.getByLabel('Angle, ° of limb 3').fill('15');
  await page.getByLabel('Caliper of limb 1').fill('thick');
  await page.getByRole('button', { name: 'Save the programme' }).click();
  await expect(page.getByText('One of the figures cannot be read')).toBeVisible();
  await page.getByLabel('Caliper of limb 1').fill('44');
  await expect(page.getByText('3 limbs are not decided')).toBeVisible();
  // Nothing can be suggested before the day is known: which methods are in season hangs on it.
  const suggest = page.getByRole('button', { name: 'Suggest by angle, caliper and day' });
  await expect(suggest).toBeDisabled();
  await page.getByLabel('First grafting on').fill('2027-05-08');
  await suggest.click();
  await expect(page.getByLabel('What becomes of limb 3')).toHaveValue('remove');
  await expect(page.getByText('0 limbs left to convert')).toBeVisible();
  await page.getByRole('button', { name: 'Save the programme' }).click();
  await page.waitForURL(/topworking\/[0-9a-f-]{36}/);
  await page.reload();
  await expect(page.getByLabel('Caliper of limb 1')).toHaveValue('44');
  const plan = page.url().split('/').at(-1)!;
  const stale = await page.request.put(`/api/topworking/${plan}`, {
    data: { tree: 'Quince at the slip', species: 'quince', firstYear: 2027, version: 0, limbs: [] },
  });
  expect(stale.status()).toBe(409);
});

test('a made-up twelfth method goes through library, page, scoring and handout without more ado', async ({ page }) => {
  await page.goto('/methods');
  await page.getByRole('link', { name: 'Plank bridge' }).click();
  await expect(page.getByRole('heading', { name: /Bridge them/ })).toBeVisible();
  const handout = await page.request.get('/api/methods/plank-bridge/handout');
  expect(execFileSync('pdftotext', ['-raw', '-', '-'], { input: await handout.body() }).toString()).toContain(
    'Bridge them',
  );
  const id = await workshopOf(page, 'plank-bridge');
  await page.goto(`/workshops/${id}/score?seat=1`);
  for (const [name, value] of [
    ['stockDiameter', '10'],
    ['scionDiameter', '10'],
    ['stockLength', '40'],
    ['scionLength', '40'],
  ])
    await page.locator(`[name=${name}]`).fill(value!);
  await expect(page.getByTestId('score')).toHaveText('100');
  await page.keyboard.press('Escape');
  await page.keyboard.press('d');
  await expect(page.getByTestId('score')).not.toHaveText('100');
  await page.getByRole('button', { name: 'Save, same seat' }).click();
  await expect(page.getByText('1-1 saved.')).toBeVisible();
  await page.goto(`/cards/plank-bridge`);
  await expect(page.getByRole('heading', { name: 'Plank bridge' })).toBeVisible();
});

for (const method of METHODS) {
  test(`a clean ${method.name} is scored from its own figures and saved`, async ({ page }) => {
    const id = await workshopOf(page, method.id);
    await page.goto(`/workshops/${id}/score?seat=1`);
    for (const [name, value] of Object.entries(method.example))
      await page.locator(`[name=${name}]`).fill(String(value));
    await expect(page.getByTestId('score')).toHaveText('100');
    // Every judged point can be marked, on the drawing or beside it.
    for (const point of pointsOf(method).filter(({ stage, faults }) => stage === 'joined' && faults.length > 0))
      await expect(page.locator(`[data-point="${point.id}"]`)).toBeVisible();
    await page.getByRole('button', { name: 'Save, same seat' }).click();
    await expect(page.getByText('1-1 saved.')).toBeVisible();
    const csv = await (await page.request.get(`/api/workshops/${id}/export/judgements.csv`)).text();
    expect(csv.split('\r\n')[0]).toContain(`${Object.keys(method.example)[0]}_mm`);
    expect(csv.split('\r\n')).toHaveLength(3);
    const sheet = await page.request.get(`/api/workshops/${id}/score-sheet?paper=A4`);
    expect(sheet.headers()['content-type']).toBe('application/pdf');
  });
}

test('templates come in true size, tile when too large, and refuse calipers with what to do', async ({ page }) => {
  const svg = await page.request.get('/api/methods/whip-and-tongue/template?stock=10&scion=10&format=svg');
  expect(await svg.text()).toContain('width="210mm"');
  const flaps = await page.request.get('/api/methods/four-flap/template?stock=35&scion=35&format=pdf');
  expect(execFileSync('pdftotext', ['-raw', '-', '-'], { input: await flaps.body() }).toString()).toContain(
    'Measure this line: 50 mm',
  );
  const refused = await page.request.get('/api/methods/t-bud/template?stock=60&scion=8');
  expect(refused.status()).toBe(422);
  expect(((await refused.json()) as { message: string }).message).toContain('up to 13 mm');
});
