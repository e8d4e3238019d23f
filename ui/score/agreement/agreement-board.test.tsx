import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { agreementOf, type BlindJudgement } from '@/core/score/agreement/agreement';
import { whatToRecalibrate } from '@/core/score/agreement/what-to-recalibrate';
import { rendered } from '@/ui/testing/rendered';
import { AgreementBoard } from './agreement-board';

const points = [
  { id: 'hold', name: 'Hold' },
  { id: 'tongue', name: 'Tongue' },
];
const nameOf = { m: 'Maren', j: 'Joss' };
/** Ten unions scored by both; Joss is five points stricter and sees a poor tongue in every second one that Maren calls good. */
const judgements: BlindJudgement[] = Array.from({ length: 10 }, (_, i) => [
  {
    unionId: `u${i}`,
    assessorId: 'm',
    score: 70 + i,
    grades: { hold: i < 5 ? 'good' : 'poor', tongue: 'good' } as const,
    hours: i / 2,
  },
  {
    unionId: `u${i}`,
    assessorId: 'j',
    score: 65 + i,
    grades: { hold: i < 5 ? 'good' : 'poor', tongue: i % 2 ? 'poor' : 'good' } as const,
    hours: i / 2,
  },
]).flat() as BlindJudgement[];
const agreement = agreementOf(
  judgements,
  points.map(({ id }) => id),
);
const board = (changes: Partial<ComponentProps<typeof AgreementBoard>> = {}) =>
  rendered(
    <AgreementBoard
      workshopId="w"
      agreement={agreement}
      advice={whatToRecalibrate(
        agreement,
        (id) => nameOf[id as 'm' | 'j'],
        (point) => points.find(({ id }) => id === point)!.name,
      )}
      points={points}
      nameOf={nameOf}
      differences={[]}
      waiting={0}
      blindRate={0.1}
      mayClose
      {...changes}
    />,
  );
const none = agreementOf([], ['hold', 'tongue']);

describe('the agreement page', () => {
  it('tells both figures by pair and point: who scores higher, and where they grade alike', () => {
    const { words } = board();
    expect(words).toContain('All assessors, 10 unions');
    expect(words).toContain('Joss and Maren, 10 unions');
    expect(words).toMatch(/Hold\s?10 of 10\s?1\.00/);
    expect(words).toMatch(/Tongue\s?5 of 10\s?0\.00/);
    expect(words).toContain('Joss scores −5.0 points against Maren on the same union');
    expect(words).toMatch(/What to look at together.*Joss and Maren graded “Tongue” differently on 5 of 10 unions/);
  });
  it('says that nothing was scored twice, and where to set how many are', () => {
    expect(board({ agreement: none, advice: [], blindRate: 0 }).html).toContain('href="/workshops/w/score/settings"');
    expect(board({ agreement: none, advice: [] }).words).toContain('The room shows which ones want a second assessor.');
  });
  it('tells how many still wait, and lets the lead alone give them up', () => {
    expect(board({ waiting: 3 }).words).toContain('3 unions wait for a second assessor.');
    expect(board({ waiting: 1 }).words).toContain('1 union waits for a second assessor.');
    expect(board({ waiting: 3 }).buttons).toContain('Give these second looks up');
    expect(board({ waiting: 3, mayClose: false }).buttons).toEqual([]);
  });
  it('does not read anything out of too few', () => {
    const few = agreementOf(
      judgements.slice(0, 4),
      points.map(({ id }) => id),
    );
    const { words } = board({ agreement: few, advice: [] });
    expect(words).toContain('Nothing can be told from 2 unions');
    expect(words).toContain('Too few to build on.');
  });
});
