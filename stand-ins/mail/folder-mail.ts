import { lstat, mkdir, readdir, readFile, rename, rm, stat, writeFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import { simpleParser } from 'mailparser';
import { type MailService, type SentMail, UnreadableMail } from './mail-service';

/** Larger letters are not read, bytes: phones send photos with them. */
const MOST_BYTES = 12_000_000;

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
    readUnsent: async (id) => readMessage(path(id, 'pending')),
    read: async (id) => readMessage(path(id, 'eml')),
    ...inboxIn(inbox),
  };
}

/** What came in: files of a folder. */
function inboxIn(
  inbox: string,
): Pick<MailService, 'received' | 'open' | 'takeOut' | 'putAside' | 'takeBack' | 'countAside'> {
  const inInbox = (name: string): string => {
    if (basename(name) !== name || name === '..') throw new Error(`"${name}" is no file of the inbox`);
    return join(/* turbopackIgnore: true */ inbox, name);
  };
  return {
    async received(most) {
      const names = await readdir(/* turbopackIgnore: true */ inbox).catch((error: NodeJS.ErrnoException) => {
        if (error.code === 'ENOENT') return [];
        throw error;
      });
      const letters = await Promise.all(
        names
          .filter((name) => name.toLowerCase().endsWith('.eml'))
          .map(async (name) => ({
            name,
            // Of the link itself, where it is one that leads nowhere.
            at: await lstat(join(/* turbopackIgnore: true */ inbox, name)).then(
              ({ mtime }) => mtime,
              () => null,
            ),
          })),
      );
      return letters
        .sort((a, b) => (a.at?.getTime() ?? 0) - (b.at?.getTime() ?? 0) || a.name.localeCompare(b.name))
        .slice(0, most);
    },
    async open(name) {
      const file = inInbox(name);
      try {
        const found = await stat(file);
        if (!found.isFile()) throw new UnreadableMail('no-file');
        if (found.size > MOST_BYTES) throw new UnreadableMail('too-large');
        return await readFile(/* turbopackIgnore: true */ file);
      } catch (error) {
        if (error instanceof UnreadableMail) throw error;
        // A link that leads nowhere or to itself, a file nobody may read, one that was taken out meanwhile.
        throw new UnreadableMail('no-file');
      }
    },
    async takeOut(name) {
      await rm(inInbox(name), { force: true });
    },
    async putAside(name, aside) {
      const to = join(/* turbopackIgnore: true */ inbox, aside);
      await mkdir(to, { recursive: true, mode: 0o700 });
      // Another of the same name may lie there already.
      const free = await lstat(join(to, name)).then(
        () => `${Date.now()}-${name}`,
        () => name,
      );
      await rename(inInbox(name), join(to, free)).catch((error: NodeJS.ErrnoException) => {
        // Another server was quicker.
        if (error.code !== 'ENOENT') throw error;
      });
    },
    async countAside(aside) {
      const names = await readdir(join(/* turbopackIgnore: true */ inbox, aside)).catch(() => []);
      return names.length;
    },
    async takeBack(name) {
      const from = join(/* turbopackIgnore: true */ inbox, 'put-aside', basename(inInbox(name)));
      try {
        await rename(from, inInbox(name));
        return true;
      } catch (error) {
        if ((error as NodeJS.ErrnoException).code !== 'ENOENT') throw error;
        return false;
      }
    },
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
