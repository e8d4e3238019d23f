import { QueryTypes } from 'sequelize';
import { boundedCache, cacheKey, sizeOf, spelled } from './bounded-cache';
import type { Database } from './database';
import { STAMPED_TABLES } from './stamped-tables';
import { LOGGED_TABLES } from './table-changes';

/** Stamps of a club's tables, by table. One that was never written has none. */
export type Stamps = Readonly<Record<string, string>>;

const READS = new Set<PropertyKey>(['findAll', 'findOne', 'count', 'max', 'min', 'sum']);
const WRITES = new Set<PropertyKey>(['create', 'bulkCreate', 'update', 'upsert', 'destroy']);
const STAMPED = new Set<string>([...STAMPED_TABLES, ...LOGGED_TABLES]);

/** What was read, under the stamps it was read at. */
const rows = boundedCache<Promise<unknown>>('rows', 32_000_000);

type Options = { transaction?: unknown; type?: unknown } | undefined;

/** Counted for an answer that is not there yet, bytes. */
const UNKNOWN = 1000;

/** Tables that leave a stamp at each change. */
export const isStamped = (table: string): boolean => STAMPED.has(table);

/** The stamps of some tables, spelled out. */
export function stampsOf(stamps: Stamps, tables: Iterable<string>): string {
  return [...tables].map((table) => stamps[table] ?? 'never').join(' ');
}

/** One look at a page or a table of data. */
export interface Look {
  /** Stamps of the club's tables when it began; null where the server keeps none. */
  stamps: Stamps | null;
  /** True once something was written: from then on everything is read again. */
  written: () => boolean;
  /** The database as it looks from here; what it reads is told to `note` as well. */
  database: (note?: (tables: readonly string[]) => void) => Database;
  /** Told of the tables that are read, where something is being worked out from them (server/club/remembered.ts). */
  note?: (tables: readonly string[]) => void;
}

/**
 * Begins a look: the same question is asked of the database once, and not at all while the tables it is about
 * bear the stamps they bore when it was last answered. A context that reads this way says so by `looking`
 * (server/platform/context.ts).
 *
 * @param clubId whose rows are read.
 * @param stamps the tables' stamps when the look begins; null where the server keeps none.
 */
export function beginLook(db: Database, clubId: string, stamps: Stamps | null): Look {
  const asked = new Map<string, Promise<unknown>>();
  let written = false;

  const once = (tables: string[], question: string, ask: () => Promise<unknown>): Promise<unknown> => {
    const known = asked.get(question);
    if (known) return known.then(copied);
    // What asks no table, such as the time, is another thing at every look.
    const lasting = stamps !== null && tables.length > 0 && tables.every(isStamped);
    const key = lasting ? cacheKey(question, [clubId, stampsOf(stamps, tables)]) : null;
    const remembered = key === null ? undefined : rows.get(key);
    const answer = remembered ?? ask().then(frozen);
    asked.set(question, answer);
    if (key !== null && !remembered) {
      rows.set(key, answer, UNKNOWN);
      answer.then(
        (value) => rows.set(key, answer, sizeOf(value)),
        () => rows.delete(key),
      );
    }
    return answer.then(copied);
  };
  const wrote = (): void => {
    written = true;
  };
  const mayRemember = (options: Options): boolean => !written && !options?.transaction;
  const database = (note?: (tables: readonly string[]) => void): Database => {
    const reading = { once, wrote, mayRemember, note };
    const entries = Object.entries(db).map(([name, value]) => [
      name,
      name === 'sequelize' ? readingSequelize(db.sequelize, reading) : readingModel(value as object, reading),
    ]);
    return Object.fromEntries(entries) as Database;
  };
  return { stamps, written: () => written, database };
}

interface Reading {
  once: (tables: string[], question: string, ask: () => Promise<unknown>) => Promise<unknown>;
  wrote: () => void;
  mayRemember: (options: Options) => boolean;
  note: ((tables: readonly string[]) => void) | undefined;
}

function readingModel(table: object & { tableName?: string }, { once, wrote, mayRemember, note }: Reading): unknown {
  return new Proxy(table, {
    get(target, property) {
      const value: unknown = Reflect.get(target, property);
      if (typeof value !== 'function') return value;
      if (WRITES.has(property)) wrote();
      if (!READS.has(property)) return value.bind(target) as unknown;
      return (...args: unknown[]) => {
        const ask = (): Promise<unknown> => (value as (...passed: unknown[]) => Promise<unknown>).apply(target, args);
        const tables = [target.tableName!];
        note?.(tables);
        return mayRemember(args.at(-1) as Options)
          ? once(tables, `${target.tableName} ${String(property)} ${spelled(args)}`, ask)
          : ask();
      };
    },
  });
}

function readingSequelize(sequelize: Database['sequelize'], { once, wrote, mayRemember, note }: Reading): unknown {
  return new Proxy(sequelize, {
    get(target, property) {
      const value: unknown = Reflect.get(target, property);
      if (property === 'transaction') wrote();
      if (property !== 'query') return typeof value === 'function' ? (value.bind(target) as unknown) : value;
      return (sql: string, options?: Options) => {
        const ask = (): Promise<unknown> => target.query(sql, options as never) as Promise<unknown>;
        if (options?.type !== QueryTypes.SELECT) wrote();
        const tables = tablesIn(sql);
        note?.(tables.length > 0 ? tables : [NO_TABLE]);
        return mayRemember(options) ? once(tables, `query ${sql} ${spelled([options])}`, ask) : ask();
      };
    },
  });
}

/** Stands for what a question without a table is about, such as the time: it bears no stamp. */
const NO_TABLE = '(none)';

function tablesIn(sql: string): string[] {
  return [...sql.matchAll(/\b(?:FROM|JOIN)\s+`?([a-z_]+)`?/gi)].map(([, table]) => table!.toLowerCase());
}

/** A list of its own for each who asked, so that sorting one sorts no other; its rows are shared and never change. */
function copied(answer: unknown): unknown {
  return Array.isArray(answer) ? [...(answer as unknown[])] : answer;
}

export function frozen<T>(value: T): T {
  if (typeof value !== 'object' || value === null || Buffer.isBuffer(value) || Object.isFrozen(value)) return value;
  for (const part of Object.values(value)) frozen(part);
  return Object.freeze(value);
}
