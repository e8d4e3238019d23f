import { boundedCache, cacheKey } from '@/db/bounded-cache';
import { processWide } from '@/db/process-wide';
import type { MODELS } from '@/server/jobs/fit-models';
import { JobTooLong, runJob } from '@/server/jobs/run-job';

type Models = typeof MODELS;

/** A model: done, being reckoned, or refused in a sentence. `id` is that of the facts it was asked of. */
export type Reckoned<Result> =
  | { id: string; state: 'done'; result: Result }
  | { id: string; state: 'reckoning'; share: number }
  | { id: string; state: 'refused'; words: string };

/** A model that takes longer is given up, ms. */
const PATIENCE = 120_000;

const results = boundedCache<Reckoned<unknown>>('models', 8_000_000);
/** Models that are being fitted, and how far they are. */
const waiting = processWide(
  'models being fitted',
  () => new Map<string, { share: number; found: Promise<Reckoned<unknown>> }>(),
);

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
  const asked = { share: 0, found: fit(id, kind, from) };
  waiting.set(id, asked);
  return { id, state: 'reckoning', share: 0 };
}

async function fit<Kind extends keyof Models>(
  id: string,
  kind: Kind,
  from: Parameters<Models[Kind]>[0],
): Promise<Reckoned<unknown>> {
  let found: Reckoned<unknown>;
  try {
    const result = await runJob(`fit ${kind}`, [from] as never, {
      limit: PATIENCE,
      tell: (share) => {
        const asked = waiting.get(id);
        if (asked) asked.share = share;
      },
    });
    found = { id, state: 'done', result };
    results.set(id, found);
  } catch (error) {
    if (error instanceof RangeError) {
      found = { id, state: 'refused', words: error.message };
      results.set(id, found);
    } else {
      // It may go better another time, so nothing is kept.
      if (!(error instanceof JobTooLong)) console.error('A model could not be fitted:', error);
      found = {
        id,
        state: 'refused',
        words:
          error instanceof JobTooLong
            ? 'This takes too long to calculate. Choose fewer unions.'
            : 'This could not be calculated. Try again later.',
      };
    }
  }
  waiting.delete(id);
  return found;
}

/** The same, waited for: for what is printed. */
export function reckonedWhole<Kind extends keyof Models>(
  kind: Kind,
  from: Parameters<Models[Kind]>[0],
): Promise<Reckoned<ReturnType<Models[Kind]>>> {
  const found = reckoned(kind, from);
  if (found.state !== 'reckoning') return Promise.resolve(found);
  return waiting.get(found.id)!.found as Promise<Reckoned<ReturnType<Models[Kind]>>>;
}

/** How a model is asked for: what there is at once, or waited for. */
export type Ask = typeof reckoned | typeof reckonedWhole;
