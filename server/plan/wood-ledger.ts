import { groupedBy } from '@/core/units/grouped-by';
import { byId } from '@/core/units/by-id';
import { counted } from '@/core/units/counted';
import { createHash } from 'node:crypto';
import { type InferType, object } from 'yup';
import { Op } from 'sequelize';
import { kindOf } from '@/core/methods/compatibility/compatibility';
import { postWarning } from '@/core/plan/wood/by-post';
import { STORE } from '@/core/plan/wood/store';
import { type LotWarning, checkWarning, lotWarnings } from '@/core/plan/wood/lot-warnings';
import type { LoggerRunRow, WoodBookingRow, WoodCheckRow, WoodLotRow, WoodSourceRow } from '@/db/models/wood-rows';
import { isDuplicate, transact } from '@/db/transact';
import { formatTemperature } from '@/core/units/temperature';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { count, id, isAhead } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { readSentFile } from '@/server/jobs/run-job';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { lotInput, checkInput } from '@/core/plan/wood/lot-input';
import { runInput, zoneOfLot } from './logger-runs';

/** Hours outside the store's range that are worth a word. */
const WARM_HOURS = 24;

/** A checked entry as the row has it. */
export function lotValues(
  values: InferType<typeof lotInput>,
): Omit<WoodLotRow, 'id' | 'clubId' | 'booked' | 'version'> {
  return {
    ...values,
    cutOn: values.cutOn || null,
    protectedUntil: values.protectedUntil || null,
    sourceId: values.sourceId ?? null,
    orderedOn: values.orderedOn || null,
    sentOn: values.sentOn || null,
    arrivedOn: values.arrivedOn || null,
  };
}

/** A run as it is told; what is drawn of it and the whole series are asked for apart. */
type ToldRun = Omit<LoggerRunRow, 'readings' | 'series'>;

export interface LedgerLot extends WoodLotRow {
  checks: WoodCheckRow[];
  bookings: WoodBookingRow[];
  runs: ToldRun[];
  from: WoodSourceRow | null;
}

/** Lots of the club with what was seen of them and who has how much, the newest cut first. */
export async function ledger(context: Context, lotIds?: string[]): Promise<LedgerLot[]> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  const lots = await db.woodLots.findAll({
    where: { clubId, ...(lotIds ? { id: lotIds } : {}) },
    order: [
      ['cutOn', 'DESC'],
      ['variety', 'ASC'],
    ],
    raw: true,
  });
  const where = { clubId, lotId: lots.map(({ id: lotId }) => lotId) };
  const [checks, bookings, runs, sources] = await Promise.all([
    db.woodChecks.findAll({
      where: where,
      order: [
        ['lookedOn', 'ASC'],
        ['id', 'ASC'],
      ],
      raw: true,
    }),
    db.woodBookings.findAll({ where: where, order: [['id', 'ASC']], raw: true }),
    db.loggerRuns.findAll({
      where: where,
      attributes: { exclude: ['readings', 'series'] },
      order: [['addedAt', 'ASC']],
      raw: true,
    }),
    db.woodSources.findAll({ where: { clubId }, raw: true }),
  ]);
  const ofLot = ({ lotId }: { lotId: string }): string => lotId;
  const [checksOf, bookingsOf, runsOf] = [groupedBy(checks, ofLot), groupedBy(bookings, ofLot), groupedBy(runs, ofLot)];
  const sourceOf = byId(sources);
  return lots.map((lot) => ({
    ...lot,
    checks: checksOf.get(lot.id) ?? [],
    bookings: bookingsOf.get(lot.id) ?? [],
    runs: runsOf.get(lot.id) ?? [],
    from: sourceOf.get(lot.sourceId ?? '') ?? null,
  }));
}

export async function ledgerLot(context: Context, lotId: string): Promise<LedgerLot> {
  const [lot] = await ledger(context, [lotId]);
  if (!lot) throw notFound('The wood lot');
  return lot;
}

/** Everything that may be wrong with a lot on a day at a place. */
export function warningsOf(
  { actor }: Pick<Context, 'actor'>,
  lot: LedgerLot,
  day: string,
  place: { region: string; quarantine: string[] },
): LotWarning[] {
  const degrees = (celsius: number): string => formatTemperature(celsius, actor.temperatureUnit);
  const warnings = lotWarnings({ ...lot, leave: lot.leaveWords }, day, place);
  const check = checkWarning(
    lot.variety,
    lot.checks.map(({ lookedOn, green, buds }) => ({ on: lookedOn, green, buds })),
  );
  if (check) warnings.push(check);
  const post = postWarning(lot.variety, lot, day);
  if (post) warnings.push(post);
  const warm = lot.runs.reduce((sum, { summary }) => sum + summary.hoursAbove, 0);
  if (lot.stage === 'dormant' && warm >= WARM_HOURS)
    warnings.push({
      id: 'store',
      level: 'care',
      says: `${lot.variety} lay ${Math.round(warm)} hours above ${degrees(STORE.to)} in store.`,
      remedy: 'Look whether its buds still sleep, and store it colder.',
    });
  return warnings;
}

const changeInput = lotInput.concat(object({ version: count('the version', 0, 1_000_000) }));

/** Changes a lot if nobody changed it since it was opened. Sticks cannot fall below what is booked. */
export async function putLot(context: Context, lotId: string, input: unknown): Promise<WoodLotRow> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const { version, ...edited } = parse(changeInput, input, context.now);
  const values = lotValues(edited);
  await checkSource(context, values.sourceId);
  const lot = await ledgerLot(context, lotId);
  await transact(db, async (transaction) => {
    const [changed] = await db.woodLots.update(
      { ...values, version: version + 1 },
      { where: { clubId, id: lotId, version, booked: { [Op.lte]: values.sticks } }, transaction },
    );
    if (changed > 0)
      return audit(db, transaction, { clubId, actorId: userId, action: 'wood lot changed', subjectId: lotId, at: now });
    const known = await db.woodLots.findOne({ where: { clubId, id: lotId }, transaction, raw: true });
    if (known!.booked > values.sticks)
      throw new UseCaseError(
        'conflict',
        `${counted(known!.booked, 'stick')} of it ${known!.booked === 1 ? 'is' : 'are'} booked, so there cannot be ${values.sticks}. Free some bookings first.`,
        { sticks: `${known!.booked} are booked.` },
      );
    const same = Object.entries(values).every(([key, value]) => known![key as keyof WoodLotRow] === value);
    if (!same)
      throw new UseCaseError(
        'conflict',
        'Somebody changed this lot meanwhile. Open it anew in another window and bring your changes over; they are still here.',
      );
  });
  return { ...lot, ...values };
}

export async function checkSource(context: Context, sourceId: string | null): Promise<void> {
  if (
    sourceId &&
    !(await context.db.woodSources.findOne({ where: { clubId: context.actor.clubId, id: sourceId }, raw: true }))
  )
    throw notFound('The plant it was cut from');
}

/** Notes a look at stored wood, once however often it is sent. */
export async function addCheck(context: Context, lotId: string, checkId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const lot = await ledgerLot(context, lotId);
  parse(id('the look'), checkId);
  const values = parse(checkInput, input, context.now);
  if (lot.cutOn && values.lookedOn < lot.cutOn)
    throw new UseCaseError('invalid', 'This look lies before the wood was cut. Mend one of the two dates.', {
      lookedOn: 'Before it was cut.',
    });
  if (isAhead(values.lookedOn, now))
    throw new UseCaseError('invalid', 'A look in the future was not made yet: enter a day up to today.', {
      lookedOn: 'Not in the future.',
    });
  try {
    await transact(db, async (transaction) => {
      await db.woodChecks.create({ ...values, id: checkId, clubId, lotId, enteredBy: userId }, { transaction });
      await audit(db, transaction, { clubId, actorId: userId, action: 'wood looked at', subjectId: lotId, at: now });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
}

/**
 * Reads a temperature log of a lot's store. The same file twice is kept once. Its times are those of
 * the place where the logger lay, unless they name their zone.
 */
export async function addLoggerRun(
  context: Context,
  lotId: string,
  fileName: string,
  bytes: Uint8Array,
  input: unknown,
): Promise<ToldRun> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await ledgerLot(context, lotId);
  const { runId, unit, siteId } = parse(runInput, input);
  const zone = await zoneOfLot(context, lotId, siteId);
  const read = await readSentFile('read run', bytes, zone, unit === '' ? null : (unit ?? null));
  if ('problem' in read) throw new UseCaseError('invalid', read.problem, read.asksUnit ? { unit: 'Choose one.' } : {});
  const { summary, plotted, series } = read;
  const gaps = summary.gaps.map(({ hours }) => hours);
  const notes = [
    ...read.notes,
    ...(gaps.length > 0
      ? [
          `${gaps.length} ${gaps.length === 1 ? 'gap' : 'gaps'} without readings, ${Math.round(gaps.reduce((a, b) => a + b, 0))} hours in all; nothing is claimed of them.`,
        ]
      : []),
  ];
  const contentHash = createHash('sha256').update(bytes).digest('hex');
  // The longest are named; a log that is mostly gaps is no less one for that.
  const kept = { ...summary, gaps: [...summary.gaps].sort((a, b) => b.hours - a.hours).slice(0, MOST_GAPS) };
  try {
    await transact(db, async (transaction) => {
      await db.loggerRuns.create(
        {
          id: runId,
          clubId,
          lotId,
          fileName: fileName.slice(0, 200).toWellFormed(),
          contentHash,
          readings: plotted,
          series: Buffer.from(series),
          summary: kept,
          notes,
          addedAt: now,
        },
        { transaction },
      );
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: 'temperature log read',
        subjectId: lotId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
  }
  const known = await db.loggerRuns.findOne({
    where: { clubId, lotId, contentHash },
    attributes: { exclude: ['readings', 'series'] },
    raw: true,
  });
  if (!known)
    throw new UseCaseError('conflict', 'This run was read for another lot. Reload the page and choose the file again.');
  return known;
}

/** Gaps of a run that are kept one by one. */
const MOST_GAPS = 200;

/** Readings of a lot's runs, for the chart. */
export async function lotReadings(context: Context, lotId: string): Promise<{ at: string; value: number }[]> {
  allow(context, 'viewer');
  const runs = await context.db.loggerRuns.findAll({
    where: { clubId: context.actor.clubId, lotId },
    attributes: ['readings'],
    raw: true,
  });
  return runs.flatMap(({ readings }) => readings).sort((a, b) => a.at.localeCompare(b.at));
}

/** Lots of one species, whatever the case it is written in. */
export function ofSpecies(lots: readonly LedgerLot[], species: string): LedgerLot[] {
  return lots.filter((lot) => kindOf(lot.species) === kindOf(species));
}
