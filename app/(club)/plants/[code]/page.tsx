import type { Metadata } from 'next';
import Link from 'next/link';
import { formatDate } from '@/core/units/iso-date';
import { formatCode } from '@/core/codes/plant-code';
import { unionPicture } from '@/server/aftercare/union-picture';
import { plantLife } from '@/server/aftercare/plant-life';
import { ERASED_NAME } from '@/server/platform/erased-name';
import { TagDoubtNotice } from '@/ui/aftercare/plant/tag-doubt-notice';
import { WhoHasIt } from '@/ui/aftercare/plant/who-has-it';
import { PlantBoard } from '@/ui/aftercare/plant/plant-board';
import { orNotFound } from '../../../_http/or-not-found';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'A plant' };

/** A plant: its unions drawn, their lives as a line, what is due next and what happens if it is missed. */
export default async function Plant({ params }: { params: Promise<{ code: string }> }) {
  const { code } = await params;
  const context = await pageContext();
  const plant = await orNotFound(plantLife(context, decodeURIComponent(code)));
  const pictures = await Promise.all(plant.unions.map(({ unionId }) => unionPicture(context, unionId)));
  const mayChange = context.actor.role !== 'viewer' && !plant.voided;
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
      <div className="mb-4 flex flex-wrap items-end justify-between gap-3">
        <div>
          <h1 className="text-4xl!">{formatCode(plant.code)}</h1>
          <p className="text-lg">
            <strong>{plant.variety}</strong> ({plant.species}) on {plant.stockType}
          </p>
          <p className="text-muted">
            Made by {plant.maker ?? ERASED_NAME}; {plant.site};{' '}
            <Link href={`/workshops/${plant.workshopId}/aftercare`}>{plant.workshop}</Link>
          </p>
          <p>
            {plant.standing ? (
              <>
                Stands in <Link href={`/places/${plant.standing.placeId}`}>{plant.standing.place}</Link>
                {plant.standing.spot === '' ? '' : `, ${plant.standing.spot}`}{' '}
                <span className="text-muted">since {formatDate(plant.standing.since)}</span>
              </>
            ) : (
              <>
                Where it stands is not noted. <Link href="/places">Places</Link>
              </>
            )}
          </p>
        </div>
        {mayChange && (
          <Link className="bench-button" href={`/workshops/${plant.workshopId}/score?keeper=${plant.code}`}>
            Judge it at the bench
          </Link>
        )}
      </div>
      {plant.doubt !== '' && (
        <TagDoubtNotice plantId={plant.plantId} doubt={plant.doubt} mayDecide={context.actor.role === 'lead'} />
      )}
      <WhoHasIt plant={plant} mayChange={mayChange} />
      <PlantBoard
        plantId={plant.plantId}
        workshopId={plant.workshopId}
        code={plant.code}
        me={{ id: context.actor.userId, name: context.actor.name }}
        mayChange={mayChange}
        mayDecide={context.actor.role === 'lead'}
        unit={context.actor.lengthUnit}
        unions={plant.unions.map((life, i) => ({ life, ...pictures[i]! }))}
      />
    </main>
  );
}
