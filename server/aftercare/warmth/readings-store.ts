import { gunzipSync, gzipSync } from 'node:zlib';
import { Op, type Transaction } from 'sequelize';
import { mergeReadings } from '@/core/aftercare/warmth/merge-readings';
import type { LoggerRun } from '@/core/plan/wood/logger-run';
import type { Database } from '@/db/database';

const DAY = 86_400_000;

/** The day by the clocks of Greenwich at an instant. */
function dayOf(instant: number): string {
  return new Date(instant).toISOString().slice(0, 10);
}

/** Readings of a place between two instants, or all there are. */
export async function placeRun(
  db: Database,
  placeId: string,
  { from, to }: { from?: number; to?: number } = {},
  transaction?: Transaction,
): Promise<LoggerRun> {
  const rows = await db.placeReadings.findAll({
    where: {
      placeId,
      ...(from === undefined && to === undefined
        ? {}
        : { day: { [Op.between]: [dayOf(from ?? 0), to === undefined ? '9999-12-31' : dayOf(to)] } }),
    },
    attributes: ['series'],
    order: [['day', 'ASC']],
    ...(transaction ? { transaction } : {}),
    raw: true,
  });
  const instants: number[] = [];
  const values: number[] = [];
  for (const { series } of rows) {
    const day = unpacked(series);
    for (let i = 0; i < day.instants.length; i++) {
      const instant = day.instants[i]!;
      if ((from !== undefined && instant < from) || (to !== undefined && instant > to)) continue;
      instants.push(instant);
      values.push(day.values[i]!);
    }
  }
  return { instants, values };
}

/** What became of readings that were to be kept. */
export interface KeptReadings {
  added: number;
  known: number;
  otherwise: number;
}

/**
 * Keeps readings of a place, day by day, beside those that are there. Whoever calls holds the place's row, so that two
 * files at once come one after the other.
 *
 * @param run instants rising
 */
export async function keepReadings(
  db: Database,
  { placeId, clubId }: { placeId: string; clubId: string },
  run: LoggerRun,
  transaction: Transaction,
): Promise<KeptReadings> {
  const total: KeptReadings = { added: 0, known: 0, otherwise: 0 };
  const days = byDay(run);
  const rows = await db.placeReadings.findAll({
    where: { placeId, day: [...days.keys()] },
    attributes: ['day', 'series'],
    transaction,
    raw: true,
  });
  const there = new Map(rows.map(({ day, series }) => [day, unpacked(series)]));
  const changed = [...days].flatMap(([day, fresh]) => {
    const merged = mergeReadings(there.get(day) ?? { instants: [], values: [] }, fresh);
    total.added += merged.added;
    total.known += merged.known;
    total.otherwise += merged.otherwise;
    return merged.added === 0
      ? []
      : [{ placeId, day, clubId, series: packed(merged.run), readings: merged.run.instants.length }];
  });
  for (let i = 0; i < changed.length; i += 50)
    await db.placeReadings.bulkCreate(changed.slice(i, i + 50), {
      transaction,
      updateOnDuplicate: ['series', 'readings'],
    });
  return total;
}

function byDay({ instants, values }: LoggerRun): Map<string, { instants: number[]; values: number[] }> {
  const days = new Map<string, { instants: number[]; values: number[] }>();
  let [ends, current] = [-Infinity, { instants: [] as number[], values: [] as number[] }];
  instants.forEach((instant, i) => {
    if (instant >= ends) {
      current = { instants: [], values: [] };
      days.set(dayOf(instant), current);
      ends = (Math.floor(instant / DAY) + 1) * DAY;
    }
    current.instants.push(instant);
    current.values.push(values[i]!);
  });
  return days;
}

/** Instants and temperatures of a day, one after the other as 64-bit floats. */
function packed({ instants, values }: LoggerRun): Buffer {
  const pairs = new Float64Array(2 * instants.length);
  instants.forEach((instant, i) => {
    pairs[2 * i] = instant;
    pairs[2 * i + 1] = values[i]!;
  });
  return gzipSync(new Uint8Array(pairs.buffer), { level: 1 });
}

function unpacked(series: Buffer): LoggerRun {
  const bytes = gunzipSync(series);
  const pairs = new Float64Array(new Uint8Array(bytes).buffer);
  const instants: number[] = [];
  const values: number[] = [];
  for (let i = 0; i < pairs.length; i += 2) {
    instants.push(pairs[i]!);
    values.push(pairs[i + 1]!);
  }
  return { instants, values };
}
