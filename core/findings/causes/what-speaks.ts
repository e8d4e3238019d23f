import type { CauseModel, ReadyEvidence } from './cause-model';
import type { CauseGroup, QuestionRow } from './cause-tables';
import { evidenceOf } from './shares-of-causes';

/** How loudly evidence speaks, by its ratio as the table has it. */
export interface Speaks {
  code: string;
  words: string;
  /** Above 1 it speaks for the cause, below 1 against it. */
  ratio: number;
}

/** For one cause: what speaks for it, what against it, and which questions that bear on it nobody has answered. */
export interface WhatSpeaks {
  speaksFor: Speaks[];
  against: Speaks[];
  notLooked: QuestionRow[];
}

/**
 * What was found for and against a cause, the loudest first, and what could still be looked at.
 *
 * @throws InputError for a cause or a code that no table names
 */
export function whatSpeaks(model: CauseModel, group: CauseGroup, codes: readonly string[], cause: string): WhatSpeaks {
  const at = model.causes.indexOf(cause);
  const known = evidenceOf(model, codes);
  const loud = ({ ratios }: ReadyEvidence): number => Math.abs(Math.log(ratios[at]!));
  const spoken = known.filter((row) => loud(row) > 0).sort((a, b) => loud(b) - loud(a));
  const told = ({ code, words, ratios }: ReadyEvidence): Speaks => ({ code, words, ratio: ratios[at]! });
  const answered = new Set(known.map(({ code }) => code));
  return {
    speaksFor: spoken.filter(({ ratios }) => ratios[at]! > 1).map(told),
    against: spoken.filter(({ ratios }) => ratios[at]! < 1).map(told),
    notLooked: model.questions.filter(
      ({ askedOf, answers }) =>
        askedOf.includes(group) &&
        !answers.some(({ code }) => answered.has(code)) &&
        answers.some(({ code }) => model.evidence.get(code)!.ratios[at] !== 1),
    ),
  };
}

/**
 * Pairs of evidence that cannot both be true of one union: two answers to one question, or two pieces of one group of which
 * one speaks for a cause and the other against it.
 */
export function contradictions(model: CauseModel, codes: readonly string[]): [ReadyEvidence, ReadyEvidence][] {
  const known = evidenceOf(model, codes).filter(({ kind }) => kind !== 'shared');
  return known.flatMap((first, at) =>
    known
      .slice(at + 1)
      .filter((second) => answersOneQuestion(model, first, second) || speaksOtherwise(first, second))
      .map((second): [ReadyEvidence, ReadyEvidence] => [first, second]),
  );
}

function answersOneQuestion({ questions }: CauseModel, first: ReadyEvidence, second: ReadyEvidence): boolean {
  return questions.some(({ answers }) => [first, second].every((row) => answers.some(({ code }) => code === row.code)));
}

function speaksOtherwise(first: ReadyEvidence, second: ReadyEvidence): boolean {
  return (
    first.group === second.group && first.ratios.some((ratio, at) => Math.log(ratio) * Math.log(second.ratios[at]!) < 0)
  );
}
