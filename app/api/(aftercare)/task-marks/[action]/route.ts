import { markTasks, undoMarks } from '@/server/aftercare/mark-tasks';
import { handle } from '../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => markTasks(context, params.action!, await body()), {
  mostJson: 500_000,
});

export const DELETE = handle(async (context, { params }) => undoMarks(context, params.action!));
