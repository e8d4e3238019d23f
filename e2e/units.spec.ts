import { execFileSync } from 'node:child_process';
import type { APIRequestContext, Page } from '@playwright/test';
import { METHODS } from '@/core/methods/registry';
import { shownTechnique } from '@/core/methods/shown-technique';
import { expect, signIn, test, workshopIds } from './setup/bench-test';
import { metricIn, metricInHtml, metricOn } from './setup/metric-figures';
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
  for (const { name, id } of METHODS)
    await expect(page.getByRole('link', { name, exact: true })).toHaveAttribute('href', `/methods/${id}`);
  await page.getByRole('link', { name: METHODS[0]!.name, exact: true }).click();
  await expect(page.getByRole('heading', { level: 1, name: METHODS[0]!.name })).toBeVisible();
  await expect(page.getByText('the lines that must meet')).toBeVisible();
  const found: Record<string, string[]> = { library: await metricOn(page) };
  // The pages as the server sends them: all that they say stands in them.
  for (const method of METHODS) {
    // Each question at its last answer: other words than the usual ones.
    const answers = new URLSearchParams(method.schools.map(({ id, options }) => [id, options.at(-1)!.id]));
    for (const path of [`/methods/${method.id}`, `/methods/${method.id}?${answers}`]) {
      const html = await (await page.request.get(path)).text();
      found[path] = await metricInHtml(page, html);
      if (path.includes('?')) continue;
      expect(html).toContain('the lines that must meet');
      // What becomes of it: four ages, a good and a failed one each.
      expect(html).toMatch(/A (good|failed) union after/);
      // Each step is drawn, also where nothing is cut.
      // The last ones: a page that is first drawn without its pictures tells them twice.
      const { length } = shownTechnique(method).steps;
      const steps = html.split(/<li[^>]* id="step-/).slice(-length);
      expect(new Set(steps.map((step) => step.split('"')[0])).size).toBe(length);
      expect(steps.filter((step) => !/<figure[\s\S]*?(<svg|<img)/.test(step))).toEqual([]);
    }
  }
  expect(Object.entries(found).filter(([, figures]) => figures.length > 0)).toEqual([]);
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
