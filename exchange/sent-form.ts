import { Readable } from 'node:stream';
import type { ReadableStream } from 'node:stream/web';
import busboy from 'busboy';

/** What a form brings. */
export interface SentForm {
  fields: ReadonlyMap<string, string>;
  /** Photos by the names of their fields. */
  photos: ReadonlyMap<string, Uint8Array>;
  /** Fields whose photo is larger than any is taken, alone or with the others. */
  tooLarge: ReadonlySet<string>;
}

/** What a form may bring, bytes: one photo, all of them, and what is typed into one field. */
const MOST = { photo: 40_000_000, photos: 60_000_000, field: 20_000 };

/**
 * Reads what a form without script brings, its photos one after the other: one that is too large is left out and named, so
 * that nothing that was typed is lost with it.
 *
 * @throws Error where it is no form that can be read
 */
export async function readSentForm(request: Request): Promise<SentForm> {
  const fields = new Map<string, string>();
  const photos = new Map<string, Uint8Array>();
  const tooLarge = new Set<string>();
  if (!request.body) return { fields, photos, tooLarge };
  let room = MOST.photos;
  const parser = busboy({
    headers: Object.fromEntries(request.headers),
    limits: { fileSize: MOST.photo, fieldSize: MOST.field, fields: 5000, files: 500 },
  });
  parser.on('field', (name, value) => void fields.set(name, value.toWellFormed()));
  parser.on('file', (name, file) => {
    const parts: Buffer[] = [];
    let length = 0;
    let whole = true;
    file.on('data', (part: Buffer) => {
      length += part.length;
      whole &&= length <= room;
      if (whole) parts.push(part);
      else parts.length = 0;
    });
    file.once('limit', () => (whole = false));
    file.once('end', () => {
      if (!whole) tooLarge.add(name);
      else if (length > 0) {
        room -= length;
        photos.set(name, new Uint8Array(Buffer.concat(parts)));
      }
    });
  });
  await new Promise<void>((resolve, reject) => {
    parser.once('close', resolve).once('error', reject);
    Readable.fromWeb(request.body as ReadableStream)
      .once('error', reject)
      .pipe(parser);
  });
  return { fields, photos, tooLarge };
}
