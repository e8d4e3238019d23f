import type { ChildProcess } from 'node:child_process';
import { writeFileSync } from 'node:fs';
import { LEAD } from '@/demo/scenario';
import type { World } from '@/e2e/setup/world';
import { demoPages } from './demo-pages';
import { monthOfMinutes } from './month-of-minutes';
import { get, signIn } from './signed-in';

/*
 * Asks for everything that takes long, papers, drawings, models and large files, and looks how long the server's own
 * thread answered nobody meanwhile.
 */

/** A pause others notice, ms: a timer that is due comes later than this. It has room for a machine that is busy with something else. */
const LONGEST = 500;
/** Tries of each: something else on the machine may have held the thread at one of them. */
const TRIES = 3;
const REPORT = '.check/pauses.json';

interface Work {
  name: string;
  path: string;
  body?: FormData;
}

/** Work that a thread of the pool does, each made so that nothing of it is remembered. */
function workOf(workshop: string, place: string): Work[] {
  const fresh = (): string => String(9 + Math.random() * 4).slice(0, 6);
  const pair = (): string => `stock=${fresh()}&scion=8`;
  return [
    { name: 'handout', path: `/api/methods/cleft/handout?stock=30&scion=${String(8 + Math.random()).slice(0, 5)}` },
    { name: 'templates', path: `/api/methods/whip-and-tongue/template?${pair()}&format=pdf` },
    { name: 'a step to turn', path: `/api/methods/chip/bodies/chip?${pair()}` },
    { name: 'poster', path: '/api/findings/report/poster.pdf' },
    { name: 'report on paper', path: '/api/findings/report/report.pdf' },
    { name: 'letters to growers', path: '/api/findings/report/letters.pdf' },
    { name: 'cards', path: `/api/workshops/${workshop}/cards?paper=A4` },
    { name: 'score sheet', path: `/api/workshops/${workshop}/score-sheet?paper=A4` },
    { name: 'kit', path: `/api/workshops/${workshop}/plan/kit?paper=A4` },
    { name: 'a month of minute readings', path: `/api/places/${place}/logs`, body: monthOfMinutes() },
  ];
}

/** Longest pause since it was last asked, ms. */
function longestPause(server: ChildProcess): Promise<number> {
  return new Promise((resolve) => {
    server.once('message', ({ longestPause: ms }: { longestPause: number }) => resolve(ms));
    server.send('longest pause');
  });
}

/** Measures and reports; what pauses longer than it may is named. */
export async function checkPauses({ url, password }: World, server: ChildProcess): Promise<void> {
  const cookie = await signIn(url, LEAD.email, password);
  const text = async (path: string): Promise<string> => (await get(url, path, cookie)).text;
  const pages = await demoPages(text);
  const plan = pages.find(({ name }) => name === '/workshops/[workshop]/plan')!;
  const [, workshop] = /workshops\/([0-9a-f-]{36})\//.exec(plan.path)!;
  const [, place] = /\/places\/([0-9a-f-]{36})"[^>]*>[^<]*Warm box/.exec(await text('/places')) ?? [];
  const found = new Map<string, number>();
  // One kind of work after the other: an upload changes what the report is made from.
  const kinds = workOf(workshop!, place ?? '').length;
  for (let kind = 0; kind < kinds; kind++)
    for (let i = 0; i <= TRIES; i++) {
      const { name, path, body } = workOf(workshop!, place ?? '')[kind]!;
      await longestPause(server);
      const answer = await fetch(url + path, {
        headers: { cookie, origin: url },
        ...(body === undefined ? {} : { method: 'POST', body }),
      });
      await answer.arrayBuffer();
      // A machine that wakes a thread late says so a moment later.
      await new Promise((resolve) => setTimeout(resolve, 20));
      const pause = await longestPause(server);
      if (answer.status >= 400) throw new Error(`${name} answers ${answer.status}.`);
      // The first look reads and compiles what all others find ready.
      if (i > 0) found.set(name, Math.min(found.get(name) ?? Infinity, pause));
    }
  const long = [...found].filter(([, pause]) => pause > LONGEST);
  for (const [name, pause] of found) console.log(`${name}: the server paused for ${pause.toFixed(0)} ms.`);
  writeFileSync(REPORT, JSON.stringify({ numPassedTests: found.size - long.length, numFailedTests: long.length }));
}
