import { LRUCache } from 'lru-cache';
import { QueryTypes } from 'sequelize';
import type { Database } from './database';
import { STAMPED_TABLES } from './stamped-tables';

/** Stamps of a club's tables, by table. One that was never written has none. */
export type Stamps = Readonly<Record<string, string>>;

const READS = new Set<PropertyKey>(['findAll', 'findOne', 'count', 'max', 'min', 'sum']);
const WRITES = new Set<PropertyKey>(['create', 'bulkCreate', 'update', 'upsert', 'destroy']);
const STAMPED = new Set<string>(STAMPED_TABLES);

/** What was read of stamped tables, under the stamps it was read at, as long as there is room. */
const kept = new LRUCache<string, Promise<unknown>>({ max: 20_000, maxSize: 64_000_000, sizeCalculation: () => 1000 });

type Options = { transaction?: unknown; type?: unknown } | undefined;

/**
 * A database for one look at a page: the same question is asked once, and not at all while the tables
 * it is about bear the stamps they bore when it was last answered. A write ends the remembering.
 *
 * @param clubId whose rows are read.
 * @param stamps the tables' stamps when the look began; null where the server keeps none.
 */
export function rememberingDatabase(db: Database, clubId: string, stamps: Stamps | null): Database {
  const asked = new Map<string, Promise<unknown>>();
  let written = false;

  const once = (tables: string[], question: string, ask: () => Promise<unknown>): Promise<unknown> => {
    const known = asked.get(question);
    if (known) return known.then(copied);
    // What asks no table, such as the time, is another thing at every look.
    const lasting = stamps !== null && tables.length > 0 && tables.every((table) => STAMPED.has(table));
    const key = lasting ? `${clubId} ${question} ${tables.map((table) => stamps[table] ?? 'never').join(' ')}` : null;
    const answer = (key !== null ? kept.get(key) : undefined) ?? ask().then(frozen);
    asked.set(question, answer);
    if (key !== null) {
      kept.set(key, answer, { size: 1000 });
      answer.then(
        (value) => kept.set(key, answer, { size: sizeOf(value) }),
        () => kept.delete(key),
      );
    }
    return answer.then(copied);
  };

  const model = (table: object & { tableName?: string }): unknown =>
    new Proxy(table, {
      get(target, property) {
        const value: unknown = Reflect.get(target, property);
        if (typeof value !== 'function') return value;
        if (WRITES.has(property)) written = true;
        if (!READS.has(property)) return value.bind(target) as unknown;
        return (...args: unknown[]) => {
          const ask = (): Promise<unknown> => (value as (...passed: unknown[]) => Promise<unknown>).apply(target, args);
          const options = args.at(-1) as Options;
          return written || options?.transaction
            ? ask()
            : once([target.tableName!], `${target.tableName} ${String(property)} ${spelled(args)}`, ask);
        };
      },
    });
  const sequelize = new Proxy(db.sequelize, {
    get(target, property) {
      const value: unknown = Reflect.get(target, property);
      if (property === 'transaction') written = true;
      if (property !== 'query') return typeof value === 'function' ? (value.bind(target) as unknown) : value;
      return (sql: string, options?: Options) => {
        const ask = (): Promise<unknown> => target.query(sql, options as never) as Promise<unknown>;
        if (options?.type !== QueryTypes.SELECT) written = true;
        return written || options?.transaction ? ask() : once(tablesIn(sql), `query ${sql} ${spelled([options])}`, ask);
      };
    },
  });
  const entries = Object.entries(db).map(([name, value]) => [
    name,
    name === 'sequelize' ? sequelize : model(value as object),
  ]);
  return Object.fromEntries(entries) as Database;
}

/** Arguments spelled out, symbols of operators too: what is not the same is spelled otherwise. */
function spelled(value: unknown): string {
  if (typeof value === 'string') return JSON.stringify(value);
  if (typeof value !== 'object' || value === null) return String(value);
  if (Array.isArray(value)) return `[${value.map(spelled).join(',')}]`;
  if (value instanceof Date) return `date ${value.getTime()}`;
  const parts = Reflect.ownKeys(value).map(
    (key) =>
      `${typeof key === 'string' ? JSON.stringify(key) : String(key)}:${spelled((value as Record<PropertyKey, unknown>)[key])}`,
  );
  // Buffers and the pieces of SQL that the mapper makes are told apart from plain objects by their class.
  return `${value.constructor === Object ? '' : (value.constructor?.name ?? '')}{${parts.join(',')}}`;
}

function tablesIn(sql: string): string[] {
  return [...sql.matchAll(/\b(?:FROM|JOIN)\s+`?([a-z_]+)`?/gi)].map(([, table]) => table!.toLowerCase());
}

/** A list of its own for each who asked, so that sorting one sorts no other; its rows are shared and never change. */
function copied(answer: unknown): unknown {
  return Array.isArray(answer) ? [...(answer as unknown[])] : answer;
}

function frozen<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Buffer.isBuffer(value) || Object.isFrozen(value)) return value;
  for (const part of Object.values(value)) frozen(part);
  return Object.freeze(value);
}

/** About how much room an answer takes, bytes. */
function sizeOf(value: unknown): number {
  return Math.max(1000, 2 * (JSON.stringify(value)?.length ?? 0));
}
