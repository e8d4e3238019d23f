/**
 * A share in whole percent, number and sign kept on one line.
 *
 * @example percent(0.625) // '63 %'
 */
export function percent(share: number): string {
  return `${wholePercent(share)}\u00a0%`;
}

/**
 * Two shares as a range in whole percent.
 *
 * @example percentRange({ low: 0.598, high: 0.858 }) // '60 to 86 %'
 */
export function percentRange({ low, high }: { low: number; high: number }): string {
  return `${wholePercent(low)} to ${percent(high)}`;
}

/** A share as a whole number of percent. */
export function wholePercent(share: number): number {
  return Math.round(share * 100);
}
