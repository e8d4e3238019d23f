import { appendFile, mkdir, readFile } from 'node:fs/promises';
import { dirname } from 'node:path';

/** Somebody who was erased, by ids alone. */
export interface Erasure {
  clubId: string;
  personId: string;
  at: Date;
}

/** Who was erased, kept outside the database: a backup that is older than an erasure must not undo it. */
export interface ErasedList {
  add(erasure: Erasure): Promise<void>;
  all(): Promise<Erasure[]>;
}

/** The list as lines of a file: club, person, time. */
export function erasedListIn(file: string): ErasedList {
  return {
    async add({ clubId, personId, at }) {
      await mkdir(/* turbopackIgnore: true */ dirname(file), { recursive: true, mode: 0o700 });
      // On a line of its own, also behind one that a full disk has cut off.
      await appendFile(/* turbopackIgnore: true */ file, `\n${clubId} ${personId} ${at.toISOString()}\n`, {
        mode: 0o600,
      });
    },
    async all() {
      const text = await readFile(/* turbopackIgnore: true */ file, 'utf8').catch((error: NodeJS.ErrnoException) => {
        if (error.code === 'ENOENT') return '';
        throw error;
      });
      // A line that was cut off by a full disk names nobody.
      return text.split('\n').flatMap((line) => {
        const [clubId, personId, at] = line.split(' ');
        return at && !Number.isNaN(Date.parse(at)) ? [{ clubId: clubId!, personId: personId!, at: new Date(at) }] : [];
      });
    },
  };
}
