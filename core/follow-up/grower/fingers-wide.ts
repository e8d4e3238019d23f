/** Width of a grown person's finger, mm: usual for the middle joint, give or take two. Our guess. */
const FINGER_MM = 17;

/**
 * How many fingers side by side are about as wide as a length.
 *
 * @throws RangeError for what is no length
 * @example fingersWide(50) // 3
 */
export function fingersWide(mm: number): number {
  if (!(mm > 0)) throw new RangeError('A length is above 0.');
  return Math.max(1, Math.round(mm / FINGER_MM));
}
