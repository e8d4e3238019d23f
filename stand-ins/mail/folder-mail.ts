import { mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { simpleParser } from 'mailparser';
import type { MailService, SentMail } from './mail-service';

/** Larger letters are not read, bytes: phones send photos with them. */
const MOST_BYTES = 12_000_000;
/** Letters looked at in one turn. */
const MOST_LETTERS = 200;

/**
 * The simulated mail service: nothing leaves the machine. A released message is a file `ID.eml` in
 * `folder`; one that waits for its transaction is `ID.pending`. Whoever puts an .eml file into `inbox` has sent one.
 */
export function folderMail(folder: string, inbox = join(folder, '..', 'inbox')): MailService {
  const path = (id: string, ending: string): string => {
    if (!/^[0-9a-f-]{36}$/.test(id)) throw new Error(`"${id}" is no message id`);
    // The folder lies outside the build, which need not look for it.
    return join(/* turbopackIgnore: true */ folder, `${id}.${ending}`);
  };
  return {
    async prepare(id, eml) {
      await mkdir(folder, { recursive: true, mode: 0o700 });
      await writeFile(path(id, 'pending'), eml, { mode: 0o600 });
    },
    async release(id) {
      try {
        await rename(path(id, 'pending'), path(id, 'eml'));
        return true;
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
        // Released by an earlier try, or erased.
        return stat(path(id, 'eml')).then(
          () => true,
          () => false,
        );
      }
    },
    async discard(id) {
      await rm(path(id, 'pending'), { force: true });
      await rm(path(id, 'eml'), { force: true });
    },
    async unsent() {
      const names = await readdir(/* turbopackIgnore: true */ folder).catch((error: NodeJS.ErrnoException) => {
        if (error.code === 'ENOENT') return [];
        throw error;
      });
      const files = names.filter((name) => /^[0-9a-f-]{36}\.pending$/.test(name)).map((name) => name.slice(0, 36));
      const found = await Promise.all(
        files.map(async (id) => ({
          id,
          since: await stat(path(id, 'pending')).then(
            ({ mtime }) => mtime,
            () => null,
          ),
        })),
      );
      // Released in this moment, where there is none any more.
      return found.flatMap(({ id, since }) => (since ? [{ id, since }] : []));
    },
    async received() {
      const names = await readdir(/* turbopackIgnore: true */ inbox).catch((error: NodeJS.ErrnoException) => {
        if (error.code === 'ENOENT') return [];
        throw error;
      });
      const letters = names.filter((name) => name.toLowerCase().endsWith('.eml')).sort();
      return Promise.all(
        letters.slice(0, MOST_LETTERS).map(async (name) => {
          const file = join(/* turbopackIgnore: true */ inbox, name);
          const large = (await stat(file)).size > MOST_BYTES;
          return { name, bytes: large ? null : await readFile(/* turbopackIgnore: true */ file) };
        }),
      );
    },
    async takeOut(name) {
      if (basename(name) !== name) throw new Error(`"${name}" is no file of the inbox`);
      await rm(join(/* turbopackIgnore: true */ inbox, name), { force: true });
    },
    readUnsent: async (id) => readMessage(path(id, 'pending')),
    read: async (id) => readMessage(path(id, 'eml')),
  };
}

async function readMessage(file: string): Promise<SentMail | null> {
  try {
    const parsed = await simpleParser(await readFile(/* turbopackIgnore: true */ file));
    const to = Array.isArray(parsed.to) ? parsed.to[0] : parsed.to;
    return {
      to: to?.value[0] ? `${to.value[0].name}, ${to.value[0].address}` : '',
      subject: parsed.subject ?? '',
      text: parsed.text ?? '',
      date: parsed.date ?? null,
    };
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
    throw error;
  }
}
