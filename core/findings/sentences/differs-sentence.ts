import { percent, percentRange } from '../../units/percent';
import type { ComparedLevelFound, Comparison } from '../mixed/comparison';
import { MIXED_GROUPS, type MixedGroup } from '../mixed/adjusted-design';

/** Level effects from fewer known fates are drawn towards the middle so far that they are marked. */
export const FEW_KNOWN = 5;

/** Levels of all groups that differ beyond chance, the surest first; of twins the one that is surest. */
export function differing(found: Comparison): (ComparedLevelFound & { group: MixedGroup })[] {
  const all = MIXED_GROUPS.flatMap((group) =>
    (found.levels[group] ?? []).filter(({ differs }) => differs).map((level) => ({ group, ...level })),
  ).sort((a, b) => a.p - b.p);
  return all.filter(
    (level, at) =>
      !all
        .slice(0, at)
        .some(({ twins }) => twins.some((twin) => twin.group === level.group && twin.level === level.level)),
  );
}

/**
 * What the model adds to plain counts, in a sentence.
 *
 * @param nameOf what a level is called, with what it cannot be told from
 */
export function differsSentence(
  found: Comparison,
  groupWords: Readonly<Record<MixedGroup, string>>,
  nameOf: (group: MixedGroup, level: ComparedLevelFound) => string,
): string {
  const levels = differing(found);
  const quiet = MIXED_GROUPS.filter(
    (group) => (found.levels[group] ?? []).length > 0 && !levels.some((level) => level.group === group),
  );
  const rest = quiet.length === 0 ? '' : ` No ${listed(quiet.map((group) => groupWords[group]))} differ beyond chance.`;
  const [first] = levels;
  if (!first) return `With days, hands, lots and methods weighed at once, nothing differs beyond chance.`;
  const other = levels.length > 1 ? `, and ${levels.length - 1} more differ` : '';
  return `With days, hands, lots and methods weighed at once, ${nameOf(first.group, first)} differs from the others: an otherwise average union of it lives in ${percent(first.take)} of cases (${percentRange(first)})${other}.${rest}`;
}

function listed(words: string[]): string {
  return words.length === 1 ? words[0]! : `${words.slice(0, -1).join(', ')} or ${words.at(-1)!}`;
}
