import type { Metadata } from 'next';
import Link from 'next/link';
import { clubFates } from '@/server/findings/causes/fate-board';
import { FateBoard } from '@/ui/findings/causes/fate-board';
import { fatesSentence } from '@/core/findings/shared/fates-sentence';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Why they died, over the years' };

/** Why unions of the club died, over all its workshops. */
export default async function ClubCauses() {
  const context = await pageContext();
  const board = await clubFates(context);
  const { role } = context.actor;
  return (
    <>
      <h1>{fatesSentence(board)}</h1>
      <p className="mb-4 max-w-prose text-muted">
        Over all workshops of the club; each group is compared with the others of the same workshops.{' '}
        <Link href="/club/causes">How strongly evidence speaks</Link>.
      </p>
      <FateBoard board={board} maySettle={role === 'lead'} mayStrike={role !== 'viewer'} />
    </>
  );
}
