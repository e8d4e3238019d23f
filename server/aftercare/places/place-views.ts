import type { PlaceView, SiteOfPlaces, TreeLimb } from '@/core/aftercare/places/place-view';
import type { PlaceRow } from '@/db/models/place-rows';
import { listSites } from '@/server/club/sites';
import { allow, type Context } from '@/server/platform/context';
import { listPlaces } from './places';
import { standingPlants } from './standing-plants';

/** A place as pages show it. */
export function placeView(row: PlaceRow): PlaceView {
  const { id, siteId, kind, name, capacity, rows, onLand, planId, kin, warmFrom, logger, alertHours, version } = row;
  const { owner, leaveBy, leaveUntil, told, putAwayAt } = row;
  const land = { owner, leaveBy, leaveUntil, told };
  const watch = { kin, warmFrom, logger, alertHours };
  return {
    id,
    siteId,
    kind,
    name,
    capacity,
    rows,
    onLand,
    planId,
    ...watch,
    ...land,
    putAway: putAwayAt !== null,
    version,
  };
}

/** Every site with its places, what stands in each, and plants of its workshops that stand nowhere yet. */
export async function sitesOfPlaces(context: Context): Promise<SiteOfPlaces[]> {
  allow(context, 'viewer');
  const [sites, places, plants] = await Promise.all([listSites(context), listPlaces(context), standingPlants(context)]);
  const siteOfPlace = new Map(places.map(({ id, siteId }) => [id, siteId]));
  return sites.map(({ id, name }) => {
    const here = plants.filter((plant) => (siteOfPlace.get(plant.standing?.placeId ?? '') ?? plant.siteId) === id);
    return {
      siteId: id,
      site: name,
      places: places
        .filter(({ siteId }) => siteId === id)
        .map((place) => ({
          ...placeView(place),
          held: here.filter(({ standing }) => standing?.placeId === place.id).length,
        })),
      plants: here,
    };
  });
}

/** The limbs of a tree that is changed over, each with how its graft stands. */
export async function treeLimbs({ db, actor }: Context, { planId }: Pick<PlaceRow, 'planId'>): Promise<TreeLimb[]> {
  if (planId === null) return [];
  const plan = await db.topworkingPlans.findOne({ where: { clubId: actor.clubId, id: planId }, raw: true });
  return (plan?.limbs ?? []).map((limb) => ({
    ...limb,
    graft: limb.graftedOn ? { href: `/topworking/${plan!.id}`, dead: false, madeOn: limb.graftedOn } : null,
  }));
}
