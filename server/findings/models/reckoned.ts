import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import { boundedCache, cacheKey } from '@/db/bounded-cache';
import type { MODELS } from './model-thread';

type Models = typeof MODELS;

/** A model: done, being reckoned, or refused in a sentence. `id` is that of the facts it was asked of. */
export type Reckoned<Result> =
  | { id: string; state: 'done'; result: Result }
  | { id: string; state: 'reckoning'; share: number }
  | { id: string; state: 'refused'; words: string };

/** A model that takes longer is given up, ms. */
const PATIENCE = 120_000;

const results = boundedCache<Reckoned<unknown>>('models', 8_000_000);
const waiting = new Map<
  string,
  { share: number; timer: NodeJS.Timeout; done: ((found: Reckoned<unknown>) => void)[] }
>();
let thread: Worker | null = null;

/**
 * A model of some facts: kept under the id of its facts, else reckoned in a thread of its own, one after the other. The
 * same facts asked for twice are reckoned once.
 */
export function reckoned<Kind extends keyof Models>(
  kind: Kind,
  from: Parameters<Models[Kind]>[0],
): Reckoned<ReturnType<Models[Kind]>> {
  const id = cacheKey(kind, from);
  type Found = Reckoned<ReturnType<Models[Kind]>>;
  const known = results.get(id);
  if (known) return known as Found;
  const running = waiting.get(id);
  if (running) return { id, state: 'reckoning', share: running.share };
  const timer = setTimeout(() => end(new Error('A model took too long.')), PATIENCE);
  waiting.set(id, { share: 0, timer, done: [] });
  started().postMessage({ id, kind, from });
  return { id, state: 'reckoning', share: 0 };
}

/** The same, waited for: for what is printed. */
export function reckonedWhole<Kind extends keyof Models>(
  kind: Kind,
  from: Parameters<Models[Kind]>[0],
): Promise<Reckoned<ReturnType<Models[Kind]>>> {
  const found = reckoned(kind, from);
  if (found.state !== 'reckoning') return Promise.resolve(found);
  return new Promise((resolve) => {
    waiting.get(found.id)!.done.push(resolve as (found: Reckoned<unknown>) => void);
  });
}

/** How a model is asked for: what there is at once, or waited for. */
export type Ask = typeof reckoned | typeof reckonedWhole;

function started(): Worker {
  if (thread) return thread;
  // A file of its own and no part of the build: it runs as the rest of the server does.
  thread = new Worker(
    join(/* turbopackIgnore: true */ process.cwd(), 'server', 'findings', 'models', 'model-thread-start.mjs'),
    { execArgv: [] },
  );
  thread.unref();
  thread.on('message', (news: { id: string; share?: number; result?: unknown; refused?: string; fault?: string }) => {
    const { id } = news;
    const asked = waiting.get(id);
    if (!asked) return;
    if (news.share !== undefined) {
      asked.share = news.share;
      return;
    }
    if (news.fault !== undefined) console.error('A model could not be reckoned:', news.fault);
    settle(
      id,
      'result' in news
        ? { id, state: 'done', result: news.result }
        : { id, state: 'refused', words: news.refused ?? 'This could not be reckoned.' },
    );
  });
  thread.once('error', end);
  return thread;
}

function settle(id: string, found: Reckoned<unknown>): void {
  const asked = waiting.get(id)!;
  clearTimeout(asked.timer);
  waiting.delete(id);
  results.set(id, found);
  for (const done of asked.done) done(found);
}

/** Ends the thread and all that waits for it; what is asked next starts another. */
function end(error: Error): void {
  console.error(error);
  const ended = thread;
  thread = null;
  for (const id of [...waiting.keys()]) {
    settle(id, { id, state: 'refused', words: 'This takes too long to reckon. Choose fewer unions.' });
    // It may go better another time.
    results.delete(id);
  }
  void ended?.terminate();
}
