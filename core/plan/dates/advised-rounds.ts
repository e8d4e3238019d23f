import { type Milestone, MILESTONES } from '../../methods/milestones';
import type { MethodFacts } from '../../methods/method-facts';
import type { DueWindow } from '../../methods/timetable/due-window';
import type { RoundAdvice } from '../../methods/timetable/round-advice';
import { timetable } from '../../methods/timetable/timetable';
import type { Variant } from '../../methods/variant';
import type { IsoDate } from '../../units/iso-date';
import type { Taught } from './planned-date';

/** A round that a day's unions ask for, and which of them ask it. */
export interface AdvisedRound {
  milestone: Milestone;
  due: DueWindow;
  asks: (Pick<RoundAdvice, 'signs' | 'question'> & { method: MethodFacts; variant: Variant })[];
}

/** Rounds by what is taught on a day, in the order of a life and of their days; the same window is one round. */
export function advisedRounds(taught: readonly Taught[], madeOn: IsoDate): AdvisedRound[] {
  const rounds: AdvisedRound[] = [];
  for (const { method, variant, turnsOf } of taught)
    for (const { milestone, due, signs, question } of timetable(variant, { aftercare: [] }, madeOn, { turnsOf })
      .rounds) {
      if (!due) continue;
      const ask = { method, variant, signs, question };
      const same = rounds.find(
        (round) => round.milestone === milestone && round.due.from === due.from && round.due.to === due.to,
      );
      if (same) same.asks.push(ask);
      else rounds.push({ milestone, due, asks: [ask] });
    }
  const order = ({ milestone }: AdvisedRound): number => MILESTONES.indexOf(milestone);
  return rounds.sort((a, b) => order(a) - order(b) || a.due.from.localeCompare(b.due.from));
}
