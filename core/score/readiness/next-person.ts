import { type Attempt, goodInARow, isReady, type ReadyRule } from './ready-rule';

/** Somebody at the benches, as one who walks past knows them. */
export interface SeenPerson {
  seatId: string;
  number: number;
  attempts: readonly Attempt[];
  /** When somebody last scored a union of theirs, ms; null for never today. */
  seenAt: number | null;
  /** A union of theirs waits for a second assessor: whoever may be that one. */
  secondLook: boolean;
}

export interface Suggestion {
  seatId: string;
  number: number;
  reason: string;
  weight: number;
}

/** Points towards being seen next. Our own weighing: a minute unseen is one point. */
const WORTH = { never: 45, secondLook: 12, recovered: 18, almost: 15, ready: -25, longest: 120 };

/**
 * Whom to see next, most pressing first: longest unseen, just recovered from a fatal fault, about
 * to be ready, or a union to be scored a second time. People who are ready already come last.
 */
export function nextPeople(
  people: readonly SeenPerson[],
  rule: ReadyRule,
  now: number,
  dayBegan: number | null,
): Suggestion[] {
  return people
    .map((person): Suggestion => {
      const { attempts, seenAt } = person;
      const passed = Math.max(0, (now - (seenAt ?? dayBegan ?? now)) / 60_000);
      const minutes = Math.min(WORTH.longest, passed);
      const unseen =
        passed > WORTH.longest ? `unseen for over ${WORTH.longest} min` : `unseen for ${Math.round(passed)} min`;
      const reasons: [number, string][] = [
        [minutes + (attempts.length === 0 ? WORTH.never : 0), attempts.length === 0 ? 'not seen yet' : unseen],
      ];
      const last = attempts.at(-1);
      const before = attempts.at(-2);
      if (last && before?.fatal && !last.fatal) reasons.push([WORTH.recovered, 'just over a fatal fault']);
      if (last?.fatal) reasons.push([WORTH.recovered, 'had a fatal fault last']);
      const ready = isReady(attempts, rule);
      if (!ready && rule.last - goodInARow(attempts, rule) === 1 && attempts.length > 0)
        reasons.push([WORTH.almost, 'one more good one and ready']);
      if (person.secondLook) reasons.push([WORTH.secondLook, 'a union wants a second assessor']);
      if (ready) reasons.push([WORTH.ready, 'ready']);
      const told = reasons
        .filter(([, reason], i) => i === 0 || reason !== 'ready')
        .sort((a, b) => b[0] - a[0])
        .slice(0, 2)
        .map(([, reason]) => reason);
      return {
        seatId: person.seatId,
        number: person.number,
        weight: reasons.reduce((sum, [worth]) => sum + worth, 0),
        reason: told.join(', '),
      };
    })
    .sort((a, b) => b.weight - a.weight || a.number - b.number);
}
