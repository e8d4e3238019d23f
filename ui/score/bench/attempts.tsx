import Link from 'next/link';
import { UnionGlyph } from '@/ui/kit/union/union-glyph';
import { type BenchJudgement, type BenchUnion, scoreText } from './bench-data';

interface AttemptsProps {
  workshopId: string;
  seatNumber: number;
  unions: BenchUnion[];
  mayChange: boolean;
  onCorrect: (union: BenchUnion, judgement: BenchJudgement) => void;
}

/** What was scored at a seat so far, latest first; each judgement can be corrected, earlier values stay in sight. */
export function Attempts({ workshopId, seatNumber, unions, mayChange, onCorrect }: AttemptsProps) {
  if (unions.length === 0) return null;
  return (
    <section aria-labelledby="attempts-title" className="mt-4">
      <h2 id="attempts-title" className="mb-1">
        Attempts of seat {seatNumber}
      </h2>
      <ul className="divide-y divide-line border-y border-line">
        {[...unions].reverse().flatMap((union) =>
          union.judgements.map((judgement) => (
            <li key={judgement.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1.5">
              <span className="w-12 text-lg font-bold">
                {seatNumber}-{union.number}
              </span>
              {judgement.id === union.counts ? (
                <UnionGlyph {...union.glyph} title={judgement.contactWords} size={24} />
              ) : (
                <span className="w-6" />
              )}
              <span className="w-16 font-bold">{scoreText(judgement.score)}</span>
              <span className="grow">
                {judgement.contactWords}
                {judgement.note && <span className="text-muted">. {judgement.note}</span>}
              </span>
              <span className="text-sm text-muted">
                {judgement.assessor}
                {judgement.blind ? ', second assessor' : judgement.id !== union.counts && ', does not count'}
                {judgement.earlier.length > 0 && `, was ${judgement.earlier.map(scoreText).join(', before that ')}`}
                {judgement.waits && <strong className="text-ink">, on this device only</strong>}
              </span>
              {!judgement.waits && (
                <Link
                  className="bench-button"
                  href={`/workshops/${workshopId}/score/unions/${union.id}`}
                  prefetch={false}
                >
                  Open
                  <span className="sr-only">
                    {' '}
                    {seatNumber}-{union.number}
                  </span>
                </Link>
              )}
              {mayChange && (
                <button type="button" className="bench-button" onClick={() => onCorrect(union, judgement)}>
                  Correct
                  <span className="sr-only">
                    {' '}
                    {seatNumber}-{union.number}
                  </span>
                </button>
              )}
            </li>
          )),
        )}
      </ul>
    </section>
  );
}
