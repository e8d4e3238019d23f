import { v7 as uuid } from 'uuid';
import type { Page } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { mkdirSync, readdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import sharp from 'sharp';
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

/** What is kept of the answers of a link's own page. */
const kept = (unionId: string): string =>
  query(`SELECT CONCAT(answer, ' ', COALESCE(reading, '')) FROM reports WHERE union_id = '${unionId}' ORDER BY turn`);

test('a grower answers from a phone without an account; the findings follow', async ({ page, browser }) => {
  const url = await linkOf(page, 'Ona Ferrel');
  expect(new URL(url).pathname.split('/')[2]!.length).toBeGreaterThanOrEqual(22);
  const stranger = await browser.newContext({ viewport: { width: 390, height: 844 } });
  const phone = await stranger.newPage();
  await phone.goto(url);
  await phone.reload();
  await expect(phone.getByRole('heading', { name: 'Ona Ferrel, how do your grafts do?' })).toBeVisible();
  await expect(phone.getByText('4 grafts to look at now.')).toBeVisible();
  await expect(phone.getByText('read by the instructors of Tarnholm Orchard Guild')).toBeVisible();
  const grafts = phone.locator('.graft');
  await expect(grafts).toHaveCount(4);
  await expect(grafts.first()).toContainText('Grey Heron');
  // A word first; what is seen is folded away beneath it, with right and wrong, drawn.
  await expect(grafts.first().getByText('How is it?')).toBeVisible();
  await grafts.first().getByText('What you see').click();
  await grafts.first().getByText('What to look for').click();
  await expect(grafts.first().getByRole('img', { name: 'Right' })).toBeVisible();
  await expect(grafts.first().getByRole('img', { name: 'Wrong' })).toBeVisible();
  // One tap tells all there is of a graft that grew; only what matters is asked.
  await expect(grafts.first().getByText('Scratched with a nail it is')).toBeHidden();
  await grafts.first().getByText('50 mm or more').click();
  await expect(grafts.first().getByText('Arrived.')).toBeVisible();
  await expect(grafts.first().getByText('It lives.')).toBeVisible();
  await expect(phone.getByText('3 grafts to look at now.')).toBeVisible();
  const second = grafts.nth(1);
  await second.getByText('What you see').click();
  await second.getByText('nothing', { exact: true }).click();
  await second.getByText('brown at tip, middle and base').click();
  await expect(second.getByText('It is dead.', { exact: true })).toBeVisible();
  await expect(second.getByText('A second try')).toBeVisible();
  // Changed: the last answer stays.
  await second.getByText('green', { exact: true }).click();
  await expect(second.getByText('Too early to tell.')).toBeVisible();
  await expect(second.getByText(/Look again about/)).toBeVisible();
  // The last tap counts: what cannot go with it is taken off, and said so.
  await second.getByText('It is dead', { exact: true }).click();
  await expect(second.getByText('What did not go with it was taken off. Arrived.')).toBeVisible();
  await expect(second.getByLabel('green', { exact: true })).not.toBeChecked();
  await second.getByText('nothing', { exact: true }).click();
  await second.getByText('green', { exact: true }).click();
  await expect(second.getByLabel('It is dead', { exact: true })).not.toBeChecked();
  await expect(second.getByText('Too early to tell.')).toBeVisible();
  await second.getByText('Day, note, photo').click();
  await second.getByLabel('Anything you noticed').fill('a bud may be green');
  await second.getByLabel('Anything you noticed').blur();
  await expect(second.getByText('Arrived.')).toBeVisible();
  await phone.reload();
  await expect(phone.getByText('2 grafts to look at now.')).toBeVisible();
  await expect(second.getByLabel('green', { exact: true })).toBeChecked();
  await expect(second.getByLabel('Anything you noticed')).toHaveValue('a bud may be green');
  await stranger.close();

  await page.goto(`/workshops/${past}/follow-up`);
  const row = page.getByRole('row', { name: /Ona Ferrel/ }).first();
  await expect(row).toContainText('a bud may be green');
  const csv = await (await page.request.get(`/api/workshops/${past}/export/reports.csv`)).text();
  expect(csv).toContain('a bud may be green');
});

test('the same page is a plain form without script, photo and all', async ({ page, browser }) => {
  const url = await linkOf(page, 'Ona Ferrel');
  const plain = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
  const phone = await plain.newPage();
  await phone.goto(url);
  const third = phone.locator('.graft').nth(2);
  const unionId = (await third.getAttribute('data-union'))!;
  await third.locator('summary', { hasText: 'What you see' }).click();
  await third.locator(`input[name="${unionId}.sign.season-growth"][value="shoot"]`).check();
  await third.locator('summary', { hasText: 'Day, note' }).click();
  const photo = await sharp({ create: { width: 900, height: 600, channels: 3, background: { r: 90, g: 140, b: 60 } } })
    .withExif({ IFD0: { Artist: 'Ona' } })
    .jpeg()
    .toBuffer();
  await third.locator('input[type=file]').setInputFiles({ name: 'graft.jpg', mimeType: 'image/jpeg', buffer: photo });
  await phone.getByRole('button', { name: 'Send my answers' }).click();
  await expect(phone.getByText('One answer has arrived. Thank you. One photo has arrived.')).toBeVisible();
  // Reloaded it sends nothing again; sent again unchanged it is no second answer.
  await phone.reload();
  await phone.getByRole('button', { name: 'Send my answers' }).click();
  await expect(phone.getByText('Nothing was chosen')).toBeVisible();
  expect(kept(unionId)).toBe('yes alive');
  const stored = query(`SELECT HEX(bytes) FROM photos WHERE union_id = '${unionId}' AND taken_by IS NULL`);
  expect(stored.length).toBeGreaterThan(100);
  expect(stored).not.toContain(Buffer.from('Exif').toString('hex').toUpperCase());
  // What is wrong is said beside its graft, and what was typed stays.
  const fourth = phone.locator('.graft').nth(3);
  await fourth.locator('summary', { hasText: 'Day, note' }).click();
  await fourth.getByLabel('Anything you noticed').fill('looks fine');
  await phone.getByRole('button', { name: 'Send my answers' }).click();
  await expect(fourth.getByRole('alert')).toContainText('Tap what you see');
  await expect(fourth.getByLabel('Anything you noticed')).toHaveValue('looks fine');
  await plain.close();
});

test('all live in one tap, a task is told and taken back, and what happened is told on any day', async ({
  page,
  browser,
}) => {
  // A graft that died today leaves its stock to be seen to, on whatever day this runs.
  const unionId = query(
    `SELECT u.id FROM unions u JOIN plants p ON p.id = u.plant_id JOIN seats s ON s.id = p.seat_id
     JOIN people n ON n.id = s.person_id JOIN union_facts f ON f.union_id = u.id
     WHERE n.name = 'Sanna Reyk' AND p.workshop_id = '${past}' AND f.first_dead_on IS NULL AND p.voided_at IS NULL LIMIT 1`,
  );
  const seenOn = new Date().toISOString().slice(0, 10);
  const died = { unionId, kind: 'ended', about: 'snapped', lengthMm: null, note: '', seenOn };
  const told = await page.request.put(`/api/union-observations/${uuid()}`, { data: died });
  expect(told.status()).toBeLessThan(300);
  const link = await linkOf(page, 'Sanna Reyk');
  const stranger = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
  const phone = await stranger.newPage();
  await phone.goto(link);
  // Four grafts and all that is asked of them stand on two screens of a phone.
  expect(
    await phone
      .locator('.graft')
      .last()
      .evaluate((graft) => graft.getBoundingClientRect().bottom),
  ).toBeLessThan(1700);
  const task = phone.locator('form.task').first();
  await task.getByRole('button', { name: 'Done' }).click();
  await expect(phone.getByText('Thank you, it is kept.')).toBeVisible();
  await expect(phone.getByText(/You said on .*: done/).first()).toBeVisible();
  await phone.getByRole('button', { name: 'Take it back' }).first().click();
  await expect(phone.getByText(/You said on .*: done/)).toHaveCount(0);
  await phone.locator('form.task').first().getByRole('button', { name: 'I cannot' }).click();
  await expect(phone.getByText('The club knows.').first()).toBeVisible();
  await phone.locator('summary', { hasText: 'Has something happened' }).click();
  await phone.getByLabel('What happened').selectOption('label-lost');
  await phone.getByLabel('Anything you noticed').last().fill('the wire rusted through');
  await phone.getByRole('button', { name: 'Tell the club' }).click();
  await expect(phone.getByText('Thank you, it is kept.')).toBeVisible();
  expect(query(`SELECT about FROM union_observations WHERE note = 'the wire rusted through'`)).toBe('label-lost');
  await stranger.close();
  await page.goto('/week');
  await expect(page.getByText('its label is lost').first()).toBeVisible();
});

test.describe('where there is hardly any reception', () => {
  test.use({ serviceWorkers: 'allow', expectedNoise: /ERR_INTERNET_DISCONNECTED|Failed to load resource|ERR_FAILED/ });

  test('a page can be tapped within two seconds, and what is tapped without it arrives exactly once', async ({
    page,
    browser,
  }) => {
    const url = await linkOf(page, 'Yrsa Kolm');
    const context = await browser.newContext({ viewport: { width: 390, height: 844 } });
    const phone = await context.newPage();
    const slow = await context.newCDPSession(phone);
    await slow.send('Network.enable');
    await slow.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: 150,
      downloadThroughput: 200_000,
      uploadThroughput: 90_000,
    });
    await slow.send('Emulation.setCPUThrottlingRate', { rate: 4 });
    // Other tests keep this machine busy: what the page itself takes is the shortest of three.
    const took: number[] = [];
    for (let i = 0; i < 3; i++) {
      await slow.send('Network.clearBrowserCache');
      const began = Date.now();
      await phone.goto(url, { waitUntil: 'commit' });
      // The main button goes once the script has the page.
      await phone.locator('button.main').waitFor({ state: 'hidden' });
      took.push(Date.now() - began);
    }
    console.log(`A grower's page could be tapped after ${took.join(', ')} ms.`);
    expect(Math.min(...took)).toBeLessThan(2000);
    await slow.send('Emulation.setCPUThrottlingRate', { rate: 1 });
    await slow.send('Network.emulateNetworkConditions', {
      offline: false,
      latency: 0,
      downloadThroughput: -1,
      uploadThroughput: -1,
    });
    await phone.waitForFunction(() => navigator.serviceWorker.ready.then(() => true));
    await phone.reload();
    await phone.waitForFunction(() => navigator.serviceWorker.controller !== null);
    await phone.reload();
    const first = phone.locator('.graft').first();
    const unionId = (await first.getAttribute('data-union'))!;
    await context.setOffline(true);
    await first.getByText('What you see').click();
    await first.getByText('50 mm or more').click();
    await expect(first.getByText('Kept on this phone.')).toBeVisible();
    // The phone is put away and taken out again, still without reception.
    await phone.reload();
    await expect(first.getByText('Kept on this phone.')).toBeVisible();
    await expect(first.getByLabel('50 mm or more')).toBeChecked();
    expect(kept(unionId)).toBe('');
    await context.setOffline(false);
    await expect(first.getByText('Arrived.')).toBeVisible();
    await phone.reload();
    await expect(first.getByText('It lives.')).toBeVisible();
    expect(kept(unionId)).toBe('yes alive');
    await context.close();
  });
});

test('findings say rate, interval, counts and bounds in chart and table alike', async ({ page }) => {
  await page.goto(`/workshops/${past}/findings`);
  await expect(page.getByRole('img', { name: /Take by milestone/ }).locator('canvas')).toBeVisible();
  const row = page.getByRole('row', { name: /^Season/ });
  const cells = (await row.getByRole('cell').allInnerTexts()).map((cell) => cell.trim().replace('\u00a0', ' '));
  const [rate, interval, alive, dead, unknown, truth] = cells as [string, string, string, string, string, string];
  const [a, d, u] = [Number(alive), Number(dead), Number(unknown)];
  const handedOver = Number(
    query(`SELECT COUNT(*) FROM union_facts WHERE workshop_id = '${past}' AND kind = 'keeper' AND voided = 0`),
  );
  expect(a + d + u).toBe(handedOver);
  // Season is the last one that was asked, so the page's sentence says the same.
  await expect(page.getByRole('heading', { level: 1 })).toContainText(`% of ${a + d} keepers`);
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

test.describe('answers that are refused and mended', () => {
  test.use({ expectedNoise: /status of 422/ });

  test('the instructor enters five answers by keyboard, and alive after dead is settled', async ({ page }) => {
    await page.goto('/answers');
    const save = async (): Promise<void> => {
      const saved = page.waitForResponse((answer) => answer.url().includes('/api/reports/'));
      await page.keyboard.press('Enter');
      expect((await saved).status()).toBe(200);
    };
    await page.keyboard.type('Nils');
    await page.keyboard.press('Enter');
    const cards = page.locator('[data-card]');
    await expect(cards).toHaveCount(4);
    await expect(cards.first()).toBeFocused();
    // No answer is preset; it comes by phone until somebody says otherwise.
    await expect(page.getByLabel('by phone')).toBeChecked();
    await page.keyboard.press('Enter');
    await expect(cards.first().getByRole('alert')).toContainText('Tap what you see');
    const began = Date.now();
    const dead = (await cards.first().getAttribute('data-card'))!;
    await page.keyboard.press('d');
    await save();
    for (const [i, keys] of ['3', '1', 'u'].entries()) {
      await expect(cards.nth(i + 1)).toBeFocused();
      await page.keyboard.type(keys);
      await save();
    }
    await expect(page.getByLabel('Code, name or place')).toBeFocused();
    await page.keyboard.type('Petra');
    await page.keyboard.press('Enter');
    await expect(cards).toHaveCount(2);
    await expect(cards.first()).toBeFocused();
    await page.keyboard.press('3');
    await save();
    expect(Date.now() - began).toBeLessThan(60_000);
    expect(kept(dead)).toBe('dead likely dead');

    // A year on it is seen alive after all.
    const today = new Date().toISOString().slice(0, 10);
    const later = new Date(Date.now() + 30 * 86_400_000).toISOString().slice(0, 10);
    const made = await page.request.put(`/api/workshops/${past}/rounds/0190b6a0-0000-7000-8000-00000000abd1`, {
      data: { milestone: 'year', opensOn: today, closesOn: later },
    });
    expect(made.status()).toBe(204);
    const alive = await page.request.put('/api/reports/0190b6a0-0000-7000-8000-00000000abd2', {
      data: { unionId: dead, roundId: '0190b6a0-0000-7000-8000-00000000abd1', said: 'alive', source: 'visit' },
    });
    expect(alive.status()).toBe(200);
    await page.goto(`/workshops/${past}/findings`);
    await expect(page.getByText('Said to be alive after dead')).toContainText('seat 13');
    await page.goto(`/workshops/${past}/follow-up`);
    const settle = page.getByRole('region', { name: 'Alive after dead: 1 graft to settle' });
    await expect(settle).toContainText('by phone');
    await expect(settle).toContainText('on a visit');
    await settle.getByLabel('“Dead” was wrong').check();
    await settle.getByRole('button', { name: 'Settle it' }).click();
    await expect(settle.getByText('Say why').first()).toBeVisible();
    await settle.getByLabel('Why').fill('looked at the neighbour');
    await settle.getByRole('button', { name: 'Settle it' }).click();
    await expect(settle).toHaveCount(0);
    // A later round is asked in the place of an earlier one; the tests after this want the earlier one.
    const year = '0190b6a0-0000-7000-8000-00000000abd1';
    query(`DELETE FROM reports WHERE round_id = '${year}'`);
    query(`DELETE FROM rounds WHERE id = '${year}'`);
  });
});

test('answers come in a file, looked through before they are kept, and by mail', async ({ page }) => {
  const codes = query(
    `SELECT p.code FROM plants p JOIN seats s ON s.id = p.seat_id JOIN people pe ON pe.id = s.person_id
     WHERE pe.name = 'Dov Hallam' AND p.workshop_id = '${past}' AND p.voided_at IS NULL ORDER BY p.place`,
  ).split('\n');
  await page.goto('/answers/file');
  const file = (text: string) => ({ name: 'answers.csv', mimeType: 'text/csv', buffer: Buffer.from(text) });
  await page
    .getByLabel('The file')
    .setInputFiles(file(`code,answer,growth\n${codes[0]},alive,120\n${codes[1]},green,\nK7M4XQ,dead,\n`));
  await expect(page.getByText('1 answer can be kept, 2 cannot.')).toBeVisible();
  await expect(page.getByRole('row', { name: new RegExp(`^3 `) })).toContainText('“green” is no answer');
  await page.getByRole('button', { name: 'Keep 1 answer' }).dblclick();
  await expect(page.getByText('1 answer kept, 2 lines left out.')).toBeVisible();

  const [ours] = query(
    "SELECT m.id FROM messages m JOIN people p ON p.id = m.person_id WHERE p.name = 'Dov Hallam' ORDER BY m.id DESC",
  ).split('\n');
  const from = query("SELECT email FROM people WHERE name = 'Dov Hallam'");
  const letter = (name: string, text: string): void =>
    writeFileSync(
      join(WORLD, 'inbox', `${name}.eml`),
      `From: ${from}\r\nTo: answer-${ours}@pear-bench.invalid\r\nSubject: Re: grafts\r\nDate: ${new Date().toUTCString()}\r\nContent-Type: text/plain; charset=utf-8\r\n\r\n${text}\r\n`,
    );
  mkdirSync(join(WORLD, 'inbox'), { recursive: true });
  letter('one', `${codes[1]} alive`);
  letter('two', 'The big one does well, the others so and so.');
  await page.goto('/answers/inbox');
  await page.getByRole('button', { name: 'Look for new letters' }).click();
  await expect(page.getByText('2 letters read.')).toBeVisible();
  const open = page.getByRole('region', { name: '1 letter to look at' });
  await expect(open).toContainText('No code of a plant stands in it.');
  await expect(open).toContainText('The big one does well');
  await open.getByRole('button', { name: 'Looked at' }).click();
  await expect(page.getByRole('heading', { name: 'Nothing waits to be looked at' })).toBeVisible();
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
    .find((text) => /Once more|The last time/.test(text))!;
  expect(newest).toMatch(/^X-Simulated: /m);
  expect(newest).toMatch(/^Message-ID: <[0-9a-f-]{36}@/im);
  // Within the week nobody is written to again.
  await expect(season.getByRole('button', { name: /^Remind|^Nobody left/ })).toBeVisible();
  const first = await linkOf(page, 'Yrsa Kolm');
  const answer = await page.request.get(first);
  expect(answer.status()).toBe(200);

  await page.goto(`/workshops/${past}/follow-up`);
  const slips = await page.request.post(`/api/rounds/${(await roundIds(page))[0]!}/slips`, { data: { paper: 'A4' } });
  writeFileSync(join(WORLD, 'slips.pdf'), await slips.body());
  const words = execFileSync('pdftotext', ['-layout', join(WORLD, 'slips.pdf'), '-'], { encoding: 'utf8' });
  // Who left a number and no address had a text message.
  expect(words).not.toContain('Old Nils Barge');
  for (const part of ['Petra Oake', 'Cannot find it', 'Not sure yet', 'Best told by']) expect(words).toContain(part);
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
      data: { unionId: '0190b6a0-0000-7000-8000-00000000abcd', said: 'alive' },
    });
    expect(put.status()).toBe(410);
    expect(((await put.json()) as { message: string }).message).toContain('was withdrawn');

    // Given more than a year ago: expired.
    const old = await linkOf(page, 'Cilla Varn');
    query(`UPDATE report_links SET created_at = '2020-01-01' WHERE withdrawn_at IS NULL`);
    await page.goto(old);
    await expect(page.getByText('This link has expired')).toBeVisible();
    query(`UPDATE report_links SET created_at = NOW() WHERE withdrawn_at IS NULL`);
  });

  test('stop writing, and erase: name, address, notes, links and messages go, the unions stay', async ({ page }) => {
    const stop = await linkOf(page, 'Wim Tarrow');
    await page.goto(stop);
    await page.getByRole('button', { name: 'Stop writing to me' }).click();
    await expect(page.getByText('does not write to you')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Write to me again' })).toBeVisible();
    const copy = await page.request.get(`${stop}/copy`);
    expect(await copy.text()).toContain('Wim Tarrow');
    await page.goto(`/workshops/${past}/plan`);
    await expect(page.getByRole('row', { name: /Wim Tarrow/ })).toContainText('no leave');

    const url = await linkOf(page, 'Gitte Lowe');
    await page.goto(url);
    await page.getByText('What is kept about you').click();
    await page.getByRole('link', { name: 'Erase me' }).click();
    await page.getByRole('link', { name: 'Keep me' }).click();
    await page.getByText('What is kept about you').click();
    await page.getByRole('link', { name: 'Erase me' }).click();
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
