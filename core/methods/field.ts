import { capital } from '@/core/units/capital';
import { formatLength, type LengthUnit } from '@/core/units/length';
import type { Prose } from '@/core/units/prose';
import type { Figures, Measure, Measures, Origin } from './measures';

/** A choice in words that stands for a figure, which may depend on the other figures. */
export interface FieldPick {
  id: string;
  words: Prose;
  value: number | ((figures: Figures) => number);
  /** The usual one, which nobody has to pick: it stands as assumed. */
  usual?: boolean;
}

/** Something one can measure on a union of a method. */
export interface Field {
  id: string;
  /** In a sentence: "the stock's diameter". */
  name: string;
  /** On the form: "Stock Ø". */
  short: string;
  unit: 'mm' | 'degrees';
  least: number;
  most: number;
  /** Whether it is asked on every union, picked in words, or looked up only when it differs from the usual. */
  place: 'first' | 'picked' | 'further';
  /** Stands in when nobody measured it; a field without one, and without picks, must be entered. */
  assumed?: number | ((figures: Figures) => number);
  picks?: FieldPick[];
  /** May be entered as a figure as well as picked. */
  typed?: boolean;
  /** A pick of this field is kept in words, since its figure moves with others. */
  keepsPick?: boolean;
  /** Carried over from the seat's last union, and shown as carried over. */
  kept?: boolean;
  /** Set on the figure that says where the scion lies: so far to a side of the stock's middle, or so far in from its bark. */
  lies?: 'aside' | 'inward';
}

/** What is wrong with a figure of a field, in words, or null. What the pieces allow together is for the contact model to say. */
export function rangeProblem({ name, least, most, unit }: Field, value: number, read: LengthUnit): string | null {
  const said = capital(name);
  const limit = (figure: number): string => (unit === 'degrees' ? `${figure} degrees` : formatLength(figure, read));
  if (value < least)
    return least === 0
      ? `${said} cannot be less than 0. Check the figure.`
      : `${said} must be ${limit(least)} or more. Check the figure.`;
  if (value > most) return `${said} of more than ${limit(most)} cannot be right. Check the figure and its unit.`;
  return null;
}

/**
 * Six likely figures of a field, about `around`, for a thumb that cannot type: calipers by the mm,
 * lengths by the five.
 *
 * @example quickFigures(10, 'caliper') // [7, 8, 9, 10, 11, 12]
 */
export function quickFigures(around: number, kind: 'caliper' | 'length'): number[] {
  const step = kind === 'caliper' ? (around > 20 ? 5 : 1) : around > 24 ? 5 : around > 10 ? 2 : 1;
  const middle = Math.max(4 * step, Math.round(around / step) * step);
  return [-3, -2, -1, 0, 1, 2].map((k) => middle + k * step);
}

export function usualPick(field: Field): FieldPick {
  return field.picks!.find(({ usual }) => usual) ?? field.picks![0]!;
}

/** Figures that measures stand for, those first that others depend on: fields are read in their order. */
export function figuresOf(fields: Field[], measures: Measures): Figures {
  const figures: Figures = {};
  for (const field of fields) {
    const measure = measures[field.id];
    if (measure === undefined) figures[field.id] = assumedFigure(field, figures);
    else if ('pick' in measure) {
      const pick = field.picks?.find(({ id }) => id === measure.pick);
      figures[field.id] = pick ? worked(pick.value, figures) : assumedFigure(field, figures);
    } else figures[field.id] = measure.value;
  }
  return figures;
}

function assumedFigure(field: Field, figures: Figures): number {
  if (field.assumed !== undefined) return worked(field.assumed, figures);
  return field.picks ? worked(usualPick(field).value, figures) : Number.NaN;
}

function worked(value: number | ((figures: Figures) => number), figures: Figures): number {
  return typeof value === 'number' ? value : value(figures);
}

/**
 * Full measures from some: what is not given is assumed, or the usual pick.
 *
 * @param values figures in mm, or picks by id.
 */
export function fillMeasures(
  fields: Field[],
  values: Record<string, number | string | undefined>,
  origin: Origin = 'measured',
): Measures {
  const measures: Measures = {};
  for (const field of fields) {
    const value = values[field.id];
    if (typeof value === 'string') measures[field.id] = pickMeasure(field, value);
    else if (value !== undefined) measures[field.id] = { value, origin };
    else if (field.picks && field.assumed === undefined) measures[field.id] = pickMeasure(field, usualPick(field).id);
    else measures[field.id] = { value: assumedFigure(field, figuresOf(fields, measures)), origin: 'assumed' };
  }
  return measures;
}

/** What a pick is kept as: its words where the figure moves with others, else the figure. */
export function pickMeasure(field: Field, id: string): Measure | { pick: string } {
  if (field.keepsPick) return { pick: id };
  const pick = field.picks!.find((pick) => pick.id === id)!;
  return { value: worked(pick.value, {}), origin: pick.usual ? 'assumed' : 'picked' };
}
