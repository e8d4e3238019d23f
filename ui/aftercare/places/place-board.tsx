'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';
import type { PlaceMove, PlacedPlant, PlaceView, TreeLimb } from '@/core/aftercare/places/place-view';
import { counted } from '@/core/units/counted';
import type { LengthUnit } from '@/core/units/length';
import { HeldGlyphs } from './held-glyphs';
import { LandMap } from './land-map';
import { MoveHistory } from './move-history';
import { type Choice, MovePanel } from './move-panel';
import { PlantRows } from './plant-rows';
import { sceneOf } from './scene-of';
import { TreeMap } from './tree-map';
import { useMoves } from './use-moves';

interface PlaceBoardProps {
  place: PlaceView;
  /** Plants that stand here, in planting order. */
  plants: readonly PlacedPlant[];
  /** Plants of the site that stand nowhere yet. */
  nowhere: readonly PlacedPlant[];
  places: readonly Choice[];
  limbs: readonly TreeLimb[];
  moves: readonly PlaceMove[];
  unit: LengthUnit;
  mayChange: boolean;
  me: { id: string; name: string };
}

/** One place: its map, what stands in it, and how plants come and go. */
export function PlaceBoard({ place, plants, nowhere, places, limbs, moves, unit, mayChange, me }: PlaceBoardProps) {
  const all = useMemo(() => [...plants, ...nowhere], [plants, nowhere]);
  const moving = useMoves(all);
  const { selected, setSelected } = moving;
  const [area, setArea] = useState(false);
  const scene = useMemo(() => sceneOf([{ ...place, held: plants.length }], plants, { alone: true }), [place, plants]);
  const choice = places.find(({ id }) => id === place.id) ?? null;
  const inThis = mayChange && !place.putAway;
  return (
    <div className="grid gap-x-8 gap-y-6 lg:grid-cols-[1fr_21rem]">
      <div className="min-w-0">
        {place.kind === 'bed' &&
          (scene.beds.length > 0 ? (
            <>
              <LandMap
                scene={scene}
                selected={selected}
                mayChange={inThis}
                feet={unit === 'in'}
                height={340}
                mode={area ? 'area' : 'plants'}
                onSelect={setSelected}
                onDrop={({ spot }, ids) => void moving.dropOn(ids, place, spot)}
                onMovePlace={() => undefined}
              />
              {inThis && (
                <label className="flex min-h-11 items-center gap-2">
                  <input
                    type="checkbox"
                    className="size-5"
                    checked={area}
                    onChange={(event) => setArea(event.target.checked)}
                  />
                  Dragging chooses an area
                </label>
              )}
            </>
          ) : (
            <p className="board mb-3">
              Nobody noted how far apart plants and rows stand, so no map of {place.name} can be drawn. Enter both under
              “Change”; until then plants are moved by typed stretches and in the list.
            </p>
          ))}
        {place.kind === 'tree' && <TreeMap limbs={limbs} plants={plants} unit={unit} mayChange={inThis} me={me} />}
        {place.kind !== 'bed' && place.kind !== 'tree' && (
          <div className="mb-3">
            <HeldGlyphs plants={plants} capacity={place.capacity} />
          </div>
        )}
        <h2 className="mt-4 mb-1">{heldWords(plants.length, place.capacity, limbs.length > 0)}</h2>
        {plants.length > 0 && (
          <PlantRows plants={plants} selected={selected} mayChange={inThis} onSelect={setSelected} />
        )}
        {nowhere.length > 0 && inThis && (
          <details className="mt-3" open={plants.length === 0}>
            <summary className="min-h-11 cursor-pointer py-2 font-bold">
              {counted(nowhere.length, 'plant')} of this site {nowhere.length === 1 ? 'stands' : 'stand'} nowhere yet
            </summary>
            <PlantRows plants={nowhere} selected={selected} mayChange onSelect={setSelected} />
          </details>
        )}
        <details className="mt-3">
          <summary className="min-h-11 cursor-pointer py-2 font-bold">What came and went ({moves.length})</summary>
          <MoveHistory moves={moves} />
        </details>
      </div>
      {inThis && (
        <div className="flex flex-col gap-4">
          <MovePanel moves={moving} plants={all} places={places} bed={choice} />
          <Link className="bench-button" href={`/places/${place.id}/lost-tag`}>
            A plant without its tag
          </Link>
        </div>
      )}
    </div>
  );
}

function heldWords(plants: number, capacity: number, hasLimbs: boolean): string {
  if (plants > 0) return `${counted(plants, 'plant')} of ${capacity}`;
  return hasLimbs ? 'No plant with a tag hangs on it' : 'Nothing stands here';
}
