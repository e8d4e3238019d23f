import { Op, type Transaction } from 'sequelize';
import { object } from 'yup';
import type { PlanPart } from '@/db/models/plan-rows';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id, decimal } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from './workshops';

/** A part of a plan as it stands; version 0 and no body before anybody saved it. */
export interface Part<Body> {
  version: number;
  body: Body | null;
}

export async function readPart<Body>(context: Context, workshopId: string, part: PlanPart): Promise<Part<Body>> {
  allow(context, 'viewer');
  const {
    db,
    actor: { clubId },
  } = context;
  // What is taught is asked for all workshops at once, as the season line does; the other parts for one workshop at once.
  const where = part === 'methods' ? { clubId, part } : { clubId, workshopId, part: { [Op.ne]: 'methods' as const } };
  const row = (await db.planParts.findAll({ where, raw: true })).find(
    (row) => row.part === part && row.workshopId === workshopId,
  );
  return row ? { version: row.version, body: row.body as Body } : { version: 0, body: null };
}

export const partHead = object({
  changeId: id('the change'),
  version: decimal()
    .typeError('Reload the page.')
    .required('Reload the page.')
    .integer('Reload the page.')
    .min(0, 'Reload the page.'),
});

/**
 * Saves a part of a workshop's plan if nobody saved it since it was opened. The same change sent
 * twice is made once; `besides` runs in the same transaction.
 *
 * @param body already checked.
 * @returns the version it has now.
 */
export async function putPart(
  context: Context,
  workshopId: string,
  part: PlanPart,
  head: unknown,
  body: object,
  besides: (transaction: Transaction) => Promise<void> = async () => undefined,
): Promise<number> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await getWorkshop(context, workshopId);
  const { changeId, version } = parse(partHead, head);
  const conflict = new UseCaseError(
    'conflict',
    'Somebody changed this page of the plan meanwhile. Open it anew in another window and bring your changes over; they are still here.',
  );
  try {
    return await transact(db, async (transaction) => {
      const known = await db.planParts.findOne({ where: { clubId, workshopId, part }, transaction, raw: true });
      if (known?.changeId === changeId) return known.version;
      const row = { body, changeId, changedAt: now, version: version + 1 };
      if (known) {
        const [changed] = await db.planParts.update(row, { where: { clubId, workshopId, part, version }, transaction });
        if (changed === 0) throw conflict;
      } else if (version !== 0) throw conflict;
      else await db.planParts.create({ clubId, workshopId, part, ...row }, { transaction });
      await besides(transaction);
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `plan changed: ${part}`,
        subjectId: workshopId,
        at: now,
      });
      return version + 1;
    });
  } catch (error) {
    // Two first savings at once: the same one again, or somebody else's.
    if (!isDuplicate(error)) throw error;
    const twin = await db.planParts.findOne({ where: { clubId, workshopId, part, changeId }, raw: true });
    if (twin) return twin.version;
    throw conflict;
  }
}
