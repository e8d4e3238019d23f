import { mkdtempSync } from 'node:fs';
import { type FileHandle, open, rm } from 'node:fs/promises';
import { IncomingMessage } from 'node:http';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { Readable } from 'node:stream';

/** Why a body was not taken. */
export type BodyRefusal = 'too-large' | 'too-slow' | 'too-many' | 'no-space' | 'gone';

/** What bodies may take. */
export interface BodyLimits {
  /** Bytes of one body that brings files, and of one that brings what was typed. */
  most: number;
  mostTyped: number;
  /** Time for a form, and for one with photos or files, ms. */
  patience: number;
  patienceWithFiles: number;
  /** Bodies under way at once, of everybody and of one address. */
  atOnce: number;
  fromOne: number;
  /** Bytes of all bodies that are there and not yet worked on. */
  room: number;
}

/** Bodies up to this size wait in memory, larger ones in a file. */
const IN_MEMORY = 64_000;

/** A body that has arrived; `forget` frees what it took, also when nobody read it. */
export interface ArrivedBody {
  request: IncomingMessage;
  forget: () => void;
}

/**
 * Takes in the bodies of requests before anything else is done for them: a phone on a thin line, or somebody who never ends
 * what they send, takes no place from those whose entry is there. Small ones wait in memory, others in a file that is removed.
 */
export function bodyGate(limits: BodyLimits): {
  arrive: (request: IncomingMessage, from: string) => Promise<ArrivedBody | BodyRefusal>;
  under: () => number;
} {
  let room = limits.room;
  let under = 0;
  const byAddress = new Map<string, number>();
  let folder: string | null = null;
  let nth = 0;

  async function collect(
    request: IncomingMessage,
    { most, patience }: { most: number; patience: number },
  ): Promise<ArrivedBody | BodyRefusal> {
    const kept = keptBody(() => join((folder ??= mkdtempSync(join(tmpdir(), 'pear-bench-bodies-'))), String(nth++)));
    let ended = false;
    const forget = (): void => {
      room += kept.length();
      kept.remove();
    };
    const refuse = (why: BodyRefusal): BodyRefusal => {
      ended = true;
      forget();
      return why;
    };
    const take = async (): Promise<ArrivedBody | BodyRefusal> => {
      try {
        for await (const chunk of request.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
          // What was still being written meanwhile goes too.
          if (ended) return refuse('too-slow');
          if (kept.length() + chunk.length > most) return refuse('too-large');
          if (chunk.length > room) return refuse('too-many');
          room -= chunk.length;
          await kept.add(chunk);
        }
        return { request: withBody(request, kept.read(), kept.length()), forget };
      } catch (error) {
        return refuse((error as NodeJS.ErrnoException).code === 'ENOSPC' ? 'no-space' : 'gone');
      }
    };
    let timer: NodeJS.Timeout | undefined;
    // The request is left as it stands, so that it can still be answered.
    const late = new Promise<BodyRefusal>((resolve) => {
      timer = setTimeout(() => resolve('too-slow'), patience);
    });
    const arrived = await Promise.race([take(), late]);
    clearTimeout(timer);
    return arrived === 'too-slow' ? refuse('too-slow') : arrived;
  }

  return {
    under: () => under,
    async arrive(request, from) {
      const own = byAddress.get(from) ?? 0;
      if (under >= limits.atOnce || own >= limits.fromOne) return 'too-many';
      const type = request.headers['content-type'] ?? '';
      const most = /json|urlencoded|^text\//.test(type) ? limits.mostTyped : limits.most;
      if (Number(request.headers['content-length'] ?? 0) > most) return 'too-large';
      under++;
      byAddress.set(from, own + 1);
      try {
        const withFiles = /^multipart\/|^image\//.test(type);
        return await collect(request, { most, patience: withFiles ? limits.patienceWithFiles : limits.patience });
      } finally {
        under--;
        const left = byAddress.get(from)! - 1;
        if (left === 0) byAddress.delete(from);
        else byAddress.set(from, left);
      }
    },
  };
}

/** What has arrived of a body: in memory while it is small, then in a file. */
function keptBody(newPath: () => string) {
  let parts: Buffer[] = [];
  let length = 0;
  let file: { path: string; handle: FileHandle } | null = null;
  return {
    length: () => length,
    async add(chunk: Buffer): Promise<void> {
      length += chunk.length;
      // All of it, or an error: a single write may end short on a disk that is filling up.
      if (file) return file.handle.appendFile(chunk);
      parts.push(chunk);
      if (length <= IN_MEMORY) return;
      const path = newPath();
      file = { path, handle: await open(path, 'wx+', 0o600) };
      await file.handle.appendFile(Buffer.concat(parts));
      parts = [];
    },
    read: (): Readable => (file ? file.handle.createReadStream({ start: 0, autoClose: false }) : Readable.from(parts)),
    remove(): void {
      length = 0;
      parts = [];
      const gone = file;
      file = null;
      if (gone) void gone.handle.close().finally(() => rm(gone.path, { force: true }));
    },
  };
}

/** The same request with a body that is there: whoever reads it never waits for a network. */
function withBody(request: IncomingMessage, body: Readable, length: number): IncomingMessage {
  const whole = new IncomingMessage(request.socket);
  const { method, url, httpVersion, httpVersionMajor, httpVersionMinor, rawHeaders } = request;
  Object.assign(whole, { method, url, httpVersion, httpVersionMajor, httpVersionMinor, rawHeaders, complete: true });
  whole.headers = { ...request.headers, 'content-length': String(length) };
  delete whole.headers['transfer-encoding'];
  body.on('data', (chunk: Buffer) => {
    if (!whole.push(chunk)) body.pause();
  });
  body.once('end', () => whole.push(null));
  body.once('error', (error) => whole.destroy(error));
  whole._read = () => body.resume();
  body.pause();
  whole.once('close', () => body.destroy());
  return whole;
}
