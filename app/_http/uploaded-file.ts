import { UseCaseError } from '@/server/use-case-error';

const MOST_BYTES = 8_000_000;

/** What is uploaded, for messages. */
type Upload = 'CSV file' | 'picture';

/** The form of an upload. */
export async function uploadForm(request: Request, what: Upload = 'CSV file'): Promise<FormData> {
  // Told before it is read: nothing larger is taken into memory.
  if (Number(request.headers.get('content-length') ?? 0) > MOST_BYTES + 100_000) throw tooLarge(what);
  try {
    return await request.formData();
  } catch {
    throw new UseCaseError('invalid', `No file arrived. Choose the ${what} again.`);
  }
}

/** The bytes of the file in it. */
export async function uploadedFile(data: FormData, what: Upload = 'CSV file'): Promise<{ name: string; bytes: Uint8Array }> {
  const file = data.get('file');
  if (!(file instanceof File)) throw new UseCaseError('invalid', `No file arrived. Choose the ${what} again.`);
  if (file.size > MOST_BYTES) throw tooLarge(what);
  return { name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) };
}

function tooLarge(what: Upload): UseCaseError {
  return new UseCaseError('invalid', what === 'picture' ? 'The picture is larger than 8 MB. Take it smaller, or choose another.' : 'The file is larger than 8 MB. Choose the CSV file of this workshop, or cut it into parts.');
}
