import { createHash } from 'node:crypto';
import { DateTime } from 'luxon';
import { logInput } from '@/core/aftercare/warmth/log-input';
import { summariseRun } from '@/core/plan/wood/logger-run';
import { formatDate } from '@/core/units/iso-date';
import type { PlaceLogRow, PlaceRow } from '@/db/models/place-rows';
import { isDuplicate, transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { getSite } from '@/server/club/sites';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { readSentFile } from '@/server/jobs/run-job';
import { UseCaseError } from '@/server/platform/use-case-error';
import { getPlace } from '../places/places';
import { keepReadings } from './readings-store';
import { writeWhenOutOfRange } from './range-letter';

/** A clock that runs ahead by no more than this is a clock; a reading beyond it is none. */
const AHEAD = 36 * 3_600_000;

/**
 * Reads a file of the logger of a place. Its times are those of the site, unless they name their zone or another is
 * chosen. The same file is read once; what overlaps with one that was read before counts once.
 *
 * @throws UseCaseError for a file of another logger or another place, unless it is said to be of this one
 */
export async function addPlaceLog(
  context: Context,
  placeId: string,
  fileName: string,
  bytes: Uint8Array,
  input: unknown,
): Promise<PlaceLogRow> {
  allow(context, 'assistant');
  const place = await getPlace(context, placeId);
  const { logId, unit, zone, anyway } = parse(logInput, input);
  const site = await getSite(context, place.siteId);
  if (zone !== '' && !DateTime.local({ zone }).isValid)
    throw new UseCaseError('invalid', 'There is no such time zone. Enter one like Europe/Zurich, or leave it empty.', {
      zone: 'Enter one like Europe/Zurich.',
    });
  const read = await readSentFile('read readings', bytes, zone || site.timeZone, unit === '' ? null : unit);
  if ('problem' in read) throw new UseCaseError('invalid', read.problem, read.asksUnit ? { unit: 'Choose one.' } : {});
  const { run, loggers } = read;
  const [first, last] = [run.instants[0]!, run.instants.at(-1)!];
  if (last > context.now.getTime() + AHEAD)
    throw new UseCaseError(
      'invalid',
      `The last reading is of ${formatDate(new Date(last).toISOString().slice(0, 10))}, which is still to come. Check the clock of the logger.`,
    );
  const contentHash = createHash('sha256').update(bytes).digest('hex');
  if (!anyway) await refuseOther(context, place, loggers, contentHash);
  const { gaps } = summariseRun(run, { from: -100, to: 100 });
  const { db, actor, now } = context;
  try {
    return await transact(db, async (transaction) => {
      await db.places.findOne({ where: { id: placeId }, attributes: ['id'], transaction, lock: true, raw: true });
      const twin = await db.placeLogs.findOne({ where: { placeId, contentHash }, transaction, raw: true });
      if (twin) return twin;
      const kept = await keepReadings(db, { placeId, clubId: actor.clubId }, run, transaction);
      const row: PlaceLogRow = {
        id: logId,
        clubId: actor.clubId,
        placeId,
        fileName: fileName.slice(0, 200).toWellFormed(),
        contentHash,
        fromAt: new Date(first),
        toAt: new Date(last),
        readings: run.instants.length,
        added: kept.added,
        notes: [...read.notes, ...notesOf(kept, gaps)],
        addedBy: actor.userId,
        addedAt: now,
      };
      await db.placeLogs.create(row, { transaction });
      await db.places.update({ changedAt: now }, { where: { id: placeId }, transaction });
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: 'temperature log of a place read',
        subjectId: placeId,
        at: now,
      });
      return row;
    }).then(async (row) => {
      await writeWhenOutOfRange(context, placeId);
      return row;
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    const twin = await db.placeLogs.findOne({ where: { clubId: actor.clubId, placeId, contentHash }, raw: true });
    if (twin) return twin;
    throw new UseCaseError(
      'conflict',
      'This log was read for another place. Reload the page and choose the file again.',
    );
  }
}

function notesOf(
  { added, known, otherwise }: { added: number; known: number; otherwise: number },
  gaps: readonly { hours: number }[],
): string[] {
  return [
    ...(gaps.length > 0
      ? [
          `${gaps.length} ${gaps.length === 1 ? 'gap' : 'gaps'} without readings, ${Math.round(gaps.reduce((sum, { hours }) => sum + hours, 0))} hours in all; nothing is claimed of them.`,
        ]
      : []),
    ...(known > 0
      ? [
          `${known} ${known === 1 ? 'reading was' : 'readings were'} there already from a file that overlaps; ${added === 0 ? 'nothing was new' : `${added} were new`}.${otherwise > 0 ? ` ${otherwise} of them had another temperature: the one that was read first stays.` : ''}`,
        ]
      : []),
  ];
}

/** Refuses a file that speaks of another logger than the place has, or that was read for another place. */
async function refuseOther(
  { db, actor: { clubId } }: Context,
  place: PlaceRow,
  loggers: readonly string[],
  contentHash: string,
): Promise<void> {
  if (loggers.length > 1)
    throw new UseCaseError(
      'invalid',
      `The file has readings of ${loggers.length} loggers (${loggers.slice(0, 3).join(', ')}). Save those of one, or say that it is of this place all the same.`,
      { anyway: 'More than one logger.' },
    );
  const [logger] = loggers;
  const sameName = (left: string, right: string): boolean => left.toLowerCase() === right.toLowerCase();
  if (logger !== undefined && place.logger !== '' && !sameName(logger, place.logger))
    throw new UseCaseError(
      'conflict',
      `The file is of logger ${logger}; in ${place.name} lies ${place.logger}. Choose another file, or say that it is of this place all the same.`,
      { anyway: 'Another logger.' },
    );
  const others = await db.places.findAll({ where: { clubId, putAwayAt: UNSET }, raw: true });
  const elsewhere =
    logger !== undefined && place.logger === ''
      ? others.find((other) => other.id !== place.id && other.logger !== '' && sameName(other.logger, logger))
      : undefined;
  const twin = await db.placeLogs.findOne({ where: { clubId, contentHash }, raw: true });
  const other =
    elsewhere ?? (twin && twin.placeId !== place.id ? others.find(({ id }) => id === twin.placeId) : undefined);
  if (other)
    throw new UseCaseError(
      'conflict',
      `${elsewhere ? `Logger ${logger} lies in ${other.name}` : `This file was read for ${other.name} already`}. Choose another file, or say that it is of this place all the same.`,
      { anyway: 'Of another place.' },
    );
}
