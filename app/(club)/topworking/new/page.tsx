import { factsOf } from '@/core/methods/method-facts';
import type { Metadata } from 'next';
import Link from 'next/link';
import { METHODS } from '@/core/methods/registry';
import { clubDay } from '@/server/plan/season';
import { TreePlan } from '@/ui/plan/topworking/tree-plan';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';

export const metadata: Metadata = { title: 'Plan a tree' };

export default async function NewPlan() {
  const context = await pageContext();
  const { today } = await clubDay(context);
  return (
    <>
      <Season />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <p className="mb-1">
          <Link href="/topworking">All trees</Link>
        </p>
        <TreePlan
          id={null}
          plan={{
            tree: '',
            species: '',
            firstYear: Number(today.slice(0, 4)) + 1,
            graftDay: '',
            version: 0,
            limbs: [],
          }}
          unit={context.actor.lengthUnit}
          methods={METHODS.map(factsOf)}
          mayChange={context.actor.role !== 'viewer'}
        />
      </main>
    </>
  );
}
