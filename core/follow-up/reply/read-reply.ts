import { codesIn } from '../../codes/plant-code';
import type { Said } from '../said';
import type { ReplyWords } from '../wording/wording';

/** Why a reply was not read: the instructor is shown it instead. */
export const REPLY_PROBLEMS = {
  forwarded: 'It passes on somebody else’s letter.',
  'no-code': 'No code of a plant stands in it.',
  'several-codes': 'Two codes stand before one answer, so it could mean either.',
  'no-words': 'After a code stands none of the words that are understood.',
  doubtful: 'What it says can be read in two ways.',
  'unknown-code': 'A code in it belongs to no plant.',
  'not-theirs': 'A code in it belongs to a plant that is not the sender’s.',
  'unknown-sender': 'Nobody on record writes from this address.',
  'not-asked': 'Nothing can be told of one of its plants yet.',
  day: 'It bears a day before the plant was grafted, or one still to come.',
  damaged: 'The file is no letter that can be read.',
  unproven:
    'It answers none of our letters to this address, so anybody may have written it. Ask the person, then enter what they say.',
  'too-large': 'The file is larger than any letter is read.',
  'no-file': 'It is no file that can be opened.',
  'too-slow': 'Reading it took too long, so it was given up.',
  fault: 'Something went wrong while it was read; the log of the server says what.',
} as const;
export type ReplyProblem = keyof typeof REPLY_PROBLEMS;

/** Of letters that could not even be opened: their files lie in the folder `put-aside` of the inbox. */
export const PUT_ASIDE: readonly ReplyProblem[] = ['damaged', 'too-large', 'no-file', 'too-slow', 'fault'];

export interface ReplyAnswer {
  code: string;
  said: Said;
}

export type ReplyRead = { answers: ReplyAnswer[]; problem: null } | { answers: null; problem: ReplyProblem };

const MEANINGS = ['alive', 'dead', 'unsure', 'not-found'] as const satisfies readonly Said[];
const refused = (problem: ReplyProblem): ReplyRead => ({ answers: null, problem });

/**
 * What a reply says of which plants: codes, each with a plain word beside it. Read whole or not at all: whatever could
 * mean something else is left to a person.
 *
 * @param reply subject, and what its writer wrote themselves, without what they quote
 * @param words of the language it is read in
 * @example readReply({ subject: 'Re: grafts', text: 'K7M 4XQ alive' }, english.reply).answers // [{ code: 'K7M4XQ', said: 'alive' }]
 */
export function readReply({ subject, text }: { subject: string; text: string }, words: ReplyWords): ReplyRead {
  const all = `${subject}\n${text}`.toLowerCase();
  if (words.forwarded.some((phrase) => all.includes(phrase.toLowerCase()))) return refused('forwarded');
  const { damaged, codes: every } = codesIn(text);
  if (damaged.length > 0) return refused('unknown-code');
  const codes = [...new Set(every)];
  if (codes.length === 0) return refused('no-code');
  const clauses = codes.length === 1 ? [text] : text.split(/[\n;,]+/);
  const found = new Map<string, Said>();
  for (const clause of clauses) {
    const own = [...new Set(codesIn(clause).codes)];
    if (own.length === 0) {
      if (meaningsOf(clause, words).length > 0) return refused('doubtful');
      continue;
    }
    if (own.length > 1) return refused('several-codes');
    const meanings = meaningsOf(clause, words);
    if (meanings.length === 0) return refused('no-words');
    const [meaning] = meanings;
    if (meanings.length > 1 || meaning === 'turned') return refused('doubtful');
    const before = found.get(own[0]!);
    if (before !== undefined && before !== meaning) return refused('doubtful');
    found.set(own[0]!, meaning!);
  }
  return { answers: [...found].map(([code, said]) => ({ code, said })), problem: null };
}

/** Each meaning that stands in a clause once; `turned` where a word that turns or doubts stands there besides. */
function meaningsOf(clause: string, words: ReplyWords): (Said | 'turned')[] {
  let left = ` ${clause.toLowerCase().replaceAll('’', "'")} `;
  const phrases = MEANINGS.flatMap((meaning) =>
    words[meaning].map((phrase) => ({ meaning, phrase: phrase.toLowerCase().replaceAll('’', "'") })),
  ).sort((a, b) => b.phrase.length - a.phrase.length);
  const found = new Set<Said | 'turned'>();
  for (const { meaning, phrase } of phrases) {
    const whole = wholeWords(phrase);
    if (!whole.test(left)) continue;
    found.add(meaning);
    left = left.replaceAll(wholeWords(phrase), ' ');
  }
  if (found.size > 0 && words.turning.some((word) => wholeWords(word.toLowerCase()).test(left))) found.add('turned');
  return [...found];
}

function wholeWords(phrase: string): RegExp {
  return new RegExp(`(?<![\\p{L}\\p{N}])${phrase.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(?![\\p{L}\\p{N}])`, 'gu');
}
