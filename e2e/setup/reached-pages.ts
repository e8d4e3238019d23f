import type { BrowserContext, Page } from '@playwright/test';
import { readdirSync } from 'node:fs';
import { query } from './query';
import { expect, PEOPLE, signIn, test, workshopIds } from './bench-test';
import { linksTo } from './links-to';

/** Pages on disk, as their routes. */
export const PAGES = readdirSync('app', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('page.tsx'))
  .map((file) => `/${file.replace(/\/?page\.tsx$/, '').replace(/\([^)]*\)\//g, '')}`)
  // Written by a route, without a framework.
  .concat('/r/[token]')
  .sort();

/** How each page is reached; a page that is not here fails its test. */
export const REACHED: Record<
  string,
  (ids: {
    past: string;
    upcoming: string;
    code: string;
    link: string;
    grown: string;
    visit: string;
    place: string;
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
  '/week': () => '/week',
  '/visits': () => '/visits',
  '/visits/[site]/[day]': ({ visit }) => visit,
  '/plants/[code]': ({ code }) => `/plants/${code}`,
  '/plants/[code]/why': ({ code }) => `/plants/${code}/why`,
  '/answers': () => '/answers?search=Cilla',
  '/answers/file': () => '/answers/file',
  '/answers/inbox': () => '/answers/inbox',
  '/places': () => '/places',
  '/places/[place]': ({ place }) => place,
  '/places/[place]/lost-tag': ({ place }) => `${place}/lost-tag`,
  '/season': () => '/season',
  '/workshops/new': () => '/workshops/new',
  '/club': () => '/club',
  '/club/status': () => '/club/status',
  '/club/causes': () => '/club/causes',
  '/findings': () => '/findings',
  '/findings/differs': () => '/findings/differs',
  '/findings/score': () => '/findings/score',
  '/findings/when': () => '/findings/when',
  '/findings/care': () => '/findings/care',
  '/findings/causes': () => '/findings/causes',
  '/findings/teach': () => '/findings/teach',
  '/findings/report': () => '/findings/report',
  '/findings/unions': () => '/findings/unions?scoreFrom=60&scoreTo=74',
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
  '/workshops/[workshop]/findings/differs': ({ past }) => `/workshops/${past}/findings/differs`,
  '/workshops/[workshop]/findings/score': ({ past }) => `/workshops/${past}/findings/score`,
  '/workshops/[workshop]/findings/when': ({ past }) => `/workshops/${past}/findings/when`,
  '/workshops/[workshop]/findings/causes': ({ past }) => `/workshops/${past}/findings/causes`,
  '/workshops/[workshop]/findings/teach': ({ past }) => `/workshops/${past}/findings/teach`,
  '/workshops/[workshop]/teach': ({ past }) => `/workshops/${past}/teach`,
  '/workshops/[workshop]/teach/healing': ({ past }) => `/workshops/${past}/teach/healing`,
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
  '/stand-ins/weather': () => '/stand-ins/weather',
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
  '/r/[token]/[code]': ({ grown }) => grown,
};

export type PageIds = Parameters<(typeof REACHED)[string]>[0];
let reached: { file: string; ids: PageIds; cookies: Awaited<ReturnType<BrowserContext['cookies']>> } | null = null;

/** Signs in and looks up where the pages are, once for all tests of a file: the next file has the demo anew. */
export async function findPages(tab: Page): Promise<PageIds> {
  const { file } = test.info();
  if (reached?.file === file) {
    await tab.context().addCookies(reached.cookies);
    return reached.ids;
  }
  await signIn(tab);
  const ids = workshopIds();
  await tab.goto('/outbox');
  await tab.getByText('Cilla Varn').first().click();
  const link = (await tab.getByRole('link', { name: /\/r\// }).first().getAttribute('href'))!;
  const csv = await (await tab.request.get(`/api/workshops/${ids.past}/export/unions.csv`)).text();
  const code = csv
    .split('\r\n')
    .map((line) => line.split(',')[4]!)
    .find((cell) => /^[2-9A-HJ-NP-Z]{6}$/.test(cell))!;
  await tab.goto(link);
  const grown = (await tab.locator('.graft .quiet a').first().getAttribute('href'))!;
  await tab.goto('/visits');
  const visit = (await tab.locator('a[href^="/visits/"]').first().getAttribute('href'))!;
  await tab.goto('/places');
  const place = (await tab.getByRole('link', { name: 'Boathouse bed' }).getAttribute('href'))!;
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
    file,
    ids: {
      ...ids,
      password,
      code,
      link,
      grown,
      visit,
      place,
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
