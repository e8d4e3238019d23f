import { describe, expect, it } from 'vitest';
import { riseOf } from '../drawing/workpieces';
import { METHODS } from '../methods/registry';
import { woodOf } from '../methods/shown-technique';
import { piecesAfter } from '../methods/step';
import { taughtWrap } from './taught-wrap';

const answers = METHODS.flatMap((method) => [
  [method, {}] as const,
  ...method.schools.flatMap(({ id, options }) =>
    options.slice(1).map((option) => [method, { [id]: option.id }] as const),
  ),
]);

describe('a wrap', () => {
  it.each(answers.map(([method, choices]) => [`${method.id} ${JSON.stringify(choices)}`, method, choices] as const))(
    'rises by as much a turn where it is drawn as where it is taught, with the tape of the kit: %s',
    (_name, method, choices) => {
      const wood = woodOf(method.shownWith);
      const { start, steps, materials } = method.technique(choices, wood);
      const bound = piecesAfter(start, steps);
      steps.forEach((step, i) => {
        const taught = taughtWrap(step, materials, wood);
        if (!taught) return;
        const wrap = bound[i + 1]!.covers.at(-1)!;
        // Film clings without turns that show.
        if (wrap.kind !== 'film') expect(riseOf(wrap)).toBe(taught.width * (1 - taught.overlap));
      });
      // A nail holds an inlay that is not wrapped.
      const nailed = 'inlay-fix' in choices && choices['inlay-fix'] === 'nail';
      expect(steps.filter(({ wraps }) => wraps)).toHaveLength(nailed ? 0 : 1);
    },
  );
});
