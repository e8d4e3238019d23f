import { percent, percentRange } from '../../units/percent';
import type { LevelEffect } from '../mixed/level-effects';
import type { MixedFit } from '../mixed/mixed-model';

/** Level effects from fewer known fates are drawn towards the middle so far that they are marked. */
export const FEW_KNOWN = 5;

/** Levels of a group that differ from most others: told apart from more than half of those with enough known fates. */
export function standsOut(fit: MixedFit, group: string): LevelEffect[] {
  const levels = fit.levels[group] ?? [];
  const enough = levels.filter(({ known }) => known >= FEW_KNOWN).length;
  const pairs = fit.apart[group] ?? [];
  return levels
    .filter(({ known }, at) => {
      const apartFrom = pairs.filter(
        ([a, b]) => (a === at || b === at) && levels[a === at ? b : a]!.known >= FEW_KNOWN,
      ).length;
      return known >= FEW_KNOWN && enough > 2 && apartFrom * 2 > enough - 1;
    })
    .sort((a, b) => Math.abs(b.estimate) - Math.abs(a.estimate));
}

/**
 * What the model adds to plain counts, in a sentence.
 *
 * @param nameOf what a level is called
 */
export function differsSentence(
  fit: MixedFit,
  groupWords: Readonly<Record<string, string>>,
  nameOf: (group: string, level: string) => string,
): string {
  const found = fit.spreads
    .flatMap(({ group }) => standsOut(fit, group).map((level) => ({ group, ...level })))
    .sort((a, b) => Math.abs(b.estimate) - Math.abs(a.estimate));
  const quiet = fit.spreads
    .filter(({ group }) => standsOut(fit, group).length === 0)
    .map(({ group }) => groupWords[group]);
  const rest = quiet.length === 0 ? '' : ` ${capitalList(quiet as string[])} cannot be told apart.`;
  const first = found[0];
  if (!first) return `With everything weighed at once, no lot, day or hand is told apart from the others.`;
  const other = found.length > 1 ? `, and ${found.length - 1} more stand out` : '';
  return `With everything weighed at once, ${nameOf(first.group, first.level)} differs most: an otherwise average union of it lives in ${percent(first.take)} of cases (${percentRange(first)})${other}.${rest}`;
}

function capitalList(words: string[]): string {
  const last = words.at(-1)!;
  const list = words.length === 1 ? last : `${words.slice(0, -1).join(', ')} and ${last}`;
  return list.charAt(0).toUpperCase() + list.slice(1);
}
