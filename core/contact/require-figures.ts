import { capital } from '@/core/units/capital';
import { InputError } from './input-error';

/** What a figure is called in a sentence, by the name the model has for it. */
export type FigureNames = Record<string, string>;

/**
 * Refuses figures that are not finite numbers, and those in `notNegative` that are below 0.
 *
 * @throws InputError naming the figure.
 */
export function requireFigures(
  figures: Record<string, number | undefined>,
  names: FigureNames,
  notNegative: string[],
): void {
  for (const [field, value] of Object.entries(figures)) {
    const name = names[field] ?? field;
    if (typeof value !== 'number' || !Number.isFinite(value))
      throw new InputError(field, `${capital(name)} is not a number. Enter it in figures.`);
    if (notNegative.includes(field) && value < 0)
      throw new InputError(field, `${capital(name)} cannot be less than 0. Check the figure.`);
  }
}

/** Refuses a figure that is not more than 0. */
export function requirePositive(field: string, name: string, value: number): void {
  if (!(value > 0)) throw new InputError(field, `${capital(name)} must be more than 0. Measure it again.`);
}

/** Refuses bark that leaves no wood. */
export function requireWood(field: string, piece: string, bark: number, diameter: number): void {
  if (bark >= diameter / 2)
    throw new InputError(
      field,
      `The ${piece}'s bark is as thick as its radius, so there is no wood left. Check bark and diameter.`,
    );
}
