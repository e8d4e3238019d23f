export type TemperatureUnit = 'C' | 'F';

/**
 * A stored temperature (degC) in words.
 *
 * @example formatTemperature(4, 'F') // '39 °F'
 */
export function formatTemperature(celsius: number, unit: TemperatureUnit): string {
  const value = unit === 'C' ? celsius : celsius * 1.8 + 32;
  return `${Math.round(value)} °${unit}`;
}
