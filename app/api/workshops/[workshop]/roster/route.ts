import { acceptRoster, previewRoster } from '@/server/roster-import';
import { allow } from '@/server/context';
import { UseCaseError } from '@/server/use-case-error';
import { handle } from '../../../../_http/handle';
import { uploadedFile, uploadForm } from '../../../../_http/uploaded-file';

/** Shows what a file would do; saves nothing. */
export const POST = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  return previewRoster(context, params.workshop!, (await uploadedFile(await uploadForm(request))).bytes);
});

/** Seats the people of the file. */
export const PUT = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  const data = await uploadForm(request);
  let decisions: unknown;
  try {
    decisions = JSON.parse(String(data.get('decisions') ?? '{}'));
  } catch {
    throw new UseCaseError('invalid', 'The decisions could not be read. Reload the page and choose the file again.');
  }
  return { seated: await acceptRoster(context, params.workshop!, (await uploadedFile(data)).bytes, { importId: data.get('importId'), decisions }) };
});
