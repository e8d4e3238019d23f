import { DataTypes } from 'sequelize';
import type {
  RubricRow,
  RubricEditRow,
  RecalibrationRow,
  KeeperPermitRow,
  PhotoRow,
  CutLookRow,
  CardLinkRow,
  SpoiledCutRow,
} from './score-rows';
import { type Define, KEY } from './table';

const { BLOB, BOOLEAN, DATE, DATEONLY, DOUBLE, INTEGER, JSON, STRING } = DataTypes;

/** How it is scored, and what was seen besides. */
export function scoreTables(define: Define) {
  return {
    rubrics: define<RubricRow>('rubrics', {
      id: KEY,
      clubId: STRING,
      method: STRING,
      contentHash: STRING,
      body: JSON,
      createdAt: DATE(3),
    }),
    rubricEdits: define<RubricEditRow>('rubric_edits', {
      clubId: KEY,
      method: KEY,
      version: INTEGER,
      body: JSON,
      changeId: STRING,
      changedBy: STRING,
      changedAt: DATE(3),
    }),
    recalibrations: define<RecalibrationRow>('recalibrations', {
      id: KEY,
      clubId: STRING,
      method: STRING,
      seed: INTEGER,
      nth: INTEGER,
      assessorId: STRING,
      rubricId: STRING,
      marks: JSON,
      answeredAt: DATE(3),
    }),
    keeperPermits: define<KeeperPermitRow>('keeper_permits', {
      id: KEY,
      clubId: STRING,
      workshopId: STRING,
      seatId: STRING,
      may: BOOLEAN,
      reason: STRING,
      givenBy: STRING,
      givenAt: DATE(3),
    }),
    photos: define<PhotoRow>('photos', {
      id: KEY,
      clubId: STRING,
      unionId: STRING,
      takenBy: STRING,
      width: INTEGER,
      height: INTEGER,
      bytes: BLOB,
      scale: JSON,
      version: INTEGER,
      addedAt: DATE(3),
      withdrawn: BOOLEAN,
    }),
    cutLooks: define<CutLookRow>('cut_looks', {
      id: KEY,
      clubId: STRING,
      unionId: STRING,
      callus: STRING,
      contactSeen: DOUBLE,
      lookedOn: DATEONLY,
      note: STRING,
      enteredBy: STRING,
      recordedAt: DATE(3),
    }),
    cardLinks: define<CardLinkRow>('card_links', {
      tokenHash: KEY,
      clubId: STRING,
      seatId: STRING,
      createdAt: DATE(3),
      withdrawnAt: DATE(3),
    }),
  };
}

/** What is counted at a bench besides its unions. */
export function benchTables(define: Define) {
  return {
    spoiledCuts: define<SpoiledCutRow>('spoiled_cuts', {
      id: KEY,
      clubId: STRING,
      workshopId: STRING,
      seatId: STRING,
      personId: STRING,
      method: STRING,
      countedBy: STRING,
      countedAt: DATE(3),
      takenBackAt: DATE(3),
    }),
  };
}
