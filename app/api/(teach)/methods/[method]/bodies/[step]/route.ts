import { stepMeshes } from '@/server/teach/step-meshes';
import { handle } from '../../../../../../_http/handle';

export const GET = handle(async (context, { params, request }) =>
  Response.json(
    await stepMeshes(context, params.method!, params.step!, Object.fromEntries(new URL(request.url).searchParams)),
  ),
);
