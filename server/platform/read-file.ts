import { join } from 'node:path';
import { Worker } from 'node:worker_threads';
import type { READERS } from './file-thread';
import { UseCaseError } from './use-case-error';

type Readers = typeof READERS;

interface Waiting {
  resolve: (result: never) => void;
  reject: (error: Error) => void;
  timer: NodeJS.Timeout;
}

/** A file that takes longer than this to read is given up, ms. */
const PATIENCE = 20_000;

let thread: Worker | null = null;
let last = 0;
const waiting = new Map<number, Waiting>();

/**
 * Reads a file in a thread of its own, so that nobody else's request waits for it.
 *
 * @throws UseCaseError when it takes too long.
 */
export function readFile<Kind extends keyof Readers>(
  kind: Kind,
  ...args: Parameters<Readers[Kind]>
): Promise<ReturnType<Readers[Kind]>> {
  return new Promise((resolve, reject) => {
    const id = ++last;
    const timer = setTimeout(() => {
      end(new UseCaseError('invalid', 'This file takes too long to read. Save it again as CSV, or cut it into parts.'));
    }, PATIENCE);
    waiting.set(id, { resolve: resolve as Waiting['resolve'], reject, timer });
    running().postMessage({ id, kind, args });
  });
}

function running(): Worker {
  if (thread) return thread;
  // A file of its own and no part of the build: it runs as the rest of the server does.
  thread = new Worker(join(/* turbopackIgnore: true */ process.cwd(), 'server', 'platform', 'file-thread-start.mjs'), {
    execArgv: [],
  });
  thread.unref();
  thread.on('message', ({ id, result, fault }: { id: number; result: never; fault?: string }) => {
    const asked = waiting.get(id);
    if (!asked) return;
    waiting.delete(id);
    clearTimeout(asked.timer);
    if (fault === undefined) asked.resolve(result);
    else asked.reject(new Error(`A file could not be read: ${fault}`));
  });
  thread.once('error', end);
  return thread;
}

/** Ends the thread and all that waits for it; the next file starts another. */
function end(error: Error): void {
  const ended = thread;
  thread = null;
  for (const { reject, timer } of waiting.values()) {
    clearTimeout(timer);
    reject(error);
  }
  waiting.clear();
  void ended?.terminate();
}
