import type { Metadata } from 'next';
import { listMembers } from '@/server/members';
import { MembersBoard } from '@/ui/club/members-board';
import { UnitsForm } from '@/ui/club/units-form';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Club and units' };

export default async function Club() {
  const context = await pageContext();
  const members = await listMembers(context);
  return (
    <>
      <Season />
      <main id="main" className="mx-auto grid max-w-[1240px] items-start gap-6 px-4 py-5 lg:grid-cols-[1fr_22rem]">
        <section aria-labelledby="members-title">
          <h1 id="members-title" className="mb-2">{context.actor.clubName}</h1>
          <MembersBoard members={members} mayChange={context.actor.role === 'lead'} />
        </section>
        <section className="board" aria-labelledby="units-title">
          <h2 id="units-title" className="mb-2">Your units</h2>
          <UnitsForm lengthUnit={context.actor.lengthUnit} temperatureUnit={context.actor.temperatureUnit} />
        </section>
      </main>
    </>
  );
}
