import { createHash } from 'node:crypto';
import { serialize } from 'node:v8';
import { LRUCache } from 'lru-cache';
import { processWide } from './process-wide';

/** What is kept in memory for later, with a bound in bytes; the least recently used goes first. */
export interface BoundedCache<Value> {
  get: (key: string) => Value | undefined;
  /** Keeps a value; without `bytes` it is measured. One larger than the whole cache is not kept. */
  set: (key: string, value: Value, bytes?: number) => void;
  delete: (key: string) => void;
}

/** What an entry takes besides its value: its key and its place in the list. */
const ENTRY = 300;

const caches = (): Map<string, LRUCache<string, { value: unknown }>> => processWide('caches', () => new Map());

/**
 * A cache of this process: asked for twice by one name it is the same. Keys are made by {@link cacheKey}, so that no two kinds of thing share one.
 *
 * @param name of what is kept, for the list of {@link cacheSizes}.
 * @param bytes about how much memory it may take.
 */
export function boundedCache<Value>(name: string, bytes: number): BoundedCache<Value> {
  const all = caches();
  const entries =
    all.get(name) ??
    new LRUCache<string, { value: unknown }>({ maxSize: bytes, sizeCalculation: ({ value }) => sizeOf(value) });
  all.set(name, entries);
  return {
    get: (key) => entries.get(key)?.value as Value | undefined,
    set: (key, value, size) => entries.set(key, { value }, size === undefined ? {} : { size: size + ENTRY }),
    delete: (key) => entries.delete(key),
  };
}

/** Bytes that each cache of this process holds, about. */
export function cacheSizes(): Record<string, number> {
  return Object.fromEntries([...caches()].map(([name, entries]) => [name, entries.calculatedSize]));
}

/** The key of something made from plain data: its kind, and all it is made from. */
export function cacheKey(kind: string, from: unknown): string {
  return createHash('sha1')
    .update(kind)
    .update('\0')
    .update(JSON.stringify(from) ?? '')
    .digest('base64url');
}

/** About how much memory a value takes, bytes: what it takes written out. */
export function sizeOf(value: unknown): number {
  try {
    return serialize(value).length + ENTRY;
  } catch {
    // It holds functions, which cannot be written out; its data is counted.
    return 2 * (JSON.stringify(value)?.length ?? 0) + ENTRY;
  }
}

/** Arguments spelled out, symbols of operators too: what is not the same is spelled otherwise. */
export function spelled(value: unknown): string {
  if (typeof value === 'string') return JSON.stringify(value);
  if (typeof value !== 'object' || value === null) return String(value);
  if (Array.isArray(value)) return `[${value.map(spelled).join(',')}]`;
  if (value instanceof Date) return `date ${value.getTime()}`;
  if (value instanceof Map || value instanceof Set) return `${value.constructor.name}${spelled([...value])}`;
  const parts = Reflect.ownKeys(value).map(
    (key) =>
      `${typeof key === 'string' ? JSON.stringify(key) : String(key)}:${spelled((value as Record<PropertyKey, unknown>)[key])}`,
  );
  // Buffers and the pieces of SQL that the mapper makes are told apart from plain objects by their class.
  return `${value.constructor === Object ? '' : (value.constructor?.name ?? '')}{${parts.join(',')}}`;
}
