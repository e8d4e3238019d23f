import { previewCauseTables } from '@/server/findings/causes/preview-tables';
import { handle } from '../../../../_http/handle';

export const POST = handle(async (context, { body }) => previewCauseTables(context, await body()), {
  mostJson: 200_000,
});
