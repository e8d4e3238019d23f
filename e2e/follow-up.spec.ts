import type { Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { query } from './setup/query';
import { expect, signIn, test, WORLD, workshopIds } from './setup/bench-test';

test.describe.configure({ mode: 'serial' });

let past = '';

async function linkOf(page: Page, person: string): Promise<string> {
  await page.goto('/outbox');
  await page.getByText(`${person},`).first().click();
  return (await page.getByRole('link', { name: /\/r\// }).first().getAttribute('href'))!;
}

test.beforeEach(async ({ page }) => {
  await signIn(page);
  ({ past } = workshopIds());
});

test('a grower answers from a phone without an account; the findings follow', async ({ page, browser }) => {
  const url = await linkOf(page, 'Ona Ferrel');
  expect(new URL(url).pathname.split('/')[2]!.length).toBeGreaterThanOrEqual(22);
  const stranger = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = await stranger.newPage();
  await phone.goto(url);
  await phone.reload();
  await expect(phone.getByRole('heading', { name: 'Ona Ferrel, how do your grafts do?' })).toBeVisible();
  await expect(phone.getByText('4 to go')).toBeVisible();
  await expect(phone.getByText('seen by the instructors of Tarnholm Orchard Guild')).toBeVisible();
  const plants = phone.locator('[data-plant]');
  await expect(plants).toHaveCount(4);
  await expect(plants.first()).toContainText('Grey Heron');
  await expect(plants.first().getByRole('img', { name: /^ribbon/ })).toBeVisible();
  await plants.first().getByText('Yes', { exact: true }).click();
  await expect(plants.first().getByText('Saved')).toBeVisible();
  await expect(plants.first().getByText('This week:')).toBeVisible();
  await plants.nth(1).getByText('Dead', { exact: true }).click();
  await expect(plants.nth(1).getByText('Saved')).toBeVisible();
  // Changed before the round closes: the last answer stays.
  await plants.nth(1).getByText('Not sure yet', { exact: true }).click();
  await expect(plants.nth(1).getByText('Saved')).toBeVisible();
  await plants.nth(1).getByLabel('Anything you noticed').fill('a bud may be green');
  await plants.nth(1).getByRole('button', { name: 'Keep' }).click();
  await expect(plants.nth(1).getByText('Saved')).toBeVisible();
  await phone.reload();
  await expect(phone.getByText('2 to go')).toBeVisible();
  await expect(plants.nth(1).getByLabel('Not sure yet')).toBeChecked();
  await expect(plants.nth(1).getByLabel('Anything you noticed')).toHaveValue('a bud may be green');
  await stranger.close();

  await page.goto(`/workshops/${past}/follow-up`);
  const row = page.getByRole('row', { name: /Ona Ferrel/ });
  await expect(row).toContainText('a bud may be green');
  const csv = await (await page.request.get(`/api/workshops/${past}/export/reports.csv`)).text();
  expect(csv.split('\r\n')[0]).toBe('report_id,union_id,code,milestone,answer,source,seen_on,recorded_at,note');
  expect(csv).toContain('a bud may be green');
});

test('findings say rate, interval, counts and bounds in chart and table alike', async ({ page }) => {
  await page.goto(`/workshops/${past}/findings`);
  await expect(page.getByRole('img', { name: /Take by milestone/ }).locator('canvas')).toBeVisible();
  const row = page.getByRole('row', { name: /^Season/ });
  const cells = (await row.getByRole('cell').allInnerTexts()).map((cell) => cell.trim().replace('\u00a0', ' '));
  const [rate, interval, alive, dead, unknown, truth] = cells as [string, string, string, string, string, string];
  const [a, d, u] = [Number(alive), Number(dead), Number(unknown)];
  const handedOver = Number(
    /Take of (\d+) keepers/.exec(await page.getByRole('heading', { level: 1 }).innerText())![1],
  );
  expect(a + d + u).toBe(handedOver);
  expect(rate).toBe(`${Math.round((100 * a) / (a + d))} %`);
  expect(truth).toBe(`${Math.round((100 * a) / handedOver)} to ${Math.round((100 * (a + u)) / handedOver)} %`);
  // Wilson's interval, written out anew.
  const n = a + d;
  const z = 1.959964;
  const centre = (a / n + (z * z) / (2 * n)) / (1 + (z * z) / n);
  const half = (z / (1 + (z * z) / n)) * Math.sqrt(((a / n) * (d / n)) / n + (z * z) / (4 * n * n));
  expect(interval).toBe(`${Math.round(100 * (centre - half))} to ${Math.round(100 * (centre + half))} %`);
  await expect(page.getByRole('row', { name: /^Wintered/ })).toContainText('not asked yet');
  await expect(page.getByRole('row', { name: /Bram Odewick/ })).toContainText('%');
});

test('the instructor enters an answer that came by phone, and alive after dead is flagged', async ({ page }) => {
  await page.goto(`/workshops/${past}/follow-up`);
  await page.getByRole('button', { name: 'Enter answers of Old Nils Barge' }).click();
  const dialog = page.getByRole('dialog');
  // Nothing is preset: an answer nobody gave is not saved.
  await dialog
    .getByRole('button', { name: /^Save / })
    .first()
    .click();
  await expect(dialog.getByRole('alert')).toContainText('Choose what they said');
  await dialog.getByLabel('Answer').first().selectOption('dead');
  await dialog
    .getByRole('button', { name: /^Save / })
    .first()
    .click();
  await expect(dialog.getByText(/saved\.$/)).toBeVisible();
  await page.keyboard.press('Escape');

  await page.getByLabel('It asks').selectOption('wintered');
  await page.getByRole('button', { name: 'Make the round' }).click();
  const wintered = page.getByRole('region', { name: /^Wintered/ });
  await wintered.getByRole('button', { name: 'Enter answers of Old Nils Barge' }).click();
  await dialog.getByLabel('Answer').first().selectOption('yes');
  await dialog
    .getByRole('button', { name: /^Save / })
    .first()
    .click();
  await expect(dialog.getByText(/saved\.$/)).toBeVisible();
  await page.goto(`/workshops/${past}/findings`);
  await expect(page.getByText('Said to be alive after dead')).toContainText('seat 13');
});

test('reminds only those who have not answered, with a new link; slips for those who cannot be written to', async ({
  page,
}) => {
  await page.goto(`/workshops/${past}/follow-up`);
  const season = page.getByRole('region', { name: /^Season/ });
  const remind = season.getByRole('button', { name: /^Remind \d+/ });
  const count = Number(/\d+/.exec(await remind.innerText())![0]);
  const eml = (): string[] => readdirSync(join(WORLD, 'outbox')).filter((name) => name.endsWith('.eml'));
  const before = eml().length;
  await remind.dblclick();
  await expect(season.getByText(`${count} written to`)).toBeVisible();
  expect(eml().length).toBe(before + count);
  const newest = eml()
    .map((name) => readFileSync(join(WORLD, 'outbox', name), 'utf8'))
    .find((text) => text.includes('Once more'))!;
  expect(newest).toMatch(/^X-Simulated: /m);
  expect(newest).toMatch(/^Message-ID: <[0-9a-f-]{36}@/im);
  const first = await linkOf(page, 'Yrsa Kolm');
  const answer = await page.request.get(first);
  expect(answer.status()).toBe(200);

  await page.goto(`/workshops/${past}/follow-up`);
  const slips = await page.request.post(`/api/rounds/${(await roundIds(page))[0]!}/slips`, { data: { paper: 'A4' } });
  writeFileSync(join(WORLD, 'slips.pdf'), await slips.body());
  const words = execFileSync('pdftotext', ['-layout', join(WORLD, 'slips.pdf'), '-'], { encoding: 'utf8' });
  for (const part of ['Old Nils Barge', 'Petra Oake', 'Cannot find it', 'Not sure yet']) expect(words).toContain(part);
  expect(words).not.toContain('Ona Ferrel');
});

async function roundIds(page: Page): Promise<string[]> {
  return page
    .locator('section[aria-labelledby^="round-"]')
    .evaluateAll((all) => all.map((element) => element.getAttribute('aria-labelledby')!.slice('round-'.length)));
}

test.describe('links that do not open', () => {
  test.use({ expectedNoise: /status of (404|410)/ });

  test('say what to do: unknown, withdrawn, closed', async ({ page }) => {
    await page.goto('/r/not-a-link-of-ours');
    await expect(page.getByText('ask the club for a new one')).toBeVisible();

    const url = await linkOf(page, 'Pell Andorra');
    await page.goto(`/workshops/${past}/follow-up`);
    await page
      .getByRole('region', { name: /^Season/ })
      .getByRole('button', { name: 'Withdraw link of Pell Andorra' })
      .click();
    // Asked first: the way out changes nothing.
    await page.getByRole('button', { name: 'Leave it' }).click();
    await expect(page.getByRole('region', { name: /^Season/ })).not.toContainText('link withdrawn');
    await page
      .getByRole('region', { name: /^Season/ })
      .getByRole('button', { name: 'Withdraw link of Pell Andorra' })
      .click();
    await page.getByRole('button', { name: 'Withdraw it' }).click();
    await expect(page.getByRole('row', { name: /Pell Andorra/ }).first()).toContainText('link withdrawn');
    await page.goto(url);
    await expect(page.getByText('This link was withdrawn')).toBeVisible();
    const token = new URL(url).pathname.split('/')[2]!;
    const put = await page.request.put(`/api/r/${token}/answers/0190b6a0-0000-7000-8000-00000000abcd`, {
      data: { unionId: '0190b6a0-0000-7000-8000-00000000abcd', answer: 'yes' },
    });
    expect(put.status()).toBe(410);

    // Closed yesterday: to read only, and an answer sent all the same is not saved.
    const open = await linkOf(page, 'Cilla Varn');
    await page.goto(`/workshops/${past}/follow-up`);
    const season = page.getByRole('region', { name: /^Season/ });
    await season.getByRole('button', { name: 'Move the closing' }).click();
    await season.getByLabel('Closes on').fill(new Date(Date.now() - 2 * 86_400_000).toISOString().slice(0, 10));
    await season.getByRole('button', { name: 'Move it' }).click();
    await expect(season.getByText(/^Closed on/)).toBeVisible();
    await page.goto(open);
    await expect(page.getByText('This round closed on')).toBeVisible();
    await expect(page.getByRole('radio').first()).toBeDisabled();
    const unionId = await page.locator('[name^="answer-"]').first().getAttribute('name');
    const late = await page.request.put(
      `/api/r/${new URL(open).pathname.split('/')[2]!}/answers/0190b6a0-0000-7000-8000-00000000abce`,
      { data: { unionId: unionId!.slice(7), answer: 'dead' } },
    );
    expect(late.status()).toBe(410);
    expect(((await late.json()) as { message: string }).message).toContain('was not saved');
    // Closed more than a year ago: expired.
    await page.goto(`/workshops/${past}/follow-up`);
    const round = (await roundIds(page))[0]!;
    const closesOn = query(`SELECT closes_on FROM rounds WHERE id = '${round}'`);
    query(`UPDATE rounds SET closes_on = '2020-01-01' WHERE id = '${round}'`);
    await page.goto(open);
    await expect(page.getByText('This link has expired')).toBeVisible();
    query(`UPDATE rounds SET closes_on = '${closesOn}' WHERE id = '${round}'`);
    await page.goto(`/workshops/${past}/follow-up`);
    await season.getByRole('button', { name: 'Move the closing' }).click();
    await season.getByLabel('Closes on').fill(new Date(Date.now() + 14 * 86_400_000).toISOString().slice(0, 10));
    await season.getByRole('button', { name: 'Move it' }).click();
    await expect(season.getByText(/^Open until/)).toBeVisible();
  });

  test('stop writing, and erase: name, address, notes, links and messages go, the unions stay', async ({ page }) => {
    const stop = await linkOf(page, 'Wim Tarrow');
    await page.goto(stop);
    await page.getByRole('button', { name: 'Stop writing to me' }).click();
    await expect(page.getByText('does not write to you')).toBeVisible();
    await page.goto(`/workshops/${past}/plan`);
    await expect(page.getByRole('row', { name: /Wim Tarrow/ })).toContainText('no leave');

    const url = await linkOf(page, 'Gitte Lowe');
    await page.goto(url);
    await page.getByRole('button', { name: 'Erase me' }).click();
    await page.getByRole('button', { name: 'Erase me for good' }).click();
    await expect(page.getByRole('heading', { name: 'You are erased' })).toBeVisible();
    await page.goto(url);
    await expect(page.getByText('This link was withdrawn')).toBeVisible();
    await page.goto(`/workshops/${past}/plan`);
    await expect(page.getByText('Gitte Lowe')).toHaveCount(0);
    await expect(page.getByRole('row', { name: /^7 Erased person/ })).toBeVisible();
    const outbox = join(WORLD, 'outbox');
    for (const name of readdirSync(outbox)) expect(readFileSync(join(outbox, name), 'utf8')).not.toContain('gitte@');
    await page.goto(`/workshops/${past}/findings`);
    await expect(page.getByRole('row', { name: /^7 Erased person/ })).toBeVisible();
  });
});
