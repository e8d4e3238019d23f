import { execFileSync } from 'node:child_process';
import type { APIRequestContext, Page } from '@playwright/test';
import { METHODS } from '@/core/methods/registry';
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

// Every page is looked at for them in pages.spec.ts; here the methods, each answer of their schools.
test('no method shows a metric figure to whoever reads inches and °F, whichever school is followed', async ({
  page,
}) => {
  test.setTimeout(240_000);
  await inInches(page);
  const found: Record<string, string[]> = {};
  for (const { id, schools } of METHODS) {
    // Each question at its last answer: other words than the usual ones.
    const answers = new URLSearchParams(schools.map((question) => [question.id, question.options.at(-1)!.id]));
    for (const path of [`/methods/${id}`, `/methods/${id}?${answers}`]) {
      await page.goto(path);
      const metric = await metricOn(page);
      if (metric.length > 0) found[path] = metric;
    }
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
