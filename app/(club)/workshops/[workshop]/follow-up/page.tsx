import type { Metadata } from 'next';
import Link from 'next/link';
import { followUp, roundChoices } from '@/server/follow-up/follow-up';
import { todayAt } from '@/server/follow-up/rounds';
import { listKeepers } from '@/server/plan/keepers-of-workshop';
import { PhoneBanner } from '@/ui/club/phone-banner';
import { NewRound } from '@/ui/follow-up/new-round';
import { RoundBoard } from '@/ui/follow-up/round-board';
import { onlyThisMachine } from '../../../../_http/services';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'Follow-up' };

export default async function FollowUp({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const [rounds, today, keepers, choices] = await orNotFound(
    Promise.all([followUp(context, id), todayAt(context, id), listKeepers(context, id), roundChoices(context, id)]),
  );
  const mayChange = context.actor.role !== 'viewer';
  return (
    <>
      {onlyThisMachine() && <PhoneBanner />}
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <h1>Follow-up</h1>
        {context.actor.role !== 'viewer' && (
          <Link href="/outbox" className="bench-button">
            Outbox (simulated)
          </Link>
        )}
      </div>
      {keepers.length === 0 ? (
        <p className="board">
          There is nothing to follow up yet. <Link href={`/workshops/${id}/aftercare`}>Make the keepers first</Link>.
        </p>
      ) : (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
          {rounds.map((round) => (
            <RoundBoard key={round.id} round={round} mayChange={mayChange} today={today} />
          ))}
          {mayChange && choices.length > 0 && (
            // Another list is another form: what was made is not offered again.
            <NewRound
              key={choices.map(({ milestone, asks }) => `${milestone} ${asks}`).join(',')}
              workshopId={id}
              choices={choices}
              today={today}
              isFirst={rounds.length === 0}
            />
          )}
        </div>
      )}
    </>
  );
}
