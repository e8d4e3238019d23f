import { holm } from '../../statistics/holm';
import type { LevelFound } from './level-intervals';

/** Half of what an interval of 90 % leaves out to both sides. */
const LEVEL = 0.1;

/** Levels of a group whose effect's 90 % interval leaves 0 out, after Holm over all of the group; the surest first. */
export function differingLevels(levels: readonly LevelFound[]): LevelFound[] {
  const adjusted = holm(levels.map(({ p }) => p));
  return levels.filter((_, i) => adjusted[i]! < LEVEL).sort((a, b) => a.p - b.p);
}
