import { printTags } from '@/server/aftercare/print-tags';
import { fileResponse, handle } from '../../../../../_http/handle';

export const GET = handle(async (context, { params, request }) => {
  const query = Object.fromEntries(new URL(request.url).searchParams);
  return fileResponse(await printTags(context, params.workshop!, query), 'application/pdf', 'tags.pdf', 'inline');
});
