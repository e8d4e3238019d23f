import { loadMethod } from '@/core/methods/load-method';
import type { LoadedMethods } from './bench-data';

/** What was asked for before, so that the same methods are the same promise. */
const asked = new Map<string, Promise<LoadedMethods>>();

/** The methods of a bench, loaded without the others; in the order they are named. */
export function loadMethods(ids: readonly string[]): Promise<LoadedMethods> {
  const key = ids.join(' ');
  const known = asked.get(key);
  if (known) return known;
  const loading = Promise.all(ids.map(async (id) => [id, await loadMethod(id)] as const)).then(
    (methods) => new Map(methods),
  );
  asked.set(key, loading);
  // A part that did not arrive is asked for again.
  loading.catch(() => asked.delete(key));
  return loading;
}
