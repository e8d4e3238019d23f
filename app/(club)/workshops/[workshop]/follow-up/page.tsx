import type { Metadata } from 'next';
import Link from 'next/link';
import { askedUnions } from '@/server/follow-up/asks/asked-unions';
import { followUp, nextLetters, roundChoices, workshopRoundPlan } from '@/server/follow-up/follow-up';
import { unreadReplies } from '@/server/follow-up/inbox/replies';
import { todayAt } from '@/server/follow-up/rounds';
import { contradictions } from '@/server/follow-up/settle';
import { unheardOf } from '@/server/follow-up/unheard/unheard';
import { getWorkshop } from '@/server/plan/workshops';
import { PhoneBanner } from '@/ui/club/phone-banner';
import { AsksAlone } from '@/ui/follow-up/asks-alone';
import { NewRound } from '@/ui/follow-up/new-round';
import { RoundBoard } from '@/ui/follow-up/round-board';
import { RoundLanes } from '@/ui/follow-up/round-lanes';
import { SettleBoard } from '@/ui/follow-up/settle-board';
import { UnheardBoard } from '@/ui/follow-up/unheard-board';
import { onlyThisMachine } from '../../../../_http/services';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'Follow-up' };

export default async function FollowUp({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const [workshop, asked, today, choices, replies, contradicted] = await orNotFound(
    Promise.all([
      getWorkshop(context, id),
      askedUnions(context, { workshopId: id }),
      todayAt(context, id),
      roundChoices(context, id),
      unreadReplies(context),
      contradictions(context, id),
    ]),
  );
  const [rounds, unheard] = await Promise.all([followUp(context, id, asked), unheardOf(context, id, asked)]);
  const mayChange = context.actor.role !== 'viewer';
  return (
    <>
      {onlyThisMachine() && <PhoneBanner />}
      <div className="mb-3 flex flex-wrap items-end justify-between gap-3">
        <h1>Follow-up</h1>
        {mayChange && (
          <div className="flex flex-wrap gap-2">
            <Link href="/answers" className="bench-button" data-weight="main">
              Enter answers
            </Link>
            <Link href="/answers/inbox" className="bench-button">
              {replies > 0 ? `Replies to look at: ${replies}` : 'Replies by mail'}
            </Link>
            <Link href="/outbox" className="bench-button">
              Outbox (simulated)
            </Link>
          </div>
        )}
      </div>
      {asked.length === 0 ? (
        <div className="board">
          <p className="mb-2">
            There is nothing to follow up yet. <Link href={`/workshops/${id}/aftercare`}>Make the keepers first</Link>.
          </p>
          {mayChange && <AsksAlone workshopId={id} asksAlone={workshop.asksAlone} next={null} />}
        </div>
      ) : (
        <div className="grid grid-cols-[minmax(0,1fr)] gap-6">
          <SettleBoard all={contradicted} mayChange={mayChange} />
          <section className="board min-w-0" aria-labelledby="plan-title">
            <h2 id="plan-title">When each is asked</h2>
            {mayChange && <AsksAlone workshopId={id} asksAlone={workshop.asksAlone} next={nextLetters(asked)} />}
            <RoundLanes lanes={workshopRoundPlan(asked)} today={today} />
          </section>
          {rounds.map((round) => (
            <RoundBoard key={round.id} round={round} mayChange={mayChange} today={today} />
          ))}
          <UnheardBoard unheard={unheard} mayChange={mayChange} />
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
