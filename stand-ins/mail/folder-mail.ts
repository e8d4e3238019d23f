import { mkdir, readFile, rename, rm, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { simpleParser } from 'mailparser';
import type { MailService } from './mail-service';

/**
 * The simulated mail service: nothing leaves the machine. A released message is a file `ID.eml` in
 * `folder`; one that waits for its transaction is `ID.pending`.
 */
export function folderMail(folder: string): MailService {
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
      } catch (error) {
        // Already released by an earlier try, or erased.
        if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
      }
    },
    async discard(id) {
      await rm(path(id, 'pending'), { force: true });
      await rm(path(id, 'eml'), { force: true });
    },
    async read(id) {
      try {
        const parsed = await simpleParser(await readFile(path(id, 'eml')));
        const to = Array.isArray(parsed.to) ? parsed.to[0] : parsed.to;
        return { to: to?.value[0] ? `${to.value[0].name}, ${to.value[0].address}` : '', subject: parsed.subject ?? '', text: parsed.text ?? '', date: parsed.date ?? null };
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code === 'ENOENT') return null;
        throw error;
      }
    },
  };
}
