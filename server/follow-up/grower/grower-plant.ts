import { normaliseCode } from '@/core/codes/plant-code';
import type { LifeEvent } from '@/core/aftercare/life/plant-life';
import type { GrowerPlantLife } from '@/core/follow-up/grower-plant-life';
import { writtenTo } from '@/core/follow-up/letters/written-to';
import type { Wording } from '@/core/follow-up/wording/wording';
import { UNSET } from '@/db/unset';
import { plantLife } from '@/server/aftercare/plant-life';
import { unionPicture } from '@/server/aftercare/union-picture';
import type { Services } from '@/server/platform/context';
import { GrowerError } from './grower-error';
import { hasPlant } from '../asks/plants-of-people';
import { openLink } from './open-link';

/** One of a grower's own plants: its life, what it wants next, how it was joined. Names of members are left out. */
export async function growerPlant(
  services: Services,
  token: string,
  code: string,
): Promise<{ page: GrowerPlantLife; wording: Wording }> {
  const { link, person, club, wording, reader } = await openLink(services, token);
  const { clubId } = link;
  const { db } = services;
  const plant = await db.plants.findOne({
    where: { clubId, code: normaliseCode(code).slice(0, 12), voidedAt: UNSET },
    raw: true,
  });
  if (!plant || !(await hasPlant(reader, person.id, plant.id))) throw new GrowerError('not-found', 'error.not-yours');
  const life = await plantLife(reader, plant.code);
  const drawings = await Promise.all(life.unions.map(({ unionId }) => unionPicture(reader, unionId)));
  const unions = life.unions.map((union) => ({ ...union, events: union.events.map(unnamed) }));
  return {
    page: {
      clubName: club.name,
      mayContact: writtenTo(person) === null ? null : person.mayContact,
      unit: reader.actor.lengthUnit,
      plant: { ...life, unions },
      drawings,
    },
    wording,
  };
}

/** An entry without who made it. */
function unnamed(event: LifeEvent): LifeEvent {
  const { id: eventId, on, kind, words, to } = event;
  return { id: eventId, on, kind, words, ...(to === undefined ? {} : { to }) };
}
