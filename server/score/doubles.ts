import type { Transaction } from 'sequelize';
import { object, string } from 'yup';
import { v7 as uuid } from 'uuid';
import type { JudgementRow, UnionRow } from '@/db/models/union-rows';
import { holdGuard } from '@/db/guard';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { standing } from '@/server/platform/counting-judgement';
import { hiddenFrom } from '@/server/platform/waiting-for-second';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';

const settlement = object({
  /** `one`: it was one union and this judgement counts. `two`: this judgement belongs to the next union. */
  as: string()
    .oneOf(['one', 'two'] as const, 'Say whether it was one union or two.')
    .required('Say whether it was one union or two.'),
  judgementId: id('the judgement'),
});

/** Settles a likely double: two judgements of the same seat and number. Neither is lost either way. */
export async function settleDouble(
  context: Context,
  workshopId: string,
  unionId: string,
  input: unknown,
): Promise<void> {
  allow(context, 'assistant');
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  await getWorkshop(context, workshopId);
  const values = parse(settlement, input);
  const settle = () =>
    transact(db, async (transaction) => {
      // Whoever calls it one union and whoever calls it two write different rows.
      await holdGuard(db, transaction, clubId, `union ${unionId}`);
      const union = await db.unions.findOne({ where: { clubId, workshopId, id: unionId }, transaction, raw: true });
      if (!union) throw notFound('The union');
      const all = await db.judgements.findAll({ where: { clubId, unionId }, transaction, raw: true });
      const stands = standing(all);
      if (hiddenFrom(userId, union, all)) throw notFound('The union');
      if (!stands.some((judgement) => judgement.id === values.judgementId)) throw notFound('The judgement');
      if (values.as === 'one') {
        await db.unions.update(
          { chosenJudgementId: values.judgementId, doubleSettledAt: now },
          { where: { clubId, id: unionId }, transaction },
        );
      } else {
        if (union.kind === 'keeper')
          throw new UseCaseError(
            'invalid',
            'A keeper is one union with a tag of its own, so it cannot be parted. Choose which judgement counts.',
          );
        if (stands.length < 2)
          throw new UseCaseError(
            'conflict',
            'This union has one judgement only, so there is nothing to part. Reload the page.',
          );
        await partUnion(context, transaction, union, all, values.judgementId);
      }
      await refreshUnionFacts(db, clubId, [unionId], transaction);
      await audit(db, transaction, {
        clubId,
        actorId: userId,
        action: `double settled as ${values.as}`,
        subjectId: unionId,
        at: now,
      });
    });
  try {
    await settle();
  } catch (error) {
    // The next number was taken by a union saved in this moment: the one after it is free.
    if (!isDuplicate(error)) throw error;
    await settle();
  }
}

/** Makes a union of its own of a judgement and what it corrected. */
async function partUnion(
  { db }: Context,
  transaction: Transaction,
  union: UnionRow,
  all: JudgementRow[],
  judgementId: string,
): Promise<void> {
  const { clubId, workshopId, seatId, kind } = union;
  const last = (await db.unions.max('number', {
    where: { clubId, workshopId, seatId, kind },
    transaction,
  })) as number;
  const created = {
    ...union,
    id: uuid(),
    number: last + 1,
    plantId: null,
    chosenJudgementId: null,
    doubleSettledAt: null,
    secondWanted: false,
    secondSettledAt: null,
  };
  await db.unions.create(created, { transaction });
  // The whole chain of corrections moves along with the judgement.
  const chain: string[] = [];
  for (let at: string | null | undefined = judgementId; at; at = all.find(({ id }) => id === at)?.correctsId)
    chain.push(at);
  await db.judgements.update({ unionId: created.id }, { where: { clubId, id: chain }, transaction });
  await refreshUnionFacts(db, clubId, [created.id], transaction);
}
