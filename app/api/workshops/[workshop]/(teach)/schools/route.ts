import { putSchools } from '@/server/teach/schools';
import { handle } from '../../../../../_http/handle';

export const PUT = handle(async (context, { params, body }) => {
  await putSchools(context, params.workshop!, await body());
});
