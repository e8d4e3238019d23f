import type { RoundKind, Answer } from '@/core/methods/milestones';
import type { Reading } from '@/core/follow-up/signs/read-signs';
import type { AnswerReason } from '@/core/follow-up/signs/counted-answer';
import type { Said } from '@/core/follow-up/said';
import type { Signs } from '@/core/follow-up/signs/signs';
import type { WayIn } from '@/core/follow-up/way-in';
import type { ReplyProblem } from '@/core/follow-up/reply/reply-problems';

export interface RoundRow {
  id: string;
  clubId: string;
  workshopId: string;
  milestone: RoundKind;
  /** Unions it asks of, as "chip/spring t-bud/late-summer"; empty for all of the day. */
  asks: string;
  opensOn: string;
  closesOn: string;
}

export interface ReportLinkRow {
  id: string;
  clubId: string;
  /** The round it was made for; null where it was made for none. */
  roundId: string | null;
  personId: string;
  tokenHash: string;
  kind: 'mail' | 'slip';
  createdAt: Date;
  withdrawnAt: Date | null;
}

export interface MessageRow {
  id: string;
  clubId: string;
  /** The round that asks; null for a letter about tasks. */
  roundId: string | null;
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
  /** What counts of it: what somebody said, as far as the signs of that day can bear it out. */
  answer: Answer;
  /** What was said in so many words; empty where only signs were told. */
  said: Said | '';
  signs: Signs | null;
  /** What the signs say; null where none could be read. */
  reading: Reading | null;
  why: AnswerReason | null;
  /** Days of usual warmth since it was made, on the day it was seen. */
  usualDay: number | null;
  nextLookOn: string | null;
  note: string;
  /** The day it was seen, at the site; it may have been told much later. */
  seenOn: string;
  source: WayIn;
  enteredBy: string | null;
  /** The day it came, by letter or by word; it may have been typed later. */
  cameOn: string;
  recordedAt: Date;
  /** Set aside by the instructor where it contradicts another: kept, and counted no more. */
  setAsideAt: Date | null;
  setAsideBy: string | null;
  setAsideWhy: string;
}

/** What a letter asked of. */
export interface LetterAskRow {
  messageId: string;
  unionId: string;
  clubId: string;
  roundId: string;
  personId: string;
  sentAt: Date;
}

/** A reply that came by mail. */
export interface MailReplyRow {
  id: string;
  clubId: string;
  contentHash: string;
  fileName: string;
  personId: string | null;
  sender: string;
  subject: string;
  text: string;
  sentOn: string | null;
  /** Read whole, or shown to the instructor because it could not be. */
  outcome: 'read' | 'unread';
  problem: ReplyProblem | '';
  answers: number;
  arrivedAt: Date;
  settledAt: Date | null;
  settledBy: string | null;
  /** Of a wish not to be written to: whether the letter that confirms it waits or has gone; empty where there was none. */
  confirmation: '' | 'queued' | 'delivered';
}
