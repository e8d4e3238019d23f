import { clockNow } from '@/server/platform/clock';
import { putTeachingState, teachingState } from '@/server/teach/teaching';
import { getWorkshop } from '@/server/plan/workshops';
import { eventStream } from '../../../../../_http/event-stream';
import { handle } from '../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  putTeachingState(context, params.workshop!, await body()),
);

/** What the projector shows, as it changes; a snapshot first, whatever was seen before. */
export const GET = handle(
  async (context, { params, request }) => {
    const workshop = await getWorkshop(context, params.workshop!);
    return eventStream(request, () => teachingState({ ...context, now: clockNow() }, workshop.id));
  },
  { stays: true },
);
