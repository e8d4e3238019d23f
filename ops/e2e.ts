import { fork, spawn, type ChildProcess } from 'node:child_process';
import { join } from 'node:path';
import type { World } from '@/e2e/setup/world';

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
    const child = fork('ops/e2e-world.ts', [join(process.cwd(), '.check', `world-${i}`), password], {
      // As ./start does.
      execArgv: ['--max-semi-space-size=64', '--import', 'tsx'],
    });
    processes.push(child);
    return new Promise((resolve, reject) => {
      child.once('message', (world) => resolve(world as World));
      child.once('exit', (code) => reject(new Error(`A world ended before it was ready, with code ${code}.`)));
    });
  }),
);

const tests = spawn(process.execPath, ['node_modules/@playwright/test/cli.js', 'test', ...process.argv.slice(2)], {
  stdio: 'inherit',
  env: { ...process.env, NODE_ENV: 'test', E2E_WORLDS: JSON.stringify(worlds) },
});
const code = await new Promise<number>((resolve) => tests.once('exit', (exitCode) => resolve(exitCode ?? 1)));
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
