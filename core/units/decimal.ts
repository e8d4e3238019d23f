/** Fractions that have a sign of their own. */
const SIGNS: Record<string, readonly [number, number]> = {
  '½': [1, 2],
  '⅓': [1, 3],
  '⅔': [2, 3],
  '¼': [1, 4],
  '¾': [3, 4],
  '⅕': [1, 5],
  '⅖': [2, 5],
  '⅗': [3, 5],
  '⅘': [4, 5],
  '⅙': [1, 6],
  '⅚': [5, 6],
  '⅛': [1, 8],
  '⅜': [3, 8],
  '⅝': [5, 8],
  '⅞': [7, 8],
};
const FRACTION = new RegExp(
  `^([+-]?)(?:(\\d+)(?: +|-|(?=[${Object.keys(SIGNS).join('')}])))?(?:(\\d+) ?[/\u2044] ?(\\d+)|([${Object.keys(SIGNS).join('')}]))$`,
);

/**
 * Reads a number as people type it at a bench: a decimal point or a decimal comma, or a fraction as it stands on a rule;
 * spaces around it, a leading plus or minus. Anything else is `null`, so that the caller can say what it wants
 * instead of guessing. Thousands separators are refused: "1,200" would be read as 1.2.
 *
 * @example parseDecimal(' 9,5 ') // 9.5
 * @example parseDecimal('1 1/2') // 1.5
 */
export function parseDecimal(text: string): number | null {
  const trimmed = text.trim().replace(/\u2212/g, '-');
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(trimmed)) return parseFraction(trimmed);
  const value = Number(trimmed.replace(',', '.'));
  return Number.isFinite(value) ? value : null;
}

/** A whole number and a fraction, or one of them: 1/2, 1 1/2, 1-1/2, 1½, 3/8. */
function parseFraction(text: string): number | null {
  const [whole, sign, units = '0', above, below, glyph] = FRACTION.exec(text) ?? [];
  if (whole === undefined) return null;
  const [top, bottom] = glyph ? SIGNS[glyph]! : [Number(above), Number(below)];
  const value = (Number(units) + top / bottom) * (sign === '-' ? -1 : 1);
  return Number.isFinite(value) ? value : null;
}

/** A number as typed; what is none stays as it was typed, for the one who reads it to refuse. */
export function decimalOrText(text: string): number | string {
  return parseDecimal(text) ?? text;
}
