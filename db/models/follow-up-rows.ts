import type { Milestone, Answer } from '@/core/methods/milestones';

export interface RoundRow {
  id: string;
  clubId: string;
  workshopId: string;
  milestone: Milestone;
  /** Unions it asks of, as "chip/spring t-bud/late-summer"; empty for all of the day. */
  asks: string;
  opensOn: string;
  closesOn: string;
}

export interface ReportLinkRow {
  id: string;
  clubId: string;
  roundId: string;
  personId: string;
  tokenHash: string;
  kind: 'mail' | 'slip';
  createdAt: Date;
  withdrawnAt: Date | null;
}

export interface MessageRow {
  id: string;
  clubId: string;
  roundId: string;
  personId: string;
  nth: number;
  subject: string;
  state: 'queued' | 'delivered';
  createdAt: Date;
}

export interface ReportRow {
  seq: number;
  id: string;
  clubId: string;
  unionId: string;
  roundId: string;
  /** Which answer of this union to this round it is, from 1; the last one counts. */
  turn: number;
  answer: Answer;
  note: string;
  /** The day it was seen, at the site; it may have been told much later. */
  seenOn: string;
  source: 'link' | 'phone' | 'slip';
  enteredBy: string | null;
  recordedAt: Date;
}
