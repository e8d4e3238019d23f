import type { PlaceView, SiteOfPlaces, TreeLimb } from '@/core/aftercare/places/place-view';
import { weeklyGrowth } from '@/core/aftercare/growth/weekly-growth';
import type { GrowthObservation } from '@/core/aftercare/growth/growth-date';
import { growthOf } from '@/core/aftercare/plan/union-life';
import type { Limb } from '@/core/plan/topworking/limb';
import { UNSET } from '@/db/unset';
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

/**
 * The limbs of a tree that is changed over, each with how its graft grows beside those of the others: where it is slow and
 * a nurse limb stands, that one is to be thinned.
 */
export async function treeLimbs({ db, actor }: Context, { planId }: Pick<PlaceRow, 'planId'>): Promise<TreeLimb[]> {
  if (planId === null) return [];
  const plan = await db.topworkingPlans.findOne({ where: { clubId: actor.clubId, id: planId }, raw: true });
  const limbs = plan?.limbs ?? [];
  const grafted = limbs.filter(({ graftedOn }) => graftedOn);
  const seen =
    grafted.length === 0
      ? []
      : await db.unionObservations.findAll({
          where: { clubId: actor.clubId, unionId: grafted.map(({ id }) => id), takenBackAt: UNSET },
          order: [['seenOn', 'ASC']],
          raw: true,
        });
  const growthOfLimb = ({ id, graftedOn }: Limb): GrowthObservation[] =>
    growthOf(
      graftedOn!,
      seen.filter(({ unionId }) => unionId === id),
    );
  const nurse = limbs.find(({ deed }) => deed === 'nurse');
  return limbs.map((limb) => {
    if (!limb.graftedOn) return { ...limb, graft: null, growth: null, thinNurse: '' };
    const kin = grafted.filter(({ id, method }) => id !== limb.id && method === limb.method);
    const growth = weeklyGrowth(growthOfLimb(limb), kin.map(growthOfLimb));
    return {
      ...limb,
      graft: { madeOn: limb.graftedOn },
      growth,
      thinNurse: growth?.slow && nurse ? `shorten ${nurse.name}, the nurse limb, so that more sap goes here` : '',
    };
  });
}

/** Places as they are chosen for a move, of all sites. */
export function choicesOf(
  sites: readonly SiteOfPlaces[],
  plans: readonly { id: string; limbs: readonly Limb[] }[],
): (Pick<PlaceView, 'id' | 'name' | 'kind' | 'rows' | 'capacity'> & { site: string; held: number; limbs: string[] })[] {
  return sites.flatMap(({ site, places }) =>
    places.map(({ id, name, kind, rows, capacity, held, planId }) => ({
      id,
      name,
      kind,
      rows,
      capacity,
      site,
      held,
      limbs: plans.find((plan) => plan.id === planId)?.limbs.map((limb) => limb.name) ?? [],
    })),
  );
}
