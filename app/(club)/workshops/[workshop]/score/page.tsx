import type { Metadata } from 'next';
import Link from 'next/link';
import { openBench } from '@/server/bench';
import { Bench } from '@/ui/scoring/bench';
import { LikelyDoubles } from '@/ui/scoring/likely-doubles';
import { ScoreBoard } from '@/ui/scoring/score-board';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'Score' };

export default async function Score({ params, searchParams }: { params: Promise<{ workshop: string }>; searchParams: Promise<{ seat?: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const { workshop, rule, seats, unions } = await orNotFound(openBench(context, id));
  const { seat: asked } = await searchParams;
  if (seats.length === 0) {
    return <p className="board">Nobody sits at the benches yet. <Link href={`/workshops/${id}/plan`}>Fill the roster on the plan leaf</Link>, then score here.</p>;
  }
  if (context.actor.role === 'viewer') return <ScoreBoard seats={seats} unions={unions} />;
  return (
    <>
      <LikelyDoubles workshopId={id} seats={seats} unions={unions} />
      <Bench
        workshopId={id} method={workshop.method} rule={rule} unit={context.actor.lengthUnit} seats={seats} unions={unions}
        firstSeat={seats.find(({ number }) => String(number) === asked)?.id ?? seats[0]!.id}
      />
      <p className="mt-4 flex flex-wrap gap-3 text-sm">
        <Link href={`/workshops/${id}/score/sheet`} className="bench-button">Score sheets on paper</Link>
        <span className="self-center text-muted">Letters mark the parts while the focus is in the entry; Enter goes on; Shift and Enter stays at the seat.</span>
      </p>
    </>
  );
}
