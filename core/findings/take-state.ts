import { MILESTONES, type Answer, type Milestone } from '../methods/milestones';

/** The last answer a union got for each milestone that was asked. */
export type UnionAnswers = Partial<Record<Milestone, Answer>>;

export type TakeState = 'alive' | 'dead' | 'unknown';

export interface UnionTake {
  states: Record<Milestone, TakeState>;
  /** Said to be alive at a later milestone than it was said to be dead at. */
  contradicted: boolean;
}

/**
 * What is known of a union at each milestone.
 *
 * Alive at a milestone means that it, or a later one, was answered yes. Dead is final: it holds
 * for the milestone it was said at and for all later ones. An alive after a dead is not allowed to
 * overwrite it; the union is flagged, and from that dead on counts as unknown until somebody
 * settles which of the two was wrong.
 */
export function takeOf(answers: UnionAnswers): UnionTake {
  const index = (milestone: Milestone): number => MILESTONES.indexOf(milestone);
  const saying = (answer: Answer): number[] => MILESTONES.filter((m) => answers[m] === answer).map(index);
  const lastAlive = Math.max(-1, ...saying('yes'));
  const firstDead = Math.min(Infinity, ...saying('dead'));
  const contradicted = lastAlive > firstDead;
  const states = Object.fromEntries(
    MILESTONES.map((milestone, i) => {
      if (contradicted && i >= firstDead) return [milestone, 'unknown'];
      if (i <= lastAlive) return [milestone, 'alive'];
      return [milestone, i >= firstDead ? 'dead' : 'unknown'];
    }),
  ) as Record<Milestone, TakeState>;
  return { states, contradicted };
}
