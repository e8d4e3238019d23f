import type { Assumption } from '@/core/plan/phenology/assumptions';
import { parseDecimal } from '@/core/units/decimal';
import type { TemperatureUnit } from '@/core/units/temperature';

/** Tenths are as fine as a temperature is told. */
const told = (value: number): string => String(Math.round(value * 10) / 10);

/** The unit of an assumption as a reader knows it. */
export function assumptionUnit({ unit }: Pick<Assumption, 'unit'>, temperature: TemperatureUnit): string {
  return unit.replace('°C', `°${temperature}`);
}

/** A figure of an assumption, or its margin, as it stands in its field. */
export function assumptionText(
  { unit }: Pick<Assumption, 'unit'>,
  key: 'value' | 'margin',
  figure: number,
  temperature: TemperatureUnit,
): string {
  if (temperature === 'C' || !unit.includes('°C')) return String(figure);
  return told(unit === '°C' && key === 'value' ? figure * 1.8 + 32 : figure * 1.8);
}

/**
 * What was typed, in degC and degC days again; a field nobody touched is the figure it stood for. What is no figure
 * stays as it was typed, for the schema to refuse.
 *
 * @param known figures that the field may have stood for: the site's own, the usual one.
 */
export function readAssumption(
  assumption: Pick<Assumption, 'unit'>,
  key: 'value' | 'margin',
  text: string,
  known: readonly number[],
  temperature: TemperatureUnit,
): string | number {
  const same = known.find((figure) => assumptionText(assumption, key, figure, temperature) === text.trim());
  if (same !== undefined) return same;
  const typed = parseDecimal(text);
  if (typed === null || temperature === 'C' || !assumption.unit.includes('°C')) return text;
  const zero = assumption.unit === '°C' && key === 'value' ? 32 : 0;
  return Math.round(((typed - zero) / 1.8) * 100) / 100;
}
