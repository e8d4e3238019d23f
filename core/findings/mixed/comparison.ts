import { levelsOf, sameUnions } from '../shared/same-unions';
import { differingLevels } from './differing-levels';
import { adjustedDesign, type AdjustedUnion, MIXED_GROUPS, type MixedGroup } from './adjusted-design';
import { adjustedFit, adjustedTerms } from './adjusted-model';
import { type LevelFound, levelIntervals } from './level-intervals';

export interface ComparedLevelFound extends LevelFound {
  /** Whether it differs from the others of its group beyond chance, all of them looked at. */
  differs: boolean;
  /** Levels of other groups that hold the same unions. */
  twins: { group: MixedGroup; level: string }[];
}

/** Lots, stocks, days and hands weighed at once. */
export interface Comparison extends ReturnType<typeof adjustedTerms> {
  levels: Partial<Record<MixedGroup, ComparedLevelFound[]>>;
  /** Pairs of levels, by their places in `levels`, that are told apart. */
  apart: Record<string, [number, number][]>;
  notes: string[];
  unions: number;
}

/**
 * What differs when everything is weighed at once, and which levels cannot be told from one another.
 *
 * @param tell told how far it has got, 0 to 1
 * @throws RangeError for no unions, all alive or all dead
 */
export function comparison(unions: readonly AdjustedUnion[], tell: (share: number) => void = () => {}): Comparison {
  const design = adjustedDesign(unions, 'nothing');
  const fit = adjustedFit(design, (looks) => tell(0.4 * (1 - Math.exp(-looks / 20))));
  const { levels, apart } = levelIntervals(fit, (share) => tell(0.4 + 0.6 * share));
  const twinsOf = twinsBy(unions);
  return {
    ...adjustedTerms(fit),
    levels: Object.fromEntries(
      (Object.entries(levels) as [MixedGroup, LevelFound[]][]).map(([group, own]) => {
        const different = new Set(differingLevels(own).map(({ level }) => level));
        return [
          group,
          own.map((level) => ({
            ...level,
            differs: different.has(level.level),
            twins: twinsOf(group, level.level),
          })),
        ];
      }),
    ),
    apart,
    notes: design.notes,
    unions: unions.length,
  };
}

function twinsBy(unions: readonly AdjustedUnion[]): (group: MixedGroup, level: string) => ComparedLevelFound['twins'] {
  const levels = levelsOf(
    unions.map(({ groups }) => groups),
    MIXED_GROUPS,
  );
  const same = sameUnions(levels);
  const placeOf = new Map(levels.map(({ group, level }, i) => [`${group} ${level}`, i]));
  return (group, level) =>
    same(placeOf.get(`${group} ${level}`)!).twins.map((at) => ({
      group: levels[at]!.group,
      level: levels[at]!.level,
    }));
}
