import type { TakeBoard } from '@/core/findings/boards/board-views';
import type { ModelView } from '@/core/findings/boards/model-views';
import type { KeeperFact } from '@/core/findings/facts/keeper-fact';
import type { ClubReport } from '@/core/findings/report/club-report';
import { causesCounted } from '@/core/findings/shared/fate-board';
import { fatesSentence } from '@/core/findings/shared/fates-sentence';
import { methodById } from '@/core/methods/registry';
import { counted } from '@/core/units/counted';
import { groupedBy } from '@/core/units/grouped-by';
import { dateInZone } from '@/core/units/zoned-date';
import { foretoldOf } from '@/server/findings/boards/score-board';
import { scopeOf } from '@/server/findings/boards/scope';
import { takeBoard } from '@/server/findings/boards/take-board';
import { whenBoard } from '@/server/findings/boards/when-board';
import { clubFates } from '@/server/findings/causes/fate-board';
import { comparedView, pointsView } from '@/server/findings/models/model-view';
import { reckonedWhole } from '@/server/findings/models/reckoned';
import { allow, type Context } from '@/server/platform/context';

/** All of a club's findings, or of a filter, in one: models are waited for. */
export async function clubReport(context: Context, input: unknown): Promise<ClubReport> {
  allow(context, 'viewer');
  const { facts, view } = await scopeOf(context, input);
  const [take, when, compared, costs, fates] = await Promise.all([
    takeBoard(context, input),
    whenBoard(context, input, 'method'),
    comparedView(context, input, reckonedWhole),
    pointsView(context, input, reckonedWhole),
    clubFates(context),
  ]);
  const inScope = new Set(facts.map(({ unionId }) => unionId));
  const deaths = fates.deaths.filter(({ unionId }) => inScope.has(unionId));
  const marks = fates.marks.filter(({ unionId }) => inScope.has(unionId));
  const score = foretoldOf(facts, 'score', (fact) => fact.score);
  return {
    clubName: context.actor.clubName,
    whose: view.whose,
    madeOn: dateInZone(context.now, 'UTC'),
    done: doneOf(facts),
    take,
    differs: compared.state === 'done' ? compared.view : null,
    score: score.sentence,
    causes: {
      sentence: `${fatesSentence({ marks, deaths })}.`,
      counts: causesCounted(deaths),
      // Groups are counted over the whole club, so they are told of the whole club alone.
      shared:
        inScope.size === fates.marks.length
          ? fates.shared
              .filter(({ named }) => named)
              .slice(0, 6)
              .map(
                ({ kind, name, dead, all, deadBeside, allBeside }) =>
                  `${name} (${kind}): ${dead} of ${all} died, beside it ${deadBeside} of ${allBeside}`,
              )
          : [],
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
