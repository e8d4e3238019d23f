'use client';

import { ScanLine } from 'lucide-react';
import { useState } from 'react';
import { formatCode, isPlantCode, normaliseCode } from '@/core/codes/plant-code';
import { InputError } from '@/core/contact/input-error';
import type { Place } from '@/core/aftercare/places/place';
import type { PlacedPlant } from '@/core/aftercare/places/place-view';
import { standingAlong } from '@/core/aftercare/places/standing-stretch';
import { parseStretch } from '@/core/aftercare/places/stretch';
import { ScanTag } from '@/ui/kit/device/scan-tag';
import { Field } from '@/ui/kit/form/field';
import type { Moves } from './use-moves';

interface ChoosePlantsProps {
  moves: Moves;
  /** Plants that can be chosen, wherever they stand. */
  plants: readonly PlacedPlant[];
  /** The bed whose stretches are meant; null where there is none. */
  bed: Pick<Place, 'id' | 'name' | 'rows'> | null;
}

/** Chooses plants by their tags, scanned or typed, or by a stretch of the bed. */
export function ChoosePlants({ moves, plants, bed }: ChoosePlantsProps) {
  const [scanning, setScanning] = useState(false);
  const add = (ids: readonly string[]): void => moves.setSelected(new Set([...moves.selected, ...ids]));
  const byCode = (code: string): void => {
    setScanning(false);
    const plant = plants.find((known) => known.code === code);
    if (plant) add([plant.plantId]);
    else
      moves.setProblem({
        message: `No plant here carries the tag ${formatCode(code)}. It may be of another site or club, or voided.`,
        fields: {},
      });
  };
  return (
    <div className="flex flex-col gap-3">
      {scanning && <ScanTag onCode={byCode} onClose={() => setScanning(false)} />}
      <div className="flex items-end gap-2">
        <CodeField onCode={byCode} />
        <button type="button" className="bench-button" onClick={() => setScanning(true)}>
          <ScanLine aria-hidden className="size-5" /> Scan
        </button>
      </div>
      {bed?.rows && <StretchField bed={{ ...bed, rows: bed.rows }} plants={plants} moves={moves} onPlants={add} />}
    </div>
  );
}

/** Chooses a plant as soon as the six characters of its tag are there. */
function CodeField({ onCode }: { onCode: (code: string) => void }) {
  const [typed, setTyped] = useState('');
  return (
    <Field label="Code of a tag">
      <input
        autoComplete="off"
        maxLength={8}
        className="uppercase"
        value={typed}
        onChange={(event) => {
          const code = normaliseCode(event.target.value);
          if (!isPlantCode(code)) return setTyped(event.target.value);
          setTyped('');
          onCode(code);
        }}
      />
    </Field>
  );
}

interface StretchFieldProps {
  bed: Pick<Place, 'id' | 'name'> & { rows: NonNullable<Place['rows']> };
  plants: readonly PlacedPlant[];
  moves: Moves;
  onPlants: (ids: readonly string[]) => void;
}

/** Chooses those that stand along a stretch; where it has gaps, it is asked whether those that are there are meant. */
function StretchField({ bed, plants, moves, onPlants }: StretchFieldProps) {
  const [stretch, setStretch] = useState('');
  const [gap, setGap] = useState<string | null>(null);
  const standing = plants.flatMap(({ plantId, standing: at }) =>
    at?.placeId === bed.id ? [{ plantId, spot: at.spot }] : [],
  );
  const choose = (gapsToo: boolean): void => {
    setGap(null);
    try {
      onPlants(standingAlong(parseStretch(stretch), bed, standing, gapsToo).map(({ plantId }) => plantId));
      setStretch('');
      moves.setProblem(null);
    } catch (error) {
      if (error instanceof InputError && error.field === 'gap') setGap(error.message);
      else moves.refused(error);
    }
  };
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        choose(false);
      }}
    >
      <div className="flex items-end gap-2">
        <Field label={`Plants of ${bed.name}`} hint="As “row 3, 4 to 12”">
          <input value={stretch} onChange={(event) => setStretch(event.target.value)} />
        </Field>
        <button type="submit" className="bench-button mb-6">
          Choose
        </button>
      </div>
      {gap && (
        <div role="alert" className="border-l-4 border-ink bg-mist p-2">
          <p>{gap}</p>
          <button type="button" className="bench-button mt-2" onClick={() => choose(true)}>
            Choose those that stand there
          </button>
        </div>
      )}
    </form>
  );
}
