import { remembered } from '@/server/club/remembered';
import { string } from 'yup';
import type { SurvivalCurve, WhenBoard } from '@/core/findings/boards/board-views';
import { answersMissing, MINIMUM } from '@/core/findings/facts/answers-missing';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import { causesByUnion } from '@/core/findings/causes/causes-by-union';
import { levelOf } from '@/core/findings/facts/take-by';
import { survivalSentence } from '@/core/findings/sentences/survival-sentence';
import type { GrownBetween } from '@/core/findings/survival/survival-bands';
import { turnbull } from '@/core/findings/survival/turnbull';
import { groupedBy } from '@/core/units/grouped-by';
import { counted } from '@/core/units/counted';
import { deathsOf } from '@/server/findings/causes/deaths';
import { levelNames } from '@/server/findings/causes/level-names';
import type { Context } from '@/server/platform/context';
import { levelName } from './take-board';
import { type Scope, scopeOf } from './scope';

const BY = ['method', 'lot', 'cause'] as const;
/** More curves than these cannot be told from one another. */
const MOST_CURVES = 5;

/** When plants of a filter die: of all of them, and by method, lot or cause. */
export function whenBoard(context: Context, input: unknown, wanted: unknown): Promise<WhenBoard> {
  return remembered(context, 'when they die', [input, wanted], (look) => makeWhenBoard(look, input, wanted));
}

async function makeWhenBoard(context: Context, input: unknown, wanted: unknown): Promise<WhenBoard> {
  return whenOfScope(context, await scopeOf(context, input), wanted);
}

/** The same of keepers that were read already. */
export async function whenOfScope(context: Context, { facts, view }: Scope, wanted: unknown): Promise<WhenBoard> {
  const by = BY.find((each) => each === string().cast(wanted)) ?? 'method';
  const seen = seenPlants(facts);
  const deaths = seen.filter(({ right }) => right !== null).length;
  const missing = answersMissing({ alive: seen.length - deaths, dead: deaths }, MINIMUM.survival);
  if (missing > 0)
    return {
      scope: view,
      by,
      curves: [],
      tooFew: [],
      missing: { known: seen.length, rarer: Math.min(deaths, seen.length - deaths), missing },
      sentence: `When they die is not known yet: of ${counted(facts.length, 'keeper')} ${seen.length} were seen again, ${deaths} of them dead. About ${missing} more answers would do.`,
    };
  const whole = { level: '', name: 'all of them', plants: seen.length, deaths, fit: turnbull(seen) };
  const groups = await groupsOf(context, { facts, view }, by);
  const enough = groups.filter(({ plants, deaths: died }) => plants.length >= MINIMUM.survival.known && died > 0);
  return {
    scope: view,
    by,
    missing: null,
    sentence: survivalSentence(whole.fit, deaths),
    curves: [
      whole,
      ...enough.slice(0, MOST_CURVES).map(({ level, name, plants, deaths: died }): SurvivalCurve => ({
        level,
        name,
        plants: plants.length,
        deaths: died,
        fit: turnbull(plants),
      })),
    ],
    tooFew: groups
      .filter((group) => !enough.slice(0, MOST_CURVES).includes(group))
      .map(({ name, plants }) => ({ name, plants: plants.length })),
  };
}

/** Plants that were seen again, by the days between which they died. */
export function seenPlants(facts: readonly KeeperFact[]): GrownBetween[] {
  return facts
    .filter(({ aliveFor, deadBy }) => aliveFor > 0 || deadBy !== null)
    .map(({ aliveFor, deadBy, makerId }) => ({ left: aliveFor, right: deadBy, grower: makerId }));
}

interface Group {
  level: string;
  name: string;
  plants: GrownBetween[];
  deaths: number;
}

async function groupsOf(context: Context, scope: Scope, by: WhenBoard['by']): Promise<Group[]> {
  if (by === 'cause') return causeGroups(context, scope);
  const { facts } = scope;
  const nameOf = await levelNames(context);
  return [...groupedBy(facts, (fact) => levelOf(fact, by))]
    .filter(([level]) => level !== '')
    .map(([level, own]) => groupOf(level, levelName(by, level, { nameOf, siteOf: new Map() }), seenPlants(own)))
    .sort((a, b) => b.deaths - a.deaths);
}

/** Of each cause: the days of those that died of it; what died of another was alive of this one until it was seen dead. */
async function causeGroups(context: Context, { facts, view }: Scope): Promise<Group[]> {
  const inScope = new Set(facts.map(({ unionId }) => unionId));
  const { deaths } = await deathsOf(context, view.filter.workshopId, (unionId) => inScope.has(unionId));
  const known = causesByUnion(deaths);
  const causeOf = new Map(deaths.map(({ unionId }) => [unionId, known.get(unionId) ?? 'not known']));
  const causes = [...new Set(causeOf.values())];
  return causes
    .map((cause) =>
      groupOf(
        cause,
        cause,
        seenPlants(
          facts.map((fact) =>
            fact.deadBy !== null && causeOf.get(fact.unionId) !== cause ? { ...fact, deadBy: null } : fact,
          ),
        ),
      ),
    )
    .sort((a, b) => b.deaths - a.deaths);
}

function groupOf(level: string, name: string, plants: GrownBetween[]): Group {
  return { level, name, plants, deaths: plants.filter(({ right }) => right !== null).length };
}
