import type { Assumption } from '@/core/plan/phenology/assumptions';
import { parseDecimal } from '@/core/units/decimal';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';
import type { TemperatureUnit } from '@/core/units/temperature';

/** What the reader reads figures in. */
export interface Units {
  length: LengthUnit;
  temperature: TemperatureUnit;
}

/** Tenths are as fine as a temperature is told. */
const told = (value: number): string => String(Math.round(value * 10) / 10);

/** The unit of an assumption as a reader knows it. */
export function assumptionUnit({ unit }: Pick<Assumption, 'unit'>, { length, temperature }: Units): string {
  return unit === 'mm' ? length : unit.replace('°C', `°${temperature}`);
}

/** A figure of an assumption, or its margin, as it stands in its field. */
export function assumptionText(
  { unit }: Pick<Assumption, 'unit'>,
  key: 'value' | 'margin',
  figure: number,
  { length, temperature }: Units,
): string {
  if (unit === 'mm') return formatLengthNumber(figure, length);
  if (temperature === 'C' || !unit.includes('°C')) return String(figure);
  return told(unit === '°C' && key === 'value' ? figure * 1.8 + 32 : figure * 1.8);
}

/**
 * What was typed, in mm, degC and degC days again; a field nobody touched is the figure it stood for. What is no figure
 * stays as it was typed, for the schema to refuse.
 *
 * @param known figures that the field may have stood for: the site's own, the usual one.
 */
export function readAssumption(
  assumption: Pick<Assumption, 'unit'>,
  key: 'value' | 'margin',
  text: string,
  known: readonly number[],
  units: Units,
): string | number {
  const same = known.find((figure) => assumptionText(assumption, key, figure, units) === text.trim());
  if (same !== undefined) return same;
  const { length, temperature } = units;
  if (assumption.unit === 'mm') {
    const mm = parseLength(text, length);
    return mm === null ? text : Math.round(mm * 10) / 10;
  }
  const typed = parseDecimal(text);
  if (typed === null || temperature === 'C' || !assumption.unit.includes('°C')) return text;
  const zero = assumption.unit === '°C' && key === 'value' ? 32 : 0;
  return Math.round(((typed - zero) / 1.8) * 100) / 100;
}
