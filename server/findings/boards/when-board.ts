import { remembered } from '@/server/club/remembered';
import { string } from 'yup';
import type { SurvivalCurve, WhenBoard } from '@/core/findings/boards/board-views';
import { answersMissing, MINIMUM } from '@/core/findings/facts/answers-missing';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import type { DeathView } from '@/core/findings/causes/death-view';
import { levelOf } from '@/core/findings/facts/take-by';
import { survivalSentence } from '@/core/findings/sentences/survival-sentence';
import type { GrownBetween } from '@/core/findings/survival/survival-bands';
import { deadByCause, visitThatTells, watchedDays } from '@/core/findings/survival/dead-by-cause';
import type { DiedBetween } from '@/core/findings/survival/incidence-by-cause';
import { type SurvivalFit, turnbull } from '@/core/findings/survival/turnbull';
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
      byCause: null,
      watched: [],
      visit: '',
      missing: { known: seen.length, rarer: Math.min(deaths, seen.length - deaths), missing },
      sentence: `When they die is not known yet: of ${counted(facts.length, 'keeper')} ${seen.length} were seen again, ${deaths} of them dead. About ${missing} more answers would do.`,
    };
  const whole = { level: '', name: 'all of them', plants: seen.length, deaths, fit: turnbull(seen) };
  const groups = by === 'cause' ? [] : await groupsOf(context, { facts, view }, by);
  const byCause = by === 'cause' ? deadByCause(await diedBetween(context, { facts, view })) : null;
  const enough = groups.filter(({ plants, deaths: died }) => plants.length >= MINIMUM.survival.known && died > 0);
  return {
    scope: view,
    by,
    missing: null,
    byCause,
    watched: watchedDays(seen),
    visit: visitWords(whole.fit.steps),
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

async function groupsOf(context: Context, { facts }: Scope, by: 'method' | 'lot'): Promise<Group[]> {
  const nameOf = await levelNames(context);
  return [...groupedBy(facts, (fact) => levelOf(fact, by))]
    .filter(([level]) => level !== '')
    .map(([level, own]) => groupOf(level, levelName(by, level, { nameOf, siteOf: new Map() }), seenPlants(own)))
    .sort((a, b) => b.deaths - a.deaths);
}

/** Plants as visits saw them, each death for its settled cause, or by their shares for all it may have died of. */
async function diedBetween(context: Context, { facts, view }: Scope): Promise<DiedBetween[]> {
  const inScope = new Set(facts.map(({ unionId }) => unionId));
  const { deaths } = await deathsOf(context, view.filter.workshopId, (unionId) => inScope.has(unionId));
  const causesOf = new Map(deaths.map((death) => [death.unionId, causeShares(death)]));
  return facts
    .filter(({ aliveFor, deadBy }) => aliveFor > 0 || deadBy !== null)
    .flatMap(({ unionId, aliveFor, deadBy }): DiedBetween[] =>
      deadBy === null
        ? [{ left: aliveFor, right: null, cause: null }]
        : (causesOf.get(unionId) ?? [{ cause: NOT_KNOWN, weight: 1 }]).map((share) => ({
            left: aliveFor,
            right: deadBy,
            ...share,
          })),
    );
}

const NOT_KNOWN = 'not known';

function causeShares({ settled, likely }: DeathView): { cause: string; weight: number }[] {
  if (settled) return [{ cause: settled.words || NOT_KNOWN, weight: 1 }];
  const known = likely.map(({ words, share }) => ({ cause: words, weight: share }));
  const rest = 1 - known.reduce((sum, { weight }) => sum + weight, 0);
  return [...known, ...(rest > 1e-9 ? [{ cause: NOT_KNOWN, weight: rest }] : [])];
}

function visitWords(steps: SurvivalFit['steps']): string {
  const found = visitThatTells(steps);
  if (!found) return '';
  const { gap, look } = found;
  return `Nobody looked at those that died between day ${gap.from} and day ${gap.to}: one look at day ${look.from} to ${look.to} would tell early deaths from late ones.`;
}

function groupOf(level: string, name: string, plants: GrownBetween[]): Group {
  return { level, name, plants, deaths: plants.filter(({ right }) => right !== null).length };
}
