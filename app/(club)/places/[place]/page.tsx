import type { Metadata } from 'next';
import Link from 'next/link';
import { PLACE_WORDS } from '@/core/aftercare/places/place';
import type { PlaceView } from '@/core/aftercare/places/place-view';
import { dateInZone } from '@/core/units/zoned-date';
import { movesOfPlace } from '@/server/aftercare/places/place-moves';
import { choicesOf, placeView, sitesOfPlaces, treeLimbs } from '@/server/aftercare/places/place-views';
import { getPlace } from '@/server/aftercare/places/places';
import { inPlantingOrder } from '@/server/aftercare/places/print-place';
import { callusPlace } from '@/server/aftercare/warmth/callus-place';
import { getSite } from '@/server/club/sites';
import type { Context } from '@/server/platform/context';
import { listPlans } from '@/server/plan/topworking';
import { LandLeave } from '@/ui/aftercare/places/land-leave';
import { PlaceBoard } from '@/ui/aftercare/places/place-board';
import { PlaceForm } from '@/ui/aftercare/places/place-form';
import { PutPlaceAway } from '@/ui/aftercare/places/put-place-away';
import { CallusBoard } from '@/ui/aftercare/warmth/callus-board';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'A place' };

/** One place: its map or, of a callus place, its warmth; what stands in it, what came and went, and whose land it is. */
export default async function PlacePage({ params }: { params: Promise<{ place: string }> }) {
  const { place: id } = await params;
  const context = await pageContext();
  const row = await orNotFound(getPlace(context, id));
  const [site, sites, plans, moves, limbs] = await Promise.all([
    getSite(context, row.siteId),
    sitesOfPlaces(context),
    listPlans(context),
    movesOfPlace(context, id),
    treeLimbs(context, row),
  ]);
  const here = sites.find(({ siteId }) => siteId === row.siteId)!;
  const plants = inPlantingOrder(
    here.plants.filter(({ standing }) => standing?.placeId === id),
    row,
  );
  const view = row.kind === 'callus-box' ? await callusPlace(context, row, site, plants) : null;
  const place = placeView(row);
  const { actor } = context;
  const mayChange = actor.role !== 'viewer';
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
      <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1>
            {place.name} <span className="text-base font-normal text-muted">{PLACE_WORDS[place.kind]}</span>
          </h1>
          <p className="text-muted">
            <Link href="/places">{site.name}</Link>
            {place.putAway && '; put away'}
          </p>
        </div>
        <Deeds place={place} plants={plants.length} programmes={plans} context={context} />
      </div>
      {view && (
        <CallusBoard
          key={place.version}
          place={place}
          view={view}
          unit={actor.temperatureUnit}
          mayChange={mayChange}
          mayDecide={actor.role === 'lead'}
        />
      )}
      <PlaceBoard
        place={place}
        plants={plants}
        nowhere={here.plants.filter(({ standing }) => standing === null)}
        places={choicesOf(sites, plans)}
        limbs={limbs}
        moves={moves}
        unit={actor.lengthUnit}
        mayChange={mayChange}
        me={{ id: actor.userId, name: actor.name }}
      />
      <LandLeave
        key={`land ${place.version}`}
        place={place}
        today={dateInZone(context.now, site.timeZone)}
        mayChange={mayChange && !place.putAway}
      />
    </main>
  );
}

interface DeedsProps {
  place: PlaceView;
  plants: number;
  programmes: readonly { id: string; tree: string }[];
  context: Context;
}

/** What can be printed of a place and changed on it. */
function Deeds({ place, plants, programmes, context }: DeedsProps) {
  return (
    <div className="flex flex-wrap gap-2">
      {plants > 0 && (
        <>
          <a className="bench-button" href={`/api/places/${place.id}/order?paper=A4`}>
            Planting order, A4
          </a>
          <a className="bench-button" href={`/api/places/${place.id}/order?paper=Letter`}>
            Letter
          </a>
          <a className="bench-button" href={`/api/places/${place.id}/bed-list?paper=A4`}>
            Bed list to tick
          </a>
          {context.actor.role !== 'viewer' && (
            <Link className="bench-button" href={`/answers?search=${encodeURIComponent(place.name)}`}>
              Enter answers
            </Link>
          )}
        </>
      )}
      {context.actor.role !== 'viewer' && !place.putAway && (
        <>
          <PlaceForm
            siteId={place.siteId}
            place={place}
            programmes={programmes.map((plan) => ({ id: plan.id, tree: plan.tree }))}
            unit={context.actor.lengthUnit}
            freeSpot={place.onLand ?? { x: 2000, y: 2000, turned: false }}
          />
          <PutPlaceAway placeId={place.id} name={place.name} />
        </>
      )}
    </div>
  );
}
