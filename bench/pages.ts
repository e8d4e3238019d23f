import { parseArgs } from 'node:util';
import { v7 as uuid } from 'uuid';

/*
 * node --import tsx bench/pages.ts --password WORD [--address URL] [--people 20] [--seconds 60] [--workshops 14]
 * People who look at every page of a running demo, each with a second of thought after each page. The
 * whole answer is read and looked at; one refusal, fault or page that is none fails the run.
 */

const { values } = parseArgs({
  options: {
    address: { type: 'string', default: 'http://127.0.0.1:3000' },
    password: { type: 'string' },
    people: { type: 'string', default: '20' },
    seconds: { type: 'string', default: '60' },
    workshops: { type: 'string', default: '14' },
  },
});
if (!values.password) {
  console.error('Give --password, as ./start prints it.');
  process.exit(2);
}
const { address, password } = values;
const [people, seconds, workshops] = [Number(values.people), Number(values.seconds), Number(values.workshops)];
const THOUGHT = 1000;

async function signIn(): Promise<string> {
  const answer = await fetch(`${address}/api/session`, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify({ email: 'maren@tarnholm.example', password }),
  });
  if (!answer.ok) throw new Error(`Nobody can sign in: ${answer.status} ${await answer.text()}`);
  return answer.headers.get('set-cookie')!.split(';')[0]!;
}
const lead = await signIn();
const text = async (path: string): Promise<string> =>
  (await fetch(address + path, { headers: { cookie: lead } })).text();
const ids = (html: string, pattern: RegExp): string[] => [...new Set([...html.matchAll(pattern)].map(([, id]) => id!))];

/** The season has as many workshops as asked, so that a page that grows with them is seen to. */
async function makeWorkshops(): Promise<string[]> {
  const there = ids(await text('/season'), /workshops\/([0-9a-f-]{36})\/plan/g);
  const siteId = ids(await text('/sites'), /sites\/([0-9a-f-]{36})/g)[0]!;
  for (let i = there.length; i < workshops; i++) {
    const id = uuid();
    const answer = await fetch(`${address}/api/workshops/${id}`, {
      method: 'PUT',
      headers: { cookie: lead, 'Content-Type': 'application/json' },
      body: JSON.stringify({
        title: `Bench day ${i}`,
        date: new Date(Date.now() + (i - 7) * 12 * 86_400_000).toISOString().slice(0, 10),
        siteId,
        method: 'whip-and-tongue',
        promisedKeepers: 2,
        promise: '',
      }),
    });
    if (!answer.ok) throw new Error(`A workshop could not be made: ${answer.status} ${await answer.text()}`);
    there.push(id);
  }
  return there;
}
const all = await makeWorkshops();
// The one that was scored has most to show.
const sizes = await Promise.all(
  all.map(async (id) => ({
    id,
    unions: (
      (await (await fetch(`${address}/api/workshops/${id}/bench`, { headers: { cookie: lead } })).json()) as {
        unions: unknown[];
      }
    ).unions.length,
  })),
);
const past = sizes.sort((a, b) => b.unions - a.unions)[0]!.id;
const [lot] = ids(await text('/wood'), /wood\/([0-9a-f-]{36})/g);
const [site] = ids(await text('/sites'), /sites\/([0-9a-f-]{36})/g);
const WORKSHOP_PAGES = [
  'plan',
  'plan/benches',
  'plan/quantities',
  'plan/pairs',
  'plan/roster',
  'plan/ready',
  'plan/season',
  'plan/wood',
  'plan/dates',
  'teach',
  'teach/briefing',
  'score',
  'score/readiness',
  'score/agreement',
  'score/cards',
  'score/settings',
  'score/rubric',
  'aftercare',
  'follow-up',
  'findings',
];
const pages = [
  '/season',
  '/week',
  '/visits',
  '/club',
  '/outbox',
  '/wood',
  `/wood/${lot}`,
  '/sites',
  `/sites/${site}`,
  '/methods',
  '/methods/choose',
  '/methods/chip',
  '/topworking',
  '/workshops/new',
  ...WORKSHOP_PAGES.map((page) => `/workshops/${past}/${page}`),
  `/wall/${past}`,
  `/screen/${past}`,
];

const times = new Map<string, number[]>();
const refused: string[] = [];
const end = Date.now() + seconds * 1000;

async function person(nth: number): Promise<void> {
  const cookie = await signIn();
  // Not everybody at the same page at the same moment.
  await new Promise((resolve) => setTimeout(resolve, (nth / people) * THOUGHT));
  for (let i = nth * 7; Date.now() < end; i++) {
    const page = pages[i % pages.length]!;
    const began = performance.now();
    try {
      const answer = await fetch(address + page, { headers: { cookie }, redirect: 'manual' });
      const html = await answer.text();
      if (answer.status !== 200 || !html.includes('</html>') || !/<h1|id="main"|<main/.test(html))
        refused.push(`${answer.status} ${page}`);
    } catch (error) {
      refused.push(`${(error as Error).message} ${page}`);
    }
    const name = page.replace(/[0-9a-f-]{36}/, '…');
    times.set(name, [...(times.get(name) ?? []), performance.now() - began]);
    await new Promise((resolve) => setTimeout(resolve, THOUGHT));
  }
}
await Promise.all(Array.from({ length: people }, (_, nth) => person(nth)));

const at = (list: number[], share: number): number =>
  [...list].sort((a, b) => a - b)[Math.min(list.length - 1, Math.floor(share * list.length))]!;
for (const [page, list] of [...times].sort((a, b) => at(b[1], 0.95) - at(a[1], 0.95)))
  console.log(
    `${page.padEnd(40)} ${String(list.length).padStart(5)} looks, p50 ${at(list, 0.5).toFixed(0).padStart(6)} ms, p95 ${at(list, 0.95).toFixed(0).padStart(6)} ms`,
  );
const every = [...times.values()].flat();
console.log(
  `${people} people, ${all.length} workshops, ${every.length} pages in ${seconds} s: p50 ${at(every, 0.5).toFixed(0)} ms, p95 ${at(every, 0.95).toFixed(0)} ms, ${refused.length} refused${refused.length > 0 ? `, such as ${refused.slice(0, 5).join('; ')}` : ''}`,
);
process.exit(refused.length > 0 ? 1 : 0);
