import { execFileSync } from 'node:child_process';
import type { APIRequestContext, Page } from '@playwright/test';
import { METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { expect, signIn, test, workshopIds } from './setup/bench-test';
import { metricIn, metricOn } from './setup/metric-figures';
import { query } from './setup/query';

/** Signs in somebody who reads inches and °F. */
async function inInches(page: Page): Promise<void> {
  await signIn(page);
  const answer = await page.request.put('/api/units', { data: { lengthUnit: 'in', temperatureUnit: 'F' } });
  expect(answer.ok()).toBe(true);
}

async function pdfText(request: APIRequestContext, path: string): Promise<string[]> {
  const answer = await request.get(path);
  expect(answer.headers()['content-type'], path).toContain('application/pdf');
  return execFileSync('pdftotext', ['-layout', '-', '-'], { input: await answer.body() })
    .toString()
    .split('\n');
}

// Every page is looked at for them in pages.spec.ts; here all the methods, and each by the other school of its questions.
test('the library leads to every method, each drawn step by step, and none shows a metric figure', async ({ page }) => {
  test.setTimeout(240_000);
  await inInches(page);
  await page.goto('/methods');
  // Eleven, and the one made up for the checks.
  await expect(page.getByRole('main').getByRole('listitem')).toHaveCount(12);
  const found: Record<string, string[]> = {};
  const look = async (where: string): Promise<void> => {
    const metric = await metricOn(page);
    if (metric.length > 0) found[where] = metric;
  };
  for (const method of METHODS) {
    await page.goto('/methods');
    await page.getByRole('link', { name: method.name, exact: true }).click();
    await expect(page.getByRole('heading', { level: 1, name: method.name })).toBeVisible();
    const { steps } = shownTechnique(method);
    const listed = page.locator('ol > li[id^=step-]');
    await expect(listed).toHaveCount(steps.length);
    // Each step is drawn, also where nothing is cut.
    const drawn = await listed.evaluateAll(
      (items) => items.filter((item) => item.querySelector('figure svg.drawing') !== null).length,
    );
    expect(drawn).toBe(steps.length);
    // What becomes of it: four ages, a good and a failed one each.
    await expect(page.getByRole('img', { name: /^A (good|failed) union after/ }).first()).toBeVisible();
    await expect(page.getByText('the lines that must meet')).toBeVisible();
    await look(method.id);
    // Each question at its last answer: other words than the usual ones.
    const answers = new URLSearchParams(method.schools.map(({ id, options }) => [id, options.at(-1)!.id]));
    await page.goto(`/methods/${method.id}?${answers}`);
    await look(`${method.id}?${answers}`);
  }
  expect(found).toEqual({});
});

test('no paper and no letter does either', async ({ page }) => {
  test.setTimeout(180_000);
  await inInches(page);
  const { past, upcoming } = workshopIds();
  const { request } = page;
  const papers = [
    ...METHODS.flatMap(({ id }) => [`/api/methods/${id}/handout`, `/api/methods/${id}/template?format=pdf`]),
    `/api/workshops/${past}/cards?paper=A4`,
    `/api/workshops/${past}/score-sheet?paper=A4`,
    `/api/workshops/${upcoming}/plan/kit?paper=A4`,
    `/api/workshops/${upcoming}/door-sheet?paper=A4`,
  ];
  const found: Record<string, string[]> = {};
  for (const path of papers) {
    const metric = metricIn(await pdfText(request, path));
    if (metric.length > 0) found[path] = metric;
  }
  // A round that was sent is sent once more, to whoever has not answered: the letter.
  const [round] = query('SELECT id FROM rounds LIMIT 1').split('\n');
  const sentSoFar = Number(query(`SELECT COUNT(*) FROM messages WHERE round_id = '${round}'`).split('\n')[0]);
  const sent = await request.post(`/api/rounds/${round}/messages`, { data: { sentSoFar } });
  expect(sent.ok(), await sent.text()).toBe(true);
  await page.goto('/outbox');
  await page.getByText('Cilla Varn').first().click();
  const letter = await page.getByRole('main').innerText();
  expect(letter).toContain('Dear ');
  if (metricIn(letter.split('\n')).length > 0) found.letter = metricIn(letter.split('\n'));
  const calendar = await (await request.get(`/api/workshops/${upcoming}/calendar`)).text();
  const entries = metricIn(calendar.replaceAll(/\r\n[ \t]/g, '').split('\r\n'));
  if (entries.length > 0) found.calendar = entries;
  expect(found).toEqual({});
});
