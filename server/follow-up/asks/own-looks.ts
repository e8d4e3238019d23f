import { counted } from '@/core/units/counted';
import { groupedBy } from '@/core/units/grouped-by';
import { addDays } from '@/core/units/iso-date';
import type { WeekNote } from '@/server/aftercare/this-week';
import { standingPlaces } from '@/server/aftercare/places/standing-words';
import { remembered } from '@/server/club/remembered';
import type { Context } from '@/server/platform/context';
import { MILESTONE_WORDS } from '@/core/methods/milestones';
import { askedUnions, type AskedUnion } from './asked-unions';

/** Days for which a look at the club's own plants is given. */
const WITHIN = 14;

/**
 * Looks that are due at plants which stay with the club, by where they stand: nobody is written to of those, so they are
 * work of the week, with the list of their bed.
 */
export function ownLooks(context: Context): Promise<WeekNote[]> {
  return remembered(context, 'looks at own plants', null, makeOwnLooks);
}

async function makeOwnLooks(context: Context): Promise<WeekNote[]> {
  const { db, actor } = context;
  const plants = await db.plants.findAll({
    where: { clubId: actor.clubId, withUs: true },
    attributes: ['id'],
    raw: true,
  });
  if (plants.length === 0) return [];
  const asked = await askedUnions(context, { plantIds: plants.map(({ id }) => id) });
  const due = asked.filter(({ due: ask }) => ask !== null);
  if (due.length === 0) return [];
  const standing = await standingPlaces(
    context,
    due.map(({ plant }) => plant.id),
  );
  const placeOf = ({ plant }: AskedUnion): string => standing.get(plant.id)?.placeId ?? '';
  const groups = groupedBy(due, (each) => `${placeOf(each)} ${each.workshop.id} ${each.due!.kind}`);
  return [...groups].map(([key, own]): WeekNote => {
    const [first] = own as [AskedUnion];
    const place = standing.get(first.plant.id);
    const count = new Set(own.map(({ plant }) => plant.id)).size;
    return {
      id: `look ${key}`,
      kind: 'round',
      words: `Look at ${counted(count, 'plant')} of ours: ${MILESTONE_WORDS[first.due!.kind].name.toLowerCase()}`,
      detail: place ? `${place.name}. Its list is on its page.` : `${first.workshop.title}. Enter what you see.`,
      by: own.map(({ due: ask }) => addDays(ask!.askOn, WITHIN)).sort()[0]!,
      href: place ? `/places/${place.placeId}` : `/answers?search=${first.plant.code}`,
    };
  });
}
