import { OUTCOME_WORDS } from '@/core/aftercare/outcome';
import type { LifeEvent } from '@/core/aftercare/life/plant-life';
import type { PlaceMove } from '@/core/aftercare/places/place-view';
import { HAPPENINGS, isHappening } from '@/core/aftercare/happening';
import type { ObservationKind } from '@/core/aftercare/observation-input';
import { madeWords } from '@/core/methods/made-words';
import { TIES } from '@/core/aftercare/ties/ties';
import { ANSWER_WORDS, MILESTONE_WORDS } from '@/core/methods/milestones';
import { PLANT_EVENTS, type PlantEvent } from '@/core/methods/timetable/trigger';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { written } from '@/core/units/prose';
import type { ReportRow, RoundRow } from '@/db/models/follow-up-rows';
import { taskName } from './task-name';
import type { UnionWithPlan } from './union-plans';

/** An answer of a grower, and the round that asked. */
export type Said = { report: ReportRow; round: RoundRow };

const SEEN_WORDS: Record<ObservationKind, string> = {
  height: 'Shoot measured',
  shortened: 'Shortened on purpose',
  event: 'Seen',
  'tie-on': 'Put on',
  'tie-off': 'Seen off',
  caliper: 'Stock measured',
  opened: 'Opened to look',
  'cut-away': 'Cut away, since another on its plant is kept',
  happened: 'Happened',
  ended: 'Died',
  'not-yet': 'Not done yet',
  cannot: 'Cannot be done by the grower',
};

/** All that happened to a union and what is due on it, in the order of its days. */
export function lifeEvents(
  { union, tasks, ties, marks, seen }: UnionWithPlan,
  { said, names, moves }: { said: readonly Said[]; names: Map<string, string>; moves: readonly PlaceMove[] },
  unit: LengthUnit,
): LifeEvent[] {
  const nameOf = (task: string): string => taskName({ tasks, ties }, task, unit);
  const events: LifeEvent[] = [
    { id: 'made', on: union.madeOn, kind: 'made', words: `Made: ${madeWords(union)}` },
    ...marks.map((mark): LifeEvent => ({
      id: mark.id,
      on: mark.doneOn,
      kind: mark.outcome === 'skipped' ? 'skipped' : 'done',
      words: `${nameOf(mark.task)}: ${OUTCOME_WORDS[mark.outcome]}${mark.reason ? `, ${mark.reason}` : ''}`,
      actionId: mark.actionId,
      by: mark.markedBy === null ? 'the grower' : (names.get(mark.markedBy) ?? ''),
    })),
    ...moves
      .filter(({ undone }) => !undone)
      .map((move): LifeEvent => ({
        id: `move ${move.actionId}`,
        on: move.on,
        kind: 'moved',
        words: move.to === '' ? 'Taken out of its place' : `Moved to ${move.to}`,
        by: move.by,
      })),
    ...seen.map((look): LifeEvent => ({
      id: look.id,
      on: look.seenOn,
      kind: look.kind === 'height' || look.kind === 'shortened' ? 'growth' : 'seen',
      words: [
        SEEN_WORDS[look.kind],
        look.kind === 'not-yet' || look.kind === 'cannot' ? nameOf(look.about) : aboutOf(look),
        look.lengthMm === null ? '' : formatLength(look.lengthMm, unit),
        look.note,
      ]
        .filter(Boolean)
        .join(': '),
      observationId: look.id,
      by: look.seenBy === null ? 'the grower' : (names.get(look.seenBy) ?? ''),
    })),
    ...said.map(({ report, round }): LifeEvent => ({
      id: report.id,
      on: report.seenOn,
      kind: 'answer',
      words: `${MILESTONE_WORDS[round.milestone].name}: ${ANSWER_WORDS[report.answer]}${report.note ? `, ${report.note}` : ''}`,
      by: report.source,
    })),
    ...tasks.flatMap((task): LifeEvent[] => {
      if (!task.due || !['open', 'missed'].includes(task.state)) return [];
      const { from, to } = task.due;
      return [
        {
          id: `due ${task.id}`,
          on: from,
          to,
          kind: task.state === 'missed' ? 'missed' : 'due',
          words: written(task.name, unit),
        },
      ];
    }),
    ...ties.flatMap((tie): LifeEvent[] =>
      tie.latest && tie.state !== 'off'
        ? [{ id: `tie ${tie.id}`, on: tie.latest, kind: 'latest', words: `${TIES[tie.id]}: last day` }]
        : [],
    ),
  ];
  return events.sort((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : 0));
}

function aboutOf({ kind, about }: { kind: ObservationKind; about: string }): string {
  if (isHappening(about)) return HAPPENINGS[about];
  if (kind === 'event') return PLANT_EVENTS[about as PlantEvent] ?? about;
  return about in TIES ? TIES[about as keyof typeof TIES] : '';
}
