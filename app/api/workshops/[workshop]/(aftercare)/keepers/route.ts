import { changeKeepers, makeKeepers } from '@/server/aftercare/keepers';
import { handle } from '../../../../../_http/handle';

export const POST = handle(async (context, { params, body }) => makeKeepers(context, params.workshop!, await body()));

export const PATCH = handle(async (context, { params, body }) =>
  changeKeepers(context, params.workshop!, await body()),
);
