import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  test as base,
  expect,
  type APIRequestContext,
  type ConsoleMessage,
  type Page,
  type Request,
  type WebError,
} from '@playwright/test';
import { restoreDemoState } from './demo-state';
import { runSql } from './run-sql';
import type { SecondClub } from './second-club';
import { ownWorld } from './world';

export { expect };

const { url, folder, password, databasePort, environment } = ownWorld();
export const PASSWORD = password;
export const WORLD = folder;
export const DATABASE_PORT = databasePort;
export const ENVIRONMENT = environment;
export const PEOPLE = {
  lead: 'maren@tarnholm.example',
  assistant: 'joss@tarnholm.example',
  viewer: 'edda@tarnholm.example',
} as const;

export function secondClub(): SecondClub {
  return JSON.parse(readFileSync(join(WORLD, 'second-club.json'), 'utf8')) as SecondClub;
}

/** Files of tests that go without reception let pages keep themselves on the device; to all others it is denied (playwright.config.ts). */
const BLOCKED = /Service Worker registration blocked by Playwright/;

/** File and round whose tests run in this process now; a further try always runs in a new one. */
let runs = '';

/**
 * Each file of tests begins with the demo as it was loaded, and so does each further try.
 *
 * Every page of a test is watched: what the browser's console warns of, and any request to another
 * host, fails the test. A test that provokes an error says so with `expectedNoise`.
 */
// Playwright wants the first argument taken apart, also where nothing is taken.
export const test = base.extend<{ expectedNoise: RegExp | null; watched: void; demo: void }>({
  baseURL: async ({}, provide) => provide(url),
  demo: [
    async ({}, use, { file, repeatEachIndex }) => {
      const now = [file, repeatEachIndex].join();
      if (now !== runs) await restoreDemoState(WORLD, DATABASE_PORT);
      runs = now;
      await use();
    },
    { auto: true },
  ],
  expectedNoise: [null, { option: true }],
  watched: [
    async ({ context, expectedNoise }, use) => {
      const heard: string[] = [];
      const hearConsole = (message: ConsoleMessage): void => {
        // The console names the page; what could not be loaded is named by the message's place.
        if (['error', 'warning'].includes(message.type()))
          heard.push(`${message.type()}: ${message.text()} ${message.location().url} (${message.page()?.url()})`);
      };
      const hearError = (error: WebError): void =>
        void heard.push(`error: ${error.error().message} (${error.page()?.url()})`);
      const hearRequest = (request: Request): void => {
        const url = request.url();
        // Loopback is ours too: some tests start a second server of their own.
        if (!/^http:\/\/127\.0\.0\.1:\d+\//.test(url) && !/^(blob|data|about|chrome-error):/.test(url))
          heard.push(`request to another host: ${url}`);
      };
      context.on('console', hearConsole).on('weberror', hearError).on('request', hearRequest);
      await use();
      // A context that a file keeps for all its tests is heard by each of them once.
      context.off('console', hearConsole).off('weberror', hearError).off('request', hearRequest);
      expect(heard.filter((line) => !expectedNoise?.test(line) && !BLOCKED.test(line))).toEqual([]);
    },
    { auto: true },
  ],
});

/** Signs in through the form, as people do. */
export async function signInByHand(page: Page, who: keyof typeof PEOPLE = 'lead'): Promise<void> {
  await page.goto('/sign-in');
  await page.getByLabel('E-mail').fill(PEOPLE[who]);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL('**/week');
}

/** Signs the page's browser in without opening a page: two pages less in nearly every test. */
export async function signIn(page: Page, who: keyof typeof PEOPLE = 'lead'): Promise<void> {
  await apiSignIn(page.request, PEOPLE[who]);
}

/** A signed-in caller of the routes, without a browser. */
export async function apiSignIn(request: APIRequestContext, email: string): Promise<void> {
  const answer = await request.post('/api/session', { data: { email, password: PASSWORD } });
  expect(answer.status()).toBe(204);
}

/** Ids of the demo's workshops: the one that was, and the one to come. */
export function workshopIds(): { past: string; upcoming: string } {
  const id = (title: string): string =>
    runSql(WORLD, `SELECT id FROM workshops WHERE title = '${title}' ORDER BY created_at LIMIT 1`);
  return { past: id('Pears and medlars on the bench'), upcoming: id('Late winter whips') };
}

/** Id of the demo's site. */
export const demoSite = (): string => runSql(WORLD, "SELECT id FROM sites WHERE name LIKE 'Boathouse%'");
