import { createHash } from 'node:crypto';
import { LRUCache } from 'lru-cache';

const results = new LRUCache<string, { value: unknown }>({ max: 3000 });

/**
 * A result that is dear to reckon, kept with the hash of what it was made from: whoever asks with the
 * same gets it again, on whichever page, and nothing ever has to be forgotten.
 *
 * @param kind what is reckoned; its version too, when that changes while servers run.
 * @param from all it is made from, as plain data.
 */
export function kept<From, Result>(kind: string, from: From, make: (from: From) => Result): Result {
  const key = createHash('sha1').update(kind).update(JSON.stringify(from)).digest('base64');
  const known = results.get(key);
  if (known) return known.value as Result;
  const value = make(from);
  results.set(key, { value });
  return value;
}
