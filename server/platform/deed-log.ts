import { appendFile, mkdir, readdir, readFile, rm } from 'node:fs/promises';
import { join } from 'node:path';
import type { Role } from '@/core/club/role';
import type { LetterAskRow, MessageRow, ReportLinkRow, RoundRow } from '@/db/models/follow-up-rows';

/** What somebody relies on having been done, so that a restore from an older backup does it again. */
export type Deed =
  /** A person gave leave to be written to, or took it back. */
  | { what: 'leave'; clubId: string; personId: string; mayContact: boolean }
  /** A member was given another role, or left. */
  | { what: 'role'; clubId: string; userId: string; role: Role | 'none' }
  /** A new password: the old one may be known to somebody. Only its hash is kept, as in the database. */
  | { what: 'password'; userId: string; passwordHash: string }
  /** A round that letters or slips ask for. */
  | { what: 'round'; round: RoundRow }
  /** A private link that a grower holds. */
  | { what: 'link'; link: ReportLinkRow }
  /** A private link that opens nothing any more. */
  | { what: 'link closed'; clubId: string; linkId: string }
  /** A letter to a grower. */
  | { what: 'letter'; message: MessageRow; asks: LetterAskRow[] }
  /** A letter about an account. */
  | { what: 'account letter'; id: string };

export type NotedDeed = Deed & { at: Date };

/** Deeds with the time they were done at, kept outside the database: a backup that is older must not undo them. */
export interface DeedLog {
  add(at: Date, ...deeds: Deed[]): Promise<void>;
  /** Deeds since a time with when they were done, the first first. */
  since(at: Date): Promise<NotedDeed[]>;
  /** Forgets months that no backup goes back to. */
  forgetBefore(at: Date): Promise<void>;
}

const MONTH_FILE = /^\d{4}-\d{2}\.jsonl$/;
const monthOf = (at: Date): string => `${at.toISOString().slice(0, 7)}.jsonl`;

/** The log as a folder with a file a month, a line of JSON a deed. */
export function deedLogIn(folder: string): DeedLog {
  const months = async (): Promise<string[]> => {
    const names = await readdir(/* turbopackIgnore: true */ folder).catch((error: NodeJS.ErrnoException) => {
      if (error.code === 'ENOENT') return [];
      throw error;
    });
    return names.filter((name) => MONTH_FILE.test(name)).sort();
  };
  return {
    async add(at, ...deeds) {
      if (deeds.length === 0) return;
      await mkdir(/* turbopackIgnore: true */ folder, { recursive: true, mode: 0o700 });
      const lines = deeds.map((deed) => JSON.stringify({ at, ...deed })).join('\n');
      // On a line of its own, also behind one that a full disk has cut off.
      await appendFile(join(/* turbopackIgnore: true */ folder, monthOf(at)), `\n${lines}\n`, { mode: 0o600 });
    },
    async since(at) {
      const from = monthOf(at);
      const deeds: NotedDeed[] = [];
      for (const name of (await months()).filter((month) => month >= from)) {
        const text = await readFile(join(/* turbopackIgnore: true */ folder, name), 'utf8');
        for (const line of text.split('\n')) {
          const deed = readLine(line);
          if (deed && deed.at >= at) deeds.push(deed);
        }
      }
      // Lines of another log may have been added behind newer ones.
      return deeds.sort((a, b) => a.at.getTime() - b.at.getTime());
    },
    async forgetBefore(at) {
      for (const name of await months())
        if (name < monthOf(at)) await rm(join(/* turbopackIgnore: true */ folder, name), { force: true });
    },
  };
}

/** A line as it was written; null for one that a full disk has cut off. */
function readLine(line: string): NotedDeed | null {
  try {
    return JSON.parse(line, (_, value: unknown) =>
      typeof value === 'string' && /^\d{4}-\d\d-\d\dT[\d:.]+Z$/.test(value) ? new Date(value) : value,
    ) as NotedDeed;
  } catch {
    return null;
  }
}
