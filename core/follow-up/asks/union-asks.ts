import type { Answer, Milestone, RoundKind } from '../../methods/milestones';
import type { DueWindow } from '../../methods/timetable/due-window';
import type { Question } from '../../methods/timetable/round-advice';
import { addDays, type IsoDate } from '../../units/iso-date';
import { type RoundDays, roundKey } from './round-days';

/** A round that was made and asks of a union. */
export interface MadeRound {
  id: string;
  milestone: RoundKind;
  opensOn: IsoDate;
  closesOn: IsoDate;
}

/** The answer that counts of a union to a round. */
export interface RoundAnswer {
  roundId: string;
  answer: Answer;
  nextLookOn: IsoDate | null;
}

/**
 * Where a union stands with a round: its day is to come, it is due, due again on a later day, answered, over without an
 * answer or because a later one tells it, or the union has ended.
 */
export type AskState = 'to-come' | 'due' | 'again' | 'answered' | 'over' | 'ended';

export interface UnionAsk {
  key: string;
  kind: RoundKind;
  answers?: Milestone;
  question: Question | null;
  due: DueWindow;
  state: AskState;
  /** The day it is, or was, asked on. */
  askOn: IsoDate;
  /** Null where no round was made for it yet. */
  roundId: string | null;
  /** Asked before, and it could not be told then. */
  lookedBefore: boolean;
}

/** What asking a union hangs on. */
export interface AskedFacts {
  days: readonly RoundDays[];
  rounds: readonly MadeRound[];
  /** The counting answer to each round. */
  answers: readonly RoundAnswer[];
  ended: boolean;
  today: IsoDate;
}

/** So long after its last day a round still asks those who said nothing. */
export const PATIENCE = 28;

/**
 * All that is asked of a union over its life, and where each stands today: never before its own day, one thing at a time,
 * and what could not be told again on the day it can be.
 *
 * @returns in the order of their days; at most one is due
 */
export function unionAsks({ days, rounds, answers, ended, today }: AskedFacts): UnionAsk[] {
  const own = new Map(days.map((day) => [day.key, day]));
  for (const { milestone, opensOn, closesOn } of rounds) {
    const key = roundKey(milestone, opensOn);
    if (!own.has(key)) own.set(key, { kind: milestone, key, question: null, due: { from: opensOn, to: closesOn } });
  }
  const asks = [...own.values()]
    .map((day): UnionAsk => {
      const round = rounds.find(({ milestone, opensOn }) => roundKey(milestone, opensOn) === day.key);
      const due = round ? { from: later(round.opensOn, day.due.from), to: later(round.closesOn, day.due.to) } : day.due;
      const answer = answers.find(({ roundId }) => roundId === round?.id);
      return { ...day, due, roundId: round?.id ?? null, ...stateOf(due, answer, ended, today) };
    })
    .sort((a, b) => (a.due.from < b.due.from ? -1 : a.due.from > b.due.from ? 1 : 0));
  // What a later look tells, an earlier one need not ask any more.
  const told = (ask: UnionAsk): boolean => {
    const answer = answers.find(({ roundId }) => roundId === ask.roundId);
    return answer?.answer === 'yes' || answer?.answer === 'dead';
  };
  return asks.map((ask, i) => {
    if (ask.state !== 'due' && ask.state !== 'again') return ask;
    const passed = asks.slice(i + 1).some((next) => told(next) || next.state === 'due' || next.state === 'again');
    return passed ? { ...ask, state: 'over' } : ask;
  });
}

function stateOf(
  due: DueWindow,
  answer: RoundAnswer | undefined,
  ended: boolean,
  today: IsoDate,
): Pick<UnionAsk, 'state' | 'askOn' | 'lookedBefore'> {
  if (answer) {
    const { nextLookOn } = answer;
    // Dead and settled ones are asked no more; nor is what nobody finds.
    if (answer.answer !== 'not-sure' || nextLookOn === null || ended)
      return { state: 'answered', askOn: due.from, lookedBefore: false };
    return { state: nextLookOn <= today ? 'due' : 'again', askOn: nextLookOn, lookedBefore: true };
  }
  const first = { askOn: due.from, lookedBefore: false };
  if (ended) return { ...first, state: 'ended' };
  if (today < due.from) return { ...first, state: 'to-come' };
  return { ...first, state: today <= addDays(due.to, PATIENCE) ? 'due' : 'over' };
}

const later = (a: IsoDate, b: IsoDate): IsoDate => (a > b ? a : b);
