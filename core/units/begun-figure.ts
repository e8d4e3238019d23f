const BEGUN = {
  mm: /^\s*[+\u2212-]?\s*\d*[.,]?\d*\s*(m|mm|c|cm|i|in|inc|inch|"|″)?\s*$/i,
  degrees: /^\s*[+\u2212-]?\s*\d*[.,]?\d*\s*°?\s*$/,
};

/**
 * True for a text that is a figure or may become one by typing on: digits, one point or comma, a sign
 * in front, a unit behind. What a caliper says when it has nothing to say is none.
 *
 * @param unit what the figure measures; lengths may be typed in any unit of length.
 * @example isBegunFigure('9,', 'mm') // true
 * @example isBegunFigure('E', 'mm') // false
 */
export function isBegunFigure(text: string, unit: 'mm' | 'degrees'): boolean {
  if (!BEGUN[unit].test(text)) return false;
  // A unit by itself is the beginning of a word: figures come first.
  return text.trim() === '' || /^\s*[+\u2212-]?\s*[\d.,]/.test(text) || /^\s*[+\u2212-]\s*$/.test(text);
}
