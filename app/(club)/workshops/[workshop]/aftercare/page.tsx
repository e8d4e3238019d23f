import type { Metadata } from 'next';
import Link from 'next/link';
import { keeperDoors } from '@/server/score/keeper-permits';
import { listKeepers } from '@/server/aftercare/keepers';
import { workshopLots } from '@/server/plan/lots';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { listSeats } from '@/server/plan/seats';
import { getWorkshop } from '@/server/plan/workshops';
import { KeeperBench } from '@/ui/aftercare/keeper-bench';
import { PhoneBanner } from '@/ui/club/phone-banner';
import { onlyThisMachine } from '../../../../_http/services';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'Aftercare' };

export default async function Aftercare({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const workshop = await orNotFound(getWorkshop(context, id));
  const [keepers, lots, seats, doors] = await Promise.all([
    listKeepers(context, id),
    workshopLots(context, id),
    listSeats(context, id),
    keeperDoors(context, id),
  ]);
  const ready = lots.wood.length > 0 && lots.stocks.length > 0 && seats.length > 0;
  return (
    <>
      {onlyThisMachine() && <PhoneBanner />}
      <h1 className="mb-2">Keepers and their tags</h1>
      {!ready ? (
        <p className="board">
          Keepers are made of a wood lot and a stock lot, for the people on the roster.{' '}
          <Link href={`/workshops/${id}/plan`}>Fill in what is missing on the Plan page</Link>.
        </p>
      ) : (
        <KeeperBench
          workshopId={id}
          promised={workshop.promisedKeepers}
          mayChange={context.actor.role !== 'viewer'}
          present={seats.filter(({ absent }) => !absent).length}
          shut={seats
            .filter(({ id: seatId, absent }) => !absent && !doors.get(seatId)?.open)
            .map(({ number }) => number)}
          wood={lots.wood.map(({ id: lotId, variety, ribbon }) => ({ id: lotId, variety, ribbon }))}
          stocks={lots.stocks.map(({ id: lotId, stockType }) => ({ id: lotId, stockType }))}
          seats={seats.map(({ id: seatId, number, person }) => ({
            id: seatId,
            number,
            name: person.name ?? ERASED_NAME,
          }))}
          keepers={keepers.map(({ id: plantId, code, voidedAt, wood, stock, seat }) => ({
            id: plantId,
            code,
            voided: voidedAt !== null,
            woodLotId: wood.id,
            stockLotId: stock.id,
            seatId: seat.id,
          }))}
        />
      )}
    </>
  );
}
