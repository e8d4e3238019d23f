export type LengthUnit = 'mm' | 'in';

/** One inch, exactly (international yard agreement, 1959). */
export const MM_PER_INCH = 25.4;

/** A stored length in mm as the number a user of `unit` reads. */
export function fromMillimetres(mm: number, unit: LengthUnit): number {
  return unit === 'mm' ? mm : mm / MM_PER_INCH;
}

/** A number a user of `unit` entered, as mm. */
export function toMillimetres(value: number, unit: LengthUnit): number {
  return unit === 'mm' ? value : value * MM_PER_INCH;
}

/**
 * A length in words, with its unit. Millimetres to one decimal place, inches to two.
 *
 * @example formatLength(12.7, 'in') // '0.50 in'
 */
export function formatLength(mm: number, unit: LengthUnit): string {
  return `${formatLengthNumber(mm, unit)} ${unit}`;
}

/** As {@link formatLength}, without the unit, for a field that shows the unit beside it. */
export function formatLengthNumber(mm: number, unit: LengthUnit): string {
  const value = fromMillimetres(mm, unit);
  if (unit === 'in') return value.toFixed(2);
  const rounded = Math.round(value * 10) / 10;
  return String(rounded === 0 ? 0 : rounded);
}
