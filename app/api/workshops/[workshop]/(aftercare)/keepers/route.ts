import { changeKeepers } from '@/server/aftercare/change-keepers';
import { makeKeepers } from '@/server/aftercare/make-keepers';
import { handle } from '../../../../../_http/handle';

export const POST = handle(async (context, { params, body }) => makeKeepers(context, params.workshop!, await body()));

export const PATCH = handle(async (context, { params, body }) =>
  changeKeepers(context, params.workshop!, await body()),
);
