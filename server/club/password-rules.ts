import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import * as english from '@zxcvbn-ts/language-en';
import { UseCaseError } from '@/server/platform/use-case-error';

/** Guesses, as a power of ten, that a password has to stand: more than a stolen table can be tried with cheaply. */
const LEAST_GUESSES = 9;

/** Letters a password has to have of its own beside name, address and club. */
const LEAST_OWN = 8;

let estimator: ZxcvbnFactory | undefined;

/**
 * Refuses a password that is among the common ones or made of what everybody knows about its owner.
 *
 * @param known name, address and club of its owner.
 * @throws UseCaseError that says so.
 */
export function refuseCommonPassword(password: string, known: readonly string[]): void {
  estimator ??= new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
  });
  const parts = known
    .flatMap((text) => [text, ...text.split(/[^\p{L}\p{N}]+/u)])
    .map((text) => plain(text))
    .filter((text) => text.length > 2)
    .sort((a, b) => b.length - a.length);
  const message =
    'This password is among the common ones, or easy to guess from your name or club. Use four words that do not belong together.';
  const refusal = new UseCaseError('invalid', message, { password: 'Too easy to guess.' });
  // Made of known parts alone it is easy to guess, however many they are.
  if (leftOf(plain(password), parts) < LEAST_OWN) throw refusal;
  // Longer ones are no easier to guess, and the estimate would take its time.
  if (estimator.check(password.slice(0, 64), parts).guessesLog10 >= LEAST_GUESSES) return;
  throw refusal;
}

/** Letters people write otherwise, and still know them by. */
const WRITTEN: Record<string, string> = { 0: 'o', 1: 'i', 3: 'e', 4: 'a', 5: 's', 7: 't', $: 's', '@': 'a', '!': 'i' };

/** A text as it sounds: small letters without accents, signs read as the letters they stand for, nothing between. */
function plain(text: string): string {
  const read = [...text.toLowerCase().normalize('NFD')].map((sign) => WRITTEN[sign] ?? sign).join('');
  return read.replaceAll(/[^\p{L}\p{N}]/gu, '');
}

/** Letters and digits of a password that are none of some parts, forwards or backwards. */
function leftOf(password: string, parts: readonly string[]): number {
  let left = password;
  for (const part of parts) for (const way of [part, [...part].reverse().join('')]) left = left.replaceAll(way, ' ');
  return left.replaceAll(' ', '').length;
}
