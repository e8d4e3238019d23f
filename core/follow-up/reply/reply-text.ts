import type { ReplyWords } from '../wording/wording';

/** Stands for a code while the words around it are read. */
export const CODE = '\u0001';

/** A text in small letters, each kind of apostrophe and dash as one. */
export function plain(text: string): string {
  return text
    .toLowerCase()
    .replaceAll(/[’‘`´]/g, "'")
    .replaceAll(/[–—]/g, '-')
    .replaceAll(/\s*(?:[:=]|\s-+\s)\s*/g, ' ');
}

const made = new Map<string, string[]>();

/**
 * Phrases with all their alternatives, the longest first.
 *
 * @example alternatives(['not sure( yet|)']) // ['not sure yet', 'not sure']
 */
export function alternatives(phrases: readonly string[]): string[] {
  const key = phrases.join('\n');
  const known = made.get(key);
  if (known) return known;
  const all = [
    ...new Set(
      phrases.flatMap((phrase) => spread(plain(phrase))).map((phrase) => phrase.replaceAll(/\s+/g, ' ').trim()),
    ),
  ].sort((a, b) => b.length - a.length);
  made.set(key, all);
  return all;
}

function spread(phrase: string): string[] {
  const group = /\(([^()]*)\)/.exec(phrase);
  if (!group) return [phrase];
  return group[1]!.split('|').flatMap((choice) => spread(phrase.replace(group[0], choice)));
}

/** What is left of a text once some phrases were taken out, each wherever it stands as whole words. */
export function without(text: string, phrases: readonly string[]): string {
  return phrases.reduce(
    (left, phrase) => (left.includes(phrase) ? left.replaceAll(wholeWords(phrase), ' ') : left),
    text,
  );
}

const searches = new Map<string, RegExp>();

function wholeWords(phrase: string): RegExp {
  const known = searches.get(phrase);
  if (known) return known;
  const escaped = phrase.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replaceAll(' ', '\\s+');
  const search = new RegExp(`(?<![\\p{L}\\p{N}'])${escaped}(?![\\p{L}\\p{N}'])`, 'gu');
  searches.set(phrase, search);
  return search;
}

/** Clauses of a text: what stands between full stops, commas, brackets, line ends and words like "and". */
export function clausesOf(text: string, words: Pick<ReplyWords, 'joining'>): string[] {
  const joined = words.joining.reduce((left, word) => left.replaceAll(wholeWords(word), '\n'), plain(text));
  return joined
    .split(/[\n\r;.!,()[\]…👍🙂😊🌱]+|(?<=\?)/u)
    .map((clause) => clause.trim())
    .filter((clause) => clause !== '');
}

/** So many words are a name; more are a sentence. */
const MOST_OF_A_NAME = 3;

/**
 * A text without the names it begins and ends with: after a greeting in its first line, after a closing phrase at its
 * end, and of people who are known. A name is some words with capitals.
 */
export function withoutNames(
  text: string,
  names: readonly string[],
  { greeting, closing }: Pick<ReplyWords, 'greeting' | 'closing'>,
): string {
  const name = `(?:\\s+\\p{Lu}[\\p{L}'.-]*){1,${MOST_OF_A_NAME}}`;
  const any = (phrases: readonly string[]): string => alternatives(phrases).map(escapedAnyCase).join('|');
  const greeted = new RegExp(`^(\\s*(?:${any(greeting)}))${name}(?=\\s*[,.!:\\n]|\\s*$)`, 'u');
  const signed = new RegExp(`((?:^|[\\n,.!])\\s*(?:${any(closing)}))[\\s,.!-]*(?:from)?${name}[\\s.!]*$`, 'u');
  const known = names.flatMap((full) => [full, ...full.split(/\s+/)]).filter((part) => part.length > 1);
  return known.reduce(
    (left, part) =>
      left.replace(
        new RegExp(`(\\n\\s*|[,.!]\\s*)${part.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}[\\s.!]*$`, 'iu'),
        '$1',
      ),
    text.replace(greeted, '$1').replace(signed, '$1'),
  );
}

/** A phrase as it may be typed, its first letter large or small. */
function escapedAnyCase(phrase: string): string {
  const escaped = phrase.replace(/[.*+?^${}()|[\]\\]/g, '\\$&').replaceAll(' ', '\\s+');
  const first = phrase.charAt(0);
  return `[${first.toUpperCase()}${first}]${escaped.slice(1)}`;
}
