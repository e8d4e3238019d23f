import { takeOfStates } from '@/core/findings/take/take-of-plants';
import { takeSentence } from '@/core/findings/sentences/take-sentence';
import type { GrowersLetter } from '@/core/findings/report/growers-letter';
import { groupedBy } from '@/core/units/grouped-by';
import { scopeOf } from '@/server/findings/boards/scope';
import { allow, type Context } from '@/server/platform/context';

/** A letter for everybody who has a plant of a filter, by name; those who were erased get none. */
export async function growersLetters(context: Context, input: unknown): Promise<GrowersLetter[]> {
  allow(context, 'assistant');
  const { facts, view } = await scopeOf(context, input);
  const { db, actor } = context;
  const plants = await db.plants.findAll({
    where: { clubId: actor.clubId, id: [...new Set(facts.map(({ plantId }) => plantId))] },
    attributes: ['id', 'seatId', 'holderId'],
    raw: true,
  });
  const seats = await db.seats.findAll({
    where: { clubId: actor.clubId, id: [...new Set(plants.map(({ seatId }) => seatId))] },
    attributes: ['id', 'personId'],
    raw: true,
  });
  const personOf = new Map(seats.map(({ id, personId }) => [id, personId]));
  // Whoever has a plant is told of it.
  const growerOf = new Map(plants.map(({ id, seatId, holderId }) => [id, holderId ?? personOf.get(seatId)!]));
  const people = await db.people.findAll({
    where: { clubId: actor.clubId, id: [...new Set(growerOf.values())] },
    attributes: ['id', 'name'],
    raw: true,
  });
  const sentence = takeSentence(takeOfStates(facts.map(({ fate }) => fate)), null, view.whose);
  const own = groupedBy(facts, ({ plantId }) => growerOf.get(plantId)!);
  return people
    .flatMap(({ id, name }) => (name ? [{ id, name }] : []))
    .sort((a, b) => a.name.localeCompare(b.name))
    .map(({ id, name }) => ({
      name,
      clubName: actor.clubName,
      whose: view.whose,
      sentence,
      own: (own.get(id) ?? []).map(({ called, variety, date, fate }) => ({ called, variety, made: date, state: fate })),
    }));
}
