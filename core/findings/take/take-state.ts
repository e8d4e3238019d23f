import { MILESTONES, type Answer, type Milestone, type RoundKind } from '../../methods/milestones';
import type { IsoDate } from '../../units/iso-date';

/**
 * What was said of a union in a round, for the milestones that it tells, and the day on which that was seen. A look of a
 * later year tells of what comes after all of them.
 */
export interface Sighting {
  milestones: readonly RoundKind[];
  answer: Answer;
  seenOn: IsoDate;
}

export type TakeState = 'alive' | 'dead' | 'unknown';

export interface UnionTake {
  states: Record<Milestone, TakeState>;
  /** Seen alive after it had been seen dead. */
  contradicted: boolean;
  /** The dated facts that the states follow from. */
  firstAliveOn: IsoDate | null;
  lastAliveOn: IsoDate | null;
  firstDeadOn: IsoDate | null;
}

/**
 * What is known of a union: when it was seen alive and dead, and from that its state at each milestone.
 *
 * Alive at a milestone means that it, or a later one, was answered yes. Dead is final: it holds for the milestone it was
 * said at, or for what comes after the last one it was seen alive at, and for all later ones. An alive that was seen after
 * a dead, or of a later milestone on the same day, is not allowed to overwrite it; the union is flagged, and from that
 * dead on counts as unknown until somebody settles which of the two was wrong.
 *
 * @param sightings the last answer of each round.
 * @example takeOf([{ milestones: ['season'], answer: 'yes', seenOn: '2027-11-02' }]).states.growing // 'alive'
 */
export function takeOf(sightings: readonly Sighting[]): UnionTake {
  const told = sightings
    .flatMap(({ milestones, answer, seenOn }) =>
      milestones.map((milestone) => ({ at: stepOf(milestone), answer, seenOn })),
    )
    .sort((a, b) => a.seenOn.localeCompare(b.seenOn) || a.at - b.at);
  const alive = told.filter(({ answer }) => answer === 'yes');
  const dead = told.filter(({ answer }) => answer === 'dead');
  const [firstDead, lastAlive] = [dead[0], alive.at(-1)];
  const lastAliveAt = Math.max(-1, ...alive.map(({ at }) => at));
  const contradicted =
    firstDead !== undefined &&
    lastAlive !== undefined &&
    (lastAlive.seenOn > firstDead.seenOn || (lastAlive.seenOn === firstDead.seenOn && lastAlive.at > firstDead.at));
  // A death that was seen later than a later milestone was reached ends what comes after that milestone.
  const deadFrom = contradicted
    ? Math.min(...dead.map(({ at }) => at))
    : Math.max(lastAliveAt + 1, Math.min(Infinity, ...dead.map(({ at }) => at)));
  const states = Object.fromEntries(
    MILESTONES.map((milestone, i) => {
      if (contradicted && i >= deadFrom) return [milestone, 'unknown'];
      if (i <= lastAliveAt) return [milestone, 'alive'];
      return [milestone, dead.length > 0 && i >= deadFrom ? 'dead' : 'unknown'];
    }),
  ) as Record<Milestone, TakeState>;
  return {
    states,
    contradicted,
    firstAliveOn: alive[0]?.seenOn ?? null,
    lastAliveOn: lastAlive?.seenOn ?? null,
    firstDeadOn: firstDead?.seenOn ?? null,
  };
}

/** Where on the way of a life a look stands. */
function stepOf(kind: RoundKind): number {
  const at = (MILESTONES as readonly RoundKind[]).indexOf(kind);
  return at < 0 ? MILESTONES.length : at;
}
