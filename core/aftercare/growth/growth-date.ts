import { InputError } from '../../contact/input-error';

/** A height that was seen, on a day counted from the union, mm. */
export interface GrowthObservation {
  day: number;
  height: number;
  /** It was tipped or wood was taken: growth goes on from this height. */
  shortened?: boolean;
}

/** Two observations tell a rate when they are so many days apart. */
const RATE_OVER = 7;

/**
 * The day on which growth reaches a height: where straight lines between the running maxima cross it, or beyond the
 * last observation at the rate of late; a plant that was shortened starts anew.
 *
 * @param observations in the order of their days
 * @returns the day, or null where it is not known: nothing seen, no growth, or nothing to tell a rate by
 * @throws InputError when days do not rise or a height is below 0
 * @example growthDate([{ day: 10, height: 20 }, { day: 17, height: 60 }], 100) // 24
 */
export function growthDate(observations: readonly GrowthObservation[], reaches: number): number | null {
  if (!(reaches > 0)) throw new InputError('reaches', 'The height that is waited for is above 0.');
  observations.forEach(({ day, height }, i) => {
    if (!Number.isFinite(day) || !(height >= 0))
      throw new InputError('observations', 'Each observation has a day and a height that is not below 0.');
    if (i > 0 && day <= observations[i - 1]!.day)
      throw new InputError('observations', 'Observations stand in the order of their days, each day once.');
  });
  const stretches = sinceShortened(observations);
  for (const stretch of stretches) {
    const crossed = crossing(stretch, reaches);
    if (crossed !== null) return crossed;
  }
  return ahead(stretches.at(-1) ?? [], reaches);
}

type Peak = readonly [day: number, tallest: number];

/** Running maxima, a list of its own from each shortening on. */
function sinceShortened(observations: readonly GrowthObservation[]): Peak[][] {
  const stretches: Peak[][] = [];
  for (const { day, height, shortened } of observations) {
    const last = shortened ? undefined : stretches.at(-1);
    if (!last) stretches.push([[day, height]]);
    else last.push([day, Math.max(last.at(-1)![1], height)]);
  }
  return stretches;
}

function crossing(peaks: readonly Peak[], reaches: number): number | null {
  const at = peaks.findIndex(([, tallest]) => tallest >= reaches);
  if (at < 0) return null;
  const [day, tallest] = peaks[at]!;
  if (at === 0) return day;
  const [before, lower] = peaks[at - 1]!;
  return before + ((reaches - lower) / (tallest - lower)) * (day - before);
}

function ahead(peaks: readonly Peak[], reaches: number): number | null {
  const last = peaks.at(-1);
  if (!last) return null;
  const earlier = peaks.findLast(([day]) => day <= last[0] - RATE_OVER);
  if (!earlier || last[1] <= earlier[1]) return null;
  return last[0] + ((reaches - last[1]) * (last[0] - earlier[0])) / (last[1] - earlier[1]);
}
