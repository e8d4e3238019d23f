import type { ContactGrade } from '../contact/contact-grade';
import type { UnionContact } from '../contact/union-contact';
import type { DisplayList } from '../drawing/display-list';
import type { Workpieces } from '../drawing/workpieces';
import type { Grade, PointGrade } from '../contact/grade';
import type { ThresholdId, Thresholds } from './thresholds';
import type { Template } from './template';
import type { LengthUnit } from '../units/length';
import type { Prose } from '../units/prose';
import type { AftercareTask } from './timetable/aftercare-task';
import type { Field } from './field';
import type { Material } from './material';
import type { Figures, Measures } from './measures';
import type { Choices, SchoolQuestion } from './school';
import type { Step } from './step';
import type { StumpRow } from './stump-scions';
import type { Tool } from './tool';
import type { Use } from './use';
import type { Variant } from './variant';

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
  faults: { grade: Exclude<Grade, 'good'>; words: Prose }[];
  /** What good looks like. */
  good: Prose;
  /** Computed from the measures unless somebody overrules it. */
  measured: boolean;
  /** Strokes of the knife that are good, where they are counted; two more are poor, more than that a recut. */
  strokesGood?: number;
  /** What to do about a fault that was judged and not measured, as one movement. */
  correction: Prose;
}

export interface LinesOptions {
  unit: LengthUnit;
  /** Where the scion should go, as an offset to show besides where it lies. */
  ghost?: number | null;
  /** Level of the cross-section. */
  level?: number | null;
}

export interface Assessment {
  contact: UnionContact;
  contactGrade: ContactGrade;
  /** Grades of the measured points. */
  grades: Record<string, Grade>;
  /** The lines that should meet, to scale, what touches marked. */
  lines: (options: LinesOptions) => DisplayList;
  /** The joined union from the side, its parts as places to mark. */
  side: (options: { unit: LengthUnit; upsideDown?: boolean }) => DisplayList;
  /** The union cut across at a level, mm from the middle of the join upwards; null where a cut shows nothing. */
  section: ((level: number, unit: LengthUnit) => DisplayList) | null;
  /** How far from the middle the level may go, mm. */
  reach: number;
}

/** A single change to the cut that could be made next time. */
export interface Correction {
  /** The point it mends. */
  point: string;
  /** The movement. */
  say: Prose;
  /** Measures as they would be after it. */
  measures?: Measures;
  /** Offset the scion would have, to be shown as a dotted line. */
  ghost?: number;
  /** Moves a piece where it lies; nothing is cut again. */
  moves?: true;
}

/** Calipers the drawings are made from, mm. */
export interface Wood {
  stock: number;
  scion: number;
  stockBark: number;
  scionBark: number;
  /** Length of the cut, when it was measured rather than chosen by school. */
  length?: number;
  /** Scions on the stump, when the plan's own table says otherwise than the method's. */
  scions?: number;
}

/** What is done and judged, for one set of schools and one pair of wood. */
export interface Technique {
  /** Pieces of scion wood that go on one stock, and the buds on each. */
  takes: { pieces: number; buds: number };
  /** The pieces before the first step. */
  start: Workpieces;
  steps: Step[];
  points: Point[];
  materials: Material[];
  tools: Tool[];
  aftercare: AftercareTask[];
}

/** A way of joining wood to wood. */
export interface Method {
  id: string;
  name: string;
  /** Said in the midst of a sentence: "a whip-and-tongue". */
  inSentence: string;
  /** What it is for. */
  purpose: string;
  use: Use;
  /** Version of the contact model that judges it. */
  contactModel: string;
  /** Usual share of unions that take in a practised hand; stands for so many unions until a club has its own. */
  prior: { low: number; high: number; weight: number };
  fields: Field[];
  /** Figures of a clean union, of the fields that must be entered. */
  example: Record<string, number>;
  /** Scions by the size of the stump, where a stump carries several. */
  stumps?: readonly StumpRow[];
  /** Calipers it is shown with unless others are chosen. */
  shownWith: { stock: number; scion: number };
  schools: readonly SchoolQuestion[];
  technique: (choices: Choices, wood: Wood) => Technique;
  /** Pieces of paper to cut by, in true mm, where paper helps. */
  template?: (choices: Choices, wood: Wood) => Template[];
  earlySign: string;
  failureSign: string;
  /** Ways it is done that are followed up otherwise; one at least. */
  variants: Variant[];
  /** Days after the workshop on which the join is left alone to callus. */
  callusDays: number;
  /** The caution that is said before the first cut. */
  knifeCaution: string;
  /** Where the grades of its measured points change that a club may move. */
  thresholds: ThresholdId[];
  assess: (figures: Figures, marks: Record<string, PointGrade>, thresholds: Thresholds, choices: Choices) => Assessment;
  /** Contact this pair of wood could reach. */
  best: (figures: Figures) => number;
  /** Single changes that could raise the score, towards what the schools that are followed do. */
  corrections: (measures: Measures, figures: Figures, assessment: Assessment, choices: Choices) => Correction[];
}
