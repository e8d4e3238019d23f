import { deadOfBy, type DiedBetween, incidenceByCause } from './incidence-by-cause';
import type { SurvivalStep } from './turnbull';

/** What share of all plants is dead of each cause by some days. */
export interface DeadByCause {
  /** The commonest first; those beyond the first few as one. */
  causes: string[];
  rows: {
    day: number;
    /** Plants that were still watched: seen alive on that day or later. */
    watched: number;
    /** Of each cause; null where visits cannot tell. */
    dead: (number | null)[];
  }[];
}

/** Nothing is said of days on which fewer are still watched. */
export const WATCHED_FROM = 20;
const MOST_DAYS = 8;
const LEAST_APART = 20;
const MOST_CAUSES = 6;
export const OTHER_CAUSES = 'other causes';

/**
 * Shares dead of each cause by days on which plants were seen, as far as twenty are still watched. Unsettled causes enter
 * by their shares.
 *
 * @throws RangeError for no plants, or one that was dead before it was alive
 */
export function deadByCause(seen: readonly DiedBetween[]): DeadByCause {
  const days = watchedDays(seen);
  const weights = new Map<string, number>();
  for (const { right, cause, weight = 1 } of seen)
    if (right !== null) weights.set(cause!, (weights.get(cause!) ?? 0) + weight);
  const common = [...weights].sort((a, b) => b[1] - a[1] || a[0].localeCompare(b[0])).map(([cause]) => cause);
  const named = new Set(common.length > MOST_CAUSES ? common.slice(0, MOST_CAUSES - 1) : common);
  const fit = incidenceByCause(
    seen.map((plant) => (plant.right === null || named.has(plant.cause!) ? plant : { ...plant, cause: OTHER_CAUSES })),
  );
  const causes = [...common.filter((cause) => named.has(cause)), ...(common.length > named.size ? [OTHER_CAUSES] : [])];
  const rows = days.map(({ day, watched }) => ({
    day,
    watched,
    dead: causes.map((cause) => deadOfBy(fit, cause, day)),
  }));
  const told = rows.filter(({ dead }) => dead.every((share) => share !== null));
  // A day of which one cause cannot be told would look as if fewer had died.
  return { causes, rows: told.length > 0 ? told : rows };
}

/** Some of the days on which plants were seen, with how many were still watched; as far as enough are. */
export function watchedDays(
  seen: readonly { left: number; right: number | null; weight?: number }[],
): { day: number; watched: number }[] {
  const days = [...new Set(seen.flatMap(({ left, right }) => [left, right ?? 0]))]
    .filter((day) => day > 0)
    .sort((a, b) => a - b)
    .map((day) => ({
      day,
      watched: Math.round(seen.reduce((sum, { left, weight = 1 }) => sum + (left >= day ? weight : 0), 0)),
    }))
    .filter(({ watched }) => watched >= WATCHED_FROM);
  // From the last day back, none too near to the next.
  const apart = Math.max(LEAST_APART, (days.at(-1)?.day ?? 0) / MOST_DAYS);
  return days.reduceRight<typeof days>((kept, each) => {
    if (kept.length === 0 || kept[0]!.day - each.day >= apart) kept.unshift(each);
    return kept;
  }, []);
}

/** Shorter gaps between visits tell enough. */
const GAP = 60;
/** When early deaths have shown, after the day a union was made. */
const EARLY = { from: 30, to: 45 };

/** The gap between visits in which most died, and the days on which a look would tell early deaths from late ones. */
export function visitThatTells(
  steps: readonly SurvivalStep[],
): { gap: { from: number; to: number }; look: { from: number; to: number } } | null {
  const worst = steps
    .flatMap(({ from, to, mass }) => (to !== null && to - from >= GAP ? [{ from, to, mass }] : []))
    .reduce<{ from: number; to: number; mass: number } | null>(
      (most, step) => (step.mass > (most?.mass ?? 0) ? step : most),
      null,
    );
  if (!worst) return null;
  const { from, to } = worst;
  const third = Math.round((to - from) / 3);
  return { gap: { from, to }, look: from < EARLY.from ? EARLY : { from: from + third, to: to - third } };
}
