import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { UseCaseError } from '@/server/platform/use-case-error';
import { parseJson, readBytes, readJson } from './read-body';

const JSON_TYPE = { 'Content-Type': 'application/json' };
const post = (body: BodyInit, headers: Record<string, string> = JSON_TYPE): Request =>
  new Request('https://bench.example/x', { method: 'POST', body, headers, duplex: 'half' } as RequestInit);

/** A body that never ends, without a length; counts what was taken of it. */
function endless(): { body: ReadableStream<Uint8Array>; taken: () => number } {
  let taken = 0;
  return {
    taken: () => taken,
    body: new ReadableStream({
      pull(controller) {
        taken += 1000;
        controller.enqueue(new Uint8Array(1000).fill(32));
      },
    }),
  };
}
const refused = async (work: Promise<unknown>): Promise<number> =>
  work.then(
    () => 200,
    (error: unknown) => (error as UseCaseError).status,
  );

describe('a body', () => {
  it('is read no further than its limit, whether its length is told or not', async () => {
    const { body, taken } = endless();
    expect(await refused(readJson(post(body), 64_000))).toBe(413);
    expect(taken()).toBeLessThan(80_000);
    expect(await refused(readJson(post(`"${'x'.repeat(70_000)}"`), 64_000))).toBe(413);
    expect(await readJson(post(`"${'x'.repeat(60_000)}"`), 64_000)).toHaveLength(60_000);
    expect((await readBytes(post('abc'), 3, 'too much')).byteLength).toBe(3);
    expect(await refused(readBytes(post('abcd'), 3, 'too much'))).toBe(413);
  });
  it('is JSON and says so', async () => {
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=x', ''])
      expect(await refused(readJson(post('{}', { 'Content-Type': type }), 100)), type).toBe(415);
    expect(await readJson(post('{}', { 'Content-Type': 'Application/JSON; charset=utf-8' }), 100)).toEqual({});
    for (const text of ['', '{', 'nothing', '{"a":}', '[1,]'])
      expect(await refused(readJson(post(text), 100)), text).toBe(400);
  });
  it('has no key that every object has already, at any depth', () => {
    for (const key of ['__proto__', 'constructor', 'toString', 'hasOwnProperty', 'valueOf']) {
      expect(() => parseJson(`{"${key}":1}`), key).toThrow(UseCaseError);
      expect(() => parseJson(`{"a":[{"b":{"${key}":{}}}]}`), key).toThrow(UseCaseError);
    }
    expect(() => parseJson('{"\\u005f_proto__":1}')).toThrow(UseCaseError);
    expect(parseJson('{"a":"constructor"}')).toEqual({ a: 'constructor' });
  });
  it('is not nested without end', () => {
    expect(() => parseJson('['.repeat(20_000) + ']'.repeat(20_000))).toThrow(UseCaseError);
    expect(() => parseJson('{"a":'.repeat(30) + '1' + '}'.repeat(30))).toThrow(UseCaseError);
    expect(parseJson(`"${'['.repeat(100)}"`)).toBe('['.repeat(100));
    expect(parseJson('"\\"[[[["')).toBe('"[[[[');
  });
  it('keeps every text that the database can keep, and makes the others so', () => {
    expect(parseJson('{"note":"half \\ud83c pair"}')).toEqual({ note: 'half \ufffd pair' });
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5 }), (value) => {
        const text = JSON.stringify(value);
        if (/"(__|constructor|toString|valueOf|hasOwn|isProto|propertyIs|toLocale)/.test(text)) return;
        expect(parseJson(text)).toEqual(JSON.parse(JSON.stringify(value)));
      }),
    );
  });
});
