/** A level of a group with the unions in it, by their places in a list, rising. */
export interface Membership {
  group: string;
  level: string;
  members: readonly number[];
}

export interface SameUnions {
  /** Places of the levels that cannot be told apart from this one. */
  twins: number[];
  /** Places of the levels that this one lies within. */
  within: number[];
}

/** From this share of common unions on two levels are the same, or one lies within the other. */
const NEARLY = 0.9;

/**
 * Which levels of different groups hold the same unions. Two cannot be told apart where their common unions are nine tenths
 * of the larger, and so on from one to the next; a level lies within another where they are nine tenths of itself.
 *
 * @param levels over the unions with known fates in the scope looked at
 */
export function sameUnions(levels: readonly Membership[]): SameUnions[] {
  const root = levels.map((_, i) => i);
  const rootOf = (i: number): number => {
    let at = i;
    while (root[at] !== at) at = root[at] = root[root[at]!]!;
    return at;
  };
  const within = levels.map((): number[] => []);
  for (const [a, b, common] of commonUnions(levels)) {
    const [few, many] = levels[a]!.members.length <= levels[b]!.members.length ? [a, b] : [b, a];
    if (common >= NEARLY * levels[many]!.members.length) root[rootOf(a)] = rootOf(b);
    else if (common >= NEARLY * levels[few]!.members.length) within[few]!.push(many);
  }
  const together = new Map<number, number[]>();
  levels.forEach((_, i) => together.set(rootOf(i), [...(together.get(rootOf(i)) ?? []), i]));
  return levels.map((_, i) => ({ twins: together.get(rootOf(i))!.filter((j) => j !== i), within: within[i]! }));
}

/** Pairs of levels of different groups with the unions they share. */
function* commonUnions(levels: readonly Membership[]): Generator<[number, number, number]> {
  const levelsOf = new Map<number, number[]>();
  levels.forEach(({ members }, i) => {
    for (const union of members) {
      const own = levelsOf.get(union);
      if (own) own.push(i);
      else levelsOf.set(union, [i]);
    }
  });
  const counts = new Map<number, number>();
  for (const own of levelsOf.values())
    for (let b = 1; b < own.length; b++)
      for (let a = 0; a < b; a++) {
        if (levels[own[a]!]!.group === levels[own[b]!]!.group) continue;
        const key = own[a]! * levels.length + own[b]!;
        counts.set(key, (counts.get(key) ?? 0) + 1);
      }
  for (const [key, common] of counts) yield [Math.floor(key / levels.length), key % levels.length, common];
}
