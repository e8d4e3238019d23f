import type { Metadata } from 'next';
import Link from 'next/link';
import { keeperDoors } from '@/server/score/keeper-permits';
import { POSITION_WORDS, positionsOf } from '@/core/methods/position';
import { methodById, METHODS } from '@/core/methods/registry';
import { keeperFacts } from '@/server/aftercare/keeper-facts';
import { type KeeperTarget, keeperTargets } from '@/server/aftercare/make-keepers';
import { listHelpers } from '@/server/club/members';
import type { Context } from '@/server/platform/context';
import { type Keeper, listKeepers } from '@/server/plan/keepers-of-workshop';
import type { KeeperLine, KeeperMethod } from '@/ui/aftercare/keeper-line';
import { scoreText } from '@/ui/score/bench/bench-data';
import { STAGE_WORDS } from '@/ui/score/bench/keeper-strip';
import { workshopLots } from '@/server/plan/lots';
import { seasonalVariants, variantChoices } from '@/server/plan/plan-variant';
import { OpenVariants } from '@/ui/plan/dates/open-variants';
import { madeWords } from '@/core/methods/made-words';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { listSeats, type SeatedPerson } from '@/server/plan/seats';
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
  const [keepers, lots, seats, targets, members, facts, variants] = await Promise.all([
    listKeepers(context, id),
    workshopLots(context, id),
    listSeats(context, id),
    keeperTargets(context, id),
    listHelpers(context),
    keeperFacts(context, id),
    variantChoices(context, id),
  ]);
  const ready = lots.wood.length > 0 && lots.stocks.length > 0 && seats.length > 0;
  const methods = await keeperMethods(context, id, { main: workshop.method, targets, seats });
  return (
    <>
      {onlyThisMachine() && <PhoneBanner />}
      <h1 className="mb-2">Keepers and their tags</h1>
      {context.actor.role !== 'viewer' && ready && <OpenVariants workshopId={id} {...variants} />}
      {!ready ? (
        <p className="board">
          Keepers are made of a wood lot and a stock lot, for the people on the roster.{' '}
          <Link href={`/workshops/${id}/plan`}>Fill in what is missing on the Plan page</Link>.
        </p>
      ) : (
        <KeeperBench
          workshopId={id}
          unit={context.actor.lengthUnit}
          mayChange={context.actor.role !== 'viewer'}
          present={seats.filter(({ absent }) => !absent).length}
          wood={lots.wood.map(({ id: lotId, variety, ribbon }) => ({ id: lotId, variety, ribbon }))}
          stocks={lots.stocks.map(({ id: lotId, stockType }) => ({ id: lotId, stockType }))}
          seats={seats.map(({ id: seatId, number, person }) => ({
            id: seatId,
            number,
            name: person.name ?? ERASED_NAME,
          }))}
          methods={methods}
          members={members}
          keepers={byPlant(keepers).map((unions) => keeperLine(unions, facts))}
        />
      )}
    </>
  );
}

/** The unions of each plant, plants in their order. */
function byPlant(keepers: readonly Keeper[]): Keeper[][] {
  const plants = new Map<string, Keeper[]>();
  for (const keeper of keepers) plants.set(keeper.id, [...(plants.get(keeper.id) ?? []), keeper]);
  return [...plants.values()];
}

/** A plant as its tag shows it. */
function keeperLine(unions: readonly Keeper[], facts: Awaited<ReturnType<typeof keeperFacts>>): KeeperLine {
  const { id, code, voidedAt, wood, stock, seat } = unions[0]!;
  return {
    id,
    code,
    voided: voidedAt !== null,
    woodLotId: wood.id,
    stockLotId: stock.id,
    seatId: seat.id,
    unions: unions.map(({ unionId, method, variant, position, madeOn, helperUserId, helperPersonId }) => {
      const fact = facts.get(unionId);
      return {
        unionId,
        method,
        made: madeWords({ method, variant }),
        place: position === 'sole' ? '' : POSITION_WORDS[position],
        judged: fact?.stage ? `${STAGE_WORDS[fact.stage]} ${scoreText(fact.score)}` : '',
        madeOn,
        helped: helperUserId !== null || helperPersonId !== null,
      };
    }),
  };
}

interface Plan {
  main: string;
  targets: KeeperTarget[];
  seats: SeatedPerson[];
}

/** The methods keepers can be made by: those that are promised first, then all others there are. */
async function keeperMethods(context: Context, id: string, { main, targets, seats }: Plan): Promise<KeeperMethod[]> {
  const first = targets.length > 0 ? targets.map(({ method }) => method) : [main];
  const others = METHODS.map((method) => method.id).filter((method) => !first.includes(method));
  return Promise.all(
    [...first, ...others].map(async (methodId) => {
      const { name, use, variants } = methodById(methodId);
      const target = targets.find(({ method }) => method === methodId);
      // Who is ready for a method nobody planned is not asked.
      const doors = first.includes(methodId) ? await keeperDoors(context, id, methodId) : null;
      const notReady = doors ? seats.filter((seat) => !seat.absent && !doors.get(seat.id)?.open) : [];
      return {
        id: methodId,
        name,
        promised: target?.promised ?? null,
        make: target?.make ?? null,
        notReady: notReady.map(({ id: seat, number, person }) => ({
          id: seat,
          number,
          name: person.name ?? ERASED_NAME,
        })),
        variants: seasonalVariants({ variants }).map(({ id: variant, words }) => ({ id: variant, words })),
        positions: positionsOf(use)
          .filter((position) => position !== 'sole')
          .map((position) => ({ id: position, words: POSITION_WORDS[position] })),
      };
    }),
  );
}
