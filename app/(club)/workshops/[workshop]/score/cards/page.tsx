import type { Metadata } from 'next';
import Link from 'next/link';
import { listCards } from '@/server/score/cards';
import { CardList } from '@/ui/score/cards/card-list';
import { PhoneBanner } from '@/ui/club/phone-banner';
import { onlyThisMachine } from '../../../../../_http/services';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Cards' };

export default async function Cards({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const cards = await orNotFound(listCards(context, id));
  return (
    <>
      {onlyThisMachine() && <PhoneBanner />}
      <div className="mb-3 flex flex-wrap items-baseline gap-3">
        <h1 className="grow">A page for everybody</h1>
        {cards.length > 0 && (
          <a className="bench-button" href={`/api/workshops/${id}/cards?paper=A4`} target="_blank" rel="noreferrer">
            All cards, A4
          </a>
        )}
        {cards.length > 0 && (
          <a className="bench-button" href={`/api/workshops/${id}/cards?paper=Letter`} target="_blank" rel="noreferrer">
            Letter
          </a>
        )}
      </div>
      {cards.length === 0 ? (
        <p className="board">
          Nobody sits at the benches yet. <Link href={`/workshops/${id}/plan`}>Fill the roster on the Plan page</Link>.
        </p>
      ) : (
        <CardList
          workshopId={id}
          mayLink={context.actor.role !== 'viewer'}
          cards={cards.map(({ seatId, seat, name, unions, train, keepers, ready }) => ({
            seatId,
            seat,
            name,
            unions,
            train: train.map((point) => point.name),
            keepers: keepers.length,
            ready,
          }))}
        />
      )}
    </>
  );
}
