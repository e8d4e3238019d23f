import { DataTypes } from 'sequelize';
import type { RoundRow, ReportLinkRow, MessageRow, ReportRow } from './follow-up-rows';
import { type Define, KEY } from './table';

const { DATE, DATEONLY, INTEGER, STRING, BIGINT } = DataTypes;

/** Rounds, links, letters and answers. */
export function followUpTables(define: Define) {
  return {
    rounds: define<RoundRow>('rounds', {
      id: KEY,
      clubId: STRING,
      workshopId: STRING,
      milestone: STRING,
      asks: STRING,
      opensOn: DATEONLY,
      closesOn: DATEONLY,
    }),
    reportLinks: define<ReportLinkRow>('report_links', {
      id: KEY,
      clubId: STRING,
      roundId: STRING,
      personId: STRING,
      tokenHash: STRING,
      kind: STRING,
      createdAt: DATE(3),
      withdrawnAt: DATE(3),
    }),
    messages: define<MessageRow>('messages', {
      id: KEY,
      clubId: STRING,
      roundId: STRING,
      personId: STRING,
      nth: INTEGER,
      subject: STRING,
      state: STRING,
      createdAt: DATE(3),
    }),
    reports: define<ReportRow>('reports', {
      seq: [BIGINT, 'key'],
      id: STRING,
      clubId: STRING,
      unionId: STRING,
      roundId: STRING,
      turn: INTEGER,
      answer: STRING,
      note: STRING,
      seenOn: DATEONLY,
      source: STRING,
      enteredBy: STRING,
      recordedAt: DATE(3),
    }),
  };
}
