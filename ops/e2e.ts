import { fork, spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import type { World } from '@/e2e/setup/world';
import { checkPauses } from './measure/longest-pauses';
import { checkPageCosts } from './measure/page-budget';
import { programFolder } from './program';

/*
 * Runs the end-to-end tests against the production build, each worker in a world of its own, so that
 * several files of tests run at a time and none meets what another did. Arguments go to Playwright.
 */

/** One a core: with more they only wait for one another. */
const WORLDS = 2;
const password = 'bench-check-password';

const processes: ChildProcess[] = [];
const worlds = await Promise.all(
  Array.from({ length: WORLDS }, async (_, i): Promise<World> => {
    const child = fork(
      join(programFolder(), 'e2e-world.mjs'),
      [join(process.cwd(), '.check', `world-${i}`), password],
      {
        // As ./start does.
        execArgv: ['--max-semi-space-size=16', '--heap-growing-percent=40'],
      },
    );
    processes.push(child);
    return new Promise((resolve, reject) => {
      child.once('message', (world) => resolve(world as World));
      child.once('exit', (code) => reject(new Error(`A world ended before it was ready, with code ${code}.`)));
    });
  }),
);

// Nothing else runs yet, so what a page costs is its own.
const write = process.argv[2] === '--write-page-costs';
if (process.argv.length === 2 || write) {
  await checkPageCosts(worlds[0]!, { write });
  if (!write) await checkPauses(worlds[1]!, processes[1]!);
}
const asked = process.argv.slice(2).filter((word) => word !== '--write-page-costs');

const tests =
  process.argv[2] === '--write-page-costs'
    ? null
    : spawn(process.execPath, ['node_modules/@playwright/test/cli.js', 'test', ...asked], {
        stdio: 'inherit',
        env: { ...process.env, NODE_ENV: 'test', E2E_WORLDS: JSON.stringify(worlds) },
      });
const code = await new Promise<number>((resolve) =>
  tests ? tests.once('exit', (exitCode) => resolve(exitCode ?? 1)) : resolve(0),
);
await Promise.all(
  processes.map(
    (child) =>
      new Promise<void>((resolve) => {
        child.once('exit', () => resolve());
        child.disconnect();
      }),
  ),
);
process.exit(code);
