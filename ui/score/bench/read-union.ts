import { capital } from '@/core/units/capital';
import { InputError } from '@/core/contact/input-error';
import { exampleMeasures } from '@/core/methods/example-measures';
import type { Method, Stage } from '@/core/methods/method';
import type { Measures } from '@/core/methods/measures';
import { bestCorrections, type RankedCorrection } from '@/core/score/rubric/best-corrections';
import { judgeUnion, type ScoringRule, type UnionJudgement } from '@/core/score/rubric/judge-union';
import type { StockRange } from '@/core/methods/stock-ranges';
import { fittingWood } from '@/core/teach/fitting-wood';
import type { LengthUnit } from '@/core/units/length';
import { type Entry, readEntry } from './entry';

/** Everything the bench shows of an entry, computed anew with each change. */
export interface ReadUnion {
  /** Null while figures are missing or cannot be. */
  measures: Measures | null;
  judged: UnionJudgement | null;
  /** What is drawn: the union, or one of assumed figures while some are missing. */
  shown: UnionJudgement;
  best: number | null;
  corrections: RankedCorrection[];
  /** Calipers outside what the method is done on, and what to do instead. */
  outside: string | null;
  missing: string[];
  errors: Partial<Record<string, string>>;
}

/** Where an error of a contact model belongs on the form. */
const FIELD_OF: Record<string, string> = { e: 'placement', z: 'lift', phi: 'turn' };

/** The form's field for a field named by core ("stock.bark") or by the server ("measures.stockBark.value"). */
export function fieldOf(name: string): string {
  const [first, second] = name.split('.');
  if (first === 'measures' && second) return second;
  if ((first === 'stock' || first === 'scion') && second) {
    return first + capital(second);
  }
  return FIELD_OF[name] ?? name;
}

type Asked = Parameters<typeof compute>;

/** The reading before, and what it was made of. */
let before: { parts: unknown[]; read: ReadUnion } | null = null;

/**
 * Reads an entry. What was read last is kept: a letter of the note, a tick of the clock or news of another seat change
 * nothing of what a reading hangs on.
 */
export function readUnion(...asked: Asked): ReadUnion {
  const [method, rule, { texts, kept, quick, picks, marks, strokes }, ...others] = asked;
  const parts = [method, rule, texts, kept, quick, picks, marks, strokes, ...others];
  if (!before || before.parts.some((part, i) => part !== parts[i])) before = { parts, read: compute(...asked) };
  return before.read;
}

function compute(
  method: Method,
  rule: ScoringRule,
  entry: Entry,
  stage: Stage,
  unit: LengthUnit,
  ranges: readonly StockRange[],
): ReadUnion {
  const { measures, missing, errors } = readEntry(method, entry, unit);
  const nothing = { measures: null, judged: null, best: null, corrections: [], outside: null, missing };
  const example = (): UnionJudgement => judgeUnion(method, rule, exampleMeasures(method), entry.marks, stage);
  if (!measures) return { ...nothing, shown: example(), errors };
  try {
    const judged = judgeUnion(method, rule, measures, entry.marks, stage);
    return {
      measures,
      judged,
      shown: judged,
      best: method.best(judged.figures),
      corrections: bestCorrections(method, rule, measures, entry.marks, stage),
      missing,
      errors,
      outside: fittingWood(
        method,
        { stock: judged.figures.stockDiameter ?? null, scion: judged.figures.scionDiameter ?? null },
        unit,
        ranges,
      ).problem,
    };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return { ...nothing, shown: example(), errors: { ...errors, [fieldOf(error.field)]: error.message } };
  }
}
