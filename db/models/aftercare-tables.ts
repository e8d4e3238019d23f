import { DataTypes } from 'sequelize';
import type { TaskMarkRow, UnionObservationRow, VisitRuleRow } from './aftercare-rows';
import { type Define, KEY } from './table';

const { DATE, DATEONLY, DOUBLE, INTEGER, JSON, STRING } = DataTypes;

/** What was done and seen on living unions, and when one can go to see them. */
export function aftercareTables(define: Define) {
  return {
    taskMarks: define<TaskMarkRow>('task_marks', {
      id: KEY,
      clubId: STRING,
      actionId: STRING,
      unionId: STRING,
      task: STRING,
      occurrence: INTEGER,
      outcome: STRING,
      doneOn: DATEONLY,
      reason: STRING,
      markedBy: STRING,
      toldBy: STRING,
      besideId: STRING,
      recordedAt: DATE(3),
      undoneAt: DATE(3),
      undoneBy: STRING,
      liveKey: STRING,
    }),
    unionObservations: define<UnionObservationRow>('union_observations', {
      id: KEY,
      clubId: STRING,
      unionId: STRING,
      kind: STRING,
      about: STRING,
      lengthMm: DOUBLE,
      note: STRING,
      seenOn: DATEONLY,
      seenBy: STRING,
      recordedAt: DATE(3),
      takenBackAt: DATE(3),
    }),
    visitRules: define<VisitRuleRow>('visit_rules', {
      siteId: KEY,
      clubId: STRING,
      weekdays: JSON,
      dates: JSON,
      most: INTEGER,
      version: INTEGER,
    }),
  };
}
