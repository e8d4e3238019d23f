'use client';

import { Problem } from '../form/problem';
import { useSend } from '../form/use-send';
import { type BenchSeat, type BenchUnion, scoreText } from './bench-data';

/** Unions judged more than once: one union seen twice, or two that got the same number? */
export function LikelyDoubles({ workshopId, seats, unions }: { workshopId: string; seats: BenchSeat[]; unions: BenchUnion[] }) {
  const { run, busy, problem } = useSend();
  const doubles = unions.filter(({ likelyDouble }) => likelyDouble);
  if (doubles.length === 0) return null;
  const settle = (union: BenchUnion, as: 'one' | 'two', judgementId: string): Promise<unknown> =>
    run('POST', `/api/workshops/${workshopId}/doubles/${union.id}`, { as, judgementId });
  return (
    <section aria-label="Likely doubles" className="mb-3 border-l-4 border-ink bg-mist px-3 py-2">
      <Problem>{problem?.message}</Problem>
      {doubles.map((union) => {
        const called = `${seats.find(({ id }) => id === union.seatId)?.number ?? ''}-${union.number}`;
        return (
          <div key={union.id} className="py-1">
            <p className="font-bold">{called} was judged {union.judgements.length} times: {union.judgements.map((one) => `${scoreText(one.score)} by ${one.assessor}`).join(', ')}. Nothing is lost; which is it?</p>
            <div className="mt-1 flex flex-wrap gap-2">
              {union.judgements.map((judgement) => (
                <button key={judgement.id} type="button" className="bench-button" disabled={busy} onClick={() => void settle(union, 'one', judgement.id)}>
                  One union, {judgement.assessor}&apos;s {scoreText(judgement.score)} counts
                </button>
              ))}
              <button type="button" className="bench-button" disabled={busy} onClick={() => void settle(union, 'two', union.judgements.at(-1)!.id)}>
                Two unions, the later one gets the next number
              </button>
            </div>
          </div>
        );
      })}
    </section>
  );
}
