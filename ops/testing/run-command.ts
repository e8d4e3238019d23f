import { spawnSync, type SpawnSyncReturns } from 'node:child_process';
import { readFileSync } from 'node:fs';

const { scripts } = JSON.parse(readFileSync('package.json', 'utf8')) as { scripts: Record<string, string> };

/** Runs what `npm run` would run under a name, without the second npm itself takes to begin. */
export function runCommand(name: string, ...files: string[]): SpawnSyncReturns<string> {
  const [program, ...words] = scripts[name]!.split(' ');
  return spawnSync(program!, [...words, ...files], { encoding: 'utf8' });
}
