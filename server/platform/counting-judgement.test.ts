import { describe, expect, it } from 'vitest';
import type { JudgementRow } from '@/db/models/union-rows';
import { countingJudgement, standing } from './counting-judgement';

const judgement = (id: string, minute: number, changes: Partial<JudgementRow> = {}): JudgementRow =>
  ({
    id,
    correctsId: null,
    withdrawnAt: null,
    recordedAt: new Date(Date.UTC(2027, 2, 6, 9, minute)),
    ...changes,
  }) as JudgementRow;
const gone = new Date(Date.UTC(2027, 2, 6, 10));
const counts = (all: JudgementRow[], chosenJudgementId: string | null = null) =>
  countingJudgement({ chosenJudgementId }, all)?.id ?? null;

describe('countingJudgement', () => {
  it('is the first to arrive, whatever the order they are read in', () => {
    const [a, b] = [judgement('a', 5), judgement('b', 3)];
    expect(counts([a, b])).toBe('b');
    expect(counts([b, a])).toBe('b');
    expect(counts([])).toBeNull();
  });
  it('is the correction in place of what it corrects, keeping the place in the order', () => {
    const all = [judgement('a', 1), judgement('b', 2), judgement('a2', 9, { correctsId: 'a' })];
    expect(standing(all).map(({ id }) => id)).toEqual(['b', 'a2']);
    expect(counts(all)).toBe('a2');
  });
  it('goes back to the earlier value when a correction is withdrawn, and to nothing when all are', () => {
    const withdrawn = judgement('a2', 9, { correctsId: 'a', withdrawnAt: gone });
    expect(counts([judgement('a', 1), withdrawn])).toBe('a');
    expect(counts([judgement('a', 1, { withdrawnAt: gone })])).toBeNull();
  });
  it('is the chosen one, also after that was corrected', () => {
    const all = [judgement('a', 1), judgement('b', 2)];
    expect(counts(all, 'b')).toBe('b');
    expect(counts([...all, judgement('b2', 9, { correctsId: 'b' })], 'b')).toBe('b2');
    expect(counts([judgement('a', 1), judgement('b', 2, { withdrawnAt: gone })], 'b')).toBe('a');
  });
});
