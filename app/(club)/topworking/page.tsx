import type { Metadata } from 'next';
import Link from 'next/link';
import { programmeYears } from '@/core/plan/topworking/programme';
import { treeView } from '@/core/plan/topworking/tree-view';
import { listPlans } from '@/server/plan/topworking';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Topworking' };

export default async function Topworking() {
  const context = await pageContext();
  const plans = await listPlans(context);
  return (
    <>
      <Season />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <p className="mb-1">
          <Link href="/methods">All methods</Link>
        </p>
        <div className="mb-3 flex flex-wrap items-center justify-between gap-3">
          <h1>Topworking</h1>
          {context.actor.role !== 'viewer' && (
            <Link href="/topworking/new" className="bench-button" data-weight="main">
              Plan a tree
            </Link>
          )}
        </div>
        <p className="mb-4 max-w-prose">
          Changing the variety of a grown tree over two or three years, limb by limb: narrow forks come out, one limb
          stays to feed the roots, and at the end nothing of the old variety is left.
        </p>
        {plans.length === 0 && (
          <p className="board">
            No tree is planned yet. Walk round one with a caliper: for each limb its height on the trunk, where it
            points, its angle, and how thick it is where it would be cut.
          </p>
        )}
        <ul className="border-t-2 border-ink">
          {plans.map((plan) => {
            const years = programmeYears(plan.limbs);
            const drawing = treeView(plan.limbs);
            return (
              <li
                key={plan.id}
                className="grid items-center gap-4 border-b border-line py-3 sm:grid-cols-[14rem_minmax(0,1fr)]"
              >
                <UnionDrawing
                  drawing={{ ...drawing, items: drawing.items.filter(({ kind }) => kind === 'path') }}
                  width={220}
                  title={`Plan of ${plan.tree}`}
                />
                <div>
                  <h2>
                    <Link href={`/topworking/${plan.id}`}>{plan.tree}</Link>{' '}
                    <span className="font-normal text-muted">{plan.species}</span>
                  </h2>
                  <p>
                    {plan.limbs.length} limbs, {years.length} {years.length === 1 ? 'year' : 'years'} from{' '}
                    {plan.firstYear};{' '}
                    {years.at(-1)!.left.length === 0
                      ? 'nothing of the old variety left at the end'
                      : `${years.at(-1)!.left.length} limbs of the old variety left at the end`}
                    .
                  </p>
                </div>
              </li>
            );
          })}
        </ul>
      </main>
    </>
  );
}
