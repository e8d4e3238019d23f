import type { Marks, ScoringRule } from '@/core/score/rubric/judge-union';
import type { RubricEdits } from '@/core/score/rubric/rubric-edits';
import type { PhotoScale } from '@/core/score/photos/photo-scale';

export interface RubricRow {
  id: string;
  clubId: string;
  method: string;
  contentHash: string;
  body: ScoringRule;
  createdAt: Date;
}

export interface KeeperPermitRow {
  id: string;
  clubId: string;
  workshopId: string;
  seatId: string;
  may: boolean;
  reason: string;
  givenBy: string;
  givenAt: Date;
}

/** A cut that spoiled its wood. */
export interface SpoiledCutRow {
  id: string;
  clubId: string;
  workshopId: string;
  seatId: string;
  /** Whose hand it was. */
  personId: string;
  method: string;
  countedBy: string;
  countedAt: Date;
  takenBackAt: Date | null;
}

export interface RubricEditRow {
  clubId: string;
  method: string;
  version: number;
  body: RubricEdits;
  changeId: string;
  changedBy: string;
  changedAt: Date;
}

export interface RecalibrationRow {
  id: string;
  clubId: string;
  method: string;
  seed: number;
  nth: number;
  assessorId: string;
  rubricId: string;
  marks: Marks;
  answeredAt: Date;
}

export interface PhotoRow {
  id: string;
  clubId: string;
  unionId: string;
  /** Null for the grower it is at home with. */
  takenBy: string | null;
  width: number;
  height: number;
  bytes: Buffer;
  scale: PhotoScale | null;
  version: number;
  addedAt: Date;
  withdrawn: boolean;
}

export interface CutLookRow {
  id: string;
  clubId: string;
  unionId: string;
  callus: 'ring' | 'parts' | 'none';
  contactSeen: number | null;
  lookedOn: string;
  note: string;
  enteredBy: string;
  recordedAt: Date;
}

export interface CardLinkRow {
  clubId: string;
  seatId: string;
  tokenHash: string;
  createdAt: Date;
  withdrawnAt: Date | null;
}
