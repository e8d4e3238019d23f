import { clockNow } from '@/server/platform/clock';
import { getWorkshop } from '@/server/plan/workshops';
import { wallBlocks, wallFollower } from '@/server/score/wall';
import { eventStream } from '../../../../../_http/event-stream';
import { handle } from '../../../../../_http/handle';

/** The room's progress as it changes; a snapshot first. */
export const GET = handle(
  async (context, { params, request }) => {
    const { id } = await getWorkshop(context, params.workshop!);
    const follow = wallFollower(context, id, await wallBlocks(context, id));
    return eventStream(request, () => follow(clockNow()));
  },
  { stays: true },
);
