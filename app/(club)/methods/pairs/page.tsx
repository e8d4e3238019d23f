import type { Metadata } from 'next';
import Link from 'next/link';
import { kindOf, USUAL_PAIRINGS } from '@/core/methods/compatibility/compatibility';
import { clubPairings } from '@/server/plan/club-pairings';
import { PairTable } from '@/ui/teach/pair-table';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';

export const metadata: Metadata = { title: 'Stock and scion' };

export default async function Pairs() {
  const context = await pageContext();
  const own = await clubPairings(context);
  const usual = USUAL_PAIRINGS.filter(
    (row) => !own.some((mine) => kindOf(mine.stock) === kindOf(row.stock) && kindOf(mine.scion) === kindOf(row.scion)),
  );
  return (
    <>
      <Season />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <p className="mb-1">
          <Link href="/methods">All methods</Link>
        </p>
        <h1 className="mb-1">Stock and scion</h1>
        <p className="mb-3 max-w-prose">
          How kinds agree, and who says so. It warns and never forbids. Same species nearly always, same genus usually;
          the club’s own rows stand before the usual ones.
        </p>
        <PairTable own={own} usual={[...usual]} mayChange={context.actor.role !== 'viewer'} />
      </main>
    </>
  );
}
