import { madeWith } from '@/core/methods/made-with';
import { methodById } from '@/core/methods/registry';
import type { Limb } from '@/core/plan/topworking/limb';
import type { SiteRow, TopworkingPlanRow, WorkshopRow } from '@/db/models/plan-rows';
import type { UnionRow } from '@/db/models/union-rows';
import type { Context } from '@/server/platform/context';
import { variantOnDay } from '@/server/plan/variant-on-day';
import { listSiteYears } from '@/server/plan/site-years';
import { unionOn } from './make-keepers';
import type { LivingUnion } from './living-union';

type GraftedLimb = Limb & { graftedOn: string; method: string };

/** Limbs of a programme that were grafted, with the day. */
export function graftedLimbs({ limbs }: Pick<TopworkingPlanRow, 'limbs'>): GraftedLimb[] {
  return limbs.filter(
    (limb): limb is GraftedLimb => limb.deed === 'graft' && limb.method !== null && Boolean(limb.graftedOn),
  );
}

/**
 * Grafted limbs of topworking programmes as unions under care: each goes by its method, the season it was grafted in and
 * the year of the club's first site. A limb is called by its name, its day by the tree.
 */
export async function limbUnions(
  context: Context,
  plans: readonly TopworkingPlanRow[],
  sites: readonly SiteRow[],
): Promise<Omit<LivingUnion, 'marks' | 'beside' | 'seen'>[]> {
  const [known] = await listSiteYears(context, sites.slice(0, 1));
  if (!known) return [];
  return plans.flatMap((plan) =>
    graftedLimbs(plan).map((limb): Omit<LivingUnion, 'marks' | 'beside' | 'seen'> => {
      const method = methodById(limb.method);
      const variant = variantOnDay(
        known.year,
        limb.method,
        { scion: plan.species, stock: plan.species },
        limb.graftedOn,
      );
      const row = { clubId: plan.clubId, workshopId: plan.id, seatId: plan.id };
      const plant = {
        ...row,
        id: limb.id,
        code: '',
        place: limb.height,
        woodLotId: '',
        stockLotId: '',
        voidedAt: null,
        doubt: '' as const,
        withUs: true,
        holderId: null,
      };
      const making = { method: method.id, variant, ...madeWith(method, {}, variant), madeOn: limb.graftedOn };
      const union: UnionRow = {
        ...unionOn(plant, making, ''),
        id: limb.id,
        position: 'sole',
        changedAt: plan.changedAt,
      };
      return {
        union,
        called: limb.name,
        href: `/topworking/${plan.id}`,
        plant,
        wood: { id: plan.id, variety: plan.tree, species: plan.species, sticks: 0, booked: 0 },
        dormant: [],
        stock: { id: plan.id, stockType: plan.species, species: plan.species },
        workshop: treeAsDay(plan, known.site, limb.graftedOn),
        site: known.site,
        facts: null,
      };
    }),
  );
}

/** What groups the limbs of a tree, as a workshop groups its plants. */
function treeAsDay(plan: TopworkingPlanRow, site: SiteRow, date: string): WorkshopRow {
  return {
    id: plan.id,
    clubId: plan.clubId,
    title: plan.tree,
    date,
    siteId: site.id,
    method: '',
    promisedKeepers: 0,
    promise: '',
    scionSpecies: plan.species,
    stockSpecies: plan.species,
    schools: {},
    createdAt: plan.changedAt,
    putAwayAt: null,
    asksAlone: false,
  };
}
