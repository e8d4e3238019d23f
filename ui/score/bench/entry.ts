import { type Field, figuresOf, pickMeasure, rangeProblem, usualPick } from '@/core/methods/field';
import type { Measure, Measures } from '@/core/methods/measures';
import type { Method, Point, Stage } from '@/core/methods/method';
import type { Outlook, OutlookBy } from '@/core/score/rubric/outlook';
import type { PointGrade } from '@/core/contact/grade';
import type { Marks } from '@/core/score/rubric/judge-union';
import { parseDecimal } from '@/core/units/decimal';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { parseLength } from '@/core/units/parse-length';

/** Stands among a field's picks for a figure that is typed instead. */
export const BY_FIGURE = 'figure';

/** What is being entered about a union, before it is measures. Texts are kept as typed until it is saved. */
export interface Entry {
  texts: Record<string, string>;
  /** Figures carried over from the seat's last union, shown as assumed until typed again. */
  kept: string[];
  /** Figures that were picked and not measured. */
  quick: string[];
  /** Pick by field, or BY_FIGURE; the usual one where none is named. */
  picks: Record<string, string>;
  marks: Marks;
  note: string;
  /** Strokes of the knife that somebody counted, or null. */
  strokes: number | null;
  correctsId: string | null;
  /** How far it is when it is judged; what an earlier build left says nothing of it and was joined. */
  stage?: Stage;
  outlook?: Outlook | null;
  outlookBy?: OutlookBy;
}

function textOf(field: Field, value: number, unit: LengthUnit): string {
  return field.unit === 'degrees' ? String(value) : formatLengthNumber(value, unit);
}

/** An empty entry; what the method keeps of the seat's last union is kept. */
export function newEntry(method: Method, last: Measures | null, unit: LengthUnit, stage: Stage = 'joined'): Entry {
  const texts: Record<string, string> = {};
  for (const field of method.fields) {
    const measure = field.kept ? last?.[field.id] : undefined;
    if (measure && 'value' in measure) texts[field.id] = textOf(field, measure.value, unit);
  }
  return {
    texts,
    kept: Object.keys(texts),
    quick: [],
    picks: {},
    marks: {},
    note: '',
    strokes: null,
    correctsId: null,
    stage,
  };
}

/** What of a saved judgement an entry is made from. */
export interface Judged {
  measures: Measures;
  marks: Marks;
  note: string;
  stage: Stage;
  strokes: number | null;
  outlook: Outlook | null;
  outlookBy: OutlookBy | null;
}

/** The entry that a saved judgement came from: to correct it, to take it back, or to judge the union at a later stage. */
export function entryOf(
  method: Method,
  { measures, marks, note, stage, strokes, outlook, outlookBy }: Judged,
  unit: LengthUnit,
  correctsId: string | null,
): Entry {
  const texts: Record<string, string> = {};
  const picks: Record<string, string> = {};
  for (const field of method.fields) {
    const measure = measures[field.id];
    if (!measure) continue;
    if ('pick' in measure) {
      picks[field.id] = measure.pick;
      continue;
    }
    const pick = measure.origin === 'measured' ? undefined : field.picks?.find(({ value }) => value === measure.value);
    if (pick) picks[field.id] = pick.id;
    else if (field.place === 'first' || measure.origin !== 'assumed') {
      texts[field.id] = textOf(field, measure.value, unit);
      if (field.picks) picks[field.id] = BY_FIGURE;
    }
  }
  const quick = method.fields
    .filter(
      ({ id, place }) => place === 'first' && (measures[id] as { origin?: string } | undefined)?.origin === 'picked',
    )
    .map(({ id }) => id);
  return {
    texts,
    kept: [],
    quick,
    picks,
    marks,
    note,
    strokes,
    correctsId,
    stage,
    outlook,
    ...(outlookBy ? { outlookBy } : {}),
  };
}

export interface ReadEntry {
  measures: Measures | null;
  /** Fields whose figure is still to be entered. */
  missing: string[];
  /** What is wrong with a text, by field. */
  errors: Partial<Record<string, string>>;
}

/** Measures of an entry, with where each figure comes from; null while a needed one is missing or unreadable. */
export function readEntry(method: Method, entry: Entry, unit: LengthUnit): ReadEntry {
  const errors: Partial<Record<string, string>> = {};
  const missing: string[] = [];
  const typed = (field: Field): number | null => {
    const text = (entry.texts[field.id] ?? '').trim();
    if (text === '') return null;
    const value = field.unit === 'degrees' ? parseDecimal(text) : parseLength(text, unit);
    const problem =
      value === null ? `Enter ${field.name} in figures, such as 9.5 or 9,5.` : rangeProblem(field, value, unit);
    if (problem) errors[field.id] = problem;
    return problem ? null : value;
  };
  const needed = (field: Field): Measure => {
    const value = typed(field);
    if (value === null && !errors[field.id]) missing.push(field.id);
    return {
      value: value ?? 0,
      origin: entry.kept.includes(field.id) ? 'assumed' : entry.quick.includes(field.id) ? 'picked' : 'measured',
    };
  };
  const measures: Measures = {};
  for (const field of method.fields) {
    if (field.place === 'first') measures[field.id] = needed(field);
    else if (field.place === 'picked') {
      const pick = entry.picks[field.id] ?? usualPick(field).id;
      measures[field.id] = pick === BY_FIGURE ? needed(field) : pickMeasure(field, pick);
    } else {
      const value = typed(field);
      // Nobody measured it: what the method assumes stands, and is shown as assumed.
      measures[field.id] =
        value === null
          ? { value: figuresOf(method.fields, measures)[field.id]!, origin: 'assumed' }
          : { value, origin: 'measured' };
    }
  }
  return { measures: missing.length === 0 && Object.keys(errors).length === 0 ? measures : null, missing, errors };
}

/** The next mark of a point: its faults in order, then not looked at, then as it was. */
export function nextMark(point: Point, marks: Marks, asMeasured: PointGrade): Marks {
  const order: (PointGrade | undefined)[] = [
    undefined,
    ...point.faults.map(({ grade }) => grade),
    ...(point.measured ? (['good'] as const) : []),
    'not-looked-at',
  ];
  const distinct = order.filter(
    (grade, i) => grade === undefined || (grade !== asMeasured && order.indexOf(grade) === i),
  );
  const next = distinct[(distinct.indexOf(marks[point.id]) + 1) % distinct.length];
  const others = Object.fromEntries(Object.entries(marks).filter(([id]) => id !== point.id));
  return next === undefined ? others : { ...others, [point.id]: next };
}
