import { boundedCache, cacheKey } from '@/db/bounded-cache';
import { processWide } from '@/db/process-wide';
import { frozen, isStamped, stampsOf } from '@/db/remembering';
import { dateInZone } from '@/core/units/zoned-date';
import type { Context } from '@/server/platform/context';
import { listSites } from './sites';

interface Board {
  /** Tables it was made from, and their stamps then. */
  tables: readonly string[];
  stamps: string;
  result: unknown;
}

/** What was worked out for pages. */
const boards = boundedCache<Board>('boards', 32_000_000);
/** What is being worked out: who asks for the same meanwhile waits for it. */
const making = processWide('boards being made', () => new Map<string, Promise<unknown>>());

/**
 * What a page shows, worked out once: the same is given again while no table it was read from has changed, on the same
 * day at the club's sites, to people of the same role and units. `make` has to go by the day and not by the hour, and not
 * by who asks. Whoever changes something works it out afresh.
 *
 * @param name of what is worked out.
 * @param args all it is made from besides the database, the day, role and units; plain data.
 * @param keep false for a result that is not finished yet, such as a model that still runs.
 */
export async function remembered<Result>(
  context: Context,
  name: string,
  args: unknown,
  make: (context: Context) => Promise<Result>,
  { keep = () => true }: { keep?: (result: Result) => boolean } = {},
): Promise<Result> {
  const { looking, actor } = context;
  if (!looking?.stamps || looking.written()) return make(context);
  const days = [...new Set((await listSites(context)).map(({ timeZone }) => dateInZone(context.now, timeZone)))];
  const { clubId, role, lengthUnit, temperatureUnit } = actor;
  const key = cacheKey(name, [clubId, role, lengthUnit, temperatureUnit, days, args]);
  const known = boards.get(key);
  if (known && stampsOf(looking.stamps, known.tables) === known.stamps) {
    context.looking?.note?.(known.tables);
    return known.result as Result;
  }
  const now = cacheKey(key, looking.stamps);
  const running = making.get(now);
  if (running) return running as Promise<Result>;
  const made = makeBoard(context, key, make, keep).finally(() => making.delete(now));
  making.set(now, made);
  return made;
}

async function makeBoard<Result>(
  context: Context,
  key: string,
  make: (context: Context) => Promise<Result>,
  keep: (result: Result) => boolean,
): Promise<Result> {
  const looking = context.looking!;
  const tables = new Set<string>();
  const note = (read: readonly string[]): void => {
    for (const table of read) tables.add(table);
    looking.note?.(read);
  };
  const result = frozen(await make({ ...context, db: looking.database(note), looking: { ...looking, note } }));
  // The day's dates were read from the sites.
  tables.add('sites');
  const stamps = looking.stamps!;
  if (keep(result) && !looking.written() && [...tables].every(isStamped))
    boards.set(key, { tables: [...tables], stamps: stampsOf(stamps, tables), result });
  return result;
}
