import type { Metadata } from 'next';
import Link from 'next/link';
import { openBench } from '@/server/score/bench';
import { BenchDay } from '@/ui/score/bench/bench-day';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Score sheets on paper' };

export default async function Sheets({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const bench = await orNotFound(openBench(context, id));
  return (
    <>
      <div className="mb-3 flex flex-wrap items-center gap-3">
        <p className="grow">
          Print blank sheets, fill them in at the bench, and enter them here with the time at their head.
        </p>
        <a className="bench-button" href={`/api/workshops/${id}/score-sheet?paper=A4`} target="_blank" rel="noreferrer">
          Blank sheets, A4
        </a>
        <a
          className="bench-button"
          href={`/api/workshops/${id}/score-sheet?paper=Letter`}
          target="_blank"
          rel="noreferrer"
        >
          Letter
        </a>
        <Link className="bench-button" href={`/workshops/${id}/score`}>
          Back to the bench
        </Link>
      </div>
      {bench.seats.length > 0 && context.actor.role !== 'viewer' && <BenchDay initial={bench} seat={null} fromPaper />}
    </>
  );
}
