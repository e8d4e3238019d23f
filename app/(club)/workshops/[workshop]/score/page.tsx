import type { Metadata } from 'next';
import Link from 'next/link';
import { openBench } from '@/server/score/bench';
import { variantChoices } from '@/server/plan/plan-variant';
import { OpenVariants } from '@/ui/plan/dates/open-variants';
import { BenchDay } from '@/ui/score/bench/bench-day';
import { ScoreBoard } from '@/ui/score/bench/score-board';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'Score' };

export default async function Score({
  params,
  searchParams,
}: {
  params: Promise<{ workshop: string }>;
  searchParams: Promise<{ seat?: string; keeper?: string }>;
}) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const [bench, variants] = await Promise.all([
    orNotFound(openBench(context, id)),
    // The bench opens without it as well.
    variantChoices(context, id).catch(() => null),
  ]);
  const { seat, keeper } = await searchParams;
  if (bench.seats.length === 0) {
    return (
      <p className="board">
        Nobody sits at the benches yet. <Link href={`/workshops/${id}/plan`}>Fill the roster on the Plan page</Link>,
        then score here.
      </p>
    );
  }
  if (context.actor.role === 'viewer')
    return <ScoreBoard seats={bench.seats} unions={bench.unions} keepers={bench.keepers} />;
  return (
    <>
      {variants && <OpenVariants workshopId={id} {...variants} />}
      <BenchDay initial={bench} seat={seat ? Number(seat) : null} keeper={keeper ?? null} />
    </>
  );
}
