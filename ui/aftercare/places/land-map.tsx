'use client';

import { Maximize, Minus, Plus } from 'lucide-react';
import { useId } from 'react';
import { spotWords, inRow } from '@/core/aftercare/places/place';
import { counted } from '@/core/units/counted';
import { type LandMapProps, useLandMap } from './use-land-map';

/**
 * The land from above, to scale: plants are chosen by a tap and moved by mouse, touch or keys. What it shows stands in the
 * lists beside it too.
 */
export function LandMap(props: LandMapProps) {
  const { base, over, cursor, chosenPlace, plantAtCursor, handlers, zoom, fit } = useLandMap(props);
  const { scene, selected, mode, mayChange } = props;
  const id = useId();
  const bed = scene.beds.find(({ placeId }) => placeId === cursor?.placeId);
  const place = [...scene.beds, ...scene.trees].find(({ placeId }) => placeId === chosenPlace);
  const spoken =
    mode === 'places'
      ? (place?.name ?? 'No place is chosen.')
      : cursor && bed
        ? `${bed.name}, ${spotWords(inRow(cursor.spot))}: ${
            plantAtCursor
              ? `${plantAtCursor.code}, ${plantAtCursor.variety}${selected.has(plantAtCursor.plantId) ? ', chosen' : ''}${plantAtCursor.dead ? ', dead' : ''}`
              : 'free'
          }`
        : '';
  return (
    <figure>
      <div className="relative border-2 border-ink" style={{ height: props.height }}>
        <canvas ref={base} className="absolute inset-0 size-full" aria-hidden />
        <canvas
          ref={over}
          className="absolute inset-0 size-full touch-none"
          tabIndex={0}
          role="application"
          aria-label={`Map of ${counted(scene.beds.length, 'bed')}, ${counted(scene.trees.length, 'tree')} and ${counted(scene.plants.length, 'plant')}`}
          aria-describedby={`${id}-how`}
          {...handlers}
        />
      </div>
      <div className="float-right mt-1 ml-3 flex gap-1">
        <button type="button" className="bench-button px-2.5" aria-label="Nearer" onClick={() => zoom(1.4)}>
          <Plus aria-hidden className="size-4" />
        </button>
        <button type="button" className="bench-button px-2.5" aria-label="Farther" onClick={() => zoom(1 / 1.4)}>
          <Minus aria-hidden className="size-4" />
        </button>
        <button type="button" className="bench-button px-2.5" aria-label="All of it" onClick={fit}>
          <Maximize aria-hidden className="size-4" />
        </button>
      </div>
      <figcaption className="mt-1 flex flex-wrap gap-x-4 text-sm text-muted">
        <span role="status">{spoken}</span>
        <span id={`${id}-how`}>
          {!mayChange
            ? 'Arrows go from spot to spot.'
            : mode === 'places'
              ? 'Drag a bed or tree; with keys: page down chooses, arrows move it a step.'
              : 'Tap plants, then a free spot; or drag. With keys: arrows, space chooses, enter puts them there.'}
        </span>
      </figcaption>
    </figure>
  );
}
