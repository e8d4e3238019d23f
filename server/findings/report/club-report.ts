import type { TakeBoard } from '@/core/findings/boards/board-views';
import type { ModelView } from '@/core/findings/boards/model-views';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import type { ClubReport } from '@/core/findings/report/club-report';
import { causesByUnion } from '@/core/findings/causes/causes-by-union';
import { causesCounted } from '@/core/findings/shared/fate-board';
import { fatesSentence } from '@/core/findings/shared/fates-sentence';
import { methodById } from '@/core/methods/registry';
import { counted } from '@/core/units/counted';
import { groupedBy } from '@/core/units/grouped-by';
import { remembered } from '@/server/club/remembered';
import { clubDay } from '@/server/plan/season';
import { slopeWords } from '@/server/findings/boards/score-board';
import { type Scope, scopeOf } from '@/server/findings/boards/scope';
import { takeOfScope } from '@/server/findings/boards/take-board';
import { whenOfScope } from '@/server/findings/boards/when-board';
import { clubFates } from '@/server/findings/causes/fate-board';
import { comparedOf, pointsOfFacts, slopeOf } from '@/server/findings/models/model-view';
import { reckonedWhole } from '@/server/findings/models/reckoned';
import { allow, type Context } from '@/server/platform/context';

/** All of a club's findings, or of a filter, in one: models are waited for. */
export async function clubReport(context: Context, input: unknown): Promise<ClubReport> {
  allow(context, 'viewer');
  return (await reportPage(context, input)).report;
}

/** The report with what it is about, for its page. */
export function reportPage(context: Context, input: unknown): Promise<{ report: ClubReport; scope: Scope['view'] }> {
  return remembered(context, 'report', input, async (look) => {
    const scope = await scopeOf(look, input);
    return { report: await reportOfScope(look, scope), scope: scope.view };
  });
}

/** The same of keepers that were read already. */
async function reportOfScope(context: Context, scope: Scope): Promise<ClubReport> {
  const { facts, view } = scope;
  const inScope = new Set(facts.map(({ unionId }) => unionId));
  const fates = clubFates(context, inScope);
  const [{ today }, take, when, compared, costs, slope, board] = await Promise.all([
    clubDay(context),
    takeOfScope(context, scope),
    whenOfScope(context, scope, 'method'),
    comparedOf(context, view.filter, facts, reckonedWhole),
    pointsOfFacts(context, facts, reckonedWhole, async () => causesByUnion((await fates).deaths)),
    slopeOf(facts, reckonedWhole),
    fates,
  ]);
  const { deaths, marks, shared } = board;
  return {
    clubName: context.actor.clubName,
    whose: view.whose,
    madeOn: today,
    done: doneOf(facts),
    take,
    differs: compared.state === 'done' ? compared.view : null,
    score: slopeWords(slope, ''),
    causes: {
      sentence: `${fatesSentence({ marks, deaths })}.`,
      counts: causesCounted(deaths),
      shared: shared
        .filter(({ named }) => named)
        .slice(0, 6)
        .map(
          ({ kind, name, dead, all, deadBeside, allBeside, inseparable }) =>
            `${name} (${kind}): ${dead} of ${all} died, beside it ${deadBeside} of ${allBeside}${inseparable.length > 0 ? `; these are the same grafts as ${inseparable.join(' and ')}, so nobody can tell which it is` : ''}`,
        ),
    },
    when: when.sentence,
    teach: costs.state === 'done' ? costs.view : null,
    unknown: unknownOf(take, facts, [compared, costs]),
  };
}

function doneOf(facts: readonly KeeperFact[]): ClubReport['done'] {
  return {
    workshops: new Set(facts.map(({ workshopId }) => workshopId)).size,
    keepers: facts.length,
    people: new Set(facts.map(({ makerId }) => makerId)).size,
    methods: [...groupedBy(facts, ({ method }) => method)]
      .map(([id, own]) => ({ name: methodById(id).name, keepers: own.length }))
      .sort((a, b) => b.keepers - a.keepers),
  };
}

function unknownOf(take: TakeBoard, facts: readonly KeeperFact[], models: readonly ModelView<unknown>[]): string[] {
  const silent = facts.filter(({ fate }) => fate === 'unknown').length;
  const unjudged = facts.filter(({ score }) => score === null).length;
  return [
    ...(silent > 0
      ? [`Of ${counted(silent, 'keeper')} nothing was ever heard; people whose graft died answer less.`]
      : []),
    ...(unjudged > 0
      ? [`${counted(unjudged, 'keeper')} were not judged themselves, so what scores foretell is not known of them.`]
      : []),
    ...take.milestones
      .filter(({ unknown, handedOver }) => handedOver > 0 && unknown === handedOver)
      .map(({ milestone }) => `Nobody was asked yet whether they are alive at “${milestone}”.`),
    ...models.flatMap((model) => (model.state === 'missing' ? [model.sentence] : [])),
  ];
}
