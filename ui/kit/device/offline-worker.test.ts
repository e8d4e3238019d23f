import { readFileSync } from 'node:fs';
import { runInNewContext } from 'node:vm';
import { beforeEach, describe, expect, it } from 'vitest';

/* Runs public/offline.js itself, with a network and a keep that stand in for the browser's. */

const ORIGIN = 'https://bench.example';
const BENCH = `${ORIGIN}/workshops/w1/score`;
const chunk = (name: string): string => `${ORIGIN}/_next/static/chunks/${name}.js`;
const html = (...scripts: string[]): string =>
  `<!doctype html><script nonce="n" src="/_next/static/chunks/${scripts.join('.js"></script><script src="/_next/static/chunks/')}.js" async=""></script>`;

type Answer = string | number | 'never' | { redirected: string };
type Listener = (event: Record<string, unknown>) => void;

/** A keep with the part of the Cache interface that the worker uses. */
class Keep {
  readonly entries = new Map<string, Response>();
  async match(request: string | { url: string }, { ignoreSearch = false } = {}): Promise<Response | undefined> {
    const url = typeof request === 'string' ? request : request.url;
    const bare = (address: string): string => (ignoreSearch ? address.split('?')[0]! : address);
    return [...this.entries].find(([key]) => bare(key) === bare(url))?.[1].clone();
  }
  async put(request: string | { url: string }, response: Response): Promise<void> {
    this.entries.set(typeof request === 'string' ? request : request.url, response);
  }
  async keys(): Promise<{ url: string }[]> {
    return [...this.entries.keys()].map((url) => ({ url }));
  }
  async delete({ url }: { url: string }): Promise<boolean> {
    return this.entries.delete(url);
  }
}

let network: Map<string, Answer>;
let asked: string[];
let keeps: Map<string, Keep>;
let listeners: Map<string, Listener>;

beforeEach(() => {
  network = new Map();
  asked = [];
  keeps = new Map();
  listeners = new Map();
  const fetched = async (request: string | { url: string }): Promise<Response> => {
    const url = typeof request === 'string' ? request : request.url;
    asked.push(url);
    const answer = network.get(url);
    if (answer === undefined) throw new TypeError('Failed to fetch');
    if (answer === 'never') return new Promise(() => undefined);
    if (typeof answer === 'object')
      return Object.defineProperty(new Response(answer.redirected), 'redirected', { value: true });
    return typeof answer === 'number' ? new Response('trouble', { status: answer }) : new Response(answer);
  };
  const caches = {
    open: async (name: string) => keeps.get(name) ?? keeps.set(name, new Keep()).get(name)!,
    match: async (request: string | { url: string }, options?: { ignoreSearch?: boolean }) => {
      for (const keep of keeps.values()) {
        const found = await keep.match(request, options);
        if (found) return found;
      }
      return undefined;
    },
  };
  const self = {
    location: { origin: ORIGIN },
    addEventListener: (kind: string, listener: Listener) => listeners.set(kind, listener),
    skipWaiting: () => undefined,
    clients: { claim: async () => undefined },
  };
  // Patience is a hundredth of what it is, so that the test does not wait for it.
  runInNewContext(readFileSync('public/offline.js', 'utf8'), {
    self,
    caches,
    fetch: fetched,
    Response,
    URL,
    setTimeout: (work: () => void, ms: number) => setTimeout(work, ms / 100),
  });
});

/** Asks the worker to keep a page that runs with these scripts; returns what it told the page. */
async function keep(page: string, ...used: string[]): Promise<unknown[]> {
  const told: unknown[] = [];
  let done: Promise<unknown> = Promise.resolve();
  listeners.get('message')!({
    data: { keep: page, used: used.map(chunk) },
    waitUntil: (work: Promise<unknown>) => {
      done = work;
    },
    source: { postMessage: (message: unknown) => told.push(message) },
  });
  await done;
  return told;
}

/** What the worker answers a request with; null where it leaves the request to the browser. */
async function answerTo(url: string, init: { method?: string; mode?: string } = {}): Promise<Response | null> {
  let answer: Promise<Response> | null = null;
  listeners.get('fetch')!({
    request: { url, method: 'GET', mode: 'navigate', ...init },
    respondWith: (response: Promise<Response>) => {
      answer = response;
    },
  });
  return answer;
}
const kept = (): string[] =>
  [...keeps.values()]
    .flatMap(({ entries }) => [...entries.keys()])
    .filter((url) => !url.includes('/kept-parts'))
    .map((url) => url.replace(ORIGIN, ''))
    .sort();

describe('the offline worker keeps', () => {
  it('a page with all its parts, whichever seat is open, and says so', async () => {
    network.set(BENCH, html('main', 'bench'));
    for (const name of ['main', 'bench', 'whip']) network.set(chunk(name), name);
    expect(await keep(`${BENCH}?seat=4`, 'main', 'bench', 'whip')).toEqual([{ kept: `${BENCH}?seat=4` }]);
    expect(kept()).toEqual([
      '/_next/static/chunks/bench.js',
      '/_next/static/chunks/main.js',
      '/_next/static/chunks/whip.js',
      '/workshops/w1/score',
    ]);
    network.clear();
    expect(await (await answerTo(`${BENCH}?seat=9`))!.text()).toContain('bench.js');
    expect(await (await answerTo(chunk('whip'), { mode: 'cors' }))!.text()).toBe('whip');
  });
  it('nothing of a page one of whose parts cannot be had', async () => {
    network.set(BENCH, html('main'));
    network.set(chunk('main'), 404);
    expect(await keep(BENCH, 'main')).toEqual([]);
    expect(kept()).toEqual([]);
  });
  it('the old page when the server has a newer build than the page that asks, and the new one when that is opened', async () => {
    network.set(BENCH, html('main-1'));
    network.set(chunk('main-1'), 'first');
    await keep(BENCH, 'main-1');
    // A new build is deployed; its server knows the old parts no more.
    network = network.set(BENCH, html('main-2')).set(chunk('main-2'), 'second');
    network.delete(chunk('main-1'));
    expect(await keep(BENCH, 'main-1')).toEqual([{ kept: BENCH }]);
    expect(kept()).toEqual(['/_next/static/chunks/main-1.js', '/workshops/w1/score']);
    await keep(BENCH, 'main-2');
    expect(kept()).toEqual(['/_next/static/chunks/main-2.js', '/workshops/w1/score']);
  });
  it('parts of an earlier build as long as another page is made of them', async () => {
    const other = `${ORIGIN}/workshops/w2/score`;
    for (const page of [BENCH, other]) network.set(page, html('main-1'));
    network.set(chunk('main-1'), 'first').set(chunk('main-2'), 'second');
    await keep(BENCH, 'main-1');
    await keep(other, 'main-1');
    network.set(BENCH, html('main-2'));
    await keep(BENCH, 'main-2');
    expect(kept()).toContain('/_next/static/chunks/main-1.js');
    network.set(other, html('main-2'));
    await keep(other, 'main-2');
    expect(kept()).toEqual(['/_next/static/chunks/main-2.js', '/workshops/w1/score', '/workshops/w2/score']);
  });
  it('no page that led elsewhere: a sign-in page is no bench', async () => {
    network.set(BENCH, { redirected: html('main') });
    network.set(chunk('main'), 'main');
    expect(await keep(BENCH, 'main')).toEqual([]);
    expect(kept()).toEqual([]);
  });
});

describe('the offline worker answers', () => {
  const keptBench = async (): Promise<void> => {
    network.set(BENCH, `kept ${html('main')}`).set(chunk('main'), 'main');
    await keep(BENCH, 'main');
  };
  it('from the network while there is one', async () => {
    await keptBench();
    network.set(`${BENCH}?seat=2`, 'fresh');
    expect(await (await answerTo(`${BENCH}?seat=2`))!.text()).toBe('fresh');
  });
  it('from the keep when there is none, when it only seems to be there, and when its database is away', async () => {
    await keptBench();
    for (const answer of ['never', 503] as const) {
      network.set(BENCH, answer);
      expect(await (await answerTo(BENCH))!.text()).toMatch(/^kept/);
    }
    network.clear();
    expect(await (await answerTo(BENCH))!.text()).toMatch(/^kept/);
  });
  it('with a word on what to do where nothing was kept', async () => {
    const nothing = (await answerTo(BENCH))!;
    expect(nothing.status).toBe(503);
    expect(await nothing.text()).toContain('this page was not opened on this device before');
    expect(await (await answerTo(`${ORIGIN}/cards/whip-and-tongue`))!.text()).toContain('this card was not opened');
  });
  it('with the same card in other choices rather than with nothing', async () => {
    const card = `${ORIGIN}/cards/splice?stock=9`;
    network.set(card, html('card')).set(chunk('card'), 'card');
    await keep(card, 'card');
    network.clear();
    expect(await (await answerTo(`${ORIGIN}/cards/splice?stock=12`))!.text()).toContain('card.js');
  });
  it('nothing else: no call, no other page, nothing sent, nothing of another origin', async () => {
    await keptBench();
    for (const [url, init] of [
      [`${ORIGIN}/api/workshops/w1/bench`, { mode: 'cors' }],
      [`${ORIGIN}/season`, {}],
      [`${BENCH}/readiness`, {}],
      [BENCH, { method: 'POST' }],
      [BENCH, { mode: 'cors' }],
      ['https://elsewhere.example/workshops/w1/score', {}],
    ] as const)
      expect(await answerTo(url, init), url).toBeNull();
    expect(asked.filter((url) => url.includes('/api/'))).toEqual([]);
  });
});
