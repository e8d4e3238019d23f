import type { TagDoubt } from '@/core/aftercare/places/tag-find-input';
import type { Measures } from '@/core/methods/measures';
import type { Stage } from '@/core/methods/method';
import type { Position } from '@/core/methods/position';
import type { Choices } from '@/core/methods/school';
import type { VariantId } from '@/core/methods/use';
import type { Outlook, OutlookBy } from '@/core/score/rubric/outlook';
import type { Marks } from '@/core/score/rubric/judge-union';
import type { TakeState } from '@/core/findings/take/take-state';

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
  /** Since its tag fell off: which plant of its lot it is, or even of which lot, is not sure. */
  doubt: TagDoubt;
  /** It stays with the club: nobody else is asked of it. */
  withUs: boolean;
  /** Whom it was handed on to; null where whoever made it has it. */
  holderId: string | null;
}

export interface UnionRow {
  id: string;
  clubId: string;
  workshopId: string;
  seatId: string;
  kind: UnionKind;
  number: number;
  plantId: string | null;
  /** Where on its plant it sits; practice unions are the only one. */
  position: Position;
  method: string;
  variant: VariantId;
  /** Why it lives on so, where its day does not allow that. */
  variantReason?: string;
  /** The schools it was made by, and ids of the materials that bind and cover it. */
  schools: Choices;
  materials: string[];
  madeOn: string;
  /** The person who made it, who may have handed the plant on since. */
  makerId: string;
  /** Whose help it was made with, a member of the club or another at the benches. */
  helperUserId: string | null;
  helperPersonId: string | null;
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
  /** What its measures are of; a union was taken for another method where somebody took the wrong one. */
  method: string;
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
  /** Whether it will live, as somebody said with one tap. */
  outlook: Outlook | null;
  outlookBy: OutlookBy | null;
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
  variant: VariantId;
  /** The day it was made. */
  date: string;
  number: number;
  position: Position;
  woodLotId: string | null;
  stockLotId: string | null;
  assessorId: string | null;
  score: number | null;
  contact: number | null;
  contactGrade: 'good' | 'poor' | 'fatal' | null;
  fatal: boolean | null;
  /** How far it was judged. */
  stage: Stage | null;
  outlook: Outlook | null;
  outlookBy: OutlookBy | null;
  /** Made with somebody's help. */
  helped: boolean;
  voided: boolean;
  healed: TakeState;
  growing: TakeState;
  season: TakeState;
  wintered: TakeState;
  contradicted: boolean;
  /** Days on which it was seen, not those on which it was told. */
  firstAliveOn: string | null;
  lastAliveOn: string | null;
  firstDeadOn: string | null;
  makerId: string | null;
  plantId: string | null;
  /** An answer came only after a second letter. */
  reminded: boolean;
}

/** Keepers of a workshop as counted last; what changed since stands in rows of their own. */
export interface KeeperCountsRow {
  workshopId: string;
  clubId: string;
  body: string;
}

/** That keepers of a workshop changed since they were counted. */
export interface KeeperChangeRow {
  id: string;
  clubId: string;
  workshopId: string;
}
