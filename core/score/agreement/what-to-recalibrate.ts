import type { Agreement } from './agreement';

/** Fewer unions scored by both say nothing yet. Our own choice. */
export const ENOUGH_UNIONS = 6;
/** Below this a point's grades agree no better than fairly. Source: Landis and Koch, 1977 (a convention, not a law). */
const FAIR_KAPPA = 0.4;
/** A mean difference that would move somebody across the line of readiness, points; and a drift, points an hour. */
const WORTH_SAYING = 4;
const DRIFT_WORTH_SAYING = 2;

export interface Recalibration {
  /** Point to look at together, or null when it is about scores as a whole. */
  point: string | null;
  words: string;
}

/** In words, what assessors should look at together before they go on; the widest apart first. */
export function whatToRecalibrate(
  agreement: Agreement,
  nameOf: (assessorId: string) => string,
  pointName: (point: string) => string,
): Recalibration[] {
  const found: (Recalibration & { worth: number })[] = [];
  for (const pair of agreement.pairs) {
    const [first, second] = [nameOf(pair.first), nameOf(pair.second)];
    for (const [point, { kappa, n, same }] of Object.entries(pair.points)) {
      if (n < ENOUGH_UNIONS || same === n) continue;
      // Grades that hardly vary give no kappa to speak of; how often they differ still does.
      const apart = kappa !== null && kappa < FAIR_KAPPA && n - same >= 2;
      if (apart)
        found.push({
          point,
          worth: (1 - kappa) * 10 + n - same,
          words: `${first} and ${second} graded “${pointName(point)}” differently on ${n - same} of ${n} unions. Look at two of them together and agree what is poor.`,
        });
    }
    const { scores } = pair;
    if (
      scores?.interval &&
      scores.n >= ENOUGH_UNIONS &&
      Math.abs(scores.mean) >= WORTH_SAYING &&
      scores.interval.from * scores.interval.to > 0
    ) {
      const [milder, stricter] = scores.mean > 0 ? [first, second] : [second, first];
      found.push({
        point: null,
        worth: 20 + Math.abs(scores.mean),
        words: `${milder} scores ${Math.abs(scores.mean).toFixed(1)} points higher than ${stricter} on the same unions. Score the recalibration set, both of you, before comparing people you scored apart.`,
      });
    }
  }
  for (const { assessorId, drift } of agreement.drifts) {
    if (
      drift.n < ENOUGH_UNIONS ||
      Math.abs(drift.perHour) < DRIFT_WORTH_SAYING ||
      drift.interval.from * drift.interval.to <= 0
    )
      continue;
    found.push({
      point: null,
      worth: 15 + Math.abs(drift.perHour),
      words: `${nameOf(assessorId)} grew ${drift.perHour > 0 ? 'milder' : 'stricter'} by ${Math.abs(drift.perHour).toFixed(1)} points an hour. A break, and one union of the morning looked at again, help.`,
    });
  }
  return found.sort((a, b) => b.worth - a.worth).map(({ point, words }) => ({ point, words }));
}
