import { codesAt } from '../../codes/plant-code';
import type { Said } from '../said';
import type { ReplyWords } from '../wording/wording';
import { alternatives, clausesOf, CODE, plain, without, withoutNames } from './reply-text';
import type { ReplyProblem } from './reply-problems';

export interface ReplyAnswer {
  code: string;
  said: Said;
}

/**
 * What a reply says: answers, or why a person has to look at it; and whether its writer wants no more letters, which is
 * heard also where the rest is not understood.
 */
export type ReplyRead = { stop: boolean } & (
  { answers: ReplyAnswer[]; problem: null } | { answers: null; problem: ReplyProblem }
);

/** A reply as it came, without what it quotes. */
export interface ReplyText {
  subject: string;
  text: string;
  /** Of its sender and the club: words that may end a letter and say nothing. */
  names?: readonly string[];
}

const MEANINGS = ['alive', 'dead', 'unsure', 'not-found'] as const satisfies readonly Said[];

/**
 * What a reply says of which plants. It is read only where each of its clauses is a code with a plain word in the tense
 * of now, a wish not to be written to, or made of words of a short list that change nothing. Whatever else stands in it
 * is left to a person, who sees it whole.
 *
 * @param words of the language it is read in
 * @example readReply({ subject: 'Re: grafts', text: 'K7M 4XQ alive' }, english.reply).answers // [{ code: 'K7M4XQ', said: 'alive' }]
 */
export function readReply({ subject, text, names = [] }: ReplyText, words: ReplyWords): ReplyRead {
  const all = plain(`${subject}\n${text}`);
  if (words.forwarded.some((phrase) => all.includes(plain(phrase))))
    return { stop: false, answers: null, problem: 'forwarded' };
  const { codes, damaged, marked } = codesAt(text.replaceAll(CODE, ' '), CODE);
  const clauses = clausesOf(withoutNames(marked, names, words), words);
  const stop = [plain(subject), ...clauses].some((clause) => isStop(clause, words));
  const refused = (problem: ReplyProblem): ReplyRead => ({ stop, answers: null, problem });
  if (damaged.length > 0) return refused('unknown-code');
  if (codes.length === 0) {
    const understood = clauses.every((clause) => isStop(clause, words) || isHarmless(clause, words));
    return stop && understood ? { stop, answers: [], problem: null } : refused('no-code');
  }
  const heard = hear(clauses, codes, words);
  return typeof heard === 'string' ? refused(heard) : { stop, answers: heard, problem: null };
}

/**
 * Goes through the clauses in their order. A code that stands alone takes the word that comes next; a word without a
 * code may say once more what was said of the plant before, and what stands before the first code holds for all.
 */
function hear(clauses: readonly string[], codes: readonly string[], words: ReplyWords): ReplyAnswer[] | ReplyProblem {
  const left = [...codes];
  const found = new Map<string, Said>();
  let waiting: string | null = null;
  let last: Said | null = null;
  let ahead: Said | null = null;
  for (const clause of clauses) {
    const own = clause.split(CODE).length - 1;
    if (own > 1) return 'several-codes';
    if (own === 0 && (isStop(clause, words) || isHarmless(clause, words))) continue;
    const said = meaningOf(clause, words);
    if (own === 0 && waiting === null) {
      if (said === null || (last !== null && said !== last) || (ahead !== null && said !== ahead)) return 'doubtful';
      if (last === null) ahead = said;
      continue;
    }
    if (own === 1 && waiting !== null) return 'several-codes';
    const code: string = own === 1 ? left.shift()! : waiting!;
    if (said === null && own === 1 && isHarmless(clause.replace(CODE, ' '), words)) {
      waiting = code;
      continue;
    }
    if (said === null || (ahead !== null && said !== ahead) || (found.has(code) && found.get(code) !== said))
      return 'doubtful';
    found.set(code, said);
    waiting = null;
    last = said;
  }
  return waiting === null ? [...found].map(([code, said]) => ({ code, said })) : 'no-words';
}

/** The one meaning of a clause all of whose other words change nothing; null where there is none, or it may mean more. */
function meaningOf(clause: string, words: ReplyWords): Said | null {
  const [first] = clause.trim().split(/\s+/);
  // "Is K7M 4XQ alive" asks, whether or not a question mark stands at its end.
  if (words.asking.some((asking) => asking === first || (asking.includes(' ') && without(clause, [asking]) !== clause)))
    return null;
  const found = new Set<Said>();
  let left = clause.replace(CODE, ' ');
  const phrases = MEANINGS.flatMap((meaning) =>
    alternatives(words[meaning]).map((phrase) => ({ meaning, phrase })),
  ).sort((a, b) => b.phrase.length - a.phrase.length);
  for (const { meaning, phrase } of phrases) {
    const rest = without(left, [phrase]);
    if (rest === left) continue;
    found.add(meaning);
    left = rest;
  }
  const [meaning] = found;
  return found.size === 1 && isHarmless(left, words) ? meaning! : null;
}

/** Nothing but greetings, thanks and words that change nothing. */
function isHarmless(clause: string, words: ReplyWords): boolean {
  return /^[\s'"*_~-]*$/u.test(without(clause, alternatives([...words.greeting, ...words.closing, ...words.harmless])));
}

/** A wish not to be written to any more, and nothing besides. */
function isStop(clause: string, words: ReplyWords): boolean {
  const asked = clause.replace(/\?+\s*$/, '');
  const left = alternatives(words.stop).find((phrase) => {
    const rest = without(asked, [phrase]);
    return rest !== asked && isHarmless(without(rest, alternatives(words.request)), words);
  });
  return left !== undefined;
}
