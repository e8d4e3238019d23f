import { boundedCache, cacheKey } from '@/db/bounded-cache';

const results = boundedCache<{ value: unknown }>('results', 16_000_000);

/**
 * A result that takes long to work out, kept under the hash of what it was made from: the same question gets it again
 * on any page, and nothing ever has to be cleared.
 *
 * @param kind what is worked out; its version too, when that changes while servers run.
 * @param from all it is made from, as plain data.
 */
export function kept<From, Result>(kind: string, from: From, make: (from: From) => Result): Result {
  const key = cacheKey(kind, from);
  const known = results.get(key);
  if (known) return known.value as Result;
  const value = make(from);
  results.set(key, { value });
  return value;
}
