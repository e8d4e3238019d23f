import { fork, spawn, type ChildProcess } from 'node:child_process';
import { cpSync, readdirSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import type { World } from '@/e2e/setup/world';
import { checkPauses } from './measure/longest-pauses';
import { checkPageCosts } from './measure/page-budget';
import { endLeftover } from './mariadb';
import { programFolder } from './program';

/*
 * Runs the end-to-end tests against the production build, each worker in a world of its own, so that
 * several files of tests run at a time and none meets what another did. Arguments go to Playwright.
 */

/** One a core: with more they only wait for one another. */
const WORLDS = 2;
const password = 'bench-check-password';

const folders = Array.from({ length: WORLDS }, (_, i) => join(process.cwd(), '.check', `world-${i}`));
const world = (...args: string[]): ChildProcess =>
  fork(join(programFolder(), 'e2e-world.mjs'), args, {
    // As ./start does.
    execArgv: ['--max-semi-space-size=16', '--heap-growing-percent=40'],
  });

// Made once and copied: loading the demo is the longest part of it.
await new Promise<void>((resolve, reject) => {
  world(folders[0]!, password).once('exit', (ended) =>
    ended === 0 ? resolve() : reject(new Error(`The world of the tests could not be made; it ended with ${ended}.`)),
  );
});
for (const folder of folders.slice(1)) {
  rmSync(folder, { recursive: true, force: true });
  cpSync(folders[0]!, folder, { recursive: true });
}
const processes = folders.map((folder) => world(folder, password, 'serve'));
const worlds = await Promise.all(
  processes.map(
    (child) =>
      new Promise<World>((resolve, reject) => {
        child.once('message', (made) => resolve(made as World));
        child.once('exit', (ended) => reject(new Error(`A world ended before it was ready, with code ${ended}.`)));
      }),
  ),
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
// A start that a failed test killed leaves its database behind, and whoever reads our output would wait for it to end.
for (const folder of folders)
  for (const name of readdirSync(folder, { withFileTypes: true }))
    if (name.isDirectory()) await endLeftover(join(folder, name.name, 'mariadb.pid'));
process.exit(code);
