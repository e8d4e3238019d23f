import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { formatCode, isPlantCode, normaliseCode } from '@/core/codes/plant-code';
import { formatDate } from '@/core/units/iso-date';
import { plantByCode } from '@/server/aftercare/plant-by-code';
import { services } from '../../_http/services';
import { currentActor } from '../../_http/session';

export const metadata: Metadata = { title: 'A graft', robots: { index: false } };

export default async function PlantPage({ params }: { params: Promise<{ code: string }> }) {
  const code = normaliseCode(decodeURIComponent((await params).code)).slice(0, 12);
  const plant = isPlantCode(code) ? await plantByCode(services(), code) : null;
  // A member of its club sees all of it.
  if (plant && (await currentActor())?.clubId === plant.clubId) redirect(`/plants/${plant.code}`);
  return (
    <main className="sun mx-auto min-h-dvh max-w-md bg-paper p-5 text-ink">
      {!plant ? (
        <>
          <h1 className="mb-2">No such tag</h1>
          <p>
            {isPlantCode(code)
              ? `The code ${formatCode(code)} is well formed but no graft here carries it.`
              : `“${code}” is not a code of ours: a character was misread or two were swapped.`}{' '}
            Codes have six characters and never 0, 1, O, I or L. Look at the tag again.
          </p>
        </>
      ) : (
        <>
          <p className="text-muted">{plant.clubName}</p>
          <h1 className="mb-3 text-4xl!">{formatCode(plant.code)}</h1>
          {plant.voided && (
            <p className="mb-3 border-l-4 border-ink pl-3 font-bold">
              This code was voided: it was printed and not used.
            </p>
          )}
          <dl className="grid grid-cols-[6rem_1fr] gap-y-1 text-lg">
            <dt className="text-muted">Variety</dt>
            <dd className="font-bold">{plant.variety}</dd>
            <dt className="text-muted">Species</dt>
            <dd>{plant.species}</dd>
            <dt className="text-muted">Stock</dt>
            <dd>{plant.stockType}</dd>
            <dt className="text-muted">Grafted</dt>
            <dd>
              {formatDate(plant.date)}, {plant.made.map((words) => words.toLowerCase()).join(' and ')}
            </dd>
          </dl>
          <p className="mt-5">
            Is it yours? Tell how it does by the link in your message from the club; this page names nobody and takes no
            answers.
          </p>
        </>
      )}
    </main>
  );
}
