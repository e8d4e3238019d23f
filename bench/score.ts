import { spawn } from 'node:child_process';
import { randomInt } from 'node:crypto';
import { rmSync } from 'node:fs';
import { join } from 'node:path';
import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import { seededRandom } from '@/core/chance/seeded-random';
import { exampleMeasures } from '@/core/methods/example-measures';
import { METHODS } from '@/core/methods/registry';
import type { Marks } from '@/core/score/rubric/judge-union';
import { currentRubric } from '@/server/score/rubrics';
import { hashPassword } from '@/server/platform/secrets';
import { actorOf, openSession } from '@/server/club/sign-in';
import { addSite } from '@/server/club/sites';
import { freePort } from '../ops/mariadb';
import { benchServices } from './bench-services';

/*
 * node --import tsx bench/score.ts [SECONDS] [ASSESSORS] [WORKSHOPS]
 * The bench day at its busiest: 20 assessors at one workshop of 40 people, each with a second of
 * thought between calls, on a database of 100,000 unions; 60 % look at the room, 30 % save, 10 %
 * find somebody. Against the production build in .next (PEAR_BENCH_BUILD). Prints p50, p95, p99.
 */

const SECONDS = Number(process.argv[2] ?? 60);
const [WORKSHOPS, SEATS, EACH, CLIENTS, THOUGHT] = [
  Number(process.argv[4] ?? 280),
  40,
  9,
  Number(process.argv[3] ?? 20),
  1000,
];

const { folder, own, db, services } = await benchServices('score', new Date());
const clubId = uuid();
await db.clubs.create({ id: clubId, name: 'Bench Club', createdAt: services.now });
const passwordHash = await hashPassword('not used here');
const users = Array.from({ length: CLIENTS }, (_, i) => ({
  id: uuid(),
  email: `a${i}@bench.example`,
  name: `Assessor ${i}`,
  passwordHash,
  lengthUnit: 'mm' as const,
  temperatureUnit: 'C' as const,
}));
await db.users.bulkCreate(users);
await db.memberships.bulkCreate(users.map(({ id }) => ({ clubId, userId: id, role: 'assistant' as const })));
const sessions = await Promise.all(users.map(({ id }) => openSession(services, id, clubId)));
const lead = { ...(await actorOf(services, sessions[0]!.token))!, role: 'lead' as const };
const context = { ...services, actor: lead };
const site = await addSite(context, { name: 'Shed', hemisphere: 'north', timeZone: 'Europe/Zurich' });
const method = METHODS[0]!;
const rubric = await currentRubric(context, method.id, {});
const random = seededRandom(1);
console.log(`Filling ${WORKSHOPS * SEATS * EACH} unions…`);
const seats: { id: string; workshopId: string; number: number }[] = [];
let first = '';
for (let w = 0; w < WORKSHOPS; w++) {
  const workshopId = uuid();
  first ||= workshopId;
  const at = new Date(Date.UTC(2020, 0, 1 + w * 7, 9));
  await db.workshops.create({
    id: workshopId,
    clubId,
    title: `Workshop ${w}`,
    date: at.toISOString().slice(0, 10),
    siteId: site.id,
    method: method.id,
    promisedKeepers: 2,
    promise: '',
    schools: {},
    createdAt: at,
  });
  const people = Array.from({ length: SEATS }, (_, i) => ({
    id: uuid(),
    clubId,
    name: `Person ${w}-${i} ${['Arn', 'Brae', 'Corr', 'Dunn'][i % 4]}ley`,
    email: null,
    phone: null,
    mayContact: false,
    erasedAt: null,
  }));
  await db.people.bulkCreate(people);
  const own = people.map(({ id }, i) => ({
    id: uuid(),
    clubId,
    workshopId,
    number: i + 1,
    personId: id,
    absent: false,
    leftHanded: false,
    skill: null,
  }));
  await db.seats.bulkCreate(own);
  if (w === 0) seats.push(...own);
  const unions = own.flatMap((seat) =>
    Array.from({ length: EACH }, (_, n) => ({
      id: uuid(),
      clubId,
      workshopId,
      seatId: seat.id,
      kind: 'practice' as const,
      number: n + 1,
      plantId: null,
      position: 'sole' as const,
      method: method.id,
      variant: method.variants[0]!.id,
      schools: {},
      materials: [],
      madeOn: at.toISOString().slice(0, 10),
      makerId: seat.personId,
      helperUserId: null,
      helperPersonId: null,
      chosenJudgementId: null,
      doubleSettledAt: null,
      secondWanted: false,
      secondSettledAt: null,
    })),
  );
  await db.unions.bulkCreate(unions);
  const contact = (): number => Math.round(random() * 100) / 100;
  await db.judgements.bulkCreate(
    unions.map(({ id }) => ({
      id: uuid(),
      clubId,
      unionId: id,
      assessorId: users[randomInt(CLIENTS)]!.id,
      stage: 'joined' as const,
      measures: exampleMeasures(method),
      marks: (random() < 0.3 ? { hold: 'poor' } : {}) as Marks,
      note: '',
      contact: contact(),
      contactLeft: contact(),
      contactRight: contact(),
      touchingMm: 40,
      runs: [
        { from: 0.2, to: 2.4 },
        { from: 3.3, to: 5.6 },
      ],
      contactGrade: 'good' as const,
      contactWords: 'both sides',
      fatal: [],
      score: Math.round(random() * 100),
      modelVersion: method.contactModel,
      rubricId: rubric.id,
      correctsId: null,
      liveCorrectsId: null,
      withdrawnAt: null,
      filledInAt: null,
      deviceAt: at,
      recordedAt: at,
      madeAt: at,
      blind: false,
      seconds: 30,
      strokes: 2,
      method: method.id,
      outlook: null,
      outlookBy: null,
      rescoredBy: null,
    })),
  );
  await db.unionFacts.bulkCreate(
    unions.map(({ id, seatId, number }) => ({
      unionId: id,
      clubId,
      workshopId,
      seatId,
      kind: 'practice' as const,
      method: method.id,
      variant: method.variants[0]!.id,
      date: at.toISOString().slice(0, 10),
      number,
      position: 'sole' as const,
      woodLotId: null,
      stockLotId: null,
      assessorId: users[0]!.id,
      score: 80,
      contact: 0.8,
      contactGrade: 'good' as const,
      fatal: false,
      stage: 'joined' as const,
      outlook: null,
      outlookBy: null,
      helped: false,
      voided: false,
      healed: 'unknown' as const,
      growing: 'unknown' as const,
      season: 'unknown' as const,
      wintered: 'unknown' as const,
      contradicted: false,
      firstAliveOn: null,
      lastAliveOn: null,
      firstDeadOn: null,
      makerId: null,
      plantId: null,
      reminded: false,
    })),
  );
}
await db.sequelize.query('ANALYZE TABLE unions, judgements, union_facts, seats, people', { type: QueryTypes.SELECT });

const port = await freePort();
Object.assign(process.env, {
  DATABASE_URL: own.url,
  PEAR_BENCH_MAIL: join(folder, 'mail'),
  PEAR_BENCH_PUBLIC_URL: `http://127.0.0.1:${port}`,
});
// The server has a process of its own, as it would have; so has whoever asks.
const server = spawn(
  process.execPath,
  [
    '--import',
    'tsx',
    '-e',
    `import('./ops/serve.ts').then(({ serve }) => serve({ host: '127.0.0.1', port: ${port} }))`,
  ],
  { stdio: 'inherit', env: { ...process.env, NODE_ENV: 'production' } },
);
for (let waited = 0; waited < 100; waited++) {
  if ((await fetch(`http://127.0.0.1:${port}/api/health`).catch(() => null))?.ok) break;
  await new Promise((resolve) => setTimeout(resolve, 200));
}
const base = `http://127.0.0.1:${port}`;
const times: Record<string, number[]> = { room: [], save: [], find: [] };
const errors: string[] = [];
let bytes = 0;

async function client(i: number, until: number): Promise<void> {
  const headers = { Cookie: `pear_bench_session=${sessions[i]!.token}` };
  let since = Date.now();
  let made = 0;
  const call = async (
    kind: string,
    path: string,
    init: RequestInit & { headers?: Record<string, string> },
  ): Promise<string | null> => {
    const began = performance.now();
    const answer = await fetch(base + path, { ...init, headers: { ...headers, ...init.headers } }).catch(
      (error: unknown) => {
        errors.push(String(error));
        return null;
      },
    );
    const text = await answer?.text();
    times[kind]!.push(performance.now() - began);
    bytes += text?.length ?? 0;
    if (answer && !answer.ok && answer.status !== 304) errors.push(`${answer.status} ${path} ${text?.slice(0, 200)}`);
    return answer?.ok ? (text ?? null) : null;
  };
  while (Date.now() < until) {
    await new Promise((resolve) => setTimeout(resolve, THOUGHT * (0.5 + Math.random())));
    const roll = Math.random();
    if (roll < 0.6) {
      const text = await call('room', `/api/workshops/${first}/bench?since=${since}`, {});
      if (text) since = (JSON.parse(text) as { takenAt: number }).takenAt;
    } else if (roll < 0.9) {
      const seat = seats[(i * 2 + made) % SEATS]!;
      const body = {
        workshopId: first,
        seatId: seat.id,
        number: 100 + i * 40 + ++made,
        stage: 'joined',
        measures: exampleMeasures(method),
        marks: {},
        note: '',
        deviceAt: new Date().toISOString(),
        sentAt: new Date().toISOString(),
      };
      await call('save', `/api/judgements/${uuid()}`, {
        method: 'PUT',
        body: JSON.stringify(body),
        headers: { 'Content-Type': 'application/json' },
      });
    } else await call('find', `/api/find?q=${['Arnley', 'Person 140-3', 'Corrl', 'Nobody'][randomInt(4)]!}`, {});
  }
}

// A server answers its first calls slower; they are not the day.
await client(0, Date.now() + 4000);
for (const kind of Object.keys(times)) times[kind] = [];
bytes = 0;
await Promise.all(users.map((_, i) => client(i, Date.now() + SECONDS * 1000)));
const quantile = (list: number[], q: number): string =>
  list.length === 0
    ? '-'
    : [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.ceil(q * list.length) - 1)]!.toFixed(0);
for (const [kind, list] of [...Object.entries(times), ['all', Object.values(times).flat()] as const])
  console.log(
    `${kind.padEnd(5)} ${String(list.length).padStart(5)} calls  p50 ${quantile(list, 0.5)} ms  p95 ${quantile(list, 0.95)} ms  p99 ${quantile(list, 0.99)} ms`,
  );
console.log(
  `${(bytes / 1e6).toFixed(1)} MB of answers, ${errors.length} errors${errors.length > 0 ? `: ${errors[0]}` : ''}`,
);
server.kill();
await db.sequelize.close();
await own.stop();
rmSync(folder, { recursive: true, force: true });
process.exit(errors.length > 0 ? 1 : 0);
