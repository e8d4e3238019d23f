import { factsOf } from '@/core/methods/method-facts';
import type { Metadata } from 'next';
import Link from 'next/link';
import { METHODS } from '@/core/methods/registry';
import { getPlan } from '@/server/plan/topworking';
import { TreePlan } from '@/ui/plan/topworking/tree-plan';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';

export const metadata: Metadata = { title: 'Topworking a tree' };

export default async function Plan({ params }: { params: Promise<{ plan: string }> }) {
  const { plan: id } = await params;
  const context = await pageContext();
  const plan = await orNotFound(getPlan(context, id));
  return (
    <>
      <Season />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <p className="mb-1">
          <Link href="/topworking">All trees</Link>
        </p>
        <TreePlan
          key={plan.version}
          id={plan.id}
          plan={{
            tree: plan.tree,
            species: plan.species,
            firstYear: plan.firstYear,
            graftDay: plan.graftDay ?? '',
            version: plan.version,
            limbs: plan.limbs,
          }}
          unit={context.actor.lengthUnit}
          methods={METHODS.map(factsOf)}
          mayChange={context.actor.role !== 'viewer'}
        />
      </main>
    </>
  );
}
