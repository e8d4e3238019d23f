import { execFileSync } from 'node:child_process';
import type { APIRequestContext, Page } from '@playwright/test';
import { METHODS } from '@/core/methods/registry';
import { expect, test } from './setup/bench-test';
import { query } from './setup/query';
import { findPages, PAGES, REACHED } from './setup/reached-pages';

/** A figure in metric, or a sum of warmth: what nobody who reads inches and °F may meet. */
const METRIC = /\d\s?(mm|cm|m)\b(?!²)|°C/;
/** Said of files, which are in mm and °C for everybody, and of the choice of units itself. */
const SAID_OF_UNITS = [
  'Exported tables are in mm and °C for everybody',
  'Millimetres',
  // What a device of others writes is chosen beside its file.
  '°C°F',
];

/** What a page says: its words, what its drawings and controls are called, and what stands in empty fields. */
async function saidOn(page: Page): Promise<string[]> {
  return page.evaluate(() => {
    const said: string[] = [];
    const walk = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = walk.nextNode(); node; node = walk.nextNode()) {
      const parent = node.parentElement!;
      if (['SCRIPT', 'STYLE', 'TEMPLATE'].includes(parent.tagName)) continue;
      if (parent.tagName === 'OPTION') continue;
      // A figure and its unit are often two texts beside each other.
      said.push((parent.closest('p, li, dd, dt, td, th, label, h1, h2, h3, figcaption') ?? parent).textContent ?? '');
    }
    for (const element of document.querySelectorAll('[aria-label], [title], [placeholder]'))
      for (const name of ['aria-label', 'title', 'placeholder']) said.push(element.getAttribute(name) ?? '');
    return said;
  });
}

const strays = (said: readonly string[]): string[] => [
  ...new Set(
    said
      .map((text) => SAID_OF_UNITS.reduce((rest, known) => rest.replaceAll(known, ''), text.replaceAll(/\s+/g, ' ')))
      // A choice that is the unit and nothing else.
      .filter((text) => METRIC.test(text) && text.trim() !== '°C')
      .map((text) => text.slice(0, 160)),
  ),
];

async function inInches(page: Page): Promise<ReturnType<typeof findPages>> {
  const ids = await findPages(page);
  const answer = await page.request.put('/api/units', { data: { lengthUnit: 'in', temperatureUnit: 'F' } });
  expect(answer.ok()).toBe(true);
  return ids;
}

async function pdfText(request: APIRequestContext, path: string): Promise<string[]> {
  const answer = await request.get(path);
  expect(answer.headers()['content-type'], path).toContain('application/pdf');
  return execFileSync('pdftotext', ['-layout', '-', '-'], { input: await answer.body() })
    .toString()
    .split('\n');
}

test('no page shows a metric figure to whoever reads inches and °F', async ({ page }) => {
  test.setTimeout(240_000);
  const ids = await inInches(page);
  const found: Record<string, string[]> = {};
  for (const route of PAGES.filter((known) => known !== '/stand-ins/logger')) {
    await page.goto(REACHED[route]!(ids));
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible();
    const metric = strays(await saidOn(page));
    if (metric.length > 0) found[route] = metric;
  }
  for (const { id, schools } of METHODS) {
    // Each question at its last answer: other words than the usual ones.
    const answers = new URLSearchParams(schools.map((question) => [question.id, question.options.at(-1)!.id]));
    for (const path of [`/methods/${id}`, `/methods/${id}?${answers}`]) {
      await page.goto(path);
      const metric = strays(await saidOn(page));
      if (metric.length > 0) found[path] = metric;
    }
  }
  expect(found).toEqual({});
});

test('no paper and no letter does either', async ({ page }) => {
  test.setTimeout(180_000);
  const { past, upcoming } = await inInches(page);
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
    const metric = strays(await pdfText(request, path));
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
  if (strays(letter.split('\n')).length > 0) found.letter = strays(letter.split('\n'));
  const calendar = await (await request.get(`/api/workshops/${upcoming}/calendar`)).text();
  const entries = strays(calendar.replaceAll(/\r\n[ \t]/g, '').split('\r\n'));
  if (entries.length > 0) found.calendar = entries;
  expect(found).toEqual({});
});
