import { isHappening } from '@/core/aftercare/happening';
import type { BarkTried, FactsOfUnion } from '@/core/findings/causes/evidence/facts-of-union';
import { bleeds, kindOf } from '@/core/methods/compatibility/compatibility';
import { pairOfGenera } from '@/core/methods/compatibility/pair-of-genera';
import { nextLeafFall } from '@/core/aftercare/plan/task-days';
import { variantMade } from '@/core/follow-up/asked-union';
import { daysBetween } from '@/core/units/iso-date';
import type { ReportRow, RoundRow } from '@/db/models/follow-up-rows';
import type { ObservationRow } from '@/db/models/plan-rows';
import { UNSET } from '@/db/unset';
import type { LivingUnion } from '@/server/aftercare/living-union';
import { siteLives } from '@/server/aftercare/site-lives';
import type { UnionWithPlan } from '@/server/aftercare/union-plans';
import type { Context } from '@/server/platform/context';
import { callusFacts } from './callus-facts';
import { judgedFacts } from './judged-grades';
import { lotsById, woodFacts } from './wood-facts';
import { groupByUnion } from '@/server/score/scored-unions';

/** Days to either side of a graft within which a try at the bark tells of it. */
const BARK_DAYS = 3;

/** What the club's record holds of some unions that died, by union: all that bears on why. */
export async function factsOfUnions(
  context: Context,
  plans: readonly UnionWithPlan[],
  all: readonly LivingUnion[],
  keptOf: ReadonlyMap<string, ReadonlySet<string>>,
): Promise<Map<string, FactsOfUnion>> {
  if (plans.length === 0) return new Map();
  const { db, actor } = context;
  const { clubId } = actor;
  const unionId = plans.map(({ union }) => union.id);
  const sites = [...new Map(plans.map(({ site }) => [site.id, site])).values()];
  const [judged, lots, callus, lives, observations, reports, rounds] = await Promise.all([
    judgedFacts(
      context,
      plans.map(({ union, site }) => ({ union, zone: site.timeZone })),
    ),
    lotsById(
      context,
      plans.map(({ wood }) => wood.id),
    ),
    callusFacts(context, plans),
    siteLives(context, sites),
    db.observations.findAll({ where: { clubId, withdrawn: false }, raw: true }),
    db.reports.findAll({ where: { clubId, unionId, setAsideAt: UNSET }, order: [['turn', 'DESC']], raw: true }),
    db.rounds.findAll({ where: { clubId }, raw: true }),
  ]);
  const living = livingOn(all);
  const roundOf = new Map(rounds.map((round) => [round.id, round]));
  const reportsOf = groupByUnion(reports);
  return new Map(
    plans.map((plan): [string, FactsOfUnion] => {
      const { union, wood, stock, site, plant, facts } = plan;
      const own = reportsOf.get(union.id) ?? [];
      const life = lives.get(site.id)!;
      const made: FactsOfUnion = {
        madeOn: union.madeOn,
        deadOn: facts!.firstDeadOn!,
        wayOn: variantMade(union).wayOn,
        judged: judged.get(union.id) ?? null,
        wood: woodFacts(lots.get(wood.id)!, union.madeOn, site),
        pair: pairOfGenera(stock.species, wood.species),
        bleeds: bleeds(stock.species, { method: union.method, place: union.variant === 'bench' ? 'bench' : 'field' }),
        bark: barkSeen(observations, { siteId: site.id, species: stock.species, madeOn: union.madeOn }),
        callus: callus.get(union.id) ?? null,
        weather: plan.weathered.weather,
        hotDay: life.assumption('hot-day').value,
        materials: union.materials,
        tasks: plan.tasks,
        closed: plan.marks.map(({ task, doneOn, outcome, occurrence }) => ({
          task,
          on: doneOn,
          how: outcome,
          occurrence,
        })),
        kept: keptOf.get(union.workshopId) ?? new Set(),
        ties: plan.ties,
        siblingLives: [...(living.get(plant.id) ?? [])].some((id) => id !== union.id),
        grewOn: grewOn(plan, own, roundOf),
        leavesFall: nextLeafFall(union.madeOn, life.turnsOf(wood.species)),
        signsSayDead: ['dead', 'likely dead'].includes(own.find(({ answer }) => answer === 'dead')?.reading ?? ''),
        happened: plan.seen.flatMap(({ kind, about, seenOn }) =>
          (kind === 'happened' || kind === 'ended') && isHappening(about) ? [{ on: seenOn, code: about }] : [],
        ),
        signs: own.flatMap(({ answer, signs, seenOn }) => (answer === 'dead' && signs ? [{ on: seenOn, signs }] : [])),
      };
      return [union.id, made];
    }),
  );
}

/** Unions that are known to live, by their plant. */
function livingOn(all: readonly LivingUnion[]): Map<string, Set<string>> {
  const living = new Map<string, Set<string>>();
  for (const { union, plant, facts } of all)
    if (facts?.lastAliveOn && !facts.firstDeadOn && !facts.voided)
      living.set(plant.id, (living.get(plant.id) ?? new Set()).add(union.id));
  return living;
}

function barkSeen(
  observations: readonly ObservationRow[],
  { siteId, species, madeOn }: { siteId: string; species: string; madeOn: string },
): BarkTried | null {
  const far = (row: ObservationRow): number => Math.abs(daysBetween(row.seenOn, madeOn));
  const [nearest] = observations
    .filter(
      (row) =>
        row.siteId === siteId &&
        (row.sign === 'bark-slips' || row.sign === 'bark-tight') &&
        kindOf(row.species) === kindOf(species) &&
        far(row) <= BARK_DAYS,
    )
    .sort((a, b) => far(a) - far(b));
  return nearest ? { on: nearest.seenOn, slips: nearest.sign === 'bark-slips' } : null;
}

/** Days on which growth was seen: measured, met on a look, or told. */
function grewOn(
  { seen }: UnionWithPlan,
  reports: readonly ReportRow[],
  roundOf: ReadonlyMap<string, RoundRow>,
): string[] {
  const looked = seen
    .filter(
      ({ kind, about, lengthMm }) =>
        (kind === 'height' && (lengthMm ?? 0) > 0) ||
        (kind === 'event' && (about === 'growth-starts' || about === 'bud-grows')),
    )
    .map(({ seenOn }) => seenOn);
  const told = reports
    .filter(({ signs, answer, roundId }) => {
      const milestone = roundOf.get(roundId)?.milestone;
      const grown = answer === 'yes' && (milestone === 'growing' || milestone === 'season');
      return grown || (signs?.growth ?? 0) > 0 || signs?.buds === 'leaf' || signs?.leaves !== undefined;
    })
    .map(({ seenOn }) => seenOn);
  return [...new Set([...looked, ...told])].sort();
}
