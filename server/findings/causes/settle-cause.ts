import { settledCauseInput } from '@/core/findings/causes/cause-inputs';
import { sharesOfCauses } from '@/core/findings/causes/shares-of-causes';
import { id } from '@/core/inputs/fields';
import { UNSET } from '@/db/unset';
import { isDuplicate, transact } from '@/db/transact';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { deadKeeper } from './dead-keeper';
import { deathsOf } from './deaths';

/**
 * Settles why a union died, by word of a person and with the reason; what had been computed is kept beside it. A cause
 * that was settled before is withdrawn and kept.
 *
 * @throws UseCaseError where it lives, no table names the cause, or two settle it at once
 */
export async function settleCause(context: Context, settledId: string, input: unknown): Promise<void> {
  allow(context, 'lead');
  parse(id('the cause'), settledId);
  const { unionId, cause, reason, blind } = parse(settledCauseInput, input);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  const same = await db.settledCauses.findOne({ where: { id: settledId }, raw: true });
  if (same && same.clubId !== clubId) throw notFound('The cause');
  if (same) return;
  const { workshopId } = await deadKeeper(context, unionId);
  // Reckoned before anything is held: nothing else may be asked inside.
  const { deaths, tables } = await deathsOf(context, workshopId, (union) => union === unionId);
  const [death] = deaths;
  if (!death) throw notFound('The plant');
  const { model, version: tablesVersion } = tables;
  if (cause !== '' && !model.causes.includes(cause))
    throw new UseCaseError('invalid', 'Choose one of the causes, or “not known”.', { cause: 'Choose a cause.' });
  const codes = death.evidence.filter(({ struck }) => !struck).map(({ code }) => code);
  // The power is fitted on what the tables say by themselves.
  const shares = sharesOfCauses({ ...model, power: 1 }, death.group, codes);
  const likely = model.causes.map((name, at) => ({ cause: name, share: shares[at]! }));
  const computed = { verdict: death.verdict?.cause ?? null, likely, blind };
  try {
    await transact(db, async (transaction) => {
      await deadKeeper(context, unionId, transaction);
      await db.settledCauses.update(
        { withdrawnAt: now, liveUnionId: null },
        { where: { clubId, unionId, withdrawnAt: UNSET }, transaction },
      );
      await db.settledCauses.create(
        {
          id: settledId,
          clubId,
          unionId,
          cause,
          reason,
          computed,
          tablesVersion,
          settledBy: userId,
          settledAt: now,
          withdrawnAt: null,
          liveUnionId: unionId,
        },
        { transaction },
      );
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `cause settled: ${cause === '' ? 'not known' : cause}`,
        subjectId: unionId,
        at: now,
      });
    });
  } catch (error) {
    if (!isDuplicate(error)) throw error;
    // A second click, or somebody else at the same moment.
    if (await db.settledCauses.findOne({ where: { clubId, id: settledId }, raw: true })) return;
    throw new UseCaseError(
      'conflict',
      'Somebody settled this at the same moment. Reload the page to see their reason.',
    );
  }
}

/** Withdraws a settled cause: what is computed is said again. */
export async function withdrawCause(context: Context, settledId: string): Promise<void> {
  allow(context, 'lead');
  parse(id('the cause'), settledId);
  const { db, actor, now } = context;
  const { clubId, userId } = actor;
  await transact(db, async (transaction) => {
    const known = await db.settledCauses.findOne({ where: { clubId, id: settledId }, transaction, raw: true });
    if (!known) throw notFound('The cause');
    const [withdrawn] = await db.settledCauses.update(
      { withdrawnAt: now, liveUnionId: null },
      { where: { clubId, id: settledId, withdrawnAt: UNSET }, transaction },
    );
    if (withdrawn > 0)
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: 'settled cause withdrawn',
        subjectId: known.unionId,
        at: now,
      });
  });
}
