'use client';

import Link from 'next/link';
import { useMemo, useState } from 'react';

import { canDraw, landOf } from '@/core/aftercare/places/bed-layout';
import { type OnLand, PLACE_WORDS } from '@/core/aftercare/places/place';
import type { PlacedPlant, SiteOfPlaces } from '@/core/aftercare/places/place-view';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import type { LengthUnit } from '@/core/units/length';
import { type PackedRows, unpackRows } from '@/core/units/packed-rows';
import { useSend } from '@/ui/kit/form/use-send';
import { HeldGlyphs } from './held-glyphs';
import { LandMap } from './land-map';
import type { MapMode } from './land-drag';
import { type Choice, MovePanel } from './move-panel';
import { PlaceForm } from './place-form';
import { PlantRows } from './plant-rows';
import { sceneOf } from './scene-of';
import { useMoves } from './use-moves';

interface SiteBoardProps {
  site: Omit<SiteOfPlaces, 'plants'> & { plants: PackedRows<PlacedPlant> };
  places: readonly Choice[];
  programmes: readonly { id: string; tree: string }[];
  unit: LengthUnit;
  mayChange: boolean;
}

/** One site: its land from above with beds and trees, every place with what it holds, and how plants are moved. */
export function SiteBoard({ site: packed, places, programmes, unit, mayChange }: SiteBoardProps) {
  const site = useMemo((): SiteOfPlaces => ({ ...packed, plants: unpackRows(packed.plants) }), [packed]);
  const { siteId, plants } = site;
  const moving = useMoves(plants);
  const { selected, setSelected } = moving;
  const scene = useMemo(() => sceneOf(site.places, plants), [site.places, plants]);
  const [mode, setMode] = useState<MapMode>('plants');
  const movePlace = useMovePlace(site);
  const nowhere = plants.filter(({ standing }) => standing === null);
  const [listsNowhere, setListsNowhere] = useState(nowhere.length === plants.length && mayChange);
  const form = { siteId, programmes, unit, freeSpot: freeSpot(site) };
  return (
    <section aria-labelledby={`site-${siteId}`} className="mb-10">
      <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
        <h2 id={`site-${siteId}`}>
          {site.site}{' '}
          <span className="text-base font-normal text-muted">
            {counted(site.places.length, 'place')}, {counted(plants.length - nowhere.length, 'plant')} in them
          </span>
        </h2>
        {mayChange && <PlaceForm {...form} place={null} />}
      </div>
      <div className={`grid gap-x-8 gap-y-4 ${mayChange ? 'lg:grid-cols-[1fr_21rem]' : ''}`}>
        <div className="min-w-0">
          {scene.beds.length + scene.trees.length > 0 && (
            <>
              <LandMap
                scene={scene}
                selected={selected}
                mayChange={mayChange}
                feet={unit === 'in'}
                height={400}
                mode={mode}
                onSelect={setSelected}
                onDrop={({ placeId, spot }, ids) => {
                  const place = site.places.find(({ id }) => id === placeId);
                  if (place) void moving.dropOn(ids, place, spot);
                }}
                onMovePlace={(placeId, dx, dy) => void movePlace.move(placeId, dx, dy)}
              />
              {mayChange && <MapModes mode={mode} onMode={setMode} />}
              {movePlace.problem && <p role="alert">{movePlace.problem}</p>}
            </>
          )}
          <PlaceList site={site} />
          {nowhere.length > 0 && (
            <details
              className="mt-3"
              open={listsNowhere}
              onToggle={({ currentTarget }) => setListsNowhere(currentTarget.open)}
            >
              <summary className="min-h-11 cursor-pointer py-2 font-bold">
                {counted(nowhere.length, 'plant')} {nowhere.length === 1 ? 'stands' : 'stand'} nowhere yet
              </summary>
              {listsNowhere && (
                <PlantRows plants={nowhere} selected={selected} mayChange={mayChange} onSelect={setSelected} />
              )}
            </details>
          )}
        </div>
        {mayChange && plants.length > 0 && <MovePanel moves={moving} plants={plants} places={places} bed={null} />}
      </div>
    </section>
  );
}

function MapModes({ mode, onMode }: { mode: MapMode; onMode: (mode: MapMode) => void }) {
  const modes: [MapMode, string][] = [
    ['plants', 'Plants'],
    ['area', 'Plants of an area'],
    ['places', 'Beds and trees'],
  ];
  return (
    <fieldset className="mt-1 flex flex-wrap items-center gap-x-4">
      <legend className="float-left mr-3 font-bold">Dragging moves</legend>
      {modes.map(([id, words]) => (
        <label key={id} className="flex min-h-11 items-center gap-2">
          <input type="radio" className="size-5" checked={mode === id} onChange={() => onMode(id)} />
          {words}
        </label>
      ))}
    </fieldset>
  );
}

/** Places with what each holds, one line each. */
function PlaceList({ site: { places, plants } }: { site: SiteOfPlaces }) {
  if (places.length === 0)
    return (
      <p className="board">
        No place is set up here yet. Set up the beds, pails and boxes the plants stand in; then each has its spot and is
        found again when its tag falls off.
      </p>
    );
  return (
    <ul className="mt-3 divide-y divide-line border-y border-line">
      {places.map((place) => (
        <li key={place.id} className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
          <Link href={`/places/${place.id}`} className="w-52 font-bold">
            {place.name}
          </Link>
          <span className="w-28 text-muted">{PLACE_WORDS[place.kind]}</span>
          <span className="w-24 tabular-nums">
            {place.held} of {place.capacity}
          </span>
          <span className="grow basis-40">
            <HeldGlyphs
              plants={plants.filter(({ standing }) => standing?.placeId === place.id)}
              capacity={Math.min(place.capacity, 60)}
            />
          </span>
          {place.owner !== '' && (
            <span className="text-sm text-muted">
              land of {place.owner}
              {place.leaveUntil ? `, until ${formatDate(place.leaveUntil)}` : ''}
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}

/** Lays a bed or tree elsewhere on the land, on a grid of 100 mm, and keeps it. */
function useMovePlace({ places }: SiteOfPlaces) {
  const { run, problem } = useSend();
  const move = async (placeId: string, dx: number, dy: number): Promise<void> => {
    const place = places.find(({ id }) => id === placeId);
    if (!place?.onLand) return;
    const snapped = (value: number): number => Math.max(0, Math.round(value / 100) * 100);
    const onLand: OnLand = { ...place.onLand, x: snapped(place.onLand.x + dx), y: snapped(place.onLand.y + dy) };
    const { siteId, kind, name, capacity, rows, planId, version } = place;
    await run('PUT', `/api/places/${placeId}`, { siteId, kind, name, capacity, rows, planId, version, onLand });
  };
  return { move, problem: problem?.message ?? '' };
}

/** Room left between what is there and a new bed, mm. */
const PATH = 1500;

/** Where a new bed is laid: below all that is there. */
function freeSpot({ places }: SiteOfPlaces): OnLand {
  const below = places.map((place) => {
    if (canDraw(place)) {
      const land = landOf(place);
      return land.y + land.depth;
    }
    return place.onLand ? place.onLand.y + 2000 : 0;
  });
  return { x: 2000, y: below.length === 0 ? 2000 : Math.max(...below) + PATH, turned: false };
}
