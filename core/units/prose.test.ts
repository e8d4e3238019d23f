import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MM_PER_INCH } from './length';
import { celsius, measured, mm, prose, sameProse, saidLength, warmthSum, written } from './prose';

describe('prose', () => {
  it('writes its lengths in the unit of whoever reads', () => {
    const words = prose`Cut the stock off ${mm(200, 230)} above the roots, the tongue ${mm(6)} long.`;
    expect(written(words, 'mm')).toBe('Cut the stock off 200 to 230 mm above the roots, the tongue 6 mm long.');
    expect(written(words, 'in')).toBe('Cut the stock off 8 to 9 in above the roots, the tongue 1/4 in long.');
    expect(written('No length in it.', 'in')).toBe('No length in it.');
  });
  it('takes other words in, measured or not, and outlives being sent', () => {
    const inner = prose`${mm(12)} above`;
    const words = prose`Cut it ${inner} the ${'better'} bud of ${2}.`;
    expect(written(JSON.parse(JSON.stringify(words)) as typeof words, 'mm')).toBe(
      'Cut it 12 mm above the better bud of 2.',
    );
  });
  // Worked by hand from a ruler.
  it.each([
    [1, '1/16 in'],
    [3, '1/8 in'],
    [9, '3/8 in'],
    [12, '1/2 in'],
    [19, '3/4 in'],
    [25, '1 in'],
    [38, '1 1/2 in'],
    [50, '2 in'],
    [65, '2 1/2 in'],
    [100, '4 in'],
    [215, '8 1/2 in'],
    [300, '12 in'],
  ])('%d mm is %s on a ruler', (length, words) => {
    expect(saidLength(mm(length), 'in')).toBe(words);
  });
  it('writes a length that was read to its last figure', () => {
    const words = prose`Move it ${measured(3.4567)} to the left.`;
    expect(written(words, 'mm')).toBe('Move it 3.5 mm to the left.');
    expect(written(words, 'in')).toBe('Move it 0.14 in to the left.');
  });
  it('writes temperatures and sums of warmth in the reader’s degrees', () => {
    const words = prose`Mean under ${celsius(8)}; ${warmthSum(150)} above ${celsius(5)}.`;
    expect(written(words, 'mm')).toBe('Mean under 8 °C; 150 °C days above 5 °C.');
    expect(written(words, 'mm', 'F')).toBe('Mean under 46 °F; 270 °F days above 41 °F.');
    expect(sameProse(words, prose`Mean under ${celsius(8)}; ${warmthSum(150)} above ${celsius(5)}.`)).toBe(true);
    expect(sameProse(words, prose`Mean under ${celsius(9)}; ${warmthSum(150)} above ${celsius(5)}.`)).toBe(false);
  });
  it('says a range that is one fraction once', () => {
    expect(saidLength(mm(12, 13), 'in')).toBe('1/2 in');
  });
  it('is never further from the length than half the step of its size', () => {
    fc.assert(
      fc.property(fc.double({ min: 1, max: 2000, noNaN: true }), (length) => {
        const [, whole, over, under] = /^(?:(\d+)(?: |$))?(?:(\d+)\/(\d+))?/.exec(
          saidLength(mm(length), 'in').replace(' in', ''),
        )!;
        const inches = Number(whole ?? 0) + (over ? Number(over) / Number(under) : 0);
        const step = length < 5 ? 16 : length < 16 ? 8 : length < 100 ? 4 : 2;
        expect(Math.abs(inches * MM_PER_INCH - length)).toBeLessThanOrEqual(MM_PER_INCH / step / 2 + 1e-9);
      }),
    );
  });
});
