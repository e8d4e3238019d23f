import type { UnionRow } from '@/db/models/union-rows';
import { madeWith } from '@/core/methods/made-with';
import { POSITION_WORDS, positionsOf, type Position } from '@/core/methods/position';
import { methodById, METHODS } from '@/core/methods/registry';
import { isDuplicate, transact } from '@/db/transact';
import { allow, type Context } from '@/server/platform/context';
import { audit } from '@/server/platform/audit';
import { id } from '@/core/inputs/fields';
import { parse } from '@/server/platform/parse';
import { variantsOn } from '@/server/plan/taught';
import { refreshUnionFacts } from '@/server/platform/union-facts';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';
import { getWorkshop } from '@/server/plan/workshops';
import { unionInput } from '@/core/aftercare/keeper-input';
import { unionOn } from './make-keepers';

/** Where the first union of a plant is said to sit once there is another at this place. */
const BESIDE: Partial<Record<Position, Position>> = {
  upper: 'lower',
  lower: 'upper',
  front: 'back',
  back: 'front',
  second: 'first',
  third: 'first',
  fourth: 'first',
  first: 'second',
};

/** Puts another union on a plant that has one; the same id again adds nothing. */
export async function addUnion(
  context: Context,
  workshopId: string,
  plantId: string,
  unionId: string,
  input: unknown,
): Promise<void> {
  allow(context, 'assistant');
  parse(id('the union'), unionId);
  const {
    db,
    actor: { clubId, userId },
    now,
  } = context;
  const workshop = await getWorkshop(context, workshopId);
  const values = parse(unionInput(METHODS.map((method) => method.id)), input);
  const position = values.position as Position;
  const method = methodById(values.method);
  if (position === 'sole' || !positionsOf(method.use).includes(position))
    throw new UseCaseError('invalid', `${method.name} cannot sit there beside another union. Choose another place.`, {
      position: 'Choose another place.',
    });
  const variant = (await variantsOn(context, workshop))(method);
  try {
    await transact(db, async (transaction) => {
      const plant = await db.plants.findOne({
        where: { clubId, workshopId, id: plantId, voidedAt: null },
        transaction,
        lock: transaction.LOCK.UPDATE,
        raw: true,
      });
      if (!plant) throw notFound('The plant');
      const there = await db.unions.findAll({ where: { clubId, plantId }, transaction, raw: true });
      if (there.some((union) => union.id === unionId)) return;
      if (there.some((union) => union.position === position)) throw taken(position);
      const alone = there.find((union) => union.position === 'sole');
      if (alone) await giveWay(context, alone, BESIDE[position]!, transaction);
      const making = {
        method: method.id,
        variant,
        ...madeWith(method, workshop.schools, variant),
        madeOn: there[0]!.madeOn,
      };
      await db.unions.create({ ...unionOn(plant, making, there[0]!.makerId), id: unionId, position }, { transaction });
      await refreshUnionFacts(db, clubId, [unionId, ...there.map((union) => union.id)], transaction);
      await audit(db, transaction, { clubId, actorId: userId, action: 'union added', subjectId: unionId, at: now });
    });
  } catch (error) {
    if (isDuplicate(error)) throw taken(position);
    throw error;
  }
}

/** The union that was alone on its plant is from now on the other of the two. */
async function giveWay(
  { db, actor: { clubId } }: Context,
  alone: UnionRow,
  position: Position,
  transaction: Parameters<Parameters<typeof transact>[1]>[0],
): Promise<void> {
  const { use, name } = methodById(alone.method);
  if (!positionsOf(use).includes(position))
    throw new UseCaseError(
      'invalid',
      `The ${name.toLowerCase()} on this plant leaves no room for another union there.`,
    );
  await db.unions.update({ position }, { where: { clubId, id: alone.id }, transaction });
}

function taken(position: Position): UseCaseError {
  return new UseCaseError(
    'conflict',
    `On this plant ${POSITION_WORDS[position]} is there already. Choose another place.`,
    {
      position: 'Taken.',
    },
  );
}
