import { fork, type ChildProcess } from 'node:child_process';
import { existsSync } from 'node:fs';
import { join } from 'node:path';

/** Programs that run beside the server and end when they are done. */
export type Program = 'prepare-data' | 'backup-now' | 'e2e-world-data';

/** Where the build put the bundled programs. */
export const programFolder = (): string => join(process.cwd(), process.env.PEAR_BENCH_BUILD ?? '.next', 'programs');

/** Starts a program: as it was bundled, or from its source where nothing was built, as in tests. */
export function startProgram(name: Program, args: readonly string[] = []): ChildProcess {
  const bundled = join(programFolder(), `${name}.mjs`);
  return existsSync(bundled)
    ? fork(bundled, args, { execArgv: [] })
    : fork(join('ops', `${name}.ts`), args, { execArgv: ['--import', 'tsx'] });
}

/**
 * The same, waited for.
 *
 * @returns what it sent last, or null
 * @throws Error when it ends otherwise than well
 */
export function runProgram<Told>(name: Program, args: readonly string[] = []): Promise<Told | null> {
  return new Promise((resolve, reject) => {
    const child = startProgram(name, args);
    let told: Told | null = null;
    child.on('message', (message) => (told = message as Told));
    child.once('error', reject);
    child.once('exit', (code, signal) => (code === 0 ? resolve(told) : reject(new ProgramEnded(name, code, signal))));
  });
}

/** A program that ended otherwise than well; it has said why by itself. */
export class ProgramEnded extends Error {
  constructor(
    name: Program,
    readonly code: number | null,
    signal: string | null,
  ) {
    super(`${name} ended with ${signal ?? code}.`);
  }
}
