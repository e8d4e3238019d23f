const UNIT = String.raw`\s*(m|mm|c|cm|i|in|inc|inch|"|″)?\s*$`;
/** A fraction as it stands on a rule, alone or behind a whole number: 3/8, 1 1/2, 1-1/2, 1½. */
const FRACTION = String.raw`(\d+[ -]?)?(\d+ ?[/\u2044]? ?\d*|[\u00bc-\u00be\u2153-\u215e])`;
const BEGUN = {
  mm: new RegExp(String.raw`^\s*[+\u2212-]?\s*(\d*[.,]?\d*|${FRACTION}|\d+[ -])${UNIT}`, 'i'),
  degrees: /^\s*[+\u2212-]?\s*\d*[.,]?\d*\s*°?\s*$/,
};

/**
 * True for a text that is a figure or may become one by typing on: digits, one point or comma, or a fraction, a sign
 * in front, a unit behind. What a caliper says when it has nothing to say is none.
 *
 * @param unit what the figure measures; lengths may be typed in any unit of length.
 * @example isBegunFigure('9,', 'mm') // true
 * @example isBegunFigure('1 1/', 'mm') // true
 * @example isBegunFigure('E', 'mm') // false
 */
export function isBegunFigure(text: string, unit: 'mm' | 'degrees'): boolean {
  if (!BEGUN[unit].test(text)) return false;
  // A unit by itself is the beginning of a word: figures come first.
  return (
    text.trim() === '' ||
    /^\s*[+\u2212-]?\s*[\d.,\u00bc-\u00be\u2153-\u215e]/.test(text) ||
    /^\s*[+\u2212-]\s*$/.test(text)
  );
}
