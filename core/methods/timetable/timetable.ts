import type { Technique } from '../method';
import type { Variant } from '../variant';
import type { IsoDate } from '../../units/iso-date';
import type { AftercareTask } from './aftercare-task';
import { type DueWindow, dueWindow, type Known } from './due-window';
import { outOfTheCool } from './out-of-the-cool';
import type { RoundAdvice } from './round-advice';
import { isWinterless, taskWithoutWinter } from './tasks-without-winter';
import { tasksFor } from './tasks-by-way';

/** What follows a union, with its days where they are known. */
export interface Timetable {
  rounds: (RoundAdvice & { due: DueWindow | null })[];
  tasks: (AftercareTask & { due: DueWindow | null })[];
}

/**
 * All that follows a union made on a day: the rounds its variant asks for and its aftercare, each dated where it can be.
 * @example timetable(atTheBench, shownTechnique(whip), '2027-03-06').rounds[0].due // { from: '2027-03-20', to: '2027-03-27' }
 */
export function timetable(
  { rounds, wayOn }: Pick<Variant, 'rounds' | 'wayOn'>,
  { aftercare }: Pick<Technique, 'aftercare'>,
  madeOn: IsoDate,
  known: Known = {},
): Timetable {
  return {
    rounds: rounds.map((advice) => ({
      ...advice,
      due:
        dueWindow(advice.trigger, advice.afterCool ? outOfTheCool(madeOn, known) : madeOn, known) ??
        (advice.otherwise ? dueWindow(advice.otherwise, madeOn, known) : null),
    })),
    tasks: tasksFor(wayOn, aftercare)
      .map((task) => (isWinterless(madeOn, known.turnsOf) ? taskWithoutWinter(task) : task))
      .map((task) => ({ ...task, due: dueWindow(task.trigger, madeOn, known) })),
  };
}
