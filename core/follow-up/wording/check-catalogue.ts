import { IntlMessageFormat } from 'intl-messageformat';
import type { Catalogue, WordingKey } from './wording';

type Element = ReturnType<IntlMessageFormat['getAst']>[number];

/**
 * What is wrong with a file of wording beside the English one: sentences that are missing or unknown, that cannot be read,
 * or that lack a name or figure the English one has. Nothing where it can be used.
 *
 * @param file as it was read, of whatever shape
 */
export function catalogueProblems(file: unknown, english: Catalogue): string[] {
  if (typeof file !== 'object' || file === null || Array.isArray(file)) return ['The file is no JSON object.'];
  const { language, name, messages, trade, reply } = file as Partial<Record<keyof Catalogue, unknown>>;
  const problems: string[] = [];
  if (typeof language !== 'string' || !isLanguage(language))
    problems.push('"language" is missing, or no name of a language such as "fr" or "de-CH".');
  if (typeof name !== 'string' || name.trim() === '')
    problems.push('"name" is missing: what the language calls itself.');
  if (!isTexts(messages)) return [...problems, '"messages" is missing, or holds more than texts.'];
  if (!isTexts(trade)) problems.push('"trade" is missing, or holds more than texts; it may be empty.');
  for (const meaning of Object.keys(english.reply)) {
    const words = (reply as Record<string, unknown> | undefined)?.[meaning];
    if (!Array.isArray(words) || !words.every((word) => typeof word === 'string' && word.trim() !== ''))
      problems.push(`"reply" needs a list of words for "${meaning}".`);
  }
  const locale = typeof language === 'string' && isLanguage(language) ? language : 'en';
  for (const key of Object.keys(english.messages) as WordingKey[]) {
    const message = messages[key];
    if (message === undefined) {
      problems.push(`"${key}" is missing.`);
      continue;
    }
    const wanted = namesIn(english.messages[key], 'en')!;
    const found = namesIn(message, locale);
    if (found === null) problems.push(`"${key}" cannot be read; check its braces.`);
    else if (wanted.some((part) => !found.includes(part)) || found.some((part) => !wanted.includes(part)))
      problems.push(`"${key}" must name ${wanted.length === 0 ? 'nothing in braces' : wanted.join(', ')}.`);
  }
  for (const key of Object.keys(messages))
    if (!Object.hasOwn(english.messages, key)) problems.push(`"${key}" is no sentence of ours.`);
  return problems;
}

function isLanguage(text: string): boolean {
  try {
    return text.length <= 12 && Intl.getCanonicalLocales(text).length === 1;
  } catch {
    return false;
  }
}

function isTexts(value: unknown): value is Record<string, string> {
  return (
    typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    Object.values(value).every((text) => typeof text === 'string')
  );
}

/** Names of the values a message takes, sorted; null where it cannot be read. */
function namesIn(message: string, language: string): string[] | null {
  try {
    const names = new Set<string>();
    const walk = (elements: readonly Element[]): void => {
      for (const element of elements) {
        // 0 is literal text, 7 the count within a plural.
        if (element.type !== 0 && element.type !== 7) names.add((element as { value: string }).value);
        if ('options' in element)
          for (const option of Object.values(element.options as Record<string, { value: Element[] }>))
            walk(option.value);
      }
    };
    walk(new IntlMessageFormat(message, language, undefined, { ignoreTag: true }).getAst());
    return [...names].sort();
  } catch {
    return null;
  }
}
