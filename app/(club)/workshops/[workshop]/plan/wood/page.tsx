import { postWords } from '@/core/plan/wood/by-post';
import type { Metadata } from 'next';
import Link from 'next/link';
import { workshopLots } from '@/server/plan/lots';
import { lotBookingViews } from '@/server/plan/lot-views';
import { quantities } from '@/server/plan/quantities';
import { listSeats } from '@/server/plan/seats';
import { ledger, warningsOf } from '@/server/plan/wood-ledger';
import { listSources } from '@/server/plan/wood-sources';
import { pairWarnings } from '@/core/plan/wood/pair-warnings';
import { clubPairings } from '@/server/plan/club-pairings';
import { pairsOf } from '@/server/plan/pairs-of-day';
import { PairWarnings } from '@/ui/plan/wood/pair-warnings';
import { LotsBoard } from '@/ui/plan/wood/lots-board';
import { WoodSupply } from '@/ui/plan/quantities/wood-supply';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Wood' };

export default async function PlanWood({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const { workshop, site, plan, wood: supply, problem } = await orNotFound(quantities(context, id));
  const [lots, seats, sources, pairings] = await Promise.all([
    workshopLots(context, id),
    listSeats(context, id),
    listSources(context),
    clubPairings(context),
  ]);
  const pairs = pairWarnings(
    pairsOf(
      plan.methods.map((planned) => ({ plan: planned })),
      lots,
    ),
    pairings,
  );
  const own = await ledger(
    context,
    lots.wood.map((lot) => lot.id),
  );
  const place = { region: site.region, quarantine: site.quarantine };
  const wood = await Promise.all(
    own.map(async (lot) => ({
      id: lot.id,
      variety: lot.variety,
      species: lot.species,
      source: lot.from?.name ?? lot.source,
      cutOn: lot.cutOn,
      ribbon: lots.wood.find((choice) => choice.id === lot.id)!.ribbon,
      sticks: lot.sticks,
      booked: lot.booked,
      lastLook: lot.checks.at(-1)?.lookedOn ?? null,
      post: postWords(lot),
      warnings: warningsOf(context, lot, workshop.date, place),
      bookings: (await lotBookingViews(context, lot, id)).bookings,
    })),
  );
  return (
    <div className="flex flex-col gap-5">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1>Wood and stocks</h1>
        <Link href="/wood">All wood of the club</Link>
      </div>
      {!problem && supply.length > 0 && (
        <section className="board" aria-label="Wood needed">
          <WoodSupply supply={supply} />
        </section>
      )}
      <PairWarnings warnings={pairs} />
      <LotsBoard
        workshopId={id}
        title={workshop.title}
        wood={wood}
        mayChange={context.actor.role !== 'viewer'}
        temperatureUnit={context.actor.temperatureUnit}
        sources={sources.map((source) => ({ id: source.id, name: source.name }))}
        stocks={lots.stocks.map(({ id: lotId, stockType, species, stocks }) => ({
          id: lotId,
          stockType,
          species,
          stocks,
        }))}
        otherWood={lots.otherWood.map(({ id: lotId, variety, source }) => ({ id: lotId, variety, source }))}
        otherStocks={lots.otherStocks.map(({ id: lotId, stockType, species }) => ({ id: lotId, stockType, species }))}
        seats={seats
          .filter(({ absent }) => !absent)
          .map((seat) => ({ id: seat.id, name: `${seat.number} ${seat.person.name ?? ''}`.trim() }))}
      />
    </div>
  );
}
