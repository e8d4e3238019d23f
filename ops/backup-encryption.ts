import { execFile, execFileSync } from 'node:child_process';
import { closeSync, existsSync, openSync, readFileSync, readSync, renameSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { promisify } from 'node:util';

const run = promisify(execFile);

/** What an encrypted backup's name ends with. */
export const ENCRYPTED = '.age';

/** Public half of a key as age-keygen prints it; the other half is with the lead and never here. */
const PUBLIC_KEY = /^age1[02-9ac-hj-np-z]{58}$/;
const keyFile = (data: string): string => join(data, 'backup-key.txt');

/** The public key that backups of a data folder are encrypted for; null where they are not. */
export function backupKey(data: string): string | null {
  return existsSync(keyFile(data)) ? readFileSync(keyFile(data), 'utf8').trim() : null;
}

/**
 * Keeps the public key that backups are encrypted for from now on; "none" ends it.
 *
 * @throws Error in words where it is no public key, or age is not there to use it
 */
export function keepBackupKey(data: string, key: string): void {
  if (key === 'none') return rmSync(keyFile(data), { force: true });
  if (key.startsWith('AGE-SECRET-KEY'))
    throw new Error(
      'That is the secret half of the key, which only you keep. Give the public one, which begins with age1.',
    );
  if (!PUBLIC_KEY.test(key))
    throw new Error(
      '--backup-key wants the public key that age-keygen prints, 62 letters that begin with age1. Make a key with: age-keygen -o pear-bench.key',
    );
  try {
    execFileSync('age', ['-r', key], { input: 'a trial', stdio: ['pipe', 'ignore', 'pipe'] });
  } catch (error) {
    throw withoutAge(error) ?? new Error(`${key} is mistyped somewhere. Copy it again from what age-keygen printed.`);
  }
  const fresh = `${keyFile(data)}.new`;
  writeFileSync(fresh, `${key}\n`, { mode: 0o600 });
  renameSync(fresh, keyFile(data));
}

/** Encrypts a file for a public key. */
export async function encryptFor(key: string, file: string, into: string): Promise<void> {
  try {
    await run('age', ['-r', key, '-o', into, file]);
  } catch (error) {
    throw withoutAge(error) ?? error;
  }
}

/** True for a file that age has written, whatever it is called. */
export function isEncrypted(file: string): boolean {
  const begin = Buffer.alloc(19);
  const opened = openSync(file, 'r');
  try {
    readSync(opened, begin, 0, begin.length, 0);
  } finally {
    closeSync(opened);
  }
  return begin.toString('latin1') === 'age-encryption.org/';
}

/**
 * Decrypts a backup with the key that its owner keeps.
 *
 * @throws Error in words where the key is another one, or the file is damaged
 */
export async function decryptWith(keyPath: string, file: string, into: string): Promise<void> {
  try {
    await run('age', ['-d', '-i', keyPath, '-o', into, file]);
  } catch (error) {
    const said = String((error as { stderr?: string }).stderr ?? '');
    throw (
      withoutAge(error) ??
      new Error(
        /no identity matched/.test(said)
          ? `The key in ${keyPath} is not the one this backup was encrypted for. Try another key.`
          : /identit/i.test(said)
            ? `${keyPath} holds no key as age-keygen writes it. Name the file that it wrote.`
            : `The backup could not be decrypted: ${said.trim().split('\n')[0] ?? ''}`,
        { cause: error },
      )
    );
  }
}

function withoutAge(error: unknown): Error | null {
  return (error as NodeJS.ErrnoException).code === 'ENOENT'
    ? new Error('Backups are encrypted with age, which is not installed here. Install it: apt-get install age')
    : null;
}
