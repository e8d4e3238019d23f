import type { DaysKnown } from '../../aftercare/plan/task-days';
import { movedWindow } from '../../aftercare/warmth/stretched-window';
import { isMilestone, type Milestone, type RoundKind } from '../../methods/milestones';
import { type DueWindow, dueWindow } from '../../methods/timetable/due-window';
import { outOfTheCool } from '../../methods/timetable/out-of-the-cool';
import type { Question } from '../../methods/timetable/round-advice';
import { phaseWindow } from '../../methods/timetable/season-phases';
import type { Trigger } from '../../methods/timetable/trigger';
import type { Variant } from '../../methods/variant';
import { addDays, type IsoDate } from '../../units/iso-date';

/** When a union is asked for something. */
export interface RoundDays {
  kind: RoundKind;
  /** Names the round among those of the union: its milestone, or "year-2029". */
  key: string;
  /** A later milestone that the same look answers. */
  answers?: Milestone;
  /** How it is put of this union; null where a round has no question of its own. */
  question: Question | null;
  due: DueWindow;
}

/** After the first spring a union is looked at once a year, until it is so many years old. */
const YEARS = 5;
const A_YEAR = 365;

/** How a round is named among those of a union: milestones come once, looks once a year. */
export function roundKey(kind: RoundKind, opensOn: IsoDate): string {
  return isMilestone(kind) ? kind : `${kind}-${opensOn.slice(0, 4)}`;
}

/**
 * The days on which a union is asked for each milestone of its variant: days of healing moved by the warmth it had, seasons
 * by the site's year; after its first spring once a year, five years long.
 *
 * @param plantedOn the day a bench graft was planted out, once it was
 * @returns in the order of a life; what the place has no turn of the year for is left out
 */
export function roundDays(
  { rounds }: Pick<Variant, 'rounds'>,
  madeOn: IsoDate,
  known: DaysKnown,
  plantedOn?: IsoDate,
): RoundDays[] {
  const milestones = rounds.flatMap(({ milestone, answers, question, trigger, otherwise, afterCool }): RoundDays[] => {
    const from = afterCool ? outOfTheCool(madeOn, known, plantedOn) : madeOn;
    const due = windowOf(trigger, from, known) ?? (otherwise ? windowOf(otherwise, madeOn, known) : null);
    return due ? [{ kind: milestone, key: milestone, ...(answers ? { answers } : {}), question, due }] : [];
  });
  const wintered = milestones.find(({ kind, answers }) => kind === 'wintered' || answers === 'wintered');
  return [...milestones, ...(wintered ? yearly(wintered.due, known) : [])];
}

function windowOf(trigger: Trigger, madeOn: IsoDate, known: DaysKnown): DueWindow | null {
  const { warmth } = known;
  if (trigger.kind !== 'days' || trigger.count !== 'healing' || !warmth) return dueWindow(trigger, madeOn, known);
  const usual = [trigger.earliest, trigger.best, trigger.latest] as const;
  const [from, , to] = movedWindow(usual, warmth.rates, warmth.references);
  return { from: addDays(madeOn, from), to: addDays(madeOn, to) };
}

function yearly(first: DueWindow, { turnsOf }: DaysKnown): RoundDays[] {
  return Array.from({ length: YEARS - 1 }, (_, i) => {
    const nth = i + 1;
    const inLeaf = turnsOf ? phaseWindow('kin-in-leaf', nth, addDays(first.to, 60), turnsOf) : null;
    const due = inLeaf ?? { from: addDays(first.from, nth * A_YEAR), to: addDays(first.to, nth * A_YEAR) };
    return { kind: 'year', key: roundKey('year', due.from), question: null, due };
  });
}
