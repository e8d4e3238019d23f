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
 * Finds which levels of different groups hold the same unions. Two cannot be told apart where their common unions are nine
 * tenths of the larger, and so on from one to the next; a level lies within another where they are nine tenths of itself.
 *
 * @param levels over the unions with known fates in the scope looked at
 * @returns what is told of a level, by its place
 */
export function sameUnions(levels: readonly Membership[]): (place: number) => SameUnions {
  const levelsOf = new Map<number, number[]>();
  levels.forEach(({ members }, i) => {
    for (const union of members) {
      const own = levelsOf.get(union);
      if (own) own.push(i);
      else levelsOf.set(union, [i]);
    }
  });
  /** Levels of other groups with how many unions they share with this one. */
  const shared = (place: number): [number, number][] => {
    const counts = new Map<number, number>();
    for (const union of levels[place]!.members)
      for (const other of levelsOf.get(union)!)
        if (levels[other]!.group !== levels[place]!.group) counts.set(other, (counts.get(other) ?? 0) + 1);
    return [...counts];
  };
  const size = (place: number): number => levels[place]!.members.length;
  const isSame = (place: number, [other, common]: [number, number]): boolean =>
    common >= NEARLY * Math.max(size(place), size(other));
  return (place) => {
    const together = new Set([place]);
    for (const each of together) for (const pair of shared(each)) if (isSame(each, pair)) together.add(pair[0]);
    together.delete(place);
    const within = shared(place).flatMap(([other, common]) =>
      common >= NEARLY * size(place) && size(other) > size(place) && !isSame(place, [other, common]) ? other : [],
    );
    return { twins: [...together].sort((a, b) => a - b), within };
  };
}

/**
 * Levels of some groups with the unions in each, from what every union belongs to.
 *
 * @example levelsOf([{ lot: 'a' }, { lot: 'a' }], ['lot']) // [{ group: 'lot', level: 'a', members: [0, 1] }]
 */
export function levelsOf<Group extends string>(
  unions: readonly Readonly<Partial<Record<Group, string | null>>>[],
  groups: readonly Group[],
): (Membership & { group: Group })[] {
  const levels = new Map<string, Membership & { group: Group; members: number[] }>();
  unions.forEach((union, at) => {
    for (const group of groups) {
      const level = union[group];
      if (!level) continue;
      const own = levels.get(`${group} ${level}`);
      if (own) own.members.push(at);
      else levels.set(`${group} ${level}`, { group, level, members: [at] });
    }
  });
  return [...levels.values()];
}
