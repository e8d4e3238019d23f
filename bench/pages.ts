import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { v7 as uuid } from 'uuid';
import { seededRandom } from '@/core/chance/seeded-random';
import { ASSISTANT, LEAD, VIEWER } from '@/demo/scenario';
import { demoPages } from '@/ops/measure/demo-pages';
import { monthOfMinutes } from '@/ops/measure/month-of-minutes';
import { pageCosts } from '@/ops/measure/page-costs';
import { processMemory } from '@/ops/measure/process-cpu';
import { get, signIn } from '@/ops/measure/signed-in';
import { statementsSent } from '@/ops/measure/statements-sent';

/*
 * node --import tsx bench/pages.ts [--data .data] [--address URL] [--people 20] [--seconds 60] [--workshops 14]
 * People who look at every page of a running demo, each signed in for themselves as lead, assistant or viewer, with a
 * second of thought after each page; then what each page costs. One refusal, fault or page that is none fails the run.
 */

const { values } = parseArgs({
  options: {
    address: { type: 'string', default: 'http://127.0.0.1:3000' },
    data: { type: 'string', default: '.data' },
    people: { type: 'string', default: '20' },
    seconds: { type: 'string', default: '60' },
    workshops: { type: 'string', default: '14' },
  },
});
const { address, data } = values;
const [people, seconds, workshops] = [Number(values.people), Number(values.seconds), Number(values.workshops)];
const password = readFileSync(join(data, 'demo.password'), 'utf8').trim();
const pid = Number(readFileSync(join(data, 'server.pid'), 'utf8'));
const ROLES = [LEAD, ASSISTANT, VIEWER];
/** On the average, ms. */
const THOUGHT = 1000;
const random = seededRandom(2026);

const lead = await signIn(address, LEAD.email, password);
const text = async (path: string): Promise<string> => (await get(address, path, lead)).text;

async function send(method: string, path: string, body: FormData | string): Promise<void> {
  const headers = new Headers({ cookie: lead });
  if (typeof body === 'string') headers.set('Content-Type', 'application/json');
  const answer = await fetch(address + path, { method, body, headers });
  if (!answer.ok) throw new Error(`${method} ${path} answers ${answer.status}: ${await answer.text()}`);
}

/** The season has as many workshops as asked, so that a page that grows with them is seen to. */
async function makeWorkshops(): Promise<number> {
  const there = new Set((await text('/season')).match(/workshops\/[0-9a-f-]{36}\/plan/g)).size;
  const [, siteId] = /\/sites\/([0-9a-f-]{36})/.exec(await text('/sites'))!;
  for (let i = there; i < workshops; i++)
    await send(
      'PUT',
      `/api/workshops/${uuid()}`,
      JSON.stringify({
        title: `Bench day ${i}`,
        date: new Date(Date.now() + (i - 7) * 12 * 86_400_000).toISOString().slice(0, 10),
        siteId,
        method: 'whip-and-tongue',
        promisedKeepers: 2,
        promise: '',
      }),
    );
  return Math.max(there, workshops);
}

const all = await makeWorkshops();
const [, box] = /\/places\/([0-9a-f-]{36})"[^>]*>[^<]*Warm box/.exec(await text('/places'))!;
await send('POST', `/api/places/${box}/logs`, monthOfMinutes());
const pages = await demoPages(text);

// What pages show is worked out when something has changed and kept until it changes again: first looks are told apart.
const cookies = await Promise.all(ROLES.map(({ email }) => signIn(address, email, password)));
const first: number[] = [];
for (const cookie of cookies)
  for (const { path } of pages) {
    const began = performance.now();
    await get(address, path, cookie);
    first.push(performance.now() - began);
  }

const times = new Map<string, number[]>();
const refused: string[] = [];
const end = Date.now() + seconds * 1000;

async function person(nth: number): Promise<void> {
  const cookie = await signIn(address, ROLES[nth % ROLES.length]!.email, password);
  // Not everybody at the same page at the same moment.
  await new Promise((resolve) => setTimeout(resolve, (nth / people) * THOUGHT));
  for (let i = nth * 7; Date.now() < end; i++) {
    const { name, path } = pages[i % pages.length]!;
    const began = performance.now();
    try {
      const { status, text: html } = await get(address, path, cookie);
      const whole = path.startsWith('/api/') || (html.includes('</html>') && /<h1|id="main"|<main/.test(html));
      if (status !== 200 || !whole) refused.push(`${status} ${path}`);
    } catch (error) {
      refused.push(`${(error as Error).message} ${path}`);
    }
    times.set(name, [...(times.get(name) ?? []), performance.now() - began]);
    // Nobody thinks for the same time; in step they would come as one crowd each second.
    await new Promise((resolve) => setTimeout(resolve, THOUGHT * (0.5 + random())));
  }
}
await Promise.all(Array.from({ length: people }, (_, nth) => person(nth)));

const at = (list: number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(share * list.length))] ?? 0;
const every = [...times.values()].flat();
console.log(
  `First looks, one after the other: p50 ${at(first, 0.5).toFixed(0)} ms, p95 ${at(first, 0.95).toFixed(0)} ms, longest ${at(first, 1).toFixed(0)} ms.`,
);
console.log(
  `${people} people in three roles, ${all} workshops, ${every.length} pages in ${seconds} s (${(every.length / seconds).toFixed(1)} a second): p50 ${at(every, 0.5).toFixed(0)} ms, p95 ${at(every, 0.95).toFixed(0)} ms, server ${(processMemory(pid) / 1e6).toFixed(0)} MB, ${refused.length} refused${refused.length > 0 ? `, such as ${refused.slice(0, 5).join('; ')}` : ''}`,
);
const costs = await pageCosts(pages, { address, cookie: lead, pid, statements: () => statementsSent(data) }, 5);
console.log(`${'page'.padEnd(52)} p95 ms   cpu ms  statements  HTML kB  JavaScript kB`);
for (const { name, cpu, statements, html, script } of costs) {
  const cells = [at(times.get(name) ?? [], 0.95), cpu, statements, html / 1000, script / 1000];
  console.log(name.padEnd(52) + cells.map((value, i) => value.toFixed(0).padStart([6, 9, 12, 9, 15][i]!)).join(''));
}
process.exit(refused.length > 0 ? 1 : 0);
