import { printTemplate } from '@/server/teach/handouts';
import { fileResponse, handle } from '../../../../../_http/handle';

export const GET = handle(async (context, { params, request }) => {
  const { bytes, type, name } = await printTemplate(
    context,
    params.method!,
    Object.fromEntries(new URL(request.url).searchParams),
  );
  return fileResponse(bytes, type, name, 'inline');
});
