import { METHODS } from '@/core/methods/registry';
import { spoiledInput } from '@/core/score/spoiled-input';
import { id as idField } from '@/core/inputs/fields';
import type { SpoiledCutRow } from '@/db/models/score-rows';
import { isDuplicate, transact } from '@/db/transact';
import { UNSET } from '@/db/unset';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

/** A spoiled cut, as a bench counts it. */
export interface SpoiledAtSeat {
  id: string;
  seatId: string;
  method: string;
}

/** Counts a cut that spoiled its wood, under an id made on the device; the same again changes nothing. */
export async function putSpoiledCut(context: Context, cutId: string, input: unknown): Promise<void> {
  allow(context, 'assistant');
  parse(idField('the cut'), cutId);
  const { workshopId, seatId, method, assessorId } = parse(spoiledInput(METHODS.map((known) => known.id)), input);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  if (assessorId && assessorId !== userId)
    throw new UseCaseError(
      'forbidden',
      'This was counted by another member on this device. It stays here until they sign in again.',
      { assessorId: 'Signed in as another.' },
    );
  const seat = await db.seats.findOne({ where: { clubId, workshopId, id: seatId }, raw: true });
  if (!seat) throw notFound('The seat');
  const row = { id: cutId, clubId, workshopId, seatId, personId: seat.personId, method, countedBy: userId };
  try {
    await transact(db, async (transaction) => {
      if (await sameAgain(context, row, transaction)) return;
      await db.spoiledCuts.create({ ...row, countedAt: now, takenBackAt: null }, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: 'spoiled cut counted',
        subjectId: cutId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error) || !(await sameAgain(context, row))) throw error;
  }
}

/** Whether a cut is counted already; refused where its id names another. */
async function sameAgain(
  { db }: Context,
  row: { id: string; clubId: string; seatId: string; method: string },
  transaction?: Parameters<Parameters<typeof transact>[1]>[0],
): Promise<boolean> {
  const known = await db.spoiledCuts.findOne({ where: { id: row.id }, transaction, raw: true });
  if (!known) return false;
  if (known.clubId !== row.clubId) throw notFound('The cut');
  if (known.seatId !== row.seatId || known.method !== row.method)
    throw new UseCaseError('conflict', 'This cut was counted already at another place. Reload the page.');
  return true;
}

/** Takes a counted cut back; what is taken back already changes nothing. */
export async function takeSpoiledCutBack(context: Context, cutId: string): Promise<void> {
  allow(context, 'assistant');
  parse(idField('the cut'), cutId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await transact(db, async (transaction) => {
    const known = await db.spoiledCuts.findOne({ where: { clubId, id: cutId }, transaction, raw: true });
    if (!known) throw notFound('The cut');
    const where = { clubId, id: cutId, takenBackAt: UNSET };
    const [changed] = await db.spoiledCuts.update({ takenBackAt: now }, { where, transaction });
    if (changed === 0) return;
    await audit(db, transaction, {
      clubId,
      actorId: userId,
      action: 'spoiled cut taken back',
      subjectId: cutId,
      at: now,
    });
  });
}

/**
 * Spoiled cuts of a workshop, in the order they were counted.
 *
 * @param since null where nothing of them changed after it
 */
export async function spoiledAtSeats(
  { db, actor }: Context,
  workshopId: string,
  since?: Date,
): Promise<SpoiledAtSeat[] | null> {
  const rows = await db.spoiledCuts.findAll({
    where: { clubId: actor.clubId, workshopId },
    order: [
      ['countedAt', 'ASC'],
      ['id', 'ASC'],
    ],
    raw: true,
  });
  const changed = ({ countedAt, takenBackAt }: SpoiledCutRow): boolean =>
    since === undefined || (takenBackAt ?? countedAt) >= since;
  if (since !== undefined && !rows.some(changed)) return null;
  return rows
    .filter(({ takenBackAt }) => takenBackAt === null)
    .map(({ id, seatId, method }) => ({ id, seatId, method }));
}
