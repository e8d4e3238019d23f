import type { Metadata } from 'next';
import Link from 'next/link';
import { placeView } from '@/server/aftercare/places/place-views';
import { getPlace } from '@/server/aftercare/places/places';
import { inPlantingOrder } from '@/server/aftercare/places/print-place';
import { standingPlants } from '@/server/aftercare/places/standing-plants';
import { LostTagBoard } from '@/ui/aftercare/places/lost-tag-board';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'A plant without its tag' };

/** Which plant it is that has lost its tag. */
export default async function LostTag({ params }: { params: Promise<{ place: string }> }) {
  const { place: id } = await params;
  const context = await pageContext();
  const row = await orNotFound(getPlace(context, id));
  const plants = inPlantingOrder(await standingPlants(context, id), row);
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
      <h1 className="mb-1">A plant without its tag</h1>
      <p className="mb-4 text-muted">
        In <Link href={`/places/${id}`}>{row.name}</Link>, where {plants.length}{' '}
        {plants.length === 1 ? 'plant is' : 'plants are'} on record
      </p>
      {context.actor.role === 'viewer' ? (
        <p className="board">Only the lead or an assistant gives a plant its tag anew. Tell them where it stands.</p>
      ) : plants.length === 0 ? (
        <p className="board">
          No plant is on record here, so nothing can be told. Note first what stands in this place.
        </p>
      ) : (
        <LostTagBoard place={placeView(row)} plants={plants} />
      )}
    </main>
  );
}
