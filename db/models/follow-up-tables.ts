import { DataTypes } from 'sequelize';
import type { LetterAskRow, MailReplyRow, MessageRow, ReportLinkRow, ReportRow, RoundRow } from './follow-up-rows';
import { type Define, KEY } from './table';

const { DATE, DATEONLY, INTEGER, JSON, STRING, TEXT, BIGINT } = DataTypes;

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
      said: STRING,
      signs: JSON,
      reading: STRING,
      why: STRING,
      usualDay: INTEGER,
      nextLookOn: DATEONLY,
      note: STRING,
      seenOn: DATEONLY,
      source: STRING,
      enteredBy: STRING,
      cameOn: DATEONLY,
      recordedAt: DATE(3),
      setAsideAt: DATE(3),
      setAsideBy: STRING,
      setAsideWhy: STRING,
    }),
    ...mailTables(define),
  };
}

/** What letters asked of, and replies. */
function mailTables(define: Define) {
  return {
    letterAsks: define<LetterAskRow>('letter_asks', {
      messageId: KEY,
      unionId: KEY,
      clubId: STRING,
      roundId: STRING,
      personId: STRING,
      sentAt: DATE(3),
    }),
    mailReplies: define<MailReplyRow>('mail_replies', {
      id: KEY,
      clubId: STRING,
      contentHash: STRING,
      fileName: STRING,
      personId: STRING,
      sender: STRING,
      subject: STRING,
      text: TEXT,
      sentOn: DATEONLY,
      outcome: STRING,
      problem: STRING,
      answers: INTEGER,
      arrivedAt: DATE(3),
      settledAt: DATE(3),
      settledBy: STRING,
      confirmation: STRING,
    }),
  };
}
