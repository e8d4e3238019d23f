import { execFileSync } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { seasonWindow } from '@/core/plan/dates/season-line';
import { dateInZone } from '@/core/units/zoned-date';
import { SITE } from '@/demo/scenario';
import { expect, signIn, signInByHand, test, WORLD, workshopIds } from './setup/bench-test';
import { query } from './setup/query';

test.describe.configure({ mode: 'serial' });
// Two of the walk's entries are refused on purpose.
test.use({ expectedNoise: /status of 422/ });

let upcoming = '';

test('signs in, sees the season with its pegs, and plans a workshop', async ({ page }) => {
  await signInByHand(page);
  const line = page.getByRole('navigation', { name: 'Season' });
  // Which of the guild's workshops lie on it hangs on the day on which this runs.
  const shown = seasonWindow(dateInZone(new Date(), SITE.timeZone));
  const pegs = query(
    `SELECT title FROM workshops WHERE date >= '${shown.from}' AND date < '${shown.to}' AND club_id IN (
      SELECT club_id FROM workshops WHERE title = 'Pears and medlars on the bench')`,
  );
  await expect(line.getByRole('link')).toHaveCount(pegs.split('\n').filter(Boolean).length);
  await page.getByRole('link', { name: 'Plan a workshop' }).click();
  await page.getByLabel('Title').fill('');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByRole('alert').first()).toContainText('Enter');
  await page.getByLabel('Title').fill('Islet grafting day');
  await page.getByLabel('Date').fill('2026-01-10');
  await page.getByLabel('What is grafted').fill('pear');
  await page.getByLabel('On what').fill('quince');
  await page.getByLabel('Keepers promised each').fill('3');
  await page.getByLabel('What they take home, in words').fill('three pears');
  await page.getByRole('button', { name: 'Plan it' }).click();
  await expect(page.getByText('That day is over.')).toBeVisible();
  await page.getByLabel('Date').fill('2027-03-06');
  await page.getByRole('button', { name: /^Plan it/ }).click();
  await page.waitForURL('**/plan');
  await expect(line.getByRole('link', { name: /Islet grafting day/ })).toHaveAttribute('aria-current', 'page');
  await expect(page.getByText('3 keepers each: three pears')).toBeVisible();
});

test('reads a roster: preview first, doubts decided, all in one go; then a walk-in, a new name, a swap, an absence', async ({
  page,
}) => {
  await signIn(page);
  ({ upcoming } = workshopIds());
  await page.goto(`/workshops/${upcoming}/plan/roster`);
  await page.getByLabel('CSV file').setInputFiles('demo/roster.csv');
  await expect(page.getByRole('status').filter({ hasText: 'nothing saved yet' })).toContainText('10 lines read');
  await expect(page.getByRole('row', { name: /Ona Ferrel/ })).toContainText('Known, gets a seat');
  await expect(page.getByRole('row', { name: /Tove Halse/ })).toContainText('no e-mail address');
  await expect(page.getByRole('row', { name: /Nell Brackwater/ })).toContainText('enter yes or no');
  await expect(page.getByRole('button', { name: 'Decide 1 line first' })).toBeDisabled();
  // Nothing is saved until accepted.
  const other = await page.context().newPage();
  await other.goto(`/workshops/${upcoming}/plan`);
  await expect(other.getByText('Nobody has a seat yet')).toBeVisible();
  await other.close();
  await page.getByLabel('Same person as Cilla Varn').check();
  await page.getByRole('button', { name: 'Seat 8 people' }).click();
  await page.waitForURL('**/plan');
  await expect(page.getByText('8 seats, 0 absent', { exact: true })).toBeVisible();
  await expect(page.getByRole('row', { name: /Cilla Varn-Reed/ })).toBeVisible();

  await page.getByLabel('Walk-in: name').fill('Quill Aster');
  await page.getByLabel('E-mail, only if they may be asked later').fill('quill@quaynet.example');
  await page.getByRole('button', { name: 'Seat them' }).click();
  await expect(page.getByRole('row', { name: /9 Quill Aster/ })).toContainText('yes');

  await page.getByRole('button', { name: 'Change seat 9' }).click();
  await page.getByLabel('Name', { exact: true }).fill('Quill Asterby');
  await page.getByRole('checkbox', { name: 'Absent' }).check();
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByRole('row', { name: /Quill Asterby/ })).toContainText('absent');

  await page.getByRole('button', { name: 'Swap seat 1', exact: true }).click();
  await page.getByRole('button', { name: 'Swap here with seat 2' }).click();
  await expect(page.getByRole('row').nth(2)).toContainText('Ona Ferrel');
});

test('chooses wood and stocks, known ones and new ones', async ({ page }) => {
  await signIn(page);
  await page.goto(`/workshops/${upcoming}/plan/wood`);
  await page.getByRole('button', { name: 'Add wood' }).click();
  await page.getByRole('button', { name: /Choose Grey Heron/ }).click();
  await expect(page.getByRole('dialog')).toBeHidden();
  await page.getByRole('button', { name: 'Add wood' }).click();
  await page.getByLabel('Variety').fill('Night Ferry');
  await page.getByLabel('Species').fill('mulberry');
  await page.getByLabel('Where it comes from').fill('harbour wall');
  await page.getByLabel('Date cut').fill('2027-01-20');
  await page.getByRole('button', { name: 'Add it' }).click();
  const board = page.getByRole('region', { name: 'Scion wood' });
  await expect(board.getByRole('listitem').filter({ hasText: 'Night Ferry' })).toBeVisible();
  await expect(board.getByText('cut 20 Jan 2027')).toBeVisible();
  // Each lot has a ribbon of its own.
  const ribbons = await board
    .getByRole('img', { name: /^ribbon/ })
    .evaluateAll((all) => all.map((element) => element.getAttribute('aria-label')));
  expect(new Set(ribbons).size).toBe(3);
});

test('makes keepers in one step, changes some, voids one, and prints tags', async ({ page }) => {
  await signIn(page);
  await page.goto(`/workshops/${upcoming}/aftercare`);
  await expect(page.getByText('Phones cannot open links')).toBeVisible();
  // Nobody has practised yet, so nobody is ready: somebody has to say that they may.
  await expect(page.getByText('Not ready for living wood by whip-and-tongue: nobody is yet.')).toBeVisible();
  await page.getByRole('button', { name: 'Make what is missing' }).click();
  await expect(page.getByText('None made. Not yet ready: 1, 2,', { exact: false })).toBeVisible();
  await page.getByRole('link', { name: /let them through/ }).click();
  await page.getByRole('button', { name: 'Let all 8 through' }).click();
  await page.getByRole('dialog').getByRole('button', { name: 'Let through' }).click();
  await expect(page.getByRole('dialog').getByText('Say why, in a few words; it is kept.').first()).toBeVisible();
  await page.getByLabel('Why').fill('all of them graft at home');
  await page.getByRole('dialog').getByRole('button', { name: 'Let through' }).click();
  await expect(page.getByText('let through by Maren Ulvik: all of them graft at home')).toHaveCount(8);
  await page.goto(`/workshops/${upcoming}/aftercare`);
  await page.getByLabel('Of wood lot').selectOption({ label: 'Grey Heron' });
  // More than are promised, so that as many live.
  await expect(page.getByText('2 promised to each of 8 present')).toBeVisible();
  expect(Number(await page.getByLabel('Of this lot each').inputValue())).toBeGreaterThan(2);
  await page.getByLabel('Of this lot each').fill('2');
  await page.getByRole('button', { name: 'Make what is missing' }).dblclick();
  // Two each for eight present; the second click made no more.
  await expect(page.getByRole('button', { name: /Grey Heron/ })).toHaveCount(16);
  await page.getByRole('button', { name: 'Make what is missing' }).click();
  await expect(page.getByText('Everybody has theirs already.')).toBeVisible();

  const tags = page.getByRole('button', { name: /Tarn seedling/ });
  await tags.nth(0).click();
  await tags.nth(1).click();
  await page.getByLabel('Wood lot').selectOption({ label: 'Night Ferry' });
  await page.getByRole('button', { name: 'Change', exact: true }).click();
  await expect(page.getByRole('button', { name: /Night Ferry/ })).toHaveCount(2);
  await tags.nth(15).click();
  await page.getByRole('button', { name: 'Void unused codes' }).click();
  await expect(page.getByText('voided', { exact: true })).toHaveCount(1);

  await page.getByLabel('Width, mm').fill('20');
  await page.getByRole('button', { name: 'Print 15 tags' }).click();
  await expect(page.getByText('A tag needs a width of 50 mm or more').first()).toBeVisible();
});

test('prints tags with code, variety, stock, date and initials; a QR code leads to the plant and names nobody', async ({
  page,
}) => {
  await signIn(page);
  await page.goto(`/workshops/${upcoming}/aftercare`);
  const code = (
    await page
      .getByRole('button', { name: /Night Ferry/ })
      .first()
      .locator('span')
      .first()
      .innerText()
  ).replace(' ', '');
  for (const [paper, points] of [
    ['A4', /595\.2\d* x 841\.8\d*/],
    ['Letter', /612 x 792/],
  ] as const) {
    const answer = await page.request.get(`/api/workshops/${upcoming}/tags?paper=${paper}&width=60&height=25`);
    expect(answer.headers()['content-type']).toBe('application/pdf');
    const file = join(WORLD, `tags-${paper}.pdf`);
    writeFileSync(file, await answer.body());
    expect(execFileSync('pdfinfo', [file], { encoding: 'utf8' })).toMatch(points);
    const words = execFileSync('pdftotext', ['-layout', file, '-'], { encoding: 'utf8' });
    expect(words).toContain(`${code.slice(0, 3)} ${code.slice(3)}`);
    for (const part of ['Night Ferry', 'Tarn seedling', '27 Feb 2027']) expect(words).toContain(part);
    expect(words).not.toContain('Askel');
    // Code at 14 points or more: the height of its word's box on the page.
    const boxes = execFileSync('pdftotext', ['-bbox', file, '-'], { encoding: 'utf8' });
    const box = new RegExp(`yMin="([\\d.]+)" xMax="[\\d.]+" yMax="([\\d.]+)">${code.slice(0, 3)}<`).exec(boxes)!;
    expect(Number(box[2]) - Number(box[1])).toBeGreaterThanOrEqual(14);
  }
  const response = await page.request.get(`/api/workshops/${upcoming}/tags?paper=A4&code=${code}`);
  writeFileSync(join(WORLD, 'one.pdf'), await response.body());
  expect(execFileSync('pdftotext', [join(WORLD, 'one.pdf'), '-'], { encoding: 'utf8' })).not.toContain('Grey Heron');

  const stranger = await page
    .context()
    .browser()!
    .newContext({ viewport: { width: 390, height: 844 } });
  const phone = await stranger.newPage();
  await phone.goto(new URL(`/u/${code}`, page.url()).toString());
  await expect(phone.getByRole('heading')).toHaveText(`${code.slice(0, 3)} ${code.slice(3)}`);
  await expect(phone.getByText('Night Ferry')).toBeVisible();
  const shown = await phone.locator('body').innerText();
  for (const name of ['Askel', 'Ferrel', 'Juno', 'Ona']) expect(shown).not.toContain(name);
  const wrong = code.slice(0, 5) + (code.endsWith('2') ? '3' : '2');
  await phone.goto(new URL(`/u/${wrong}`, page.url()).toString());
  await expect(phone.getByText('a character was misread or two were swapped')).toBeVisible();
  await stranger.close();
});

test('offers a blank score sheet and takes its entries with the time it was filled in', async ({ page }) => {
  await signIn(page);
  const answer = await page.request.get(`/api/workshops/${upcoming}/score-sheet?paper=A4`);
  writeFileSync(join(WORLD, 'sheet.pdf'), await answer.body());
  const words = execFileSync('pdftotext', ['-layout', join(WORLD, 'sheet.pdf'), '-'], { encoding: 'utf8' });
  for (const part of ['Late winter whips', 'Juno Askel', 'stock cut', 'Tongue', 'Filled in on'])
    expect(words).toContain(part);

  await page.goto(`/workshops/${upcoming}/score/sheet`);
  for (const [name, value] of [
    ['stockDiameter', '10'],
    ['scionDiameter', '9'],
    ['stockLength', '35'],
    ['scionLength', '35'],
  ])
    await page.locator(`[name=${name}]`).fill(value!);
  await page.getByRole('button', { name: 'Save, next seat' }).click();
  await expect(page.getByText('Enter when the sheet was filled in')).toBeVisible();
  await page.getByLabel('Sheet filled in at').fill('2026-11-20T10:30');
  await page.getByRole('button', { name: 'Save, next seat' }).click();
  await expect(page.getByText('1-1 saved.')).toBeVisible();
  await expect(page.getByRole('region', { name: 'Waiting on this device' })).toContainText('Nothing waits');
  const csv = await (await page.request.get(`/api/workshops/${upcoming}/export/judgements.csv`)).text();
  expect(csv).toContain('2026-11-20T');
});
