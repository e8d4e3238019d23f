import AxeBuilder from '@axe-core/playwright';
import type { BrowserContext, Page } from '@playwright/test';
import { readdirSync } from 'node:fs';
import { query } from './setup/query';
import { expect, PEOPLE, signIn, test as benchTest, workshopIds } from './setup/bench-test';
import { linksTo } from './setup/links-to';

let kept: BrowserContext | null = null;

/** One tab for all pages: its browser has read the scripts they share once, as that of a club has. */
const test = benchTest.extend({
  context: async ({ browser, baseURL, viewport }, provide) => {
    if (!kept) {
      kept = await browser.newContext({ baseURL: baseURL!, viewport });
      await kept.newPage();
    }
    await provide(kept);
  },
  page: async ({ context, viewport }, provide) => {
    const [page] = context.pages();
    await page!.setViewportSize(viewport!);
    await provide(page!);
  },
});

/** Pages on disk, as their routes. */
const PAGES = readdirSync('app', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('page.tsx'))
  .map((file) => `/${file.replace(/\/?page\.tsx$/, '').replace(/\([^)]*\)\//g, '')}`)
  .sort();

/** How each page is reached; a page that is not here fails its test. */
const REACHED: Record<
  string,
  (ids: {
    past: string;
    upcoming: string;
    code: string;
    link: string;
    tree: string;
    site: string;
    lot: string;
    union: string;
    card: string;
    password: string;
  }) => string
> = {
  '/': () => '/',
  '/sign-in': () => '/sign-in',
  '/first-lead': () => '/first-lead',
  '/season': () => '/season',
  '/workshops/new': () => '/workshops/new',
  '/club': () => '/club',
  '/account': () => '/account',
  '/forgotten': () => '/forgotten',
  '/password/[token]': ({ password }) => password,
  '/outbox': () => '/outbox',
  '/workshops/[workshop]': ({ past }) => `/workshops/${past}`,
  '/workshops/[workshop]/plan': ({ past }) => `/workshops/${past}/plan`,
  '/workshops/[workshop]/plan/roster': ({ upcoming }) => `/workshops/${upcoming}/plan/roster`,
  '/workshops/[workshop]/score': ({ past }) => `/workshops/${past}/score`,
  '/workshops/[workshop]/score/sheet': ({ past }) => `/workshops/${past}/score/sheet`,
  '/workshops/[workshop]/aftercare': ({ past }) => `/workshops/${past}/aftercare`,
  '/workshops/[workshop]/follow-up': ({ past }) => `/workshops/${past}/follow-up`,
  '/workshops/[workshop]/findings': ({ past }) => `/workshops/${past}/findings`,
  '/workshops/[workshop]/teach': ({ past }) => `/workshops/${past}/teach`,
  '/workshops/[workshop]/teach/briefing': ({ past }) => `/workshops/${past}/teach/briefing`,
  '/screen/[workshop]': ({ past }) => `/screen/${past}`,
  '/remote/[workshop]': ({ past }) => `/remote/${past}`,
  '/cards/[method]': () => '/cards/whip-and-tongue',
  '/methods': () => '/methods',
  '/methods/[method]': () => '/methods/cleft',
  '/methods/choose': () => '/methods/choose',
  '/methods/pairs': () => '/methods/pairs',
  '/topworking': () => '/topworking',
  '/topworking/new': () => '/topworking/new',
  '/topworking/[plan]': ({ tree }) => tree,
  '/workshops/[workshop]/plan/season': ({ upcoming }) => `/workshops/${upcoming}/plan/season`,
  '/workshops/[workshop]/plan/dates': ({ upcoming }) => `/workshops/${upcoming}/plan/dates`,
  '/workshops/[workshop]/plan/quantities': ({ upcoming }) => `/workshops/${upcoming}/plan/quantities`,
  '/workshops/[workshop]/plan/wood': ({ past }) => `/workshops/${past}/plan/wood`,
  '/workshops/[workshop]/plan/pairs': ({ past }) => `/workshops/${past}/plan/pairs`,
  '/workshops/[workshop]/plan/benches': ({ past }) => `/workshops/${past}/plan/benches`,
  '/workshops/[workshop]/plan/ready': ({ upcoming }) => `/workshops/${upcoming}/plan/ready`,
  '/sites': () => '/sites',
  '/sites/[site]': ({ site }) => site,
  '/wood': () => '/wood',
  '/wood/[lot]': ({ lot }) => lot,
  '/stand-ins/caliper': () => '/stand-ins/caliper',
  '/stand-ins/logger': () => '/stand-ins/logger',
  ...Object.fromEntries(
    ['readiness', 'cards', 'agreement', 'agreement/recalibration', 'rubric', 'settings'].map((page) => [
      `/workshops/[workshop]/score/${page}`,
      ({ past }: { past: string }) => `/workshops/${past}/score/${page}`,
    ]),
  ),
  '/workshops/[workshop]/score/unions/[union]': ({ union }) => union,
  '/wall/[workshop]': ({ past }) => `/wall/${past}`,
  '/c/[token]': ({ card }) => card,
  '/u/[code]': ({ code }) => `/u/${code}`,
  '/r/[token]': ({ link }) => link,
};

type Ids = Parameters<(typeof REACHED)[string]>[0];
let reached: { ids: Ids; cookies: Awaited<ReturnType<BrowserContext['cookies']>> } | null = null;

/** Signs in and looks up where the pages are, once for all of them. */
async function find(tab: Page): Promise<Ids> {
  if (reached) {
    await tab.context().addCookies(reached.cookies);
    return reached.ids;
  }
  await signIn(tab);
  const ids = await workshopIds(tab);
  await tab.goto('/outbox');
  await tab.getByText('Cilla Varn').first().click();
  const link = (await tab.getByRole('link', { name: /\/r\// }).first().getAttribute('href'))!;
  const csv = await (await tab.request.get(`/api/workshops/${ids.past}/export/unions.csv`)).text();
  const code = csv
    .split('\r\n')
    .map((line) => line.split(',')[4]!)
    .find((cell) => /^[2-9A-HJ-NP-Z]{6}$/.test(cell))!;
  await tab.goto('/topworking');
  const tree = (await tab.getByRole('link', { name: /boathouse/ }).getAttribute('href'))!;
  await tab.goto('/sites');
  const site = (await tab
    .getByRole('main')
    .getByRole('link', { name: /Boathouse/ })
    .getAttribute('href'))!;
  await tab.goto('/wood');
  const lot = (await tab.getByRole('main').getByRole('link', { name: 'Grey Heron' }).first().getAttribute('href'))!;
  const [photographed] = query('SELECT union_id FROM photos LIMIT 1').split('\n');
  const bench = (await (await tab.request.get(`/api/workshops/${ids.past}/bench`)).json()) as {
    seats: { id: string }[];
  };
  const card = (
    (await (await tab.request.post(`/api/workshops/${ids.past}/cards/${bench.seats[0]!.id}/link`)).json()) as {
      url: string;
    }
  ).url;
  await tab.goto('/forgotten');
  await tab.getByLabel('E-mail').fill(PEOPLE.viewer);
  await tab.getByRole('button', { name: 'Send me a link' }).click();
  await expect(tab.getByRole('status')).toBeVisible();
  const password = linksTo(PEOPLE.viewer).at(-1)!;
  reached = {
    ids: {
      ...ids,
      password,
      code,
      link,
      tree,
      site,
      lot,
      union: `/workshops/${ids.past}/score/unions/${photographed}`,
      card: new URL(card).pathname,
    },
    cookies: await tab.context().cookies(),
  };
  return reached.ids;
}

const STANDARDS = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];
const LOOKS: { viewport: { width: number; height: number }; rules?: string[] }[] = [
  { viewport: { width: 1280, height: 800 } },
  {
    viewport: { width: 390, height: 844 },
    rules: ['target-size', 'scrollable-region-focusable', 'meta-viewport', 'nested-interactive', 'color-contrast'],
  },
];

for (const page of PAGES) {
  test(`${page}: nothing serious for axe, a policy with a nonce, a title, no warning, nothing from elsewhere`, async ({
    page: tab,
  }) => {
    expect(Object.keys(REACHED)).toContain(page);
    const ids = await find(tab);
    if (page === '/sign-in') await tab.context().clearCookies();
    const answer = await tab.goto(REACHED[page]!(ids));
    // Whoever is signed out is sent to sign in, and that page would be looked at in place of this one.
    if (page !== '/sign-in') expect(new URL(tab.url()).pathname).not.toBe('/sign-in');
    const policy = (await answer!.allHeaders())['content-security-policy']!;
    expect(policy).toMatch(/script-src 'self' 'nonce-[\w+/=]+' 'strict-dynamic'/);
    expect(policy).not.toMatch(/script-src[^;]*unsafe/);
    await expect(tab).toHaveTitle(/Pear Bench/);
    await expect(tab.getByRole('heading', { level: 1 }).first()).toBeVisible();
    // Everything once, in the tab itself (no page of ours holds a frame from elsewhere); on the narrow screen again what hangs on the layout.
    for (const { viewport, rules } of LOOKS) {
      await tab.setViewportSize(viewport);
      const axe = new AxeBuilder({ page: tab }).setLegacyMode(true);
      const { violations } = await (rules ? axe.withRules(rules) : axe.withTags(STANDARDS)).analyze();
      const serious = violations.filter(({ impact }) => impact === 'serious' || impact === 'critical');
      expect(
        serious.map(
          ({ id, nodes }) =>
            `${id} at ${viewport.width}: ${nodes
              .map(({ target }) => target.join(' '))
              .slice(0, 3)
              .join(' | ')}`,
        ),
      ).toEqual([]);
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
