import { acceptRoster, previewRoster } from '@/server/plan/roster-import';
import { allow } from '@/server/platform/context';
import { handle } from '../../../../../_http/handle';
import { parseJson } from '../../../../../_http/read-body';
import { uploadedFile, uploadForm } from '../../../../../_http/uploaded-file';

/** Shows what a file would do; saves nothing. */
export const POST = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  return previewRoster(context, params.workshop!, (await uploadedFile(await uploadForm(request))).bytes);
});

/** Seats the people of the file. */
export const PUT = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  const data = await uploadForm(request);
  const decisions = parseJson(String(data.get('decisions') ?? '{}'));
  return {
    seated: await acceptRoster(context, params.workshop!, (await uploadedFile(data)).bytes, {
      importId: data.get('importId'),
      decisions,
    }),
  };
});
