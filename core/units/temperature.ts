export type TemperatureUnit = 'C' | 'F';

/** A stored temperature (degC) as the number a user of `unit` reads, to a tenth. */
export function fromCelsius(celsius: number, unit: TemperatureUnit): number {
  return unit === 'C' ? celsius : Math.round((celsius * 1.8 + 32) * 10) / 10;
}

/** A number a user of `unit` entered, as degC to a hundredth. */
export function toCelsius(value: number, unit: TemperatureUnit): number {
  return unit === 'C' ? value : Math.round(((value - 32) / 1.8) * 100) / 100;
}

/**
 * A stored temperature (degC) in words.
 *
 * @example formatTemperature(4, 'F') // '39 °F'
 */
export function formatTemperature(celsius: number, unit: TemperatureUnit): string {
  const value = unit === 'C' ? celsius : celsius * 1.8 + 32;
  return `${Math.round(value)} °${unit}`;
}
