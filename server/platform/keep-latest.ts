import { LRUCache } from 'lru-cache';

/** Large results, the latest few of them, made once for all who ask for the same at a time. */
export interface KeptLatest<Result> {
  /** What is kept under a key, or is being made; made when there is none. What failed is made anew. */
  get: (from: unknown, make: () => Promise<Result>) => Promise<Result>;
  /** What is kept under a key, or is being made; null when nobody asked for it. */
  peek: (from: unknown) => Promise<Result> | null;
}

/**
 * Keeps results that are too large for `kept`.
 *
 * @param max how many at most.
 */
export function keepLatest<Result>(max: number): KeptLatest<Result> {
  const results = new LRUCache<string, Promise<Result>>({ max });
  return {
    get: (from, make) => {
      const key = JSON.stringify(from);
      const known = results.get(key);
      if (known) return known;
      const making = make();
      results.set(key, making);
      making.catch(() => results.delete(key));
      return making;
    },
    peek: (from) => results.get(JSON.stringify(from)) ?? null,
  };
}
