import type { QuestionKind } from '@/core/teach/questions/question-kinds';
import type { Verdict } from '@/core/methods/compatibility/compatibility';

export interface TeachingStateRow {
  clubId: string;
  workshopId: string;
  seq: number;
  step: number;
  panel: 'right' | 'both';
  blank: boolean;
  timerSeconds: number | null;
  timerEndsAt: Date | null;
  briefing: boolean;
  /** Id of the change that made it, so that a repeated request changes nothing. */
  changeId: string;
  changedAt: Date;
}

export interface BriefingRow {
  clubId: string;
  workshopId: string;
  firstAid: string;
  kit: string;
  localRules: string;
  sap: boolean;
  changedAt: Date;
}

export interface AcknowledgementRow {
  clubId: string;
  workshopId: string;
  personId: string;
  contentHash: string;
  acknowledgedAt: Date;
  recordedBy: string;
}

export interface LearnerQuestionRow {
  id: string;
  clubId: string;
  workshopId: string;
  method: string;
  step: string;
  kind: QuestionKind;
  askedAt: Date;
}

export interface CompatibilityRow {
  id: string;
  clubId: string;
  stock: string;
  scion: string;
  verdict: Verdict;
  note: string;
  source: string;
  withdrawn: boolean;
}
