import { DataTypes } from 'sequelize';
import type { CauseLookRow, CauseTablesRow, SettledCauseRow, StruckEvidenceRow } from './cause-rows';
import { type Define, KEY } from './table';

const { DATE, DATEONLY, INTEGER, JSON, STRING, BIGINT } = DataTypes;

/** Why unions died: what was seen, struck out and settled, and the tables a club goes by. */
export function causeTables(define: Define) {
  return {
    causeLooks: define<CauseLookRow>('cause_looks', {
      seq: [BIGINT, 'key'],
      id: STRING,
      clubId: STRING,
      unionId: STRING,
      code: STRING,
      note: STRING,
      seenOn: DATEONLY,
      seenBy: STRING,
      recordedAt: DATE(3),
      takenBackAt: DATE(3),
    }),
    struckEvidence: define<StruckEvidenceRow>('struck_evidence', {
      id: KEY,
      clubId: STRING,
      unionId: STRING,
      code: STRING,
      reason: STRING,
      struckBy: STRING,
      struckAt: DATE(3),
      restoredAt: DATE(3),
      liveKey: STRING,
    }),
    settledCauses: define<SettledCauseRow>('settled_causes', {
      id: KEY,
      clubId: STRING,
      unionId: STRING,
      cause: STRING,
      reason: STRING,
      computed: JSON,
      tablesVersion: INTEGER,
      settledBy: STRING,
      settledAt: DATE(3),
      withdrawnAt: DATE(3),
      liveUnionId: STRING,
    }),
    causeTables: define<CauseTablesRow>('cause_tables', {
      id: KEY,
      clubId: STRING,
      version: INTEGER,
      body: JSON,
      source: STRING,
      changedBy: STRING,
      changedAt: DATE(3),
    }),
  };
}
