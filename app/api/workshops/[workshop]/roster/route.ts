import { acceptRoster, previewRoster } from '@/server/roster-import';
import { allow } from '@/server/context';
import { UseCaseError } from '@/server/use-case-error';
import { handle } from '../../../../_http/handle';

const MOST_BYTES = 8_000_000;

async function form(request: Request): Promise<FormData> {
  try {
    return await request.formData();
  } catch {
    throw new UseCaseError('invalid', 'No file arrived. Choose the CSV file again.');
  }
}

async function fileOf(data: FormData): Promise<Uint8Array> {
  const file = data.get('file');
  if (!(file instanceof File)) throw new UseCaseError('invalid', 'No file arrived. Choose the CSV file again.');
  if (file.size > MOST_BYTES) throw new UseCaseError('invalid', 'The file is larger than 8 MB, which no roster is. Choose the CSV file of this workshop.');
  return new Uint8Array(await file.arrayBuffer());
}

/** Shows what a file would do; saves nothing. */
export const POST = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  return previewRoster(context, params.workshop!, await fileOf(await form(request)));
});

/** Seats the people of the file. */
export const PUT = handle(async (context, { params, request }) => {
  allow(context, 'assistant');
  const data = await form(request);
  let decisions: unknown;
  try {
    decisions = JSON.parse(String(data.get('decisions') ?? '{}'));
  } catch {
    throw new UseCaseError('invalid', 'The decisions could not be read. Reload the page and choose the file again.');
  }
  return { seated: await acceptRoster(context, params.workshop!, await fileOf(data), { importId: data.get('importId'), decisions }) };
});
