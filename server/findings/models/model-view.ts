import { string } from 'yup';
import type {
  BandsView,
  CompareView,
  CostsView,
  ModelName,
  ModelView,
  ModelViews,
  SlopeView,
} from '@/core/findings/boards/model-views';
import { answersMissing, MINIMUM } from '@/core/findings/facts/answers-missing';
import type { FindingsFilter } from '@/core/findings/facts/findings-filter';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import { filterOf, keeperFacts } from '@/server/findings/facts/keeper-facts';
import { judgedKeepers } from '@/server/findings/facts/judged-keepers';
import { judgedPoints } from '@/core/findings/points/judged-points';
import type { JudgedUnion, ScoreSlope } from '@/core/findings/score/score-slope';
import { slopeSentence } from '@/core/findings/sentences/score-sentence';
import { causesByUnion } from '@/core/findings/causes/causes-by-union';
import { deathsOf } from '@/server/findings/causes/deaths';
import { levelNames } from '@/server/findings/causes/level-names';
import { seenPlants } from '@/server/findings/boards/when-board';
import { allow, type Context } from '@/server/platform/context';
import { notFound } from '@/server/platform/use-case-error';
import { compareView, knownUnions, missingToCompare } from './compare';
import { homesOfMakers } from './homes-of-makers';
import { costsView, missingForCosts } from './costs';
import { type Ask, type Reckoned, reckoned } from './reckoned';
import { weightsView } from './weights';

const NAMES: readonly ModelName[] = ['compare', 'costs', 'slope', 'bands', 'weights'];

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
  if (name === 'slope') return slopeOf(await keeperFacts(context, filterOf(input)), reckoned);
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
  const unions = knownUnions(facts);
  const missing = missingToCompare(unions);
  if (missing) return missing;
  const found = await ask(
    'mixed',
    unions.map((union) => ({ ...union, score: null, fatal: null })),
  );
  if (found.state !== 'done') return found;
  const [nameOf, workshops, homeOf] = await Promise.all([
    levelNames(context),
    context.db.workshops.findAll({ where: { clubId: context.actor.clubId }, attributes: ['id', 'title'], raw: true }),
    homesOfMakers(context, facts),
  ]);
  return compareView(found as Reckoned<never>, {
    nameOf,
    workshops: new Map(workshops.map(({ id, title }) => [id, `“${title}”`])),
    homeOf,
    filter,
  });
}

/** What the score means for the same hand on the same day. */
export async function slopeOf(facts: readonly KeeperFact[], ask: Ask): Promise<ModelView<SlopeView>> {
  const judged = knownUnions(facts).flatMap((union): JudgedUnion[] =>
    union.score === null || union.fatal === null ? [] : [{ ...union, score: union.score, fatal: union.fatal }],
  );
  const alive = judged.filter((union) => union.alive).length;
  const dead = judged.length - alive;
  const missing = answersMissing({ alive, dead }, MINIMUM.score);
  if (missing > 0)
    return {
      state: 'missing',
      missing: { known: judged.length, rarer: Math.min(alive, dead), missing },
      sentence: `What the score foretells is not known yet: of judged keepers ${judged.length} have a known fate (${alive} live, ${dead} died). About ${missing} more answers would do.`,
    };
  const found = await ask('slope', judged);
  if (found.state !== 'done') return found;
  const slope = (found as { result: ScoreSlope }).result;
  return { state: 'done', id: found.id, view: { ...slope, sentence: slopeSentence(slope) } };
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
