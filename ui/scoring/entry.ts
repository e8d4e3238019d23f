import { assumedBark } from '@/core/contact/cut-face';
import { HOLLOW_PICKS, type HollowPick } from '@/core/contact/hollow';
import type { PlacementPick } from '@/core/contact/placement';
import type { Measure, Measures } from '@/core/methods/measures';
import type { Point } from '@/core/methods/method';
import type { PointGrade } from '@/core/scoring/grade';
import type { Marks } from '@/core/scoring/judge-union';
import { parseDecimal } from '@/core/units/decimal';
import { formatLengthNumber, toMillimetres, type LengthUnit } from '@/core/units/length';

/** Figures that are typed; the text is kept as typed until it is saved. */
export const TYPED = ['stockDiameter', 'scionDiameter', 'stockLength', 'scionLength', 'stockBark', 'scionBark', 'stockHollow', 'scionHollow', 'lift', 'turn', 'offset'] as const;
export type Typed = (typeof TYPED)[number];

/** What is being entered about a union, before it is measures. */
export interface Entry {
  texts: Record<Typed, string>;
  /** Figures carried over from the seat's last union, shown as assumed until typed again. */
  kept: Typed[];
  placement: PlacementPick | 'mm';
  hollow: { stock: HollowPick | 'mm'; scion: HollowPick | 'mm' };
  marks: Marks;
  note: string;
  correctsId: string | null;
}

const EMPTY_TEXTS = Object.fromEntries(TYPED.map((name) => [name, ''])) as Record<Typed, string>;

/** An empty entry; diameters of the seat's last union are kept. */
export function newEntry(last: Measures | null, unit: LengthUnit): Entry {
  const texts = { ...EMPTY_TEXTS };
  if (last) {
    texts.stockDiameter = formatLengthNumber(last.stockDiameter.value, unit);
    texts.scionDiameter = formatLengthNumber(last.scionDiameter.value, unit);
  }
  return {
    texts, kept: last ? ['stockDiameter', 'scionDiameter'] : [], placement: 'middle', hollow: { stock: 'none', scion: 'none' }, marks: {}, note: '', correctsId: null,
  };
}

/** The entry that a saved judgement came from, to correct it or to take it back. */
export function entryOf(measures: Measures, marks: Marks, note: string, unit: LengthUnit, correctsId: string | null): Entry {
  const texts = { ...EMPTY_TEXTS };
  for (const name of ['stockDiameter', 'scionDiameter', 'stockLength', 'scionLength'] as const) texts[name] = formatLengthNumber(measures[name].value, unit);
  for (const name of ['stockBark', 'scionBark', 'lift'] as const) {
    if (measures[name].origin !== 'assumed') texts[name] = formatLengthNumber(measures[name].value, unit);
  }
  if (measures.turn.origin !== 'assumed') texts.turn = String(measures.turn.value);
  const hollowOf = (piece: 'stockHollow' | 'scionHollow'): HollowPick | 'mm' => {
    const { value, origin } = measures[piece];
    const pick = (Object.keys(HOLLOW_PICKS) as HollowPick[]).find((name) => HOLLOW_PICKS[name] === value);
    if (origin !== 'measured' && pick) return pick;
    texts[piece] = formatLengthNumber(value, unit);
    return 'mm';
  };
  const hollow = { stock: hollowOf('stockHollow'), scion: hollowOf('scionHollow') };
  let placement: Entry['placement'] = 'mm';
  if ('pick' in measures.placement) placement = measures.placement.pick;
  else texts.offset = formatLengthNumber(measures.placement.value, unit);
  return { texts, kept: [], placement, hollow, marks, note, correctsId };
}

export interface ReadEntry {
  measures: Measures | null;
  /** Names of the four figures that are still to be entered. */
  missing: Typed[];
  /** What is wrong with a text, by figure. */
  errors: Partial<Record<Typed, string>>;
}

const NAMES: Record<Typed, string> = {
  stockDiameter: "the stock's diameter", scionDiameter: "the scion's diameter", stockLength: "the stock's cut", scionLength: "the scion's cut",
  stockBark: "the stock's bark", scionBark: "the scion's bark", stockHollow: "the stock's hollow", scionHollow: "the scion's hollow",
  lift: 'the lift', turn: 'the turn', offset: 'the offset',
};

/** Measures of an entry, with where each figure comes from; null while a needed one is missing or unreadable. */
export function readEntry(entry: Entry, unit: LengthUnit): ReadEntry {
  const errors: Partial<Record<Typed, string>> = {};
  const missing: Typed[] = [];
  const typed = (name: Typed): number | null => {
    const text = entry.texts[name].trim();
    if (text === '') return null;
    const value = parseDecimal(text);
    if (value === null) {
      errors[name] = `Enter ${NAMES[name]} in figures, such as 9.5 or 9,5.`;
      return null;
    }
    return name === 'turn' ? value : Math.round(toMillimetres(value, unit) * 1000) / 1000;
  };
  const needed = (name: Typed): Measure => {
    const value = typed(name);
    if (value === null && !errors[name]) missing.push(name);
    return { value: value ?? 0, origin: entry.kept.includes(name) ? 'assumed' : 'measured' };
  };
  const optional = (name: Typed, otherwise: number): Measure => {
    const value = typed(name);
    return value === null ? { value: otherwise, origin: 'assumed' } : { value, origin: 'measured' };
  };
  const hollow = (piece: 'stock' | 'scion'): Measure => {
    const pick = entry.hollow[piece];
    if (pick === 'mm') return needed(piece === 'stock' ? 'stockHollow' : 'scionHollow');
    // Nobody marked anything: everything starts as good, and is shown as assumed.
    return { value: HOLLOW_PICKS[pick], origin: pick === 'none' ? 'assumed' : 'picked' };
  };
  const stockDiameter = needed('stockDiameter');
  const scionDiameter = needed('scionDiameter');
  const measures: Measures = {
    stockDiameter, scionDiameter,
    stockBark: optional('stockBark', assumedBark(stockDiameter.value)), scionBark: optional('scionBark', assumedBark(scionDiameter.value)),
    stockLength: needed('stockLength'), scionLength: needed('scionLength'), stockHollow: hollow('stock'), scionHollow: hollow('scion'),
    placement: entry.placement === 'mm' ? needed('offset') : { pick: entry.placement }, lift: optional('lift', 0), turn: optional('turn', 0),
  };
  return { measures: missing.length === 0 && Object.keys(errors).length === 0 ? measures : null, missing, errors };
}

/** The next mark of a point: its faults in order, then not looked at, then as it was. */
export function nextMark(point: Point, marks: Marks, asMeasured: PointGrade): Marks {
  const order: (PointGrade | undefined)[] = [undefined, ...point.faults.map(({ grade }) => grade), ...(point.measured ? (['good'] as const) : []), 'not-looked-at'];
  const distinct = order.filter((grade, i) => grade === undefined || (grade !== asMeasured && order.indexOf(grade) === i));
  const next = distinct[(distinct.indexOf(marks[point.id]) + 1) % distinct.length];
  const others = Object.fromEntries(Object.entries(marks).filter(([id]) => id !== point.id));
  return next === undefined ? others : { ...others, [point.id]: next };
}
