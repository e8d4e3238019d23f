import { ENGLISH_CATALOGUE } from '@/core/follow-up/wording/english';
import type { Catalogue } from '@/core/follow-up/wording/wording';

/** Words of a message outside its braces, each turned into one of a language nobody speaks. */
export function turned(message: string): string {
  let depth = 0;
  let out = '';
  const word = (text: string): string => text.replace(/\p{L}+/gu, (letters) => `q${'o'.repeat(letters.length)}q`);
  for (const part of message.split(/([{}])/)) {
    if (part === '{') depth++;
    else if (part === '}') depth--;
    // At even depths stands what is said; at odd ones the names of values and the kinds of plurals.
    out += part === '{' || part === '}' || depth % 2 === 1 ? part : word(part);
  }
  return out;
}

/** Another language, made of the English file as somebody would who adds one. */
export function madeUpLanguage(trade: Record<string, string>): Catalogue {
  const messages = Object.entries(ENGLISH_CATALOGUE.messages).map(([key, message]) => [key, turned(message)]);
  const reply = Object.entries(ENGLISH_CATALOGUE.reply).map(([meaning, words]) => [meaning, words.map(turned)]);
  return {
    language: 'qaa',
    name: 'Qoooq',
    messages: Object.fromEntries(messages) as Catalogue['messages'],
    trade,
    reply: Object.fromEntries(reply) as Catalogue['reply'],
  };
}

/** Words of the English catalogue that no name, code or unit of the scenario is made of. */
const ENGLISH_WORDS = new Set(
  Object.values(ENGLISH_CATALOGUE.messages)
    .flatMap((message) => message.replace(/\{[^{}]*\}/g, ' ').match(/\p{L}{4,}/gu) ?? [])
    .map((word) => word.toLowerCase())
    .filter((word) => !['plural', 'other', 'name', 'count', 'code', 'grafts', 'link'].includes(word)),
);
/** Words of the English catalogue that stand in a text. */
export const englishLeft = (text: string): string[] =>
  (text.match(/\p{L}{4,}/gu) ?? []).filter((word) => ENGLISH_WORDS.has(word.toLowerCase()));
