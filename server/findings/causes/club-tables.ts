import { InputError } from '@/core/contact/input-error';
import { causeModel, type CauseModel } from '@/core/findings/causes/cause-model';
import { type CauseTables, checkTables, sameShape } from '@/core/findings/causes/cause-tables';
import { causeTablesInput } from '@/core/findings/causes/cause-tables-input';
import { fittedPower } from '@/core/findings/causes/fitted-power';
import { SHIPPED_TABLES } from '@/core/findings/causes/shipped-tables';
import type { CauseTablesRow } from '@/db/models/cause-rows';
import { isDuplicate, transact } from '@/db/transact';
import { boundedCache, cacheKey } from '@/db/bounded-cache';
import { UNSET } from '@/db/unset';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';

/** The tables a club goes by, ready to reckon with. */
export interface ClubTables {
  version: number;
  source: string;
  model: CauseModel;
  settled: number;
  /** Causes that were settled blind: of these the power is fitted. */
  blind: number;
}

const models = boundedCache<CauseModel>('cause tables', 4_000_000);

/** The newest tables of a club, or those that ship; the shares sharpened or blunted by what it settled. */
export async function clubTables(context: Context): Promise<ClubTables> {
  const { db, actor } = context;
  const { clubId } = actor;
  const [row, settled] = await Promise.all([
    db.causeTables.findOne({ where: { clubId }, order: [['version', 'DESC']], raw: true }),
    db.settledCauses.findAll({
      where: { clubId, withdrawnAt: UNSET },
      attributes: ['cause', 'computed'],
      raw: true,
    }),
  ]);
  const tables = row?.body ?? SHIPPED_TABLES;
  // What a person settled with the shares before their eyes says little of the shares.
  const blind = settled.filter(({ computed }) => computed.blind === true);
  const judged = blind.flatMap(({ cause, computed }) => {
    const at = computed.likely.findIndex((likely) => likely.cause === cause);
    return at < 0 ? [] : [{ shares: computed.likely.map(({ share }) => share), settled: at }];
  });
  const power = fittedPower(judged) ?? 1;
  const key = cacheKey('cause tables', [row?.id ?? 'shipped', power]);
  const known = models.get(key);
  const model = known ?? causeModel(tables, power);
  if (!known) models.set(key, model);
  return {
    version: row?.version ?? 0,
    source: row?.source ?? '',
    model,
    settled: settled.length,
    blind: judged.length,
  };
}

/** Every version a club had, the newest first. */
export async function causeTableVersions(
  context: Context,
): Promise<Pick<CauseTablesRow, 'version' | 'source' | 'changedAt'>[]> {
  allow(context, 'viewer');
  return context.db.causeTables.findAll({
    where: { clubId: context.actor.clubId },
    attributes: ['version', 'source', 'changedAt'],
    order: [['version', 'DESC']],
    raw: true,
  });
}

/**
 * Tables somebody sent, checked: causes, codes and questions are those that ship, only what they weigh is a club's own.
 *
 * @throws UseCaseError that names what is wrong in the table
 */
export function checkedTables(input: unknown): CauseTables {
  try {
    return sameShape(checkTables(input as CauseTables), SHIPPED_TABLES);
  } catch (error) {
    if (error instanceof InputError) throw new UseCaseError('invalid', error.message, { [error.field]: error.message });
    throw error;
  }
}

/** Keeps a new version of the club's tables. The version it was made from has to be the newest. */
export async function putCauseTables(context: Context, input: unknown): Promise<number> {
  allow(context, 'lead');
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  const { version, source, changeId, tables } = parse(causeTablesInput, input);
  const body = checkedTables(tables);
  const conflict = new UseCaseError(
    'conflict',
    'Somebody changed these tables meanwhile. Open them anew in another window and bring your changes over; they are still here.',
  );
  try {
    return await transact(db, async (transaction) => {
      const same = await db.causeTables.findOne({ where: { clubId, id: changeId }, transaction, raw: true });
      if (same) return same.version;
      const newest = await db.causeTables.findOne({
        where: { clubId },
        attributes: ['version'],
        order: [['version', 'DESC']],
        transaction,
        raw: true,
      });
      if ((newest?.version ?? 0) !== version) throw conflict;
      const row = { id: changeId, clubId, version: version + 1, body, source, changedBy: userId, changedAt: now };
      await db.causeTables.create(row, { transaction });
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `cause tables, version ${version + 1}`,
        subjectId: changeId,
        at: now,
      });
      return version + 1;
    });
  } catch (error) {
    if (isDuplicate(error)) throw conflict;
    throw error;
  }
}
