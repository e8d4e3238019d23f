import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { WORLD } from './bench-test';

/** Links for a new password in the letters to an address, the latest last. */
export function linksTo(address: string): string[] {
  const folder = join(WORLD, 'outbox');
  return readdirSync(folder)
    .filter((name) => name.endsWith('.eml'))
    .sort()
    .map((name) => readFileSync(join(folder, name), 'utf8'))
    .filter((text) => text.includes(`<${address}>`))
    .flatMap((text) => /\/password\/[\w-]{43}/.exec(text.replace(/=\r?\n/g, ''))?.[0] ?? []);
}
