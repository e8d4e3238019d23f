import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { MessageChannel } from 'node:worker_threads';
import { Piscina } from 'piscina';
import { processWide } from '@/db/process-wide';
import { UseCaseError } from '@/server/platform/use-case-error';
import type { Job, JOBS } from './job-thread';

type Jobs = typeof JOBS;
type Kind = keyof Jobs;
type Args<K extends Kind> = K extends `fit ${string}` ? [from: Parameters<Jobs[K]>[0]] : Parameters<Jobs[K]>;

/** What a job that takes too long is ended with. */
export class JobTooLong extends Error {
  constructor(kind: Kind, limit: number) {
    super(`The job "${kind}" took longer than ${limit / 1000} s and was ended.`);
  }
}

/** Threads of this process; more than two would take the processor from the pages. */
const THREADS = 2;
/** A thread nobody needs ends after this long and gives its memory back, ms. */
const IDLE = 20_000;
/** Most a thread may take, MB. */
const MEMORY = 512;
/** How long a job may run if nothing else is said, ms. */
const LIMIT = 20_000;

/** Letters come from anybody: they have a thread and less memory of their own, and take none of those of people who wait. */
const LETTERS = { maxThreads: 1, memory: 256 };

function pool(kind: Kind): Piscina {
  const letters = kind === 'read letter';
  return processWide(letters ? 'letter jobs' : 'jobs', () => {
    const bundled = join(
      /* turbopackIgnore: true */ process.cwd(),
      process.env.PEAR_BENCH_BUILD ?? '.next',
      'programs',
      'job-thread.mjs',
    );
    const built = process.env.NODE_ENV === 'production' && existsSync(bundled);
    return new Piscina({
      filename: built
        ? bundled
        : join(/* turbopackIgnore: true */ process.cwd(), 'server', 'jobs', 'job-thread-start.mjs'),
      minThreads: 0,
      maxThreads: letters ? LETTERS.maxThreads : THREADS,
      idleTimeout: IDLE,
      execArgv: [],
      resourceLimits: { maxOldGenerationSizeMb: letters ? LETTERS.memory : MEMORY },
    });
  });
}

interface Watched {
  /** How long it may run once it has begun, ms. */
  limit?: number;
  /** Told how far it is, 0 to 1. */
  tell?: (share: number) => void;
}

/**
 * Does something long in a thread of the pool, so that others' requests are answered meanwhile. It waits its turn; its
 * time counts from when it begins.
 *
 * @throws JobTooLong when it takes too long; its thread is ended, and others go on
 * @throws RangeError from the job itself, with words for people
 */
export async function runJob<K extends Kind>(
  kind: K,
  args: Args<K>,
  { limit = LIMIT, tell = () => undefined }: Watched = {},
): Promise<Awaited<ReturnType<Jobs[K]>>> {
  const { port1: ours, port2: theirs } = new MessageChannel();
  const abort = new AbortController();
  let timer: NodeJS.Timeout | undefined;
  ours.on('message', (news: 'begun' | number) => {
    if (news === 'begun') timer = setTimeout(() => abort.abort(), limit);
    else tell(news);
  });
  ours.unref();
  try {
    const job: Job = { kind, args, port: theirs };
    const result: unknown = await pool(kind).run(job, { transferList: [theirs], signal: abort.signal });
    return result as Awaited<ReturnType<Jobs[K]>>;
  } catch (error) {
    if (abort.signal.aborted) throw new JobTooLong(kind, limit);
    throw error;
  } finally {
    clearTimeout(timer);
    ours.close();
  }
}

type Print = Extract<Kind, `print ${string}`>;

/** A PDF, drawn in a thread. */
export async function printJob<K extends Print>(kind: K, ...args: Parameters<Jobs[K]>): Promise<Buffer> {
  return Buffer.from(await runJob(kind, args as Args<K>));
}

type Reader = Extract<Kind, `read ${string}`>;

/**
 * Reads a file that somebody sent up.
 *
 * @throws UseCaseError when it takes too long.
 */
export async function readSentFile<K extends Reader>(
  kind: K,
  ...args: Parameters<Jobs[K]>
): Promise<Awaited<ReturnType<Jobs[K]>>> {
  try {
    return await runJob(kind, args as Args<K>);
  } catch (error) {
    if (!(error instanceof JobTooLong)) throw error;
    throw new UseCaseError('invalid', 'This file takes too long to read. Save it again as CSV, or cut it into parts.');
  }
}
