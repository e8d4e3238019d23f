import { array, object, string } from 'yup';
import { v5 as uuidFrom } from 'uuid';
import type { MeasuredPieceRow } from '@/db/models/plan-rows';
import { isDuplicate, transact } from '@/db/transact';
import { CALIPER_RANGE } from '@/exchange/calipers-csv';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id, decimal } from '@/core/inputs/fields';
import { workshopLots } from './lots';
import { parse } from '@/server/platform/parse';
import { putPart } from './plan-parts';
import { readSentFile } from '@/server/jobs/run-job';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from './workshops';

/** Sticks and stocks that were measured for a workshop, in the order of their numbers. */
export async function measuredWood(context: Context, workshopId: string): Promise<MeasuredPieceRow[]> {
  allow(context, 'viewer');
  await getWorkshop(context, workshopId);
  return context.db.measuredPieces.findAll({
    where: { clubId: context.actor.clubId, workshopId },
    order: [
      ['kind', 'ASC'],
      ['number', 'ASC'],
    ],
    raw: true,
  });
}

const kind = () =>
  string()
    .oneOf(['stick', 'stock'] as const, 'Choose sticks or stocks.')
    .required('Choose sticks or stocks.');
const pieceInput = object({
  kind: kind(),
  lotId: id('the lot'),
  caliper: decimal()
    .typeError('Enter the caliper in figures.')
    .required('Enter the caliper.')
    .min(
      CALIPER_RANGE.from,
      `A caliper under ${CALIPER_RANGE.from} mm is no wood to graft. Measure across the bark, in mm or inches as your units are set.`,
    )
    .max(CALIPER_RANGE.to, `A caliper over ${CALIPER_RANGE.to} mm cannot be right.`),
  usableBuds: decimal()
    .nullable()
    .default(null)
    .transform((value, original) => (original === '' ? null : value))
    .typeError('Enter the usable buds in figures.')
    .integer('Enter a whole number of buds.')
    .min(1, 'A stick has one bud or more.')
    .max(40, 'More than 40 usable buds cannot be right.'),
});

async function checkLot(context: Context, workshopId: string, kind: 'stick' | 'stock', lotId: string): Promise<void> {
  const lots = await workshopLots(context, workshopId);
  if (!(kind === 'stick' ? lots.wood : lots.stocks).some((lot) => lot.id === lotId))
    throw new UseCaseError('not-found', 'This lot is not chosen for the workshop. Choose it first, then measure.', {
      lotId: 'Choose it for the workshop first.',
    });
}

/** Notes one measured stick or stock under an id from the browser, with the next number. */
export async function addPiece(
  context: Context,
  workshopId: string,
  pieceId: string,
  input: unknown,
): Promise<MeasuredPieceRow> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId },
  } = context;
  await getWorkshop(context, workshopId);
  parse(id('the piece'), pieceId);
  const values = parse(pieceInput, input);
  await checkLot(context, workshopId, values.kind, values.lotId);
  for (let attempt = 1; ; attempt++) {
    const known = await db.measuredPieces.findOne({ where: { id: pieceId }, raw: true });
    if (known && known.clubId !== clubId) throw notFound('The piece');
    if (known) return known;
    const last = await db.measuredPieces.findOne({
      where: { clubId, workshopId, kind: values.kind },
      order: [['number', 'DESC']],
      raw: true,
    });
    const row: MeasuredPieceRow = {
      ...values,
      usableBuds: values.usableBuds ?? null,
      id: pieceId,
      clubId,
      workshopId,
      number: (last?.number ?? 0) + 1,
    };
    try {
      await db.measuredPieces.create(row);
      return row;
    } catch (error) {
      // Two people measure at once: the next try takes the next number.
      if (!isDuplicate(error) || attempt === 8) throw error;
    }
  }
}

export async function removePiece(context: Context, workshopId: string, pieceId: string): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await getWorkshop(context, workshopId);
  await transact(db, async (transaction) => {
    const gone = await db.measuredPieces.destroy({ where: { clubId, workshopId, id: pieceId }, transaction });
    if (gone > 0)
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: 'measured piece removed',
        subjectId: pieceId,
        at: now,
      });
  });
}

const importInput = object({ importId: id('the file'), kind: kind(), lotId: id('the lot') });

/** Reads calipers from CSV, all lines or none; numbers that are taken already are refused. The same file sent twice is read once. */
export async function importPieces(
  context: Context,
  workshopId: string,
  bytes: Uint8Array,
  input: unknown,
): Promise<{ added: number; notes: string[] }> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await getWorkshop(context, workshopId);
  const values = parse(importInput, input);
  await checkLot(context, workshopId, values.kind, values.lotId);
  const read = await readSentFile('read calipers', bytes);
  if ('problem' in read) throw new UseCaseError('invalid', read.problem);
  // Ids follow from the file's own, so that the same file sent again finds its lines there.
  const idOf = (line: number): string => uuidFrom(String(line), values.importId);
  const alreadyRead = (): Promise<MeasuredPieceRow | null> =>
    db.measuredPieces.findOne({ where: { clubId, id: idOf(0) }, raw: true });
  if (await alreadyRead()) return { added: read.lines.length, notes: read.notes };
  try {
    await transact(db, async (transaction) => {
      const known = await db.measuredPieces.findAll({
        where: { clubId, workshopId, kind: values.kind },
        transaction,
        raw: true,
      });
      // A twin of this request may have got through since.
      if (known.some((piece) => piece.id === idOf(0))) return;
      const taken = new Set(known.map(({ number: number }) => number));
      const clash = read.lines.find((line) => line.number !== null && taken.has(line.number));
      if (clash)
        throw new UseCaseError(
          'conflict',
          `Number ${clash.number} is measured already. Give the lines other numbers, leave the numbers out, or remove what is there.`,
        );
      for (const { number: number } of read.lines) if (number !== null) taken.add(number);
      let next = 1;
      const rows = read.lines.map((line, i): MeasuredPieceRow => {
        while (line.number === null && taken.has(next)) next++;
        const own = line.number ?? next;
        taken.add(own);
        return {
          id: idOf(i),
          clubId,
          workshopId,
          kind: values.kind,
          lotId: values.lotId,
          number: own,
          caliper: line.caliper,
          usableBuds: line.buds,
        };
      });
      await db.measuredPieces.bulkCreate(rows, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: 'calipers read',
        subjectId: workshopId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    if (!(await alreadyRead()))
      throw new UseCaseError(
        'conflict',
        'Somebody measured in the same moment and took one of the numbers. Read the file again.',
      );
  }
  return { added: read.lines.length, notes: read.notes };
}

/** Pairs as they were saved: who joins which stick to which stock. */
export interface PairsPart {
  method: string;
  pairs: {
    stock: string;
    stick: string;
    piece: number;
    seat: string;
    contact: number;
    fixed: boolean;
    method: string;
  }[];
  inOrder: number;
}

const pairsInput = object({
  method: string().required('Choose a method.').max(40),
  inOrder: decimal().required().min(0).max(100_000),
  pairs: array(
    object({
      stock: id('a stock'),
      stick: id('a stick'),
      piece: decimal().required().integer().min(0).max(60),
      seat: id('a seat'),
      contact: decimal().required().min(0, 'Contact lies between 0 and 1.').max(1, 'Contact lies between 0 and 1.'),
      fixed: string().oneOf(['true', 'false']).required(),
      method: string().required().max(40),
    }),
  )
    .required('Pair something first.')
    .max(2000, 'More than 2000 pairs are no workshop.'),
});

/** Saves who joins what. A stock is paired once, a piece of a stick too. */
export async function putPairs(context: Context, workshopId: string, input: unknown): Promise<number> {
  allow(context, 'assistant');
  const values = parse(pairsInput, input);
  const pieces = await measuredWood(context, workshopId);
  const seats = await context.db.seats.findAll({ where: { clubId: context.actor.clubId, workshopId }, raw: true });
  const pairs = values.pairs.map((pair) => ({ ...pair, fixed: pair.fixed === 'true' }));
  for (const { stock, stick, seat } of pairs) {
    if (
      !pieces.some((piece) => piece.id === stock && piece.kind === 'stock') ||
      !pieces.some((piece) => piece.id === stick && piece.kind === 'stick')
    )
      throw new UseCaseError('conflict', 'One of the pieces was removed meanwhile. Reload the page and pair again.');
    if (!seats.some(({ id: seatId }) => seatId === seat))
      throw new UseCaseError('conflict', 'One of the seats is gone. Reload the page and pair again.');
  }
  if (
    new Set(pairs.map(({ stock }) => stock)).size < pairs.length ||
    new Set(pairs.map(({ stick, piece }) => `${stick}/${piece}`)).size < pairs.length
  )
    throw new UseCaseError('invalid', 'A stock or a piece of a stick is paired twice. Pair again.');
  return putPart(context, workshopId, 'pairs', input, {
    method: values.method,
    pairs,
    inOrder: values.inOrder,
  } satisfies PairsPart);
}
