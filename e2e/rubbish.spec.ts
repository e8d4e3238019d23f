import { readdirSync, readFileSync } from 'node:fs';
import { request as plainRequest } from 'node:http';
import { join } from 'node:path';
import type { APIRequestContext } from '@playwright/test';
import { v7 as uuid } from 'uuid';
import { apiSignIn, expect, PEOPLE, test } from './setup/bench-test';
import { query } from './setup/query';
import { benchOf, judgement } from './setup/score-day';

test.describe.configure({ mode: 'serial' });
test.setTimeout(360_000);

/* Whatever is sent, the answer is a refusal in words and never a fault of the server. */

const ODD: unknown[] = [
  {},
  [],
  [null],
  -1,
  1e308,
  '',
  null,
  true,
  'constructor',
  '0027-01-01',
  '+275760-09-13T00:00:00Z',
  uuid(),
  'x'.repeat(5000),
  'é\u{1F350}'.repeat(40),
];
const RAW = [
  '',
  '{',
  'null',
  '[]',
  '5',
  '"x"',
  '{"constructor":1}',
  '{"__proto__":{"a":1}}',
  '{"toString":null,"valueOf":1}',
  '['.repeat(20_000),
  '{"a":'.repeat(20_000),
  '{"a":1e999}',
  '\u{1F350}',
];
/** Requests under way at a time. */
const AT_A_TIME = 8;
const ODD_PATHS = [
  'constructor',
  '__proto__',
  'toString',
  'not-an-id',
  '%00',
  '%E2%82%AC%F0%9F%8D%90',
  "'%20OR%201=1",
  'x'.repeat(300),
  '..%2F..%2Fetc',
];

interface Target {
  method: string;
  path: string;
  body?: object;
}

/** Odd values each part is tried with: over all bodies every kind of field meets them all. */
const TRIED = 6;

/** Every part of a body replaced by something odd, one at a time; `turn` says with which values it begins. */
function spoiled(body: object, turn: number): object[] {
  const at = (value: unknown, replace: (part: unknown) => unknown): unknown[] => {
    if (typeof value !== 'object' || value === null) return [];
    return Object.entries(value).flatMap(([key, part]) => {
      const put = (other: unknown): unknown =>
        Array.isArray(value)
          ? value.map((entry: unknown, i) => (String(i) === key ? other : entry))
          : { ...value, [key]: other };
      return [put(replace(part)), ...at(part, replace).map(put)];
    });
  };
  const parts = ODD.map((odd) => at(body, () => odd) as object[]);
  return parts[0]!.flatMap((_, part) =>
    Array.from({ length: TRIED }, (__, i) => parts[(turn + part * TRIED + i) % ODD.length]![part]!),
  );
}

async function targets(request: APIRequestContext): Promise<Target[]> {
  const workshop = query("SELECT id FROM workshops WHERE title = 'Pears and medlars on the bench'");
  const firstOf = (sql: string): string => query(sql).split('\n')[0]!;
  const [site, lot, plan, round] = ['sites', 'wood_lots', 'topworking_plans', 'rounds'].map((table) =>
    firstOf(`SELECT id FROM ${table} WHERE club_id = (SELECT club_id FROM workshops WHERE id = '${workshop}') LIMIT 1`),
  );
  const { seats, unions } = await benchOf(request, workshop);
  const [seat, union] = [seats[0]!, unions[0]!];
  const w = `/api/workshops/${workshop}`;
  const months = Array.from({ length: 12 }, (_, i) => i);
  const head = { changeId: uuid(), version: 0 };
  return [
    {
      method: 'PUT',
      path: w,
      body: {
        title: 'x',
        date: '2027-03-01',
        siteId: site,
        method: 'whip-and-tongue',
        promisedKeepers: 1,
        promise: '',
      },
    },
    { method: 'PUT', path: `${w}/date`, body: { date: '2027-03-01', from: '2027-03-02' } },
    { method: 'PUT', path: `${w}/put-away`, body: { away: false } },
    { method: 'PUT', path: `${w}/walk-ins/${uuid()}`, body: { name: '', email: '' } },
    {
      method: 'PATCH',
      path: `${w}/seats/${seat.id}`,
      body: { name: 'x', email: '', phone: '', mayContact: true, absent: false, leftHanded: false, skill: 'some' },
    },
    { method: 'POST', path: `${w}/seat-swap`, body: { first: seat.id, second: seats[1]!.id } },
    { method: 'PUT', path: `${w}/schools`, body: { schools: { tongue: 'third' } } },
    { method: 'PUT', path: `${w}/briefing`, body: { firstAid: '', kit: '', localRules: '', sap: false } },
    { method: 'PUT', path: `${w}/briefing/${uuid()}`, body: { contentHash: '0'.repeat(64) } },
    {
      method: 'PUT',
      path: `${w}/wood-lots/${uuid()}`,
      body: {
        variety: '',
        species: 'pear',
        source: 'x',
        cutOn: '',
        stage: 'dormant',
        protectedUntil: '',
        sticks: 1,
        usableBuds: 8,
        sourceId: null,
      },
    },
    { method: 'PUT', path: `${w}/stock-lots/${uuid()}`, body: { stockType: '', species: 'pear', stocks: 1 } },
    { method: 'PUT', path: `${w}/pieces/${uuid()}`, body: { kind: 'stick', lotId: lot, caliper: 0, usableBuds: 3 } },
    { method: 'PUT', path: `${w}/keeper-permits/${uuid()}`, body: { seatIds: [seat.id], may: true, reason: '' } },
    { method: 'POST', path: `${w}/keepers`, body: { woodLotId: lot, stockLotId: uuid() } },
    {
      method: 'PATCH',
      path: `${w}/keepers`,
      body: { plantIds: [uuid()], voided: true, woodLotId: lot, seatId: seat.id },
    },
    {
      method: 'PUT',
      path: `${w}/rounds/${uuid()}`,
      body: { milestone: 'wintered', opensOn: '2027-01-02', closesOn: '2027-01-01' },
    },
    { method: 'POST', path: `${w}/doubles/${union.id}`, body: { as: 'one', judgementId: uuid() } },
    {
      method: 'PUT',
      path: `${w}/teaching`,
      body: { changeId: uuid(), step: 1, panel: 'right', blank: false, briefing: false, timer: null },
    },
    {
      method: 'PUT',
      path: `${w}/plan/scoring`,
      body: { ...head, ready: { last: 3, score: 75 }, blindRate: 0, wall: 'seats' },
    },
    {
      method: 'PUT',
      path: `${w}/plan/kit`,
      body: { ...head, edits: { tape: { total: 1 } }, extra: [{ id: 'a', name: 'b', unit: 'c', total: 1 }] },
    },
    {
      method: 'PUT',
      path: `${w}/plan/room`,
      body: {
        ...head,
        width: 6,
        depth: 5,
        benches: [{ id: 'a', name: 'b', x: 1, y: 1, turned: false, places: 2 }],
        spots: [{ kind: 'door', x: 1, y: 1 }],
        helpers: [{ name: 'x', benches: ['a'] }],
        seating: { [seat.id]: { bench: 'a', place: 0 } },
      },
    },
    {
      method: 'PUT',
      path: `${w}/plan/pairs`,
      body: {
        ...head,
        method: 'whip-and-tongue',
        inOrder: 1,
        pairs: [{ stock: uuid(), stick: uuid(), piece: 0, seat: seat.id, contact: 0.5, fixed: 'true' }],
      },
    },
    {
      method: 'PUT',
      path: `${w}/plan/day`,
      body: {
        ...head,
        start: '09:00',
        end: '16:00',
        briefing: 15,
        demonstration: 20,
        firstUnion: 12,
        falling: 0.9,
        breakEvery: 90,
        breakLength: 15,
        lunchAt: '12:00',
        lunch: 45,
        clearing: 20,
        knives: null,
      },
    },
    {
      method: 'PUT',
      path: `${w}/plan/methods`,
      body: {
        ...head,
        expected: null,
        methods: [
          {
            method: 'whip-and-tongue',
            place: 'bench',
            scionSpecies: 'pear',
            stockSpecies: 'quince',
            practiceEach: 4,
            keepersEach: 2,
            practiceOn: 'good',
          },
        ],
        settings: {
          confidence: 0.9,
          aim: 'each',
          usableBuds: 8,
          waste: 0.2,
          practiceWrapped: false,
          peoplePerBench: 4,
          bottle: 5,
          disinfectant: 1,
        },
      },
    },
    {
      method: 'PUT',
      path: `/api/judgements/${uuid()}`,
      body: judgement(
        workshop,
        seat.id,
        0,
        { tongue: 'poor' },
        { second: false, seconds: 1, strokes: 2, correctsId: null, filledInAt: null, assessorId: null },
      ),
    },
    {
      method: 'PUT',
      path: '/api/judgements',
      body: { judgements: [{ id: uuid(), ...judgement(workshop, seat.id, 0) }] },
    },
    {
      method: 'PUT',
      path: `/api/rubrics/whip-and-tongue`,
      body: {
        ...head,
        version: 99,
        edits: {
          weights: { hold: 10 },
          fatalCap: 40,
          caps: { hold: 40 },
          thresholds: { matched: 0.6 },
          words: { hold: { name: 'x', good: 'y' } },
        },
      },
    },
    {
      method: 'POST',
      path: '/api/rubrics/whip-and-tongue/preview',
      body: { edits: { weights: { hold: 10 }, words: { hold: { name: 'x' } } } },
    },
    {
      method: 'PUT',
      path: `/api/recalibrations/${uuid()}`,
      body: { workshopId: workshop, method: 'whip-and-tongue', seed: 1, nth: 0, marks: { hold: 'poor' } },
    },
    {
      method: 'POST',
      path: '/api/sites',
      body: { name: '', region: '', hemisphere: 'north', timeZone: 'Europe/Vienna' },
    },
    {
      method: 'PUT',
      path: `/api/sites/${site}/climate`,
      body: {
        normals: { low: months, high: months },
        lastFrost: null,
        firstFrost: null,
        frostMargin: 1,
        source: 'x',
        version: 999,
      },
    },
    {
      method: 'PUT',
      path: `/api/sites/${site}/assumptions`,
      body: {
        edits: { 'callus-stop': { value: 1, margin: 1, source: '' } },
        quarantine: ['x'],
        region: '',
        version: 999,
      },
    },
    {
      method: 'PUT',
      path: `/api/sites/${site}/observations/${uuid()}`,
      body: { species: '', sign: 'bark-slips', seenOn: '2026-01-01', note: '' },
    },
    {
      method: 'PUT',
      path: `/api/wood/${lot}`,
      body: {
        variety: 'x',
        species: 'x',
        source: 'x',
        cutOn: '',
        stage: 'dormant',
        sticks: 1,
        usableBuds: 8,
        sourceId: null,
        version: 999,
      },
    },
    {
      method: 'PUT',
      path: `/api/wood/${lot}/checks/${uuid()}`,
      body: { lookedOn: '2026-01-01', green: 'yes', buds: 'shut', note: '' },
    },
    {
      method: 'PUT',
      path: `/api/wood/${lot}/bookings/${uuid()}`,
      body: { workshopId: workshop, seatId: seat.id, sticks: 0 },
    },
    { method: 'PUT', path: `/api/stocks/${uuid()}`, body: { stocks: 1 } },
    {
      method: 'PUT',
      path: `/api/wood-sources/${uuid()}`,
      body: { kind: 'tree', name: '', variety: 'x', species: 'x', region: '', note: '', code: '' },
    },
    { method: 'PUT', path: `/api/wood-sources/${uuid()}/years/2027`, body: { sticks: 1 } },
    {
      method: 'PUT',
      path: `/api/wood-sources/${uuid()}/promises/${uuid()}`,
      body: { year: 2027, whom: 'x', sticks: 1 },
    },
    {
      method: 'PUT',
      path: `/api/unions/${union.id}/cut-looks/${uuid()}`,
      body: { callus: 'ring', contactSeen: 50, lookedOn: '2020-01-01', note: '' },
    },
    {
      method: 'PUT',
      path: `/api/photos/${uuid()}`,
      body: {
        version: 0,
        scale: {
          kind: 'ruler',
          points: [
            { x: 1, y: 1 },
            { x: 9, y: 1 },
          ],
          size: 10,
        },
      },
    },
    {
      method: 'PUT',
      path: `/api/reports/${uuid()}`,
      body: {
        roundId: round,
        unionId: union.id,
        said: 'alive',
        signs: { growth: 'none' },
        snapped: false,
        growth: '',
        growthUnit: 'mm',
        seenOn: '',
        note: '',
        source: 'phone',
        cameOn: '',
      },
    },
    { method: 'PATCH', path: `/api/rounds/${round}`, body: { closesOn: '2020-01-01' } },
    { method: 'POST', path: `/api/rounds/${uuid()}/messages`, body: { sentSoFar: 0 } },
    { method: 'POST', path: `/api/rounds/${uuid()}/slips`, body: { paper: 'A4' } },
    { method: 'PUT', path: '/api/units', body: { lengthUnit: 'mm', temperatureUnit: 'C' } },
    {
      method: 'PUT',
      path: '/api/store',
      body: { items: [{ item: 'x', inStore: -1, price: 1 }], item: 'x', inStore: 1, price: null },
    },
    {
      method: 'PUT',
      path: `/api/compatibility/${uuid()}`,
      body: { stock: '', scion: 'x', verdict: 'works', note: '', source: 'x' },
    },
    {
      method: 'PUT',
      path: `/api/topworking/${plan}`,
      body: {
        tree: 'x',
        species: 'x',
        firstYear: 2027,
        version: 999,
        limbs: [{ id: 'a', year: 1, method: null, diameter: 50, angle: 0, height: 1 }],
      },
    },
    { method: 'POST', path: '/api/members', body: { name: '', email: 'x@y.example', role: 'viewer' } },
    { method: 'PATCH', path: `/api/members/${uuid()}`, body: { role: 'viewer' } },
    { method: 'PUT', path: '/api/session', body: { keptOffline: false } },
    { method: 'PUT', path: '/api/session/club', body: { clubId: uuid() } },
    { method: 'PUT', path: `/api/invitations/${uuid()}`, body: { answer: 'yes' } },
    { method: 'POST', path: '/api/password/link', body: { token: 'x', password: 'long enough to be one' } },
    { method: 'POST', path: '/api/invitations/link', body: { token: 'x', password: 'x', answer: 'yes' } },
    { method: 'PUT', path: `/api/r/nonsense/answers/${uuid()}`, body: { unionId: union.id, said: 'alive', note: '' } },
    {
      method: 'PUT',
      path: `/api/unions/${uuid()}/settlement`,
      body: { setAside: [uuid()], why: 'tags were swapped' },
    },
    { method: 'PUT', path: `/api/workshops/${uuid()}/asks-alone`, body: { asksAlone: true } },
    {
      method: 'PUT',
      path: `/api/plant-handings/${uuid()}`,
      body: {
        plantIds: [uuid()],
        to: 'new',
        personId: uuid(),
        name: 'Ysolde Marl',
        mayContact: false,
        on: '2026-06-01',
      },
    },
    {
      method: 'PUT',
      path: `/api/plant-happenings/${uuid()}`,
      body: { plantIds: [uuid()], what: 'mown', dead: false, on: '2026-06-01', note: 'the verge' },
    },
  ];
}

/** Thousands of requests: the runtime's own are sent in a third of the time, signed in by the same cookies. */
async function signedHeaders(request: APIRequestContext): Promise<Record<string, string>> {
  const { cookies } = await request.storageState();
  return {
    'Content-Type': 'application/json',
    Cookie: cookies.map(({ name, value }) => `${name}=${value}`).join('; '),
  };
}

test('bodies with any part of them spoiled are refused in words, never with a fault', async ({ request, baseURL }) => {
  await apiSignIn(request, PEOPLE.lead);
  const all = await targets(request);
  const headers = await signedHeaders(request);
  const faults: string[] = [];
  let asked = 0;
  for (const [nth, { method, path, body }] of all.entries()) {
    const send = async (data: string): Promise<void> => {
      asked++;
      const answer = await fetch(`${baseURL}${path}`, { method, body: data, headers });
      const text = await answer.text();
      // A name that is no text comes as its kind says; words are for people.
      if (
        answer.status >= 500 ||
        (answer.status >= 400 && !/"message":"[A-Z“\d]/.test(text)) ||
        /must be a `|TypeError|undefined/.test(text)
      )
        faults.push(`${answer.status} ${method} ${path}: ${data.slice(0, 160)} -> ${text.slice(0, 120)}`);
    };
    // As many at a time as a class would send.
    // What is no JSON is read by one function for all of them.
    const raw = nth % 6 === 0 ? RAW : [RAW[nth % RAW.length]!];
    const bodies = [...raw, ...spoiled(body!, nth).map((odd) => JSON.stringify(odd))];
    for (let i = 0; i < bodies.length; i += AT_A_TIME) await Promise.all(bodies.slice(i, i + AT_A_TIME).map(send));
  }
  expect(faults.slice(0, 20)).toEqual([]);
  expect(asked).toBeGreaterThan(1500);
});

test('addresses that name nothing are not found, whatever stands in them', async ({ request, baseURL }) => {
  await apiSignIn(request, PEOPLE.lead);
  const files = [
    ...readdirSync('app/api', { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('route.ts'))
      .map((file) => `app/api/${file}`),
    ...readdirSync('app', { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('page.tsx'))
      .map((file) => `app/${file}`),
  ].filter((file) => file.includes('['));
  const headers = await signedHeaders(request);
  const faults: string[] = [];
  const ask = async (method: string, path: string, odd: string): Promise<void> => {
    const answer = await fetch(`${baseURL}${path.replace(/\[\w+\]/g, odd)}`, {
      method,
      headers,
      redirect: 'manual',
      ...(method === 'GET' ? {} : { body: '{}' }),
    });
    await answer.arrayBuffer();
    if (answer.status >= 500) faults.push(`${answer.status} ${method} ${path} with ${odd}`);
  };
  for (const file of files) {
    const path = `/${file
      .replace(/^app\//, '')
      .replace(/\/?(route|page)\.tsx?$/, '')
      .replace(/\([\w-]+\)\//g, '')}`;
    const methods = file.endsWith('page.tsx')
      ? ['GET']
      : [...readFileSync(join(file), 'utf8').matchAll(/export const (GET|POST|PUT|PATCH|DELETE)\b/g)].map(
          ([, method]) => method!,
        );
    await Promise.all(ODD_PATHS.flatMap((odd) => methods.map((method) => ask(method, path, odd))));
  }
  expect(faults).toEqual([]);
  // Paths that cannot be decoded, which no browser sends.
  const { port } = new URL(baseURL!);
  for (const path of ['/%E0%A4%A', '/api/%ZZ/x', '/workshops/%', '/cards/%c3%28', '/%00']) {
    const status = await new Promise<number>((resolve, reject) =>
      plainRequest({ port, path, method: 'GET' }, (answer) => {
        answer.resume();
        resolve(answer.statusCode!);
      })
        .on('error', reject)
        .end(),
    );
    expect([400, 404], path).toContain(status);
  }
});

test('what no form sends is turned away before it is read', async ({ request, baseURL }) => {
  await apiSignIn(request, PEOPLE.lead);
  const big = await request.put('/api/units', {
    data: `"${'x'.repeat(70_000)}"`,
    headers: { 'Content-Type': 'application/json' },
  });
  expect(big.status()).toBe(413);
  expect(
    (
      await request.put('/api/units', {
        data: 'lengthUnit=mm',
        headers: { 'Content-Type': 'application/x-www-form-urlencoded' },
      })
    ).status(),
  ).toBe(415);
  // In pieces, without a length, and without end: cut off long before it is through.
  const { port } = new URL(baseURL!);
  let written = 0;
  const status = await new Promise<number>((resolve) => {
    const call = plainRequest(
      {
        port,
        path: '/api/session',
        method: 'POST',
        headers: { 'Content-Type': 'application/json', 'Transfer-Encoding': 'chunked' },
      },
      (answer) => {
        answer.resume();
        resolve(answer.statusCode!);
        call.destroy();
      },
    );
    call.on('error', () => resolve(0));
    const pour = (): void => {
      if (!call.destroyed && written < 60_000_000) {
        written += 65_536;
        call.write('x'.repeat(65_536), pour);
      }
    };
    pour();
  });
  expect([413, 0]).toContain(status);
  expect(written).toBeLessThan(30_000_000);
});
