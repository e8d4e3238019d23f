import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';
import type { AxeResults, RunOptions } from 'axe-core';
import { expect, test } from './setup/bench-test';
import { metricOn } from './setup/metric-figures';
import { findPages, PAGES, REACHED } from './setup/reached-pages';

const STANDARDS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
/** Everything on the wide screen; on the narrow one again what hangs on the layout. */
const LOOKS: { viewport: { width: number; height: number }; rules: string[] }[] = [
  { viewport: { width: 1280, height: 800 }, rules: STANDARDS },
  {
    viewport: { width: 390, height: 844 },
    rules: ['target-size', 'scrollable-region-focusable', 'meta-viewport', 'nested-interactive'],
  },
];
const AXE = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** What axe finds on a page it was read into, in the tab itself: no page of ours holds a frame from elsewhere. */
async function seriousOn(tab: Page, rules: string[]): Promise<string[]> {
  // What passes is counted and not described: a page of drawings has thousands of parts that do.
  const options: RunOptions = { runOnly: rules, resultTypes: ['violations'], preload: false };
  const violations = await tab.evaluate(async (asked) => {
    const { axe } = window as unknown as { axe: { run: (node: Document, asked: RunOptions) => Promise<AxeResults> } };
    return (await axe.run(document, asked)).violations.map(({ id, impact, nodes }) => ({
      id,
      impact,
      targets: nodes.slice(0, 3).map(({ target }) => target.join(' ')),
    }));
  }, options);
  return violations
    .filter(({ impact }) => impact === 'serious' || impact === 'critical')
    .map(({ id, targets }) => `${id}: ${targets.join(' | ')}`);
}

let readsInches = false;
/** Whoever is signed in reads inches and °F from now on: what holds for them is the harder half. */
async function readInches({ request }: Page): Promise<void> {
  if (readsInches) return;
  const answer = await request.put('/api/units', { data: { lengthUnit: 'in', temperatureUnit: 'F' } });
  expect(answer.ok(), await answer.text()).toBe(true);
  readsInches = true;
}

for (const page of PAGES) {
  test(`${page}: nothing serious for axe, no metric figure for a reader of inches, a policy with a nonce, a title, no warning, nothing from elsewhere`, async ({
    page: tab,
  }) => {
    // The page of a method holds all its drawings; on a busy machine axe takes its time with them.
    test.setTimeout(150_000);
    expect(Object.keys(REACHED)).toContain(page);
    const ids = await findPages(tab);
    await readInches(tab);
    if (page === '/sign-in') await tab.context().clearCookies();
    const answer = await tab.goto(REACHED[page]!(ids));
    // Whoever is signed out is sent to sign in, and that page would be looked at in place of this one.
    if (page !== '/sign-in') expect(new URL(tab.url()).pathname).not.toBe('/sign-in');
    const policy = (await answer!.allHeaders())['content-security-policy']!;
    expect(policy).toMatch(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic'/);
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    await expect(tab).toHaveTitle(/Pear Bench/);
    await expect(tab.getByRole('heading', { level: 1 }).first()).toBeVisible();
    // What a logger's stand-in writes is in °C for everybody, and nobody knows what a stranger reads.
    if (!['/stand-ins/logger', '/sign-in'].includes(page)) expect(await metricOn(tab)).toEqual([]);
    await tab.evaluate(AXE);
    for (const { viewport, rules } of LOOKS) {
      await tab.setViewportSize(viewport);
      expect(await seriousOn(tab, rules), `at ${viewport.width}`).toEqual([]);
      const beyond = await tab.evaluate(
        () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
      );
      expect(beyond, `the page scrolls sideways at ${viewport.width}`).toBeLessThanOrEqual(0);
    }
  });
}

test('a browser that asks for an icon of its own accord gets ours', async ({ request }) => {
  const answer = await request.get('/favicon.ico');
  expect(answer.status()).toBe(200);
  expect(answer.headers()['content-type']).toBe('image/svg+xml');
});
