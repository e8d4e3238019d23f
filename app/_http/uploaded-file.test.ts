import { describe, expect, it } from 'vitest';
import { UseCaseError } from '@/server/platform/use-case-error';
import { uploadedFile, uploadForm } from './uploaded-file';

function request(parts: Record<string, string | File>, headers: Record<string, string> = {}): Request {
  const form = new FormData();
  for (const [name, value] of Object.entries(parts)) form.set(name, value);
  return new Request('http://127.0.0.1:3000/api/x', { method: 'POST', body: form, headers });
}
async function refusal(work: Promise<unknown>): Promise<[string, string]> {
  try {
    await work;
  } catch (error) {
    if (error instanceof UseCaseError) return [error.refusal, error.message];
    throw error;
  }
  throw new Error('It was taken.');
}

describe('a file that is sent up', () => {
  it('arrives whole with its name, beside what else the form holds', async () => {
    const content = new Uint8Array([0, 1, 2, 255]);
    const form = await uploadForm(request({ file: new File([content], 'roster.csv'), importId: 'i' }));
    expect(form.get('importId')).toBe('i');
    expect(await uploadedFile(form)).toEqual({ name: 'roster.csv', bytes: content });
  });
  it('is asked for again where none arrived', async () => {
    const missing = await uploadForm(request({ importId: 'i' }));
    expect(await refusal(uploadedFile(missing))).toEqual(['invalid', 'No file arrived. Choose the CSV file again.']);
    const words = await uploadForm(request({ file: 'no file' }));
    expect(await refusal(uploadedFile(words, 'picture'))).toEqual([
      'invalid',
      'No file arrived. Choose the picture again.',
    ]);
  });
  it('is refused in words when its form is none', async () => {
    const odd = new Request('http://127.0.0.1:3000/api/x', {
      method: 'POST',
      body: 'name=x',
      headers: { 'Content-Type': 'multipart/form-data; boundary=none' },
    });
    expect((await refusal(uploadForm(odd)))[0]).toBe('invalid');
    const plain = new Request('http://127.0.0.1:3000/api/x', { method: 'POST', body: 'x' });
    expect((await refusal(uploadForm(plain)))[0]).toBe('invalid');
  });
  it('may be 8 MB, and is read no further than that', async () => {
    const big = new File([new Uint8Array(8_000_001)], 'big.csv');
    expect((await refusal(uploadForm(request({ file: big })).then((form) => uploadedFile(form))))[0]).toBe('too-large');
    const told = request({ file: new File(['x'], 'small.csv') }, { 'Content-Length': '9000000' });
    expect(await refusal(uploadForm(told, 'picture'))).toEqual([
      'too-large',
      'The picture is larger than 8 MB. Take it smaller, or choose another.',
    ]);
  });
});
