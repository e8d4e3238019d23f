import type { Transaction } from 'sequelize';
import type { UnionFactRow } from '@/db/models/union-rows';
import type { Context } from '@/server/platform/context';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

/**
 * What is known of a keeper that is to be told of as dead.
 *
 * @throws UseCaseError where it is none of the club's, lives, was given up, or answers contradict each other
 */
export async function deadKeeper(
  { db, actor: { clubId } }: Context,
  unionId: string,
  transaction?: Transaction,
): Promise<UnionFactRow & { firstDeadOn: string }> {
  const facts = await db.unionFacts.findOne({
    where: { clubId, unionId, kind: 'keeper' },
    ...(transaction ? { transaction } : {}),
    raw: true,
  });
  if (!facts || facts.voided) throw notFound('The plant');
  if (facts.contradicted)
    throw new UseCaseError(
      'conflict',
      'It was seen alive after it had been seen dead. Settle on the Follow-up page which answer was wrong, then say why it died.',
    );
  if (facts.firstDeadOn === null)
    throw new UseCaseError(
      'conflict',
      facts.lastAliveOn === null
        ? 'Nobody has said that it is dead. Enter an answer first, then say why it died.'
        : 'It was last seen alive. A cause is settled of what has died: enter an answer that says so first.',
    );
  return { ...facts, firstDeadOn: facts.firstDeadOn };
}
