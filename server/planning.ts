import { kindOf } from '@/core/compatibility/compatibility';
import { methodById } from '@/core/methods/registry';
import type { PlanFacts } from '@/core/planning/dated-plan';
import { dateInZone } from '@/core/units/iso-date';
import type { SiteRow, WorkshopRow } from '@/db/models/rows';
import type { Context } from './context';
import { workshopLots } from './lots';
import { type MethodsPart, plannedMethods } from './planned-methods';
import { listRounds } from './rounds';
import { getSite, listObservations, listSites } from './sites';
import { getWorkshop, listWorkshops } from './workshops';

export interface Planning {
  workshop: WorkshopRow;
  site: SiteRow;
  plan: MethodsPart;
  planVersion: number;
  facts: PlanFacts;
}

/** A workshop, its site and what is taught, with all that its dates hang on. */
export async function planning(context: Context, workshopId: string): Promise<Planning> {
  const workshop = await getWorkshop(context, workshopId);
  const [site, sites, observations, methods, rounds, lots, workshops] = await Promise.all([
    getSite(context, workshop.siteId), listSites(context), listObservations(context, workshop.siteId), plannedMethods(context, workshop), listRounds(context, workshopId), workshopLots(context, workshopId), listWorkshops(context),
  ]);
  return {
    workshop, site, plan: methods.body, planVersion: methods.version,
    facts: {
      title: workshop.title, date: workshop.date, today: dateInZone(context.now, site.timeZone), methods: methods.body.methods, temperatureUnit: context.actor.temperatureUnit, lengthUnit: context.actor.lengthUnit,
      year: { hemisphere: site.hemisphere, climate: site.climate, edits: site.assumptions, observations: observations.map(({ species, sign, seenOn }) => ({ species, sign, on: seenOn })) },
      rounds: rounds.map(({ milestone, opensOn, closesOn }) => ({ milestone, opensOn, closesOn })),
      lots: lots.wood.map(({ variety, species, cutOn }) => ({ name: variety, species: kindOf(species), cutOn })),
      others: workshops.filter(({ id }) => id !== workshopId).map((other) => ({
        title: other.title, date: other.date, site: sites.find(({ id }) => id === other.siteId)?.name ?? '', elsewhere: other.siteId !== workshop.siteId, tools: methodById(other.method).tools,
      })),
    },
  };
}
