import { UseCaseError } from '@/server/platform/use-case-error';
import { readBytes } from './read-body';

const MOST_BYTES = 8_000_000;

/** What is uploaded, for messages. */
type Upload = 'CSV file' | 'picture';

/** The form of an upload. */
export async function uploadForm(request: Request, what: Upload = 'CSV file'): Promise<FormData> {
  const bytes = await readBytes(request, MOST_BYTES + 100_000, tooLarge(what).message);
  try {
    return await new Response(bytes, {
      headers: { 'Content-Type': request.headers.get('content-type') ?? '' },
    }).formData();
  } catch {
    throw new UseCaseError('invalid', `No file arrived. Choose the ${what} again.`);
  }
}

/** The bytes of the file in it. */
export async function uploadedFile(
  data: FormData,
  what: Upload = 'CSV file',
): Promise<{ name: string; bytes: Uint8Array }> {
  const file = data.get('file');
  if (!(file instanceof File)) throw new UseCaseError('invalid', `No file arrived. Choose the ${what} again.`);
  if (file.size > MOST_BYTES) throw tooLarge(what);
  return { name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) };
}

function tooLarge(what: Upload): UseCaseError {
  return new UseCaseError(
    'too-large',
    what === 'picture'
      ? 'The picture is larger than 8 MB. Take it smaller, or choose another.'
      : 'The file is larger than 8 MB. Choose the CSV file of this workshop, or cut it into parts.',
  );
}
