import type { Figures, Measure, Measures, Origin } from './measures';

/** A choice in words that stands for a figure, which may depend on the other figures. */
export interface FieldPick {
  id: string;
  words: string;
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
 * @param given figures in mm, or picks by id.
 */
export function fillMeasures(fields: Field[], given: Record<string, number | string | undefined>, origin: Origin = 'measured'): Measures {
  const measures: Measures = {};
  for (const field of fields) {
    const value = given[field.id];
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
  const pick = field.picks!.find((one) => one.id === id)!;
  return { value: worked(pick.value, {}), origin: pick.usual ? 'assumed' : 'picked' };
}
