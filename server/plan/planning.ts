import { shownTechnique } from '@/core/methods/shown-technique';
import type { Tool } from '@/core/methods/tool';
import type { PlannedMethod } from '@/core/plan/dates/planned-method';
import { kindOf } from '@/core/methods/compatibility/compatibility';
import { methodById, METHODS } from '@/core/methods/registry';
import { type DatedPlan, datedPlan, type PlanFacts } from '@/core/plan/dates/dated-plan';
import { reckonedDay } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import type { SiteRow, WorkshopRow } from '@/db/models/plan-rows';
import type { Context } from '@/server/platform/context';
import { kept } from '@/server/platform/kept';
import { workshopLots } from './lots';
import { type MethodsPart, plannedMethods } from './planned-methods';
import { listRounds } from './rounds-of-workshop';
import { getSite, listObservations, listSites } from '@/server/club/sites';
import { getWorkshop, listWorkshops } from './workshops';

export interface Planning {
  workshop: WorkshopRow;
  site: SiteRow;
  plan: MethodsPart;
  planVersion: number;
  facts: PlanFacts;
}

/** The dates of a plan, reckoned once for the same facts. */
export function reckonedPlan(facts: PlanFacts): DatedPlan {
  return kept('dated plan', facts, (from) => datedPlan(from, METHODS));
}

/** A workshop, its site and what is taught, with all that its dates hang on. */
export async function planning(context: Context, workshopId: string): Promise<Planning> {
  return planningOf(context, await getWorkshop(context, workshopId));
}

/** The same of a workshop that was read already. */
export async function planningOf(context: Context, stored: WorkshopRow): Promise<Planning> {
  // A year that cannot be right would carry every date with it out of the calendar.
  const workshop = { ...stored, date: reckonedDay(stored.date) };
  const workshopId = workshop.id;
  const [site, sites, observations, methods, rounds, lots, workshops] = await Promise.all([
    getSite(context, workshop.siteId),
    listSites(context),
    listObservations(context, workshop.siteId),
    plannedMethods(context, workshop),
    listRounds(context, workshopId),
    workshopLots(context, workshopId),
    listWorkshops(context),
  ]);
  return {
    workshop,
    site,
    plan: methods.body,
    planVersion: methods.version,
    facts: {
      title: workshop.title,
      date: workshop.date,
      today: dateInZone(context.now, site.timeZone),
      methods: methods.body.methods,
      schools: workshop.schools,
      tools: toolsOf(methods.body.methods, workshop),
      temperatureUnit: context.actor.temperatureUnit,
      lengthUnit: context.actor.lengthUnit,
      year: {
        hemisphere: site.hemisphere,
        climate: site.climate,
        edits: site.assumptions,
        observations: observations.map(({ species, sign, seenOn }) => ({ species, sign, on: seenOn })),
      },
      rounds: rounds.map(({ milestone, asks, opensOn, closesOn }) => ({ milestone, asks, opensOn, closesOn })),
      lots: lots.wood.map(({ variety, species, cutOn }) => ({ name: variety, species: kindOf(species), cutOn })),
      others: workshops
        .filter(({ id }) => id !== workshopId)
        .map((other) => ({
          title: other.title,
          date: reckonedDay(other.date),
          site: sites.find(({ id }) => id === other.siteId)?.name ?? '',
          elsewhere: other.siteId !== workshop.siteId,
          tools: shownTechnique(methodById(other.method), other.schools).tools,
        })),
    },
  };
}

/** What the hands of a day work with, by its methods and schools, each tool once. */
function toolsOf(methods: readonly PlannedMethod[], { schools }: Pick<WorkshopRow, 'schools'>): Tool[] {
  const tools = methods.flatMap(({ method }) => shownTechnique(methodById(method), schools).tools);
  return [...new Map(tools.map((tool) => [tool.id, tool])).values()];
}
