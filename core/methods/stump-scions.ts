/** How many scions are set on stumps up to a diameter, and how many of those that live are kept. Lengths mm. */
export interface StumpRow {
  /** Null for all that are thicker. */
  upTo: number | null;
  set: number;
  keep: number;
}

/** Rows of a cleft: a second scion at the other edge from about 40 mm on. Source: method sheet. */
export const CLEFT_STUMPS: readonly StumpRow[] = [
  { upTo: 40, set: 1, keep: 1 },
  { upTo: null, set: 2, keep: 2 },
];

/** Rows of bark and inlay: one converts a stump of 40 to 50 mm; above that no source gives the sizes, a guess. */
export const BARK_STUMPS: readonly StumpRow[] = [
  { upTo: 50, set: 1, keep: 1 },
  { upTo: 75, set: 2, keep: 2 },
  { upTo: null, set: 3, keep: 3 },
];

/**
 * The row a stump falls in.
 *
 * @throws RangeError for rows that end before the stump.
 * @example stumpRow(CLEFT_STUMPS, 45).set // 2
 */
export function stumpRow(rows: readonly StumpRow[], diameter: number): StumpRow {
  const row = rows.find(({ upTo }) => upTo === null || diameter <= upTo);
  if (!row) throw new RangeError('The last row of a table of stumps has no upper end.');
  return row;
}

/** Scions that any stump can carry. */
const MOST_SCIONS = 6;

/** Whether rows are a table: diameters that rise, the last without an upper end, no more kept than set. */
export function stumpTableStands(rows: readonly unknown[]): rows is StumpRow[] {
  const whole = (value: unknown, least: number, most: number): value is number =>
    Number.isInteger(value) && (value as number) >= least && (value as number) <= most;
  let before = 0;
  for (const [i, row] of rows.entries()) {
    if (typeof row !== 'object' || row === null) return false;
    const { upTo, set, keep } = row as Partial<StumpRow>;
    if (!whole(set, 1, MOST_SCIONS) || !whole(keep, 1, set)) return false;
    if (i === rows.length - 1) return upTo === null;
    if (typeof upTo !== 'number' || !(upTo > before) || upTo > 1000) return false;
    before = upTo;
  }
  return false;
}
