/**
 * Reads a number as people type it at a bench: a decimal point or a decimal comma, spaces around
 * it, a leading plus or minus. Anything else is `null`, so that the caller can say what it wants
 * instead of guessing. Thousands separators are refused: "1,200" would be read as 1.2.
 *
 * @example parseDecimal(' 9,5 ') // 9.5
 */
export function parseDecimal(text: string): number | null {
  const trimmed = text.trim().replace(/\u2212/g, '-');
  if (!/^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/.test(trimmed)) return null;
  const value = Number(trimmed.replace(',', '.'));
  return Number.isFinite(value) ? value : null;
}

/** A number as typed; what is none stays as it was typed, for the one who reads it to refuse. */
export function decimalOrText(text: string): number | string {
  return parseDecimal(text) ?? text;
}
