import { describe, expect, it } from 'vitest';
import { written } from '../units/prose';
import { METHODS } from './registry';
import type { Choices } from './school';
import { shownTechnique } from './shown-technique';
import { tasksFor } from './timetable/tasks-by-way';

/** How each material is spoken of, and the ids of which one is enough. */
const SPOKEN: [RegExp, string[]][] = [
  [/paint (it|dark|the dark|sealant|.*)?\s*white|white paint|white water paint/i, ['white-paint']],
  [/paint(ed)? (a )?dot|dot of paint/i, ['paint-dot']],
  [/\bfoil\b/i, ['foil']],
  [/\bfilm\b/i, ['film']],
  [/poly bag|bag tied|the bag/i, ['bag']],
  [/stretch tape/i, ['stretch-tape']],
  [/strong tape|heavy tape/i, ['heavy-tape']],
  [/\brubber\b/i, ['rubber', 'band']],
  [/vinyl/i, ['vinyl-tape']],
  [/insulating tape|dark tape/i, ['insulating-tape']],
  [/cloth tape/i, ['cloth-tape']],
  [/paper tape/i, ['paper-tape']],
  [/duct tape/i, ['duct-tape']],
  [/\bties\b/i, ['plastic-ties']],
  [/sealant|\bseal\b|wax/i, ['sealant', 'grafting-wax']],
  [/shellac/i, ['shellac']],
  [/splint/i, ['splint']],
  [/\bstake\b/i, ['stake']],
  [/\bbrace\b|perch guard/i, ['brace']],
  // Bark that bends under a fingernail is nobody's nail.
  [/\b(one|fine|the) .*\bnail\b(?<!under the nail)/i, ['nail']],
  [/flagging/i, ['flag']],
  [/shade it|leaf or paper/i, ['shade']],
  [/label/i, ['label']],
];

/** Every answer of a method's questions alone, and every pair of answers to two of them. */
function combinations(method: (typeof METHODS)[number]): Choices[] {
  const answers = method.schools.flatMap((question) =>
    question.options.map((option): [string, string] => [question.id, option.id]),
  );
  const pairs = answers.flatMap((a, i) => answers.slice(i + 1).flatMap((b) => (a[0] === b[0] ? [] : [[a, b]])));
  return [[], ...answers.map((answer) => [answer]), ...pairs].map((chosen) => Object.fromEntries(chosen) as Choices);
}

/** What is wrong with the kit and the words of a method in a variant, by a set of choices. */
function faultsOf(
  method: (typeof METHODS)[number],
  variant: (typeof METHODS)[number]['variants'][number],
  choices: Choices,
): string[] {
  const technique = shownTechnique(method, { ...choices, ...variant.choices });
  const kit = technique.materials.map(({ id }) => id);
  const said: [string, string][] = [
    ...technique.steps.flatMap(({ id, action, lookFor }): [string, string][] => [
      [`step ${id}`, written(action, 'mm')],
      [`step ${id}`, written(lookFor, 'mm')],
    ]),
    ...technique.points.flatMap(({ id, good, correction }): [string, string][] => [
      [`point ${id}`, written(good, 'mm')],
      [`point ${id}`, written(correction, 'mm')],
    ]),
    ...tasksFor(variant.wayOn, technique.aftercare).map(({ id, name }): [string, string] => [
      `task ${id}`,
      written(name, 'mm'),
    ]),
  ];
  const missing = said.flatMap(([where, words]) =>
    SPOKEN.filter(([pattern, ids]) => pattern.test(words) && !ids.some((id) => kit.includes(id))).map(
      ([, ids]) => `${where} wants ${ids.join(' or ')}, which is not in the kit: ${words}`,
    ),
  );
  const unnamed = kit
    .filter((id) => !said.some(([, words]) => SPOKEN.some(([pattern, ids]) => ids.includes(id) && pattern.test(words))))
    .map((id) => `${id} is in the kit and nowhere named`);
  const contradictions = technique.points.flatMap(({ id, good, faults }) => {
    const praised = written(good, 'mm');
    return faults
      .map(({ words }) => written(words, 'mm'))
      .filter(
        (words) =>
          words === praised || (/all covered|over the bud|over all/.test(praised) && /bud wrapped over/.test(words)),
      )
      .map((words) => `point ${id}: “${praised}” is good and “${words}” a fault`);
  });
  return [...missing, ...unnamed, ...contradictions];
}

describe.each(METHODS.map((method) => [method.id, method] as const))('the kit of %s', (_id, method) => {
  it('holds all that steps, points and tasks name, and nothing that none of them does, by every pair of choices', () => {
    const faults = new Set(
      method.variants.flatMap((variant) =>
        combinations(method).flatMap((choices) =>
          faultsOf(method, variant, choices).map((fault) => `${variant.id} ${JSON.stringify(choices)}: ${fault}`),
        ),
      ),
    );
    expect([...faults].slice(0, 5)).toEqual([]);
  });
});
