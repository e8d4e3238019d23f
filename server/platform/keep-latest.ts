import { boundedCache, cacheKey, sizeOf } from '@/db/bounded-cache';

/** Large results, the latest few of them, made once for all who ask for the same at a time. */
export interface KeptLatest<Result> {
  /** What is kept under a key, or is being made; made when there is none. What failed is made anew. */
  get: (from: unknown, make: () => Promise<Result>) => Promise<Result>;
  /** What is kept under a key, or is being made; null when nobody asked for it. */
  peek: (from: unknown) => Promise<Result> | null;
}

/** Counted for a result that is being made, bytes. */
const UNKNOWN = 1000;

/**
 * Keeps results that are too large for `kept`.
 *
 * @param name of what is kept.
 * @param bytes about how much memory they may take.
 */
export function keepLatest<Result>(name: string, bytes: number): KeptLatest<Result> {
  const results = boundedCache<Promise<Result>>(name, bytes);
  return {
    get: (from, make) => {
      const key = cacheKey(name, from);
      const known = results.get(key);
      if (known) return known;
      const making = make();
      results.set(key, making, UNKNOWN);
      making.then(
        (result) => results.set(key, making, sizeOf(result)),
        () => results.delete(key),
      );
      return making;
    },
    peek: (from) => results.get(cacheKey(name, from)) ?? null,
  };
}
