import { putCauseTables } from '@/server/findings/causes/club-tables';
import { handle } from '../../../_http/handle';

export const PUT = handle(async (context, { body }) => ({ version: await putCauseTables(context, await body()) }), {
  mostJson: 200_000,
});
