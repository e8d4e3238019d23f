/** Mean daily lowest and highest temperature of each month, January first, degC. */
export interface Normals {
  low: number[];
  high: number[];
}

/** What a site's year is like. Frost dates are month and day, null where it never freezes. */
export interface Climate {
  normals: Normals;
  lastFrost: string | null;
  firstFrost: string | null;
  /** Days by which frost dates move from year to year, to either side. */
  frostMargin: number;
}

/**
 * What is wrong with normals, in words a user can act on; null when nothing is.
 *
 * @example problemOfNormals({ low: [1], high: [4] }) // 'Twelve months are needed; 1 is there.'
 */
export function problemOfNormals({ low, high }: Normals): string | null {
  const months = Math.min(low.length, high.length);
  if (low.length !== 12 || high.length !== 12)
    return `Twelve months are needed; ${months} ${months === 1 ? 'is' : 'are'} there.`;
  for (let i = 0; i < 12; i++) {
    if (!Number.isFinite(low[i]!) || !Number.isFinite(high[i]!)) return `${MONTH_NAMES[i]} is not in figures.`;
    if (low[i]! > high[i]!)
      return `In ${MONTH_NAMES[i]} the lowest, ${low[i]}, is above the highest, ${high[i]}. Exchange them.`;
    if (low[i]! < -60 || high[i]! > 55)
      return `In ${MONTH_NAMES[i]} ${low[i]! < -60 ? low[i] : high[i]} °C is no monthly mean. If the figures are °F, say so in the heading of the column.`;
  }
  return null;
}

export const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
];
