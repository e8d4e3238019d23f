import { UseCaseError } from '@/server/use-case-error';

const MOST_BYTES = 8_000_000;

/** The form of an upload. */
export async function uploadForm(request: Request): Promise<FormData> {
  try {
    return await request.formData();
  } catch {
    throw new UseCaseError('invalid', 'No file arrived. Choose the CSV file again.');
  }
}

/** The bytes of the file in it. */
export async function uploadedFile(data: FormData): Promise<{ name: string; bytes: Uint8Array }> {
  const file = data.get('file');
  if (!(file instanceof File)) throw new UseCaseError('invalid', 'No file arrived. Choose the CSV file again.');
  if (file.size > MOST_BYTES) throw new UseCaseError('invalid', 'The file is larger than 8 MB. Choose the CSV file of this workshop, or cut it into parts.');
  return { name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) };
}
