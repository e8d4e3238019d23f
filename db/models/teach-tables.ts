import { DataTypes } from 'sequelize';
import type {
  TeachingStateRow,
  BriefingRow,
  AcknowledgementRow,
  CompatibilityRow,
  LearnerQuestionRow,
} from './teach-rows';
import { type Define, KEY } from './table';

const { BOOLEAN, DATE, INTEGER, STRING } = DataTypes;

/** What is taught, on what. */
export function teachTables(define: Define) {
  return {
    teachingStates: define<TeachingStateRow>('teaching_states', {
      clubId: KEY,
      workshopId: KEY,
      seq: INTEGER,
      step: INTEGER,
      panel: STRING,
      blank: BOOLEAN,
      timerSeconds: INTEGER,
      timerEndsAt: DATE(3),
      briefing: BOOLEAN,
      changeId: STRING,
      changedAt: DATE(3),
    }),
    briefings: define<BriefingRow>('briefings', {
      clubId: KEY,
      workshopId: KEY,
      firstAid: STRING,
      kit: STRING,
      localRules: STRING,
      sap: BOOLEAN,
      changedAt: DATE(3),
    }),
    acknowledgements: define<AcknowledgementRow>('briefing_acknowledgements', {
      clubId: KEY,
      workshopId: KEY,
      personId: KEY,
      contentHash: STRING,
      acknowledgedAt: DATE(3),
      recordedBy: STRING,
    }),
    learnerQuestions: define<LearnerQuestionRow>('learner_questions', {
      id: KEY,
      clubId: STRING,
      workshopId: STRING,
      method: STRING,
      step: STRING,
      kind: STRING,
      askedAt: DATE(3),
    }),
    compatibility: define<CompatibilityRow>('compatibility', {
      id: KEY,
      clubId: STRING,
      stock: STRING,
      scion: STRING,
      verdict: STRING,
      note: STRING,
      source: STRING,
      withdrawn: BOOLEAN,
    }),
  };
}
