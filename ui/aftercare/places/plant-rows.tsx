'use client';

import Link from 'next/link';
import { useState } from 'react';
import { formatCode } from '@/core/codes/plant-code';
import { spotWords } from '@/core/aftercare/places/place';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { formatDate } from '@/core/units/iso-date';
import { RibbonStrip } from '@/ui/plan/wood/ribbon';

interface PlantRowsProps {
  plants: readonly PlacedPlant[];
  selected: ReadonlySet<string>;
  mayChange: boolean;
  onSelect: (plantIds: ReadonlySet<string>) => void;
}

/** Rows that are shown at once: a nursery has thousands. */
const AT_ONCE = 150;

const DOUBTS = { '': '', plant: 'which of its lot: not sure', lot: 'variety not sure' } as const;

/** Plants of a place in planting order, each with its tag's code, flagging, grower and spot. */
export function PlantRows({ plants, selected, mayChange, onSelect }: PlantRowsProps) {
  const [most, setMost] = useState(AT_ONCE);
  const all = plants.length > 0 && plants.every(({ plantId }) => selected.has(plantId));
  const spotted = plants.some(({ standing }) => standing !== null && spotWords(standing.spot) !== '');
  const set = (ids: readonly string[], is: boolean): void => {
    const next = new Set(selected);
    for (const id of ids)
      if (is) next.add(id);
      else next.delete(id);
    onSelect(next);
  };
  return (
    <div className="overflow-x-auto" tabIndex={0} role="group" aria-label="Plants, scrolls sideways on narrow screens">
      <table className="bench-table">
        <thead>
          <tr>
            {mayChange && (
              <th className="w-10">
                <input
                  type="checkbox"
                  className="size-5"
                  aria-label="All of these plants"
                  checked={all}
                  onChange={(event) =>
                    set(
                      plants.map(({ plantId }) => plantId),
                      event.target.checked,
                    )
                  }
                />
              </th>
            )}
            <th>Tag</th>
            {spotted && <th>Spot</th>}
            <th>Variety</th>
            <th>Flagging</th>
            <th>Grower</th>
            <th>Since</th>
          </tr>
        </thead>
        <tbody>
          {plants.slice(0, most).map((plant) => (
            <tr key={plant.plantId} className={selected.has(plant.plantId) ? 'bg-mist' : ''}>
              {mayChange && (
                <td>
                  <input
                    type="checkbox"
                    className="size-5"
                    aria-label={`Choose ${formatCode(plant.code)}`}
                    checked={selected.has(plant.plantId)}
                    onChange={(event) => set([plant.plantId], event.target.checked)}
                  />
                </td>
              )}
              <td className="font-bold whitespace-nowrap">
                <Link href={`/plants/${plant.code}`}>{formatCode(plant.code)}</Link>
                {plant.dead && <span className="ml-2 border border-ink px-1 text-sm">dead</span>}
              </td>
              {spotted && <td className="whitespace-nowrap">{plant.standing ? spotWords(plant.standing.spot) : ''}</td>}
              <td>
                <Variety plant={plant} />
              </td>
              <td>
                <RibbonStrip id={plant.ribbon} />
              </td>
              <td>{plant.grower}</td>
              <td className="whitespace-nowrap">{plant.standing ? formatDate(plant.standing.since) : ''}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {plants.length > most && (
        <button type="button" className="bench-button mt-2" onClick={() => setMost(most + AT_ONCE)}>
          Show more: {plants.length - most} are not shown
        </button>
      )}
    </div>
  );
}

/** What it is, how it was made, and what is not sure of it. */
function Variety({ plant: { variety, species, made, doubt } }: { plant: PlacedPlant }) {
  return (
    <>
      {variety} <span className="text-muted">({species})</span>
      <span className="block text-sm text-muted">{made}</span>
      {doubt !== '' && <span className="block text-sm font-bold">{DOUBTS[doubt]}</span>}
    </>
  );
}
