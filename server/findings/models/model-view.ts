import { string } from 'yup';
import type {
  BandsView,
  CompareView,
  CostsView,
  ModelName,
  ModelView,
  ModelViews,
} from '@/core/findings/boards/model-views';
import { answersMissing, MINIMUM } from '@/core/findings/facts/answers-missing';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import { filterOf, keeperFacts } from '@/server/findings/facts/keeper-facts';
import { judgedKeepers } from '@/server/findings/facts/judged-keepers';
import { judgedPoints } from '@/core/findings/points/judged-points';
import { causesByUnion } from '@/core/findings/causes/causes-by-union';
import { deathsOf } from '@/server/findings/causes/deaths';
import { levelNames } from '@/server/findings/causes/level-names';
import { seenPlants } from '@/server/findings/boards/when-board';
import { allow, type Context } from '@/server/platform/context';
import { notFound } from '@/server/platform/use-case-error';
import { comparedUnions, compareView, missingToCompare } from './compare';
import { costsView, missingForCosts } from './costs';
import { type Ask, type Reckoned, reckoned } from './reckoned';
import { weightsView } from './weights';

const NAMES: readonly ModelName[] = ['compare', 'costs', 'bands', 'weights'];

/** A model of the keepers of a filter, as far as it is reckoned. */
export async function modelView(
  context: Context,
  wanted: unknown,
  input: unknown,
): Promise<ModelView<ModelViews[ModelName]>> {
  allow(context, 'viewer');
  const name = NAMES.find((each) => each === string().cast(wanted));
  if (name === 'compare') return comparedView(context, input, reckoned);
  if (name === 'costs') return pointsView(context, input, reckoned);
  if (name === 'bands') return bandsView(context, input);
  if (name === 'weights') return weightsView(context, filterOf(input), reckoned);
  throw notFound('This model');
}

/** Lots, stocks, days and hands weighed at once. */
export async function comparedView(context: Context, input: unknown, ask: Ask): Promise<ModelView<CompareView>> {
  const filter = filterOf(input);
  return comparedOf(context, filter, await keeperFacts(context, filter), ask);
}

/** The same of keepers that were read already. */
export async function comparedOf(
  context: Context,
  filter: FindingsFilter,
  facts: readonly KeeperFact[],
  ask: Ask,
): Promise<ModelView<CompareView>> {
  const unions = comparedUnions(facts);
  const missing = missingToCompare(unions);
  if (missing) return missing;
  const found = await ask('mixed', unions);
  if (found.state !== 'done') return found;
  const [nameOf, workshops] = await Promise.all([
    levelNames(context),
    context.db.workshops.findAll({ where: { clubId: context.actor.clubId }, attributes: ['id', 'title'], raw: true }),
  ]);
  return compareView(found as Reckoned<never>, unions, {
    nameOf,
    workshops: new Map(workshops.map(({ id, title }) => [id, `“${title}”`])),
    filter,
  });
}

/** What each point costs, and what those died of that had it. */
export async function pointsView(context: Context, input: unknown, ask: Ask): Promise<ModelView<CostsView>> {
  const filter = filterOf(input);
  const facts = await keeperFacts(context, filter);
  const inScope = new Set(facts.map(({ unionId }) => unionId));
  return pointsOfFacts(context, facts, ask, async () => {
    const { deaths } = await deathsOf(context, filter.workshopId, (unionId) => inScope.has(unionId));
    return causesByUnion(deaths);
  });
}

/** What each point costs, of keepers that were read already; causes are asked for once the model is there. */
export async function pointsOfFacts(
  context: Context,
  facts: readonly KeeperFact[],
  ask: Ask,
  causes: () => Promise<ReadonlyMap<string, string>>,
): Promise<ModelView<CostsView>> {
  const judged = await judgedKeepers(context, facts);
  const points = judgedPoints(judged);
  const missing = missingForCosts(points);
  if (missing) return missing;
  const found = await ask('points', points.known);
  if (found.state !== 'done') return found;
  return costsView(found as Reckoned<never>, points, {
    judged,
    causeOf: await causes(),
    unit: context.actor.lengthUnit,
  });
}

async function bandsView(context: Context, input: unknown): Promise<ModelView<BandsView>> {
  const plants = seenPlants(await keeperFacts(context, filterOf(input)));
  const dead = plants.filter(({ right }) => right !== null).length;
  const missing = answersMissing({ alive: plants.length - dead, dead }, MINIMUM.survival);
  if (missing > 0)
    return {
      state: 'missing',
      missing: { known: plants.length, rarer: Math.min(dead, plants.length - dead), missing },
      sentence: `About ${missing} more answers would do.`,
    };
  const days = [...new Set(plants.flatMap(({ left, right }) => [left, ...(right === null ? [] : [right])]))]
    .filter((day) => day > 0)
    .sort((a, b) => a - b);
  const found = reckoned('survival', { plants, days: thinned(days) });
  return found.state === 'done'
    ? { state: 'done', id: found.id, view: { bands: found.result, plants: plants.length } }
    : found;
}

const MOST_DAYS = 60;

/** Days at which bands are asked: not more than can be drawn. */
function thinned(days: readonly number[]): number[] {
  const every = Math.ceil(days.length / MOST_DAYS);
  return days.filter((_, i) => i % every === every - 1 || i === days.length - 1);
}
