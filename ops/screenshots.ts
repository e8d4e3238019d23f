import { threeYears, yearBefore } from '@/demo/three-years/scenario';
import truth from '@/demo/truth.json';
import { chromium, type Page } from '@playwright/test';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { codesIn, formatCode } from '@/core/codes/plant-code';
import { CHROMIUM } from './chromium';

/*
 * node --import tsx ops/screenshots.ts [ADDRESS]
 * Takes the pictures of docs/screenshots/ from the demo of a running ./start. Saves nothing there.
 */

const address = process.argv[2] ?? 'http://127.0.0.1:3000';
const folder = join(process.cwd(), 'docs', 'screenshots');
const passwordFile = join(process.cwd(), '.data', 'demo.password');
if (!existsSync(passwordFile)) {
  console.error('Start the demo first: ./start');
  process.exit(2);
}
mkdirSync(folder, { recursive: true });
const browser = await chromium.launch(CHROMIUM);
const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: address });
const page = await context.newPage();

async function shoot(name: string, on: Page = page): Promise<void> {
  await on.waitForTimeout(600);
  await on.screenshot({ path: join(folder, `${name}.png`) });
}

await page.goto('/sign-in');
await page.getByLabel('E-mail').fill('maren@tarnholm.example');
await page.getByLabel('Password').fill(readFileSync(passwordFile, 'utf8').trim());
await page.getByRole('button', { name: 'Sign in' }).click();
await page.waitForURL('**/week');
await shoot('week');
await page.goto('/season');
await shoot('season');
const workshop = async (title: string): Promise<string> =>
  (await page.getByRole('main').getByRole('link', { name: title }).getAttribute('href'))!.replace('/plan', '');
const past = await workshop('Pears and medlars on the bench');
const upcoming = await workshop('Late winter whips');

await page.goto(`${past}/plan`);
await shoot('plan');
await page.goto(`${upcoming}/plan/quantities`);
await shoot('plan-quantities');

async function enterUnion(on: Page): Promise<void> {
  for (const [name, value] of [
    ['stockDiameter', '11'],
    ['scionDiameter', '9'],
    ['stockLength', '36'],
    ['scionLength', '34'],
  ])
    await on.locator(`[name=${name}]`).fill(value!);
  await on.locator('label').filter({ hasText: 'Left, outsides flush' }).click();
  await on.locator('[name=scionLength]').focus();
  await on.keyboard.press('Escape');
  await on.keyboard.press('t');
}
await page.goto(`${past}/score`);
await page.getByRole('button', { name: /^Seat 1,/ }).waitFor();
await shoot('room');
await page.goto(`${past}/score?seat=4`);
await enterUnion(page);
await shoot('scoring');
await page.goto(`${past}/score/readiness`);
await page.locator('canvas').waitFor();
await shoot('readiness');
await page.goto('/places');
await page.getByRole('application').waitFor();
await shoot('places');
await page.getByRole('link', { name: 'Warm box in the boathouse' }).click();
await page.locator('canvas').first().waitFor();
await shoot('callus-place');
// A plant whose tie was left on, by the tag that the list of this week names.
await page.goto('/week');
const alarms = page.getByRole('region', { name: /past the last day/ });
// Limbs of a tree bear no tag: the rows of plants that do are among the others.
for (const otherwise of await alarms.getByRole('button', { name: /another way/ }).all()) await otherwise.click();
const [tag] = codesIn((await alarms.locator('label').allInnerTexts()).join('\n')).codes;
await page.goto(`/plants/${tag}`);
await page.getByRole('heading', { level: 1, name: formatCode(tag!) }).waitFor();
await shoot('plant');
await page.goto(`${past}/follow-up`);
await shoot('follow-up');
await page.goto('/findings');
await page.locator('canvas').first().waitFor();
await shoot('findings');
await page.goto('/findings/differs');
await page.locator('canvas').waitFor();
await shoot('differs');

// The day whose truth is a lot that lay warm, and the guide beside one of its dead.
await page.goto('/season');
const warmDay = await workshop(threeYears(yearBefore(new Date().toISOString().slice(0, 10)))[truth.warmLot.day]!.title);
await page.goto(`${warmDay}/findings/causes`);
await page.getByRole('group', { name: /^The room/ }).waitFor();
await shoot('causes');
const guide = (await page.getByRole('link', { name: 'Look into it' }).first().getAttribute('href'))!;

await page.goto('/methods/cleft');
await page.locator('#step-join').scrollIntoViewIfNeeded();
await shoot('method');
const wall = await context.newPage();
await wall.setViewportSize({ width: 1920, height: 1080 });
await wall.goto(past.replace('/workshops', '/screen'));
await wall.keyboard.press('Home');
for (let i = 0; i < 4; i++) await wall.keyboard.press('ArrowRight');
await wall.keyboard.press('w');
await shoot('projector', wall);
await wall.close();
await page.goto('/outbox');
await page.getByText('Ilka Morrow').first().click();
const link = (await page.getByRole('link', { name: /\/r\// }).first().getAttribute('href'))!;

// Signed in, but without the begun union the other device keeps.
const phone = await browser.newContext({
  viewport: { width: 390, height: 844 },
  baseURL: address,
  storageState: { cookies: await context.cookies(), origins: [] },
});
const hand = await phone.newPage();
await hand.goto(`${past}/score?seat=4`);
await enterUnion(hand);
await shoot('scoring-phone', hand);
await hand.goto(new URL(link).pathname);
await shoot('grower-phone', hand);
await hand.goto(guide);
await hand.locator('#guide-question').waitFor();
await shoot('guide-phone', hand);
await browser.close();
console.log(`Pictures are in ${folder}`);
