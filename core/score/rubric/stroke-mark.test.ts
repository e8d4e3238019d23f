import { describe, expect, it } from 'vitest';
import { strokeMark } from './stroke-mark';

describe('strokeMark', () => {
  it('is nothing within the limit, poor for two more, a recut beyond', () => {
    expect([0, 1, 2, 3, 4, 5, 20].map((strokes) => strokeMark({ strokesGood: 2 }, strokes))).toEqual([
      undefined,
      undefined,
      undefined,
      'poor',
      'poor',
      'recut',
      'recut',
    ]);
  });
  it('marks no point whose strokes are not counted', () => {
    expect(strokeMark({}, 9)).toBeUndefined();
  });
});
