import type { Metadata } from 'next';
import Link from 'next/link';
import { workshopFates } from '@/server/findings/causes/fate-board';
import { FateBoard } from '@/ui/findings/causes/fate-board';
import { fatesSentence } from '@/core/findings/shared/fates-sentence';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Why they died' };

/** Why keepers of a workshop died: what deaths share, drawn where it was, and each with its causes. */
export default async function CausesPage({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const board = await orNotFound(workshopFates(context, id));
  const { role } = context.actor;
  return (
    <>
      <h1>{fatesSentence(board)}</h1>
      <p className="mb-4 max-w-prose text-muted">
        A cause is what a person settles, or what evidence makes likely; “not known” is an answer. Counts are of unions
        whose fate is known. <Link href="/findings/causes">Over the years</Link>.{' '}
        <Link href="/club/causes">How strongly evidence speaks</Link>.
      </p>
      <FateBoard board={board} maySettle={role === 'lead'} mayStrike={role !== 'viewer'} />
    </>
  );
}
