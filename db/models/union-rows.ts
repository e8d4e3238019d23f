import type { Measures } from '@/core/methods/measures';
import type { Stage } from '@/core/methods/method';
import type { Marks } from '@/core/score/rubric/judge-union';
import type { TakeState } from '@/core/findings/take-state';

export type UnionKind = 'practice' | 'keeper';

export interface PlantRow {
  id: string;
  clubId: string;
  workshopId: string;
  code: string;
  seatId: string;
  place: number;
  woodLotId: string;
  stockLotId: string;
  voidedAt: Date | null;
}

export interface UnionRow {
  id: string;
  clubId: string;
  workshopId: string;
  seatId: string;
  kind: UnionKind;
  number: number;
  plantId: string | null;
  chosenJudgementId: string | null;
  doubleSettledAt: Date | null;
  /** Drawn to be scored twice, and when that was done or given up. */
  secondWanted: boolean;
  secondSettledAt: Date | null;
  /** When anything about it last changed, by the database's clock. */
  changedAt: Date;
}

export interface JudgementRow {
  id: string;
  clubId: string;
  unionId: string;
  assessorId: string;
  stage: Stage;
  measures: Measures;
  marks: Marks;
  note: string;
  contact: number;
  contactLeft: number | null;
  contactRight: number | null;
  touchingMm: number;
  runs: { from: number; to: number }[];
  contactGrade: 'good' | 'poor' | 'fatal';
  contactWords: string;
  fatal: string[];
  score: number | null;
  modelVersion: string;
  rubricId: string;
  correctsId: string | null;
  /** As correctsId, and null once withdrawn: unique, so that a judgement has one correction that stands. */
  liveCorrectsId: string | null;
  withdrawnAt: Date | null;
  filledInAt: Date | null;
  deviceAt: Date;
  recordedAt: Date;
  /** When it was made, by the server's clock: the device's clock put right by what it showed when it sent. */
  madeAt: Date;
  /** Scored without having seen the first score. */
  blind: boolean;
  /** How long the union was on the screen, and strokes counted, where somebody counted. */
  seconds: number | null;
  strokes: number | null;
  /** Who had it scored again by another rubric; its assessor stays who it was. */
  rescoredBy: string | null;
  /** Hash of what the device sent; null for those from before it was kept. */
  sentHash: string | null;
}

export interface UnionFactRow {
  unionId: string;
  clubId: string;
  workshopId: string;
  seatId: string;
  kind: UnionKind;
  method: string;
  date: string;
  number: number;
  woodLotId: string | null;
  stockLotId: string | null;
  assessorId: string | null;
  score: number | null;
  contact: number | null;
  contactGrade: 'good' | 'poor' | 'fatal' | null;
  fatal: boolean | null;
  voided: boolean;
  healed: TakeState;
  growing: TakeState;
  season: TakeState;
  wintered: TakeState;
  contradicted: boolean;
}
