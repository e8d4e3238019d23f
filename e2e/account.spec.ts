import { expect, PASSWORD, PEOPLE, signIn, signInByHand, test } from './setup/bench-test';
import { linksTo } from './setup/links-to';
import { query } from './setup/query';

test.use({ expectedNoise: /status of (400|401|403|404|410|422|429)/ });

const NEW = 'copper window thistle bread';

test('a forgotten password is set anew by a link from the outbox, once, and every session ends', async ({
  page,
  browser,
  baseURL,
}) => {
  const elsewhere = await browser.newContext({ baseURL: baseURL! });
  await signIn(await elsewhere.newPage(), 'viewer');
  await page.goto('/sign-in');
  await page.getByRole('link', { name: 'Forgotten your password?' }).click();
  await page.waitForURL('**/forgotten');
  await expect(page.getByRole('heading', { name: 'A new password' })).toBeVisible();
  await page.getByLabel('E-mail').fill('nobody@tarnholm.example');
  await page.getByRole('button', { name: 'Send me a link' }).click();
  const said = await page.getByRole('status').innerText();
  await page.goto('/forgotten');
  await page.getByLabel('E-mail').fill(PEOPLE.viewer);
  await page.getByRole('button', { name: 'Send me a link' }).click();
  await expect(page.getByRole('status')).toHaveText(said);
  const link = linksTo(PEOPLE.viewer).at(-1)!;
  await page.goto(link);
  await page.getByLabel('New password').fill('password1234');
  await page.getByRole('button', { name: 'Set the password' }).click();
  await expect(page.getByText('among the common ones').first()).toBeVisible();
  await page.getByLabel('New password').fill(NEW);
  await page.getByRole('button', { name: 'Set the password' }).click();
  await page.waitForURL('**/sign-in');
  await page.getByLabel('E-mail').fill(PEOPLE.viewer);
  await page.getByLabel('Password').fill(NEW);
  await page.getByRole('button', { name: 'Sign in' }).click();
  await page.waitForURL('**/week');
  await page.goto(link);
  await expect(page.getByText('was used or has run out')).toBeVisible();
  const other = elsewhere.pages()[0]!;
  await other.goto('/season');
  await expect(other).toHaveURL(/sign-in/);
  await elsewhere.close();
});

test('one’s own password is changed, sessions are listed, and signing out elsewhere works at once', async ({
  page,
  browser,
  baseURL,
}) => {
  const elsewhere = await browser.newContext({ baseURL: baseURL! });
  const other = await elsewhere.newPage();
  await signInByHand(other, 'assistant');
  await signInByHand(page, 'assistant');
  const account = page.getByRole('menuitem', { name: 'Your account' });
  // A page that has just come may not yet hear its buttons.
  await expect(async () => {
    await page.getByRole('button', { name: 'Joss Pelling' }).click();
    await expect(account).toBeVisible({ timeout: 2000 });
  }).toPass();
  await account.click();
  await expect(page.getByRole('heading', { name: 'Where you are signed in' })).toBeVisible();
  await expect(page.getByText('this one')).toHaveCount(1);
  await page.getByRole('button', { name: 'Sign out everywhere else' }).click();
  await page.getByRole('button', { name: 'Sign out there' }).click();
  await expect(page.getByRole('button', { name: 'Sign out everywhere else' })).toBeHidden();
  await other.goto('/season');
  await expect(other).toHaveURL(/sign-in/);
  await page.getByLabel('Password you have now').fill('not this one');
  await page.getByLabel('New password').fill(NEW);
  await page.getByRole('button', { name: 'Change the password' }).click();
  await expect(page.getByText('The password you have now is another one').first()).toBeVisible();
  await page.getByLabel('Password you have now').fill(PASSWORD);
  await page.getByRole('button', { name: 'Change the password' }).click();
  await expect(page.getByText('Changed. You are signed out everywhere else.')).toBeVisible();
  await elsewhere.close();
});

test('a lead asks somebody to join by a link, and the password is asked again first', async ({
  page,
  browser,
  baseURL,
}) => {
  await signIn(page);
  await page.goto('/club');
  query('UPDATE sessions SET confirmed_at = NULL');
  await page.getByLabel('Name', { exact: true }).fill('Lark Hollin');
  await page.getByLabel('E-mail').fill('lark@tarnholm.example');
  await page.getByRole('button', { name: 'Ask them' }).click();
  const dialog = page.getByRole('dialog', { name: 'Is it you?' });
  await dialog.getByLabel('Your password').fill(PASSWORD);
  await dialog.getByRole('button', { name: 'Go on' }).click();
  const url = await page.getByTestId('handed-link').innerText();
  expect(linksTo('lark@tarnholm.example').at(-1)).toBe(new URL(url).pathname);
  await expect(page.getByText('asked, no answer yet')).toBeVisible();
  const theirs = await (await browser.newContext({ baseURL: baseURL! })).newPage();
  await theirs.goto(url);
  await theirs.getByLabel('New password').fill(NEW);
  await theirs.getByRole('button', { name: 'Set the password' }).click();
  await theirs.waitForURL('**/sign-in');
  await theirs.getByLabel('E-mail').fill('lark@tarnholm.example');
  await theirs.getByLabel('Password').fill(NEW);
  await theirs.getByRole('button', { name: 'Sign in' }).click();
  await theirs.waitForURL('**/week');
  await page.reload();
  await expect(page.getByText('asked, no answer yet')).toBeHidden();
  await theirs.context().close();
});

test('signing in leads to no other site, and every answer says what browsers may do with it', async ({
  page,
  request,
}) => {
  for (const next of ['%2F%09%2Fevil.example', '//evil.example', '/%5Cevil.example', 'https://evil.example']) {
    await page.context().clearCookies();
    await page.goto(`/sign-in?next=${next}`);
    await page.getByLabel('E-mail').fill(PEOPLE.lead);
    await page.getByLabel('Password').fill(PASSWORD);
    await page.getByRole('button', { name: 'Sign in' }).click();
    await page.waitForURL('**/week');
  }
  for (const path of ['/season', '/api/health', '/icon.svg', '/offline.js', '/nothing-here', '/%ZZ']) {
    const { headers } = await page.evaluate(
      async (to) => ({ headers: Object.fromEntries((await fetch(to)).headers) }),
      path,
    );
    expect(headers, path).toMatchObject({
      'x-content-type-options': 'nosniff',
      'cross-origin-opener-policy': 'same-origin',
      'cross-origin-resource-policy': 'same-origin',
    });
  }
  expect((await request.get('/api/health')).headers()['content-security-policy']).toContain("default-src 'none'");
  expect(
    (
      await page.request.put('/api/units', {
        data: { lengthUnit: 'mm', temperatureUnit: 'C' },
        headers: { 'Sec-Fetch-Site': 'cross-site' },
      })
    ).status(),
  ).toBe(403);
});
