import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import * as english from '@zxcvbn-ts/language-en';
import { UseCaseError } from '@/server/platform/use-case-error';

/** Guesses, as a power of ten, that a password has to stand: more than a stolen table can be tried with cheaply. */
const LEAST_GUESSES = 9;

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
  const parts = known.flatMap((text) => [text, ...text.split(/[\s@.]+/)]).filter((text) => text.length > 2);
  // Longer ones are no easier to guess, and the estimate would take its time.
  if (estimator.check(password.slice(0, 64), parts).guessesLog10 >= LEAST_GUESSES) return;
  const message =
    'This password is among the common ones, or easy to guess from your name or club. Use four words that do not belong together.';
  throw new UseCaseError('invalid', message, { password: 'Too easy to guess.' });
}
