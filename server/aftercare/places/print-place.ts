import { printJob } from '@/server/jobs/run-job';
import { formatCode } from '@/core/codes/plant-code';
import { bedFromAbove, keepOffDrawing } from '@/core/aftercare/places/keep-off-drawing';
import { orderOf, spotWords } from '@/core/aftercare/places/place';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { dueTasks } from '@/core/aftercare/week/due-tasks';
import type { DisplayList } from '@/core/drawing/display-list';
import { paperInput } from '@/core/inputs/fields';
import { ribbonById } from '@/core/plan/wood/ribbons';
import { treeView } from '@/core/plan/topworking/tree-view';
import { counted } from '@/core/units/counted';
import { addDays } from '@/core/units/iso-date';
import { written } from '@/core/units/prose';
import { dateInZone } from '@/core/units/zoned-date';
import type { PlaceRow } from '@/db/models/place-rows';
import { getSite } from '@/server/club/sites';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';
import { livingUnions } from '../living-unions';
import { unionPlans } from '../union-plans';
import { VISIT_DAYS, visitsUntil } from '../visits';
import { treeLimbs } from './place-views';
import { getPlace } from './places';
import { standingPlants } from './standing-plants';

const DOUBT_WORDS = { '': '', plant: ' (which of its lot: not sure)', lot: ' (variety not sure)' } as const;

/** Plants of a place in planting order; those without a spot last, as they were made. */
export function inPlantingOrder(plants: readonly PlacedPlant[], { rows }: Pick<PlaceRow, 'rows'>): PlacedPlant[] {
  const order = ({ standing }: PlacedPlant): number => (standing && orderOf(standing.spot, rows)) ?? Infinity;
  return [...plants].sort((a, b) => order(a) - order(b) || 0);
}

/** What stands in a place, in planting order, as PDF. */
export async function plantingOrder(context: Context, placeId: string, input: unknown): Promise<Buffer> {
  allow(context, 'viewer');
  const { paper } = parse(paperInput, input);
  const place = await getPlace(context, placeId);
  const [site, plants] = await Promise.all([getSite(context, place.siteId), standingPlants(context, placeId)]);
  return printJob(
    'print planting order',
    {
      place: place.name,
      site: site.name,
      on: dateInZone(context.now, site.timeZone),
      plants: inPlantingOrder(plants, place).map(({ code, variety, made, ribbon, doubt, standing }) => ({
        code: formatCode(code),
        variety,
        made,
        ribbon: ribbonById(ribbon).name,
        spot: spotWords(standing!.spot),
        row: standing!.spot.row,
        doubt: DOUBT_WORDS[doubt],
      })),
    },
    paper,
  );
}

/** A slip for whoever owns the land of a place: what stands there, what not to mow or cut, when somebody comes. */
export async function landSlip(context: Context, placeId: string, input: unknown): Promise<Buffer> {
  allow(context, 'viewer');
  const { paper } = parse(paperInput, input);
  const place = await getPlace(context, placeId);
  if (place.owner === '')
    throw new UseCaseError('invalid', 'Say first whose land it is and who gave leave; then the slip can be printed.', {
      owner: 'Whose land is it?',
    });
  const [site, plants, limbs] = await Promise.all([
    getSite(context, place.siteId),
    standingPlants(context, placeId),
    treeLimbs(context, place),
  ]);
  const grafted = limbs.filter(({ graft }) => graft !== null).length;
  const varieties = [...new Set(plants.map(({ variety, species }) => `${variety} (${species})`))];
  const what = [
    plants.length > 0 ? `${counted(plants.length, 'graft')} of ${varieties.join(', ')}` : '',
    grafted > 0 ? `a tree with ${counted(grafted, 'grafted limb')}` : '',
  ].filter(Boolean);
  const planned: DisplayList | null =
    limbs.length > 0
      ? treeView(limbs)
      : place.rows && place.rows.spacing !== null && place.rows.between !== null
        ? bedFromAbove(
            place.rows,
            plants.map(({ standing }) => standing!.spot),
            context.actor.lengthUnit,
          )
        : null;
  return printJob(
    'print land slip',
    {
      club: context.actor.clubName,
      place: place.name,
      site: site.name,
      owner: place.owner,
      leaveBy: place.leaveBy,
      leaveUntil: place.leaveUntil,
      told: place.told,
      plants: what.length === 0 ? 'Nothing stands here yet.' : `${what.join(' and ')}.`,
      visits: await visitsTo(
        context,
        place,
        plants,
        limbs.map(({ id }) => id),
      ),
      keepOff: keepOffDrawing(context.actor.lengthUnit),
      plan: planned,
    },
    paper,
  );
}

/** Visits that are for the plants of a place, each with what is done on that day. */
async function visitsTo(
  context: Context,
  { siteId }: PlaceRow,
  plants: readonly PlacedPlant[],
  limbIds: readonly string[],
): Promise<{ on: string; tasks: string }[]> {
  const [rule, plans] = await Promise.all([
    context.db.visitRules.findOne({ where: { clubId: context.actor.clubId, siteId }, raw: true }),
    livingUnions(context).then((unions) => unionPlans(context, unions)),
  ]);
  const today = plans.find(({ site }) => site.id === siteId)?.today;
  if (!rule || !today) return [];
  const until = addDays(today, VISIT_DAYS);
  const here = new Set([...plants.map(({ plantId }) => plantId), ...limbIds]);
  const due = plans
    .filter(({ plant }) => here.has(plant.id))
    .flatMap(({ tasks, ties, today: day }) => dueTasks(tasks, ties, day, until));
  return visitsUntil(rule, plans, until).flatMap(({ on }) => {
    const names = due
      .filter(({ due: { from, to } }) => from <= on && to >= on)
      .map(({ name }) => written(name, context.actor.lengthUnit));
    return names.length === 0 ? [] : [{ on, tasks: [...new Set(names)].slice(0, 3).join('; ') }];
  });
}
