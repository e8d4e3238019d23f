import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { v7 as uuid } from 'uuid';
import { apiSignIn, expect, PASSWORD, PEOPLE, secondClub, signIn, test, workshopIds } from './setup/bench-test';

interface Handler {
  method: 'POST' | 'PUT' | 'PATCH' | 'DELETE';
  path: string;
}

/** Every mutating handler there is on disk, so that a new one cannot be forgotten here. */
function mutatingHandlers(): Handler[] {
  const routes = readdirSync('app/api', { recursive: true, encoding: 'utf8' }).filter((file) =>
    file.endsWith('route.ts'),
  );
  return routes.flatMap((file) =>
    [
      ...readFileSync(join('app/api', file), 'utf8').matchAll(
        /export (?:const|async function) (POST|PUT|PATCH|DELETE)\b/g,
      ),
    ].map((match) => ({
      // Folders in brackets sort the routes and are not part of their address.
      method: match[1] as Handler['method'],
      path: `/api/${file.replace(/\/?route\.ts$/, '').replace(/\([\w-]+\)\//g, '')}`,
    })),
  );
}

/** Open to people without a role: signing in and out, one's own account, sessions and units, and what a private link allows. */
const OPEN = /^\/api\/(sessions?(\/.*)?|password(\/.*)?|invitations(\/.*)?|first-lead|units|calendar-address|r\/.*)$/;

test('signing out ends the session on the server: the old cookie gets 401', async ({ page, playwright, baseURL }) => {
  await signIn(page);
  const cookies = await page.context().cookies();
  const session = cookies.find(({ name }) => name === 'pear_bench_session')!;
  expect(session).toMatchObject({ httpOnly: true, sameSite: 'Lax' });
  const thief = await playwright.request.newContext({
    baseURL: baseURL!,
    extraHTTPHeaders: { Cookie: `pear_bench_session=${session.value}` },
  });
  const asked = () => thief.put('/api/units', { data: { lengthUnit: 'mm', temperatureUnit: 'C' } });
  expect((await asked()).status()).toBe(204);
  await page.goto('/season');
  await page.getByRole('button', { name: 'Maren Ulvik' }).click();
  await page.getByRole('menuitem', { name: 'Sign out' }).click();
  await page.waitForURL('**/sign-in');
  expect((await asked()).status()).toBe(401);
  await thief.dispose();
});

test('a viewer gets 403 from every mutating handler, and nobody 401', async ({ request }) => {
  const handlers = mutatingHandlers().filter(({ path }) => !OPEN.test(path));
  expect(handlers.length).toBeGreaterThan(20);
  const outcome = async (): Promise<string[]> => {
    const answers: string[] = [];
    for (const { method, path } of handlers) {
      const answer = await request.fetch(
        path.replace(/\[\w+\]/g, () => uuid()),
        { method, data: {} },
      );
      answers.push(`${answer.status()} ${method} ${path}`);
    }
    return answers;
  };
  expect((await outcome()).filter((line) => !line.startsWith('401'))).toEqual([]);
  await apiSignIn(request, PEOPLE.viewer);
  expect((await outcome()).filter((line) => !line.startsWith('403'))).toEqual([]);
});

test('ids of another club get 404', async ({ page }) => {
  await signIn(page);
  const own = workshopIds().past;
  const other = secondClub();
  const judgement = {
    workshopId: other.workshopId,
    seatId: other.seatId,
    number: 1,
    stage: 'joined',
    marks: {},
    note: '',
    deviceAt: new Date().toISOString(),
    measures: measures(),
  };
  const tries: [Handler['method'] | 'GET', string, object?][] = [
    ['GET', `/workshops/${other.workshopId}/plan`],
    ['GET', `/workshops/${other.workshopId}/score`],
    ['GET', `/workshops/${other.workshopId}/findings`],
    ['GET', `/api/workshops/${other.workshopId}/tags`],
    ['GET', `/api/workshops/${other.workshopId}/score-sheet`],
    ['GET', `/api/workshops/${other.workshopId}/export/unions.csv`],
    [
      'PUT',
      `/api/workshops/${other.workshopId}`,
      { title: 'x', date: '2027-01-01', siteId: other.siteId, method: 'whip-and-tongue', promisedKeepers: 1 },
    ],
    ['PUT', `/api/workshops/${other.workshopId}/walk-ins/${uuid()}`, { name: 'x' }],
    ['PATCH', `/api/workshops/${other.workshopId}/seats/${other.seatId}`, { absent: true }],
    ['PATCH', `/api/workshops/${own}/seats/${other.seatId}`, { absent: true }],
    ['POST', `/api/workshops/${other.workshopId}/seat-swap`, { first: other.seatId, second: uuid() }],
    [
      'PUT',
      `/api/workshops/${other.workshopId}/wood-lots/${uuid()}`,
      { variety: 'x', species: 'x', source: 'x', cutOn: '' },
    ],
    ['POST', `/api/workshops/${own}/wood-lots/${other.woodLotId}`],
    ['DELETE', `/api/workshops/${other.workshopId}/stock-lots/${other.stockLotId}`],
    ['POST', `/api/workshops/${own}/stock-lots/${other.stockLotId}`],
    ['PUT', `/api/judgements/${uuid()}`, judgement],
    ['PUT', `/api/judgements/${other.judgementId}`, judgement],
    ['PUT', `/api/judgements/${uuid()}`, { ...judgement, workshopId: own }],
    ['DELETE', `/api/judgements/${other.judgementId}`],
    ['POST', `/api/workshops/${own}/doubles/${other.unionId}`, { as: 'one', judgementId: other.judgementId }],
    [
      'POST',
      `/api/workshops/${other.workshopId}/keepers`,
      { woodLotId: other.woodLotId, stockLotId: other.stockLotId },
    ],
    ['POST', `/api/workshops/${own}/keepers`, { woodLotId: other.woodLotId, stockLotId: other.stockLotId }],
    ['PATCH', `/api/workshops/${own}/keepers`, { plantIds: [other.plantId], voided: true }],
    ['PUT', `/api/workshops/${own}/plants/${other.plantId}/unions/${uuid()}`, { method: 'chip', position: 'upper' }],
    [
      'PUT',
      `/api/workshops/${other.workshopId}/rounds/${uuid()}`,
      { milestone: 'season', opensOn: '2027-01-01', closesOn: '2027-02-01' },
    ],
    ['PATCH', `/api/rounds/${other.roundId}`, { closesOn: '2027-01-01' }],
    ['POST', `/api/rounds/${other.roundId}/messages`, { sentSoFar: 0 }],
    ['POST', `/api/rounds/${other.roundId}/slips`, {}],
    ['DELETE', `/api/rounds/${other.roundId}/links/${other.personId}`],
    [
      'PUT',
      `/api/reports/${uuid()}`,
      { roundId: other.roundId, unionId: other.keeperUnionId, said: 'alive', source: 'phone' },
    ],
    ['PUT', `/api/unions/${other.keeperUnionId}/settlement`, { setAside: [uuid()], why: 'x' }],
    ['PUT', `/api/workshops/${other.workshopId}/asks-alone`, { asksAlone: true }],
    ['PUT', `/api/plant-handings/${uuid()}`, { plantIds: [other.plantId], to: 'us', on: '2026-06-01' }],
    ['PUT', `/api/plant-happenings/${uuid()}`, { plantIds: [other.plantId], what: 'mown', on: '2026-06-01' }],
    ['PUT', `/api/settled-marks/${other.keeperUnionId}`],
    ['PATCH', `/api/replies/${other.keeperUnionId}`],
    ['PUT', `/api/workshops/${other.workshopId}/schools`, { schools: {} }],
    ['PUT', `/api/workshops/${other.workshopId}/briefing`, { firstAid: '', kit: '', localRules: '', sap: false }],
    ['PUT', `/api/workshops/${other.workshopId}/briefing/${other.personId}`, { contentHash: '0'.repeat(64) }],
    ['GET', `/api/workshops/${other.workshopId}/teaching`],
    ['PUT', `/api/workshops/${other.workshopId}/teaching`, { changeId: uuid(), step: 1, panel: 'right', blank: false }],
    ['GET', `/screen/${other.workshopId}`],
    ['GET', `/workshops/${other.workshopId}/teach`],
    [
      'PUT',
      `/api/sites/${other.siteId}/climate`,
      {
        normals: { low: Array(12).fill(1), high: Array(12).fill(2) },
        lastFrost: null,
        firstFrost: null,
        frostMargin: 1,
        source: 'x',
        version: 0,
      },
    ],
    ['GET', `/api/sites/${other.siteId}/climate`],
    ['GET', `/api/sites/${other.siteId}/weather`],
    ['GET', `/sites/${other.siteId}`],
    ['PUT', `/api/sites/${other.siteId}/assumptions`, { edits: {}, version: 0 }],
    [
      'PUT',
      `/api/sites/${other.siteId}/observations/${uuid()}`,
      { species: 'pear', sign: 'bark-slips', seenOn: '2026-01-01' },
    ],
    ['PUT', `/api/workshops/${other.workshopId}/date`, { date: '2027-01-01', from: '2026-07-18' }],
    ['GET', `/api/workshops/${other.workshopId}/calendar`],
    ['GET', `/api/workshops/${other.workshopId}/plan/kit`],
    ['GET', `/api/workshops/${other.workshopId}/door-sheet`],
    ...['season', 'dates', 'quantities', 'wood', 'pairs', 'benches', 'ready'].map((page): ['GET', string] => [
      'GET',
      `/workshops/${other.workshopId}/plan/${page}`,
    ]),
    ['PUT', `/api/workshops/${other.workshopId}/plan/kit`, { changeId: uuid(), version: 0, edits: {}, extra: [] }],
    [
      'PUT',
      `/api/workshops/${other.workshopId}/pieces/${uuid()}`,
      { kind: 'stick', lotId: other.woodLotId, caliper: 9 },
    ],
    ['PUT', `/api/workshops/${own}/pieces/${uuid()}`, { kind: 'stick', lotId: other.woodLotId, caliper: 9 }],
    ['DELETE', `/api/workshops/${other.workshopId}/pieces/${uuid()}`],
    ['GET', `/wood/${other.woodLotId}`],
    ['PUT', `/api/wood/${other.woodLotId}`, { variety: 'x', species: 'x', source: 'x', version: 0 }],
    ['PUT', `/api/wood/${other.woodLotId}/checks/${uuid()}`, { lookedOn: '2026-01-01', green: 'yes', buds: 'shut' }],
    ['PUT', `/api/wood/${other.woodLotId}/bookings/${uuid()}`, { workshopId: own, sticks: 1 }],
    ['DELETE', `/api/wood/${other.woodLotId}/bookings/${uuid()}`],
    ['PUT', `/api/stocks/${other.stockLotId}`, { stocks: 1 }],
    ['PUT', `/api/wood-sources/${other.sourceId}/years/2027`, { sticks: 1 }],
    ['PUT', `/api/wood-sources/${other.sourceId}/promises/${uuid()}`, { year: 2027, whom: 'x', sticks: 1 }],
    ['PUT', `/api/wood-sources/${other.sourceId}`, { kind: 'tree', name: 'x', variety: 'x', species: 'x' }],
    ['GET', `/api/workshops/${other.workshopId}/bench`],
    ['GET', `/api/workshops/${other.workshopId}/wall`],
    ['GET', `/wall/${other.workshopId}`],
    ['GET', `/api/workshops/${other.workshopId}/cards`],
    ['POST', `/api/workshops/${other.workshopId}/cards/${other.seatId}/link`],
    ['POST', `/api/workshops/${own}/cards/${other.seatId}/link`],
    ...[
      '',
      '/readiness',
      '/cards',
      '/agreement',
      '/agreement/recalibration',
      '/rubric',
      '/settings',
      `/unions/${other.unionId}`,
    ].map((page): ['GET', string] => ['GET', `/workshops/${other.workshopId}/score${page}`]),
    ['GET', `/workshops/${own}/score/unions/${other.unionId}`],
    [
      'PUT',
      `/api/workshops/${other.workshopId}/keeper-permits/${uuid()}`,
      { seatIds: [other.seatId], may: true, reason: 'x' },
    ],
    ['PUT', `/api/workshops/${own}/keeper-permits/${uuid()}`, { seatIds: [other.seatId], may: true, reason: 'x' }],
    [
      'PUT',
      `/api/workshops/${other.workshopId}/plan/scoring`,
      { changeId: uuid(), version: 0, ready: { last: 3, score: 75 }, blindRate: 0, wall: 'seats' },
    ],
    ['DELETE', `/api/workshops/${other.workshopId}/second-looks`],
    ['POST', `/api/workshops/${other.workshopId}/rescoring`],
    [
      'PUT',
      `/api/unions/${other.unionId}/cut-looks/${uuid()}`,
      { callus: 'ring', contactSeen: 50, lookedOn: '2026-08-01', note: '' },
    ],
    ['DELETE', `/api/photos/${uuid()}`],
    ['GET', `/api/photos/${uuid()}`],
    [
      'PUT',
      `/api/recalibrations/${uuid()}`,
      { workshopId: other.workshopId, method: 'whip-and-tongue', seed: 1, nth: 0, marks: {} },
    ],
    ['DELETE', `/api/people/${other.personId}`],
    ['PATCH', `/api/members/${other.userId}`, { role: 'viewer' }],
  ];
  const outcomes: string[] = [];
  for (const [method, path, data] of tries)
    outcomes.push(
      `${(await page.request.fetch(path, { method, ...(data ? { data } : {}) })).status()} ${method} ${path}`,
    );
  expect(outcomes.filter((line) => !line.startsWith('404'))).toEqual([]);
});

function measures(): object {
  const figure = (value: number) => ({ value, origin: 'measured' });
  return {
    stockDiameter: figure(10),
    scionDiameter: figure(10),
    stockBark: figure(1),
    scionBark: figure(1),
    stockLength: figure(35),
    scionLength: figure(35),
    stockHollow: figure(0),
    scionHollow: figure(0),
    placement: { pick: 'middle' },
    lift: figure(0),
    turn: figure(0),
  };
}

test('sign-in attempts beyond the limit get 429', async ({ request }) => {
  const statuses: number[] = [];
  for (let i = 0; i < 10; i++)
    statuses.push(
      (
        await request.post('/api/session', { data: { email: 'stubborn@tarnholm.example', password: 'not this one' } })
      ).status(),
    );
  expect(statuses.slice(0, 8)).toEqual(Array(8).fill(401));
  expect(statuses.slice(8)).toEqual([429, 429]);
  // Others are not locked out by it.
  await apiSignIn(request, PEOPLE.assistant);
});

test('a request from another site is refused, and so is a second first account', async ({ request }) => {
  await apiSignIn(request, PEOPLE.lead);
  const foreign = await request.put('/api/units', {
    data: { lengthUnit: 'mm', temperatureUnit: 'C' },
    headers: { Origin: 'https://elsewhere.example' },
  });
  expect(foreign.status()).toBe(403);
  const again = await request.post('/api/first-lead', {
    data: { club: 'x', name: 'x', email: 'x@x.example', password: PASSWORD },
  });
  expect(again.status()).toBe(409);
});

test('the same judgement sent many times at once is saved once; other content under its id is refused', async ({
  page,
}) => {
  await signIn(page);
  const { past } = workshopIds();
  const seats = await page.request.get(`/workshops/${past}/plan`);
  expect(seats.status()).toBe(200);
  await page.goto(`/workshops/${past}/score?seat=1`);
  const seatId = await page.evaluate(async (workshop) => {
    const csv = await (await fetch(`/api/workshops/${workshop}/export/judgements.csv`)).text();
    return csv.split('\r\n').length > 1 ? 'ok' : 'none';
  }, past);
  expect(seatId).toBe('ok');
  const saved = page.waitForRequest(
    (request) => request.method() === 'PUT' && request.url().includes('/api/judgements/'),
  );
  for (const [name, value] of [
    ['stockDiameter', '10'],
    ['scionDiameter', '10'],
    ['stockLength', '41'],
    ['scionLength', '41'],
  ])
    await page.locator(`[name=${name}]`).fill(value!);
  await page.getByRole('button', { name: 'Save, same seat' }).click();
  const first = await saved;
  await expect(page.getByText(/^1-\d+ saved\.$/)).toBeVisible();
  const id = uuid();
  const body = { ...(first.postDataJSON() as object), number: 900, note: 'sent at once' };
  const answers = await Promise.all(
    Array.from({ length: 12 }, () => page.request.put(`/api/judgements/${id}`, { data: body })),
  );
  expect(answers.map((answer) => answer.status())).toEqual(Array(12).fill(200));
  const csv = await (await page.request.get(`/api/workshops/${past}/export/judgements.csv`)).text();
  expect(csv.match(/sent at once/g)).toHaveLength(1);
  expect((await page.request.put(`/api/judgements/${id}`, { data: { ...body, note: 'otherwise' } })).status()).toBe(
    409,
  );
});
