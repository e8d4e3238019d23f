import { IntlMessageFormat } from 'intl-messageformat';
import type { LengthUnit } from '../../units/length';
import { type Prose, written } from '../../units/prose';
import { formatDate, type IsoDate } from '../../units/iso-date';
import type english from './languages/en.json';

/** Names of the sentences that letters, slips and growers' pages are made of. */
export type WordingKey = keyof (typeof english)['messages'];

/** What growers write in a reply, by what it means; `turning` words turn or doubt what stands beside them. */
export type ReplyWords = (typeof english)['reply'];

/** One language: a file in `languages/`. */
export interface Catalogue {
  /** As the web names it, such as "en" or "fr-CH". */
  language: string;
  /** In itself. */
  name: string;
  /** ICU messages. */
  messages: Record<WordingKey, string>;
  /** The trade's words that stand in methods, such as names of tasks, by their English; what is left out stays English. */
  trade: Record<string, string>;
  reply: ReplyWords;
}

type Values = Record<string, string | number>;

/** How things are said in one language. */
export interface Wording {
  language: string;
  name: string;
  reply: ReplyWords;
  say: (key: WordingKey, values?: Values) => string;
  day: (day: IsoDate) => string;
  /** Words of a method, with their lengths written in a unit. */
  trade: (words: Prose, unit: LengthUnit) => string;
}

/**
 * A catalogue as it is used. Messages are parsed when they are first said.
 *
 * @example wordingOf(english).say('page.heading', { name: 'Ona Ferrel' }) // 'Ona Ferrel, how do your grafts do?'
 */
export function wordingOf({ language, name, messages, trade, reply }: Catalogue): Wording {
  const parsed = new Map<WordingKey, IntlMessageFormat>();
  const days = new Intl.DateTimeFormat(language, { day: 'numeric', month: 'short', year: 'numeric', timeZone: 'UTC' });
  return {
    language,
    name,
    reply,
    say: (key, values = {}) => {
      const message = parsed.get(key) ?? new IntlMessageFormat(messages[key], language, undefined, { ignoreTag: true });
      parsed.set(key, message);
      return String(message.format(values));
    },
    // English days are written as on all other pages.
    day: (day) => (language === 'en' ? formatDate(day) : days.format(new Date(`${day}T00:00:00Z`))),
    trade: (words, unit) => {
      const translated = trade[tradeKey(words)];
      if (translated === undefined) return written(words, unit);
      if (typeof words === 'string') return translated;
      const said = translated.split(/\{\d+\}/);
      return written({ said, figures: words.figures }, unit);
    },
  };
}

/** How a catalogue names words of a method: lengths in them are {0}, {1} and so on, in their order. */
export function tradeKey(words: Prose): string {
  if (typeof words === 'string') return words;
  return words.said.reduce((text, next, i) => `${text}{${i - 1}}${next}`);
}
