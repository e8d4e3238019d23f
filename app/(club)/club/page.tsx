import type { Metadata } from 'next';
import { listMembers } from '@/server/members';
import { nameTraces } from '@/server/name-traces';
import { MembersBoard } from '@/ui/club/members-board';
import { TracesBoard } from '@/ui/club/traces-board';
import { UnitsForm } from '@/ui/club/units-form';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Club and units' };

export default async function Club() {
  const context = await pageContext();
  const members = await listMembers(context);
  const traces = context.actor.role === 'lead' ? await nameTraces(context) : [];
  return (
    <>
      <Season />
      <main id="main" className="mx-auto grid max-w-[1240px] items-start gap-6 px-4 py-5 lg:grid-cols-[1fr_22rem]">
        <section aria-labelledby="members-title">
          <h1 id="members-title" className="mb-2">{context.actor.clubName}</h1>
          <MembersBoard members={members} mayChange={context.actor.role === 'lead'} />
          {traces.length > 0 && <div className="mt-6"><h2 className="mb-2">To mend after people were erased</h2><TracesBoard traces={traces} /></div>}
        </section>
        <section className="board" aria-labelledby="units-title">
          <h2 id="units-title" className="mb-2">Your units</h2>
          <UnitsForm lengthUnit={context.actor.lengthUnit} temperatureUnit={context.actor.temperatureUnit} />
        </section>
      </main>
    </>
  );
}
