import { promiseSticks, takePromiseBack } from '@/server/plan/wood-sources';
import { handle } from '../../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) =>
  promiseSticks(context, params.source!, params.promise!, await body()),
);
export const DELETE = handle(async (context, { params }) => takePromiseBack(context, params.source!, params.promise!));
