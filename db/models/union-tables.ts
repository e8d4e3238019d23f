import { DataTypes } from 'sequelize';
import type { PlantRow, UnionRow, JudgementRow, UnionFactRow } from './union-rows';
import { type Define, KEY } from './table';

const { BOOLEAN, DATE, DATEONLY, DOUBLE, INTEGER, JSON, STRING } = DataTypes;

/** Plants, unions, their judgements, and what is known of them. */
export function unionTables(define: Define) {
  return {
    plants: define<PlantRow>('plants', {
      id: KEY,
      clubId: STRING,
      workshopId: STRING,
      code: STRING,
      seatId: STRING,
      place: INTEGER,
      woodLotId: STRING,
      stockLotId: STRING,
      voidedAt: DATE(3),
    }),
    unions: define<UnionRow>('unions', {
      id: KEY,
      clubId: STRING,
      workshopId: STRING,
      seatId: STRING,
      kind: STRING,
      number: INTEGER,
      plantId: STRING,
      chosenJudgementId: STRING,
      doubleSettledAt: DATE(3),
      secondWanted: BOOLEAN,
      secondSettledAt: DATE(3),
      changedAt: DATE(3),
    }),
    judgements: define<JudgementRow>('judgements', {
      id: KEY,
      clubId: STRING,
      unionId: STRING,
      assessorId: STRING,
      stage: STRING,
      measures: JSON,
      marks: JSON,
      note: STRING,
      contact: DOUBLE,
      contactLeft: DOUBLE,
      contactRight: DOUBLE,
      touchingMm: DOUBLE,
      runs: JSON,
      contactGrade: STRING,
      contactWords: STRING,
      fatal: JSON,
      score: DOUBLE,
      modelVersion: STRING,
      rubricId: STRING,
      correctsId: STRING,
      liveCorrectsId: STRING,
      withdrawnAt: DATE(3),
      filledInAt: DATE(3),
      deviceAt: DATE(3),
      recordedAt: DATE(3),
      madeAt: DATE(3),
      blind: BOOLEAN,
      seconds: INTEGER,
      strokes: INTEGER,
      rescoredBy: STRING,
      sentHash: STRING,
    }),
    ...factTables(define),
  };
}

/** What is known of each union. */
function factTables(define: Define) {
  return {
    unionFacts: define<UnionFactRow>('union_facts', {
      unionId: KEY,
      clubId: STRING,
      workshopId: STRING,
      seatId: STRING,
      kind: STRING,
      method: STRING,
      date: DATEONLY,
      number: INTEGER,
      woodLotId: STRING,
      stockLotId: STRING,
      assessorId: STRING,
      score: DOUBLE,
      contact: DOUBLE,
      contactGrade: STRING,
      fatal: BOOLEAN,
      voided: BOOLEAN,
      healed: STRING,
      growing: STRING,
      season: STRING,
      wintered: STRING,
      contradicted: BOOLEAN,
    }),
  };
}
