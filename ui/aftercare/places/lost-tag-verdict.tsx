'use client';

import Link from 'next/link';
import { useState } from 'react';
import { formatCode } from '@/core/codes/plant-code';
import { spotWords } from '@/core/aftercare/places/place';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';

/** What came of a look for a lost tag. */
export interface Found {
  verdict: 'must' | 'may' | 'unknown';
  possible: string[];
  sameLot: boolean;
  plantId: string | null;
}

/** A plant by its spot, tag and variety. */
export function plantName(plant: PlacedPlant): string {
  return [plant.standing ? spotWords(plant.standing.spot) : '', formatCode(plant.code), plant.variety]
    .filter(Boolean)
    .join(', ');
}

interface VerdictProps {
  found: Found;
  plants: readonly PlacedPlant[];
  busy: boolean;
  onKeep: (plantId: string | null) => Promise<void>;
}

/** Which it must be, which it may be, or that it cannot be known. */
export function Verdict({ found, plants, busy, onKeep }: VerdictProps) {
  const [chosen, setChosen] = useState('');
  const possible = found.possible.flatMap((id) => plants.filter(({ plantId }) => plantId === id));
  return (
    <section aria-labelledby="verdict" className="border-2 border-ink bg-sheet p-4">
      <h2 id="verdict" className="mb-2">
        {VERDICTS[found.verdict]}
      </h2>
      {found.verdict === 'must' && <p className="mb-3 text-2xl font-bold">{plantName(possible[0]!)}</p>}
      {found.verdict === 'may' && (
        <fieldset className="mb-3">
          <legend className="mb-1">
            {found.sameLot
              ? `All of these are ${possible[0]!.variety}: its variety is sure, which of the plants it is not.`
              : 'These are of more than one lot: not even its variety is sure.'}
          </legend>
          {possible.map((plant) => (
            <label key={plant.plantId} className="flex min-h-11 items-center gap-2">
              <input
                type="radio"
                name="plant"
                className="size-5"
                checked={chosen === plant.plantId}
                onChange={() => setChosen(plant.plantId)}
              />
              {plantName(plant)} <RibbonStrip id={plant.ribbon} />
            </label>
          ))}
          <p className="mt-2 text-sm text-muted">
            The one you choose gets its tag anew. All of them carry the doubt from then on
            {found.sameLot ? '.' : ' and are left out of findings by lot.'}
          </p>
        </fieldset>
      )}
      {found.verdict === 'unknown' && (
        <p className="mb-3">
          No plant on record here fits. It may have come from elsewhere, or its neighbours were noted wrongly. Look at
          the planting order on paper, or keep what was seen as it is.
        </p>
      )}
      <button
        type="button"
        className="bench-button"
        data-weight="main"
        disabled={busy || (found.verdict === 'may' && chosen === '')}
        onClick={() => void onKeep(found.verdict === 'may' ? chosen : null)}
      >
        {found.verdict === 'unknown' ? 'Keep that it is not known' : 'Give it this tag'}
      </button>
    </section>
  );
}

const VERDICTS = { must: 'It must be', may: 'It may be', unknown: 'It cannot be known' } as const;

/** What was kept, and the way to its new tag. */
export function Kept({ found, plants }: { found: Found; plants: readonly PlacedPlant[] }) {
  const plant = plants.find(({ plantId }) => plantId === found.plantId);
  return (
    <div role="status" className="border-l-4 border-life bg-sheet p-4">
      <p className="mb-2 font-bold">
        {plant
          ? `Kept: it is ${formatCode(plant.code)}${found.verdict === 'may' ? ', with the doubt' : ''}.`
          : 'Kept: not known.'}
      </p>
      {plant && (
        <p className="flex flex-wrap gap-2">
          <a
            className="bench-button"
            data-weight="main"
            href={`/api/workshops/${plant.workshopId}/tags?code=${plant.code}&paper=A4&width=60&height=25`}
          >
            Print its tag
          </a>
          <Link className="bench-button" href={`/plants/${plant.code}`}>
            Its page
          </Link>
        </p>
      )}
    </div>
  );
}
