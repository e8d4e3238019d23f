import { chromium } from 'playwright';
import { readFileSync } from 'node:fs';
const [, , out, path, w = '1280', h = '800', full = '', act = ''] = process.argv;
const base = 'http://127.0.0.1:3100';
const b = await chromium.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--no-sandbox', '--disable-gpu', '--disable-quic'],
});
const c = await b.newContext({ viewport: { width: +w, height: +h }, storageState: undefined });
const p = await c.newPage();
p.on('console', (m) => {
  if (['error', 'warning'].includes(m.type())) console.log('CONSOLE', m.text().slice(0, 200));
});
await p.goto(base + '/sign-in');
await p.getByLabel(/mail/i).fill('maren@tarnholm.example');
await p.getByLabel(/password/i).fill(readFileSync('.data/demo.password', 'utf8').trim());
await p.getByRole('button', { name: /sign in/i }).click();
await p.waitForURL('**/week');
let to = path;
if (path === 'plant-alarm' || path === 'plant-measured' || path === 'plant-dead') {
  await p.goto(base + '/week');
}
if (path === 'plant-alarm') {
  await p
    .locator('section[aria-labelledby=alarms]')
    .getByRole('button', { name: /another way/ })
    .first()
    .click();
  const code = (await p.locator('section[aria-labelledby=alarms] fieldset label').first().innerText()).replace(
    /\W/g,
    '',
  );
  to = '/plants/' + code;
}
if (path === 'plant-dead') {
  const r = p.getByRole('button', { name: /another way.*dead scion/i }).first();
  await r.click();
  const code = (await p.locator('fieldset label').first().innerText()).replace(/\W/g, '');
  to = '/plants/' + code;
}
if (path.startsWith('place:')) {
  await p.goto(base + '/places');
  const [, name, rest = ''] = path.split(':');
  to = (await p.getByRole('link', { name }).first().getAttribute('href')) + rest;
}
const t = Date.now();
await p.goto(base + to);
await p.waitForLoadState('networkidle');
console.log(to, Date.now() - t, 'ms', await p.title());
if (act) {
  const f = new Function('p', 'return (async()=>{' + act + '})()');
  await f(p);
}
await p.waitForTimeout(400);
await p.screenshot({ path: out, fullPage: full === 'full' });
await b.close();
