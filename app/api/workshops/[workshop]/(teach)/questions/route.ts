import { noteQuestion, takeQuestionBack } from '@/server/teach/learner-questions';
import { handle } from '../../../../../_http/handle';

/** A learner asked something at a step. */
export const POST = handle(async (context, { params, body }) => noteQuestion(context, params.workshop!, await body()));

/** It was noted by mistake. */
export const DELETE = handle(async (context, { params, body }) =>
  takeQuestionBack(context, params.workshop!, await body()),
);
