import { UseCaseError } from '@/server/platform/use-case-error';

/** Bytes of JSON that a route takes unless it says otherwise. */
export const USUAL_MOST_JSON = 64_000;
/** Brackets within brackets that any input of ours has, and then some. */
const MOST_DEEP = 24;
/** Names that every object has already; as keys of an input they would be found where nothing was sent. */
const INHERITED = new Set(Object.getOwnPropertyNames(Object.prototype));

/**
 * The bytes of a request, read no further than `most`: a length that is told is believed when it is
 * too much, and one that is not told is counted on the way.
 *
 * @throws UseCaseError when there are more.
 */
export async function readBytes(request: Request, most: number, tooMuch: string): Promise<Uint8Array<ArrayBuffer>> {
  const refusal = (): UseCaseError => new UseCaseError('too-large', tooMuch);
  if (Number(request.headers.get('content-length') ?? 0) > most) throw refusal();
  const reader = request.body?.getReader();
  if (!reader) return new Uint8Array();
  const parts: Uint8Array[] = [];
  let length = 0;
  for (;;) {
    const { done, value } = await reader.read();
    if (done) break;
    length += value.byteLength;
    if (length > most) {
      await reader.cancel();
      throw refusal();
    }
    parts.push(value);
  }
  const bytes = new Uint8Array(length);
  let at = 0;
  for (const part of parts) {
    bytes.set(part, at);
    at += part.byteLength;
  }
  return bytes;
}

/**
 * The JSON of a request: no more than `most` bytes, not nested deeper than inputs of ours are, every
 * text well-formed (half a character pair becomes the sign for what cannot be read, as the database
 * would make it).
 *
 * @throws UseCaseError in words when it is none.
 */
export async function readJson(request: Request, most: number): Promise<unknown> {
  const type = request.headers.get('content-type')?.split(';')[0]!.trim().toLowerCase();
  if (type !== 'application/json')
    throw new UseCaseError('not-json', 'This address takes JSON only. Reload the page and try again.');
  const bytes = await readBytes(
    request,
    most,
    `That is more than ${Math.round(most / 1000)} kB, which is more than fits here. Send it in smaller parts.`,
  );
  return parseJson(new TextDecoder().decode(bytes));
}

/**
 * @throws UseCaseError when the text is no JSON of ours.
 * @example parseJson('{"a":1}') // { a: 1 }
 */
export function parseJson(text: string): unknown {
  const unreadable = new UseCaseError('unreadable', 'The request could not be read. Reload the page and try again.');
  if (depthOf(text) > MOST_DEEP) throw unreadable;
  try {
    return JSON.parse(text, (key, value: unknown) => {
      if (INHERITED.has(key)) throw unreadable;
      return typeof value === 'string' ? value.toWellFormed() : value;
    });
  } catch {
    throw unreadable;
  }
}

/** How deep brackets stand within brackets; counted before parsing, which would go down as deep. */
function depthOf(text: string): number {
  let depth = 0;
  let deepest = 0;
  let quoted = false;
  for (let i = 0; i < text.length; i++) {
    const sign = text[i];
    if (quoted) {
      if (sign === '\\') i++;
      else if (sign === '"') quoted = false;
    } else if (sign === '"') quoted = true;
    else if (sign === '{' || sign === '[') deepest = Math.max(deepest, ++depth);
    else if (sign === '}' || sign === ']') depth--;
  }
  return deepest;
}
