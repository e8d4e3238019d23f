import { InputError } from '@/core/contact/input-error';
import { bestOutline } from '@/core/contact/best-outline';
import type { Method, Stage } from '@/core/methods/method';
import type { Measures } from '@/core/methods/measures';
import { bestCorrections, type RankedCorrection } from '@/core/scoring/best-corrections';
import { judgeUnion, type ScoringRule, type UnionJudgement } from '@/core/scoring/judge-union';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { type Entry, readEntry, type Typed } from './entry';

/** Everything the bench shows of an entry, computed anew with each change. */
export interface ReadUnion {
  /** Null while figures are missing or cannot be. */
  measures: Measures | null;
  judged: UnionJudgement | null;
  /** What is drawn: the union, or one of assumed figures while some are missing. */
  drawn: UnionJudgement;
  best: number | null;
  corrections: RankedCorrection[];
  missing: Typed[];
  errors: Partial<Record<string, string>>;
}

/** Figures drawn until real ones are entered, mm. */
const EXAMPLE: Partial<Record<Typed, number>> = { stockDiameter: 10, scionDiameter: 10, stockLength: 35, scionLength: 35, offset: 0, stockHollow: 0, scionHollow: 0 };

/** Where an error of core belongs on the form. */
const FIELD_OF: Record<string, Typed> = { e: 'offset', z: 'lift', phi: 'turn' };

/** The form's field for a field named by core ("stock.bark") or by the server ("measures.stockBark.value"). */
export function fieldOf(name: string): string {
  const [first, second] = name.split('.');
  if (first === 'measures' && second) return second === 'placement' ? 'offset' : second;
  if ((first === 'stock' || first === 'scion') && second) return first + second.charAt(0).toUpperCase() + second.slice(1);
  return FIELD_OF[name] ?? name;
}

export function readUnion(method: Method, rule: ScoringRule, entry: Entry, stage: Stage, unit: LengthUnit): ReadUnion {
  const { measures, missing, errors } = readEntry(entry, unit);
  if (measures) {
    try {
      const judged = judgeUnion(method, rule, measures, entry.marks, stage);
      return {
        measures, judged, drawn: judged, best: bestOutline(judged.assessment.union).contact,
        corrections: bestCorrections(method, rule, measures, entry.marks, stage), missing, errors,
      };
    } catch (error) {
      if (!(error instanceof InputError)) throw error;
      return { measures: null, judged: null, drawn: example(method, rule, entry, stage, unit), best: null, corrections: [], missing, errors: { ...errors, [fieldOf(error.field)]: error.message } };
    }
  }
  return { measures: null, judged: null, drawn: example(method, rule, entry, stage, unit), best: null, corrections: [], missing, errors };
}

function example(method: Method, rule: ScoringRule, entry: Entry, stage: Stage, unit: LengthUnit): UnionJudgement {
  const fallback = (texts: Entry['texts']): Entry['texts'] => {
    const filled = { ...texts };
    for (const [name, value] of Object.entries(EXAMPLE) as [Typed, number][]) filled[name] = formatLengthNumber(value, unit);
    return { ...filled, stockBark: '', scionBark: '', lift: '', turn: '' };
  };
  const { measures } = readEntry({ ...entry, texts: fallback(entry.texts), placement: 'middle', hollow: { stock: 'none', scion: 'none' } }, unit);
  return judgeUnion(method, rule, measures!, entry.marks, stage);
}
