import type { TakeKind } from '../facts/take-by';
import { sameUnions } from '../shared/same-unions';
import type { TakeState } from '../take/take-state';

/** Kinds that can be taken for one another; a lot is of its variety, and a site is where all of it was. */
const TANGLED: readonly TakeKind[] = ['lot', 'day', 'hand', 'method'];

interface GroupOfMarks {
  level: string;
  /** Its keepers by their places among all; null where there are too many to be told one by one. */
  marks: readonly number[] | null;
}

/**
 * Groups of other kinds that hold the same keepers, over those with a known fate: of a lot that was all of a day nobody can
 * tell which it is. A kind of one group only tells nothing apart.
 *
 * @returns of each kind and level the others, by kind and level
 */
export function groupTwins(
  kinds: readonly { kind: TakeKind; groups: readonly GroupOfMarks[] }[],
  stateOf: (place: number) => TakeState,
): (kind: TakeKind, level: string) => { kind: TakeKind; level: string }[] {
  const levels = kinds
    .filter(({ kind, groups }) => TANGLED.includes(kind) && groups.length > 1)
    .flatMap(({ kind, groups }) =>
      groups.map(({ level, marks }) => ({
        group: kind,
        level,
        members: (marks ?? []).filter((place) => stateOf(place) !== 'unknown'),
      })),
    )
    .filter(({ members }) => members.length > 0);
  const same = sameUnions(levels);
  const placeOf = new Map(levels.map(({ group, level }, i) => [`${group} ${level}`, i]));
  return (kind, level) => {
    const place = placeOf.get(`${kind} ${level}`);
    return place === undefined
      ? []
      : same(place).twins.map((at) => ({ kind: levels[at]!.group, level: levels[at]!.level }));
  };
}
