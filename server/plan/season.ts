import { addDays } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import { methodById, METHODS } from '@/core/methods/registry';
import { datedPlan, type PlanFacts } from '@/core/plan/dates/dated-plan';
import { seasonWindow, type SeasonWorkshop, type Span } from '@/core/plan/dates/season-line';
import type { WorkshopRow } from '@/db/models/plan-rows';
import type { Context } from '@/server/platform/context';
import { kept } from '@/server/platform/kept';
import { planningOf } from './planning';
import type { SiteYear } from '@/core/plan/dates/taught-on';
import { listSites } from '@/server/club/sites';
import { listSiteYears } from './site-years';
import { listWorkshops } from './workshops';

/**
 * What the season line shows. The dates that hang on a workshop take some reading, so they are worked
 * out for the chosen one, and for all that are shown when none is chosen.
 */
export async function season(
  context: Context,
  chosen: string | null,
  shiftMonths: number,
): Promise<{ today: string; hemisphere: 'north' | 'south'; workshops: SeasonWorkshop[] }> {
  const [workshops, sites] = await Promise.all([listWorkshops(context), listSites(context)]);
  const [site] = sites;
  const today = dateInZone(context.now, site?.timeZone ?? 'UTC');
  const shown = seasonWindow(today, shiftMonths);
  const near = workshops.filter(({ date }) => date >= shown.from && date < shown.to);
  return {
    today,
    hemisphere: site?.hemisphere ?? 'north',
    workshops: await Promise.all(
      near.map(async (workshop) => ({
        id: workshop.id,
        title: workshop.title,
        date: workshop.date,
        trail: chosen === null || chosen === workshop.id ? await trailOf(context, workshop) : null,
      })),
    ),
  };
}

async function trailOf(context: Context, workshop: WorkshopRow): Promise<SeasonWorkshop['trail']> {
  const { facts } = await planningOf(context, workshop);
  // What speaks against the day is not shown on the line, so other workshops do not matter to it.
  return kept('trail', { facts: { ...facts, others: [] }, callusDays: methodById(workshop.method).callusDays }, trail);
}

function trail({ facts, callusDays }: { facts: PlanFacts; callusDays: number }): SeasonWorkshop['trail'] {
  const { date } = facts;
  const { dates } = datedPlan(facts, METHODS);
  const span = (...prefixes: string[]): Span | null => {
    const found = prefixes.flatMap((prefix) => dates.find((plannedDate) => plannedDate.id.startsWith(prefix)) ?? [])[0];
    return found ? { from: found.from, to: found.to } : null;
  };
  return {
    wood: span('wood-cut', 'budwood', 'tips'),
    stocks: span('stocks-warm', 'bleed-cut', 'water'),
    callus: span('callus') ?? { from: date, to: addDays(date, callusDays) },
    planting: span('plant-out'),
    rounds: dates
      .filter(({ kind }) => kind === 'round')
      .map(({ name, from }) => ({ name: name.replace('Follow-up: ', ''), date: from })),
  };
}

/** The club's sites that have a year of their own: normals, and what was seen there. */
export async function siteYears(context: Context): Promise<{ id: string; name: string; year: SiteYear }[]> {
  const sites = (await listSites(context)).filter(({ climate }) => climate !== null);
  return (await listSiteYears(context, sites)).map(({ site: { id, name }, year }) => ({ id, name, year }));
}

/** Today and the half of the earth, as the club's first site has them. */
export async function clubDay(context: Context): Promise<{ today: string; hemisphere: 'north' | 'south' }> {
  const [site] = await listSites(context);
  return { today: dateInZone(context.now, site?.timeZone ?? 'UTC'), hemisphere: site?.hemisphere ?? 'north' };
}
