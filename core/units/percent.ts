/**
 * A share in whole percent, number and sign kept on one line.
 *
 * @example percent(0.625) // '63 %'
 */
export function percent(share: number): string {
  return `${wholePercent(share)}\u00a0%`;
}

/** A share as a whole number of percent. */
export function wholePercent(share: number): number {
  return Math.round(share * 100);
}
