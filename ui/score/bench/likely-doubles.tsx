'use client';

import { useState } from 'react';
import { formatCode } from '@/core/codes/plant-code';
import { Problem } from '@/ui/kit/form/problem';
import { send } from '@/ui/kit/form/send';
import { type BenchState, type BenchUnion, scoreText } from './bench-data';

/** Unions judged more than once: one union seen twice, or two that got the same number? */
export function LikelyDoubles({ state, onSettled }: { state: BenchState; onSettled: () => Promise<void> }) {
  const [busy, setBusy] = useState(false);
  const [problem, setProblem] = useState('');
  const [settled, setSettled] = useState<string[]>([]);
  const doubles = state.unions.filter(
    ({ id, likelyDouble, judgements }) =>
      likelyDouble && judgements.length > 1 && !settled.includes(`${id} ${judgements.length}`),
  );
  if (doubles.length === 0) return null;
  const settle = async (union: BenchUnion, as: 'one' | 'two', judgementId: string): Promise<void> => {
    if (busy) return;
    setBusy(true);
    const sent = await send('POST', `/api/workshops/${state.workshop.id}/doubles/${union.id}`, { as, judgementId });
    setBusy(false);
    setProblem(sent.ok ? '' : sent.message);
    if (!sent.ok) return;
    setSettled((all) => [...all, `${union.id} ${union.judgements.length}`]);
    await onSettled();
  };
  return (
    <section aria-label="Likely doubles" className="mb-3 border-l-4 border-ink bg-mist px-3 py-2">
      <Problem>{problem || null}</Problem>
      {doubles.map((union) => {
        const seat = state.seats.find(({ id }) => id === union.seatId)?.number ?? '';
        const keeper = state.keepers.find(({ unionId }) => unionId === union.id);
        const called = keeper ? formatCode(keeper.code) : `${seat}-${union.number}`;
        return (
          <div key={union.id} className="py-1">
            <p className="font-bold">
              {called} was judged {union.judgements.length} times:{' '}
              {union.judgements.map((judgement) => `${scoreText(judgement.score)} by ${judgement.assessor}`).join(', ')}
              . Nothing is lost; which is it?
            </p>
            <div className="mt-1 flex flex-wrap gap-2">
              {union.judgements.map((judgement) => (
                <button
                  key={judgement.id}
                  type="button"
                  className="bench-button"
                  disabled={busy}
                  onClick={() => void settle(union, 'one', judgement.id)}
                >
                  One union, {judgement.assessor}&apos;s {scoreText(judgement.score)} counts
                </button>
              ))}
              {!keeper && (
                <button
                  type="button"
                  className="bench-button"
                  disabled={busy}
                  onClick={() => void settle(union, 'two', union.judgements.at(-1)!.id)}
                >
                  Two unions, the later one gets the next number
                </button>
              )}
            </div>
          </div>
        );
      })}
    </section>
  );
}
