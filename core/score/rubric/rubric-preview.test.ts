import { describe, expect, it } from 'vitest';
import type { Attempt } from '../readiness/ready-rule';
import { rubricPreview } from './rubric-preview';

const rule = { last: 2, score: 75 };
const attempt = (score: number | null, fatal = false): Attempt => ({ score, fatal, recut: false });
const hand = (...pairs: [Attempt, Attempt][]) => ({ ready: rule, unions: pairs.map(([now, then]) => ({ now, then })) });

describe('rubricPreview', () => {
  it('counts who would be ready and who no longer, and what rises and falls', () => {
    const preview = rubricPreview([
      hand([attempt(80), attempt(70)], [attempt(90), attempt(70)]),
      hand([attempt(60), attempt(80)], [attempt(70), attempt(76)]),
      hand([attempt(80), attempt(80)], [attempt(80), attempt(80.4)]),
    ]);
    expect(preview).toEqual({
      unions: 6,
      people: 3,
      mean: { now: (80 + 90 + 60 + 70 + 80 + 80) / 6, then: (70 + 70 + 80 + 76 + 80 + 80.4) / 6 },
      rises: 2,
      falls: 2,
      readyNow: 2,
      readyThen: 2,
      lost: 1,
      gained: 1,
    });
  });
  it('leaves unscored unions out of the mean, and says nothing of none', () => {
    expect(rubricPreview([hand([attempt(null), attempt(50)])])).toMatchObject({ unions: 0, people: 1, mean: null });
    expect(rubricPreview([])).toMatchObject({ unions: 0, people: 0, mean: null, readyNow: 0 });
  });
  it('takes a fatal fault for what it is under either rule', () => {
    expect(rubricPreview([hand([attempt(80), attempt(80, true)], [attempt(80), attempt(80)])])).toMatchObject({
      readyNow: 1,
      readyThen: 0,
      lost: 1,
    });
  });
});
