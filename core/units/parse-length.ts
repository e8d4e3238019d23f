import { parseDecimal } from './decimal';
import { type LengthUnit, toMillimetres } from './length';

/**
 * Reads a length as a hand or a caliper types it: a figure, with a decimal point or comma or as a fraction, and
 * perhaps its unit, which goes before the reader's own.
 *
 * @param unit what a figure without a unit is in.
 * @returns mm to a thousandth, or null for what is no length.
 * @example parseLength('9,5 mm', 'in') // 9.5
 * @example parseLength('1 1/2', 'in') // 38.1
 */
export function parseLength(text: string, unit: LengthUnit): number | null {
  const [, figure = '', suffix] = /^(.*?)\s*(mm|cm|ins?\.?|inch(?:es)?|"|″|”)?\s*$/i.exec(text) ?? [];
  const value = parseDecimal(figure);
  if (value === null) return null;
  const unitName = suffix?.toLowerCase();
  if (unitName === 'cm') return Math.round(value * 10_000) / 1000;
  return (
    Math.round(toMillimetres(value, unitName === undefined ? unit : unitName === 'mm' ? 'mm' : 'in') * 1000) / 1000
  );
}
