import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { catalogueProblems } from '@/core/follow-up/wording/check-catalogue';
import { ENGLISH, ENGLISH_CATALOGUE } from '@/core/follow-up/wording/english';
import { type Catalogue, type Wording, wordingOf } from '@/core/follow-up/wording/wording';

/** Where files of wording lie: one a language. A test names another folder. */
const folder = (): string =>
  process.env.PEAR_BENCH_WORDING ??
  join(/* turbopackIgnore: true */ process.cwd(), 'core', 'follow-up', 'wording', 'languages');

const read = new Map<string, Map<string, Wording>>();

/** All languages there are, English first. A file that cannot be used is named in the log, with what is wrong, and left out. */
export function wordings(): Wording[] {
  const from = folder();
  let known = read.get(from);
  if (!known) read.set(from, (known = new Map([[ENGLISH.language, ENGLISH], ...readFolder(from)])));
  return [...known.values()];
}

/** The wording of a language, English where there is none of it. */
export function wordingIn(language: string): Wording {
  return wordings().find((wording) => wording.language === language) ?? ENGLISH;
}

/** In which somebody is written to: their own language, else the club's. */
export function wordingFor(person: { language: string }, club: { language: string }): Wording {
  return wordingIn(person.language || club.language);
}

function readFolder(from: string): [string, Wording][] {
  let files: string[];
  try {
    files = readdirSync(/* turbopackIgnore: true */ from).filter(
      (name) => name.endsWith('.json') && name !== 'en.json',
    );
  } catch {
    return [];
  }
  return files.sort().flatMap((name): [string, Wording][] => {
    let file: unknown;
    try {
      file = JSON.parse(readFileSync(join(/* turbopackIgnore: true */ from, name), 'utf8'));
    } catch {
      console.warn(`The wording ${name} is no JSON and is left out.`);
      return [];
    }
    const problems = catalogueProblems(file, ENGLISH_CATALOGUE);
    if (problems.length > 0) {
      console.warn(`The wording ${name} is left out: ${problems.slice(0, 5).join(' ')}`);
      return [];
    }
    const catalogue = file as Catalogue;
    return [[catalogue.language, wordingOf(catalogue)]];
  });
}
