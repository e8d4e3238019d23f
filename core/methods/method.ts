import type { OutlineUnionContact, OutlineUnion } from '../contact/outline-union';
import type { ContactGrade } from '../contact/contact-grade';
import type { Grade } from '../scoring/grade';
import type { Measures } from './measures';

export type Stage = 'joined' | 'wrapped' | 'keeper';

/** A thing a union is judged by. */
export interface Point {
  id: string;
  /** Key that marks it, unique within the method. */
  letter: string;
  name: string;
  weight: number;
  /** First stage at which it is asked. */
  stage: Stage;
  /** The grades it can have besides good, in the order a repeated mark walks through them. */
  faults: { grade: Exclude<Grade, 'good'>; words: string }[];
  /** What good looks like. */
  good: string;
  /** Computed from the measures unless somebody overrules it. */
  measured: boolean;
  /** What to do about a fault that was judged and not measured, as one movement. */
  correction: string;
}

export interface Assessment {
  union: OutlineUnion;
  contact: OutlineUnionContact;
  contactGrade: ContactGrade;
  /** Grades of the measured points. */
  grades: Record<string, Grade>;
}

/** A single change to the cut that could be made next time. */
export interface Correction {
  /** The point it mends. */
  point: string;
  /** The movement; `length` writes a length in the reader's unit. */
  say: (length: (mm: number) => string) => string;
  /** Measures as they would be after it. */
  measures?: Measures;
}

/** A way of joining wood to wood. */
export interface Method {
  id: string;
  name: string;
  /** Said in the midst of a sentence: "a whip-and-tongue". */
  inSentence: string;
  contactModel: string;
  points: Point[];
  /** Cut lengths that count as good, mm along the slope. */
  cutLength: { from: number; to: number };
  /** Milestones in the order they are reached, with the early sign that is asked for. */
  earlySign: string;
  cautions: { knife: string };
  /** Days after the workshop on which callusing ends and rounds are usually asked. */
  callusDays: number;
  assess: (measures: Measures) => Assessment;
  corrections: (measures: Measures, assessment: Assessment) => Correction[];
}
