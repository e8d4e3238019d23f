import type { RoundKind } from '../../methods/milestones';
import type { Question } from '../../methods/timetable/round-advice';
import type { IsoDate } from '../../units/iso-date';
import type { AskState, UnionAsk } from './union-asks';

/** What is asked of unions of one way of making in one round, with how many stand where. */
export interface PlannedRound {
  key: string;
  kind: RoundKind;
  question: Question | null;
  /** From the first union's day to the last one's. */
  from: IsoDate;
  to: IsoDate;
  states: Record<AskState, number>;
  made: boolean;
}

/** Unions that are made and asked alike. */
export interface PlanLane {
  method: string;
  variant: string;
  madeOn: IsoDate;
  unions: number;
  rounds: PlannedRound[];
}

/** A union as the plan counts it. */
interface PlannedUnion {
  method: string;
  variant: string;
  madeOn: IsoDate;
  asks: readonly UnionAsk[];
}

const NONE: Record<AskState, number> = { 'to-come': 0, due: 0, again: 0, answered: 0, over: 0, ended: 0 };

/** What is asked of a day's unions and when, a lane for each way of making, in the order of their first days. */
export function roundPlan(unions: readonly PlannedUnion[]): PlanLane[] {
  const lanes = new Map<string, PlanLane>();
  for (const { method, variant, madeOn, asks } of unions) {
    const name = `${method}/${variant} ${madeOn}`;
    const lane = lanes.get(name) ?? { method, variant, madeOn, unions: 0, rounds: [] };
    lanes.set(name, lane);
    lane.unions++;
    for (const { key, kind, question, due, state, roundId } of asks) {
      let round = lane.rounds.find((each) => each.key === key);
      if (!round) {
        round = { key, kind, question, from: due.from, to: due.to, states: { ...NONE }, made: false };
        lane.rounds.push(round);
      }
      round.from = due.from < round.from ? due.from : round.from;
      round.to = due.to > round.to ? due.to : round.to;
      round.states[state]++;
      round.made ||= roundId !== null;
    }
  }
  for (const lane of lanes.values()) lane.rounds.sort((a, b) => (a.from < b.from ? -1 : 1));
  const first = ({ rounds }: PlanLane): string => rounds[0]?.from ?? '9999';
  return [...lanes.values()].sort((a, b) => (first(a) < first(b) ? -1 : 1));
}
