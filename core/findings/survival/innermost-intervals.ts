/** When a plant died, as visits tell: seen alive at `left`, dead by `right`; null for never seen dead. In days. */
export interface SeenBetween {
  left: number;
  right: number | null;
}

/** Days after `from` and up to `to`; null for after all visits. */
export interface DayInterval {
  from: number;
  to: number | null;
}

/**
 * The innermost intervals (left, right]: a left end followed at once by a right end, all ends in order. Only in them can
 * the maximum likelihood estimate have mass. Source: B. W. Turnbull, Journal of the Royal Statistical Society B 38 (1976).
 *
 * @throws RangeError for an interval that ends before or where it begins
 */
export function innermostIntervals(seen: readonly SeenBetween[]): DayInterval[] {
  seen.forEach(({ left, right }, i) => {
    if (!(Number.isFinite(left) && left >= 0))
      throw new RangeError(`Row ${i + 1}: left is a day from 0 on, not "${left}".`);
    if (right !== null && !(Number.isFinite(right) && right > left))
      throw new RangeError(`Row ${i + 1}: right is a day after left (${left}) or empty, not ${right}.`);
  });
  const rights = [...new Set(seen.map(({ right }) => right ?? Infinity))].sort((a, b) => a - b);
  const lefts = [...new Set(seen.map(({ left }) => left))].sort((a, b) => a - b);
  const found: DayInterval[] = [];
  // What begins at a day begins after what ends there.
  let l = 0;
  let last: number | null = null;
  for (const right of rights) {
    let begun: number | null = null;
    for (; l < lefts.length && lefts[l]! < right; l++) begun = lefts[l]!;
    if (begun !== null && begun !== last) found.push({ from: begun, to: right === Infinity ? null : right });
    last = begun ?? last;
  }
  return found;
}
