'use client';

import { useRouter } from 'next/navigation';
import { useState, type Dispatch, type SetStateAction } from 'react';
import { v7 as uuid } from 'uuid';
import { loadMethod } from '@/core/methods/load-method';
import { formatLengthNumber, type LengthUnit } from '@/core/units/length';
import { Problem } from '@/ui/kit/form/problem';
import { useAlive } from '@/ui/kit/form/use-alive';
import { useAddPhoto } from './use-add-photo';
import { BY_FIGURE, entryOf, type Judged } from '../bench/entry';
import { useDrafts } from '../bench/use-drafts';
import { PhotoMeasuring } from './photo-measuring';
import type { UnionPhoto } from './union-photo';

interface UnionPhotosProps {
  workshopId: string;
  unionId: string;
  called: string;
  mayChange: boolean;
  photos: UnionPhoto[];
  unit: LengthUnit;
  assessorId: string;
  /** What the bench keeps its draft under. */
  draftKey: string;
  /** Code of its tag, where it is a keeper's. */
  keeperCode: string | null;
  seatNumber: number;
  number: number;
  method: string;
  /** The judgement that counts, which measured figures would correct. */
  counts: Judged & { id: string };
  fields: { id: string; short: string; unit: 'mm' | 'degrees' }[];
}

/** Pictures of a union: taken or chosen, measured on, and their figures taken into a correction. */
export function UnionPhotos({
  workshopId,
  unionId,
  called,
  mayChange,
  photos,
  unit,
  assessorId,
  draftKey,
  keeperCode,
  seatNumber,
  number,
  method,
  counts,
  fields,
}: UnionPhotosProps) {
  const router = useRouter();
  const { setDraft } = useDrafts(`${workshopId} ${assessorId}`);
  const [shown, setShown] = useState<string | null>(null);
  const { add, run, busy, problem } = useAddPhoto(unionId, setShown);
  // A file that is chosen before the page listens would be lost without a word.
  const mayAdd = useAlive() && mayChange;
  const [taken, setTaken] = useState<Record<string, number>>({});
  const photo = photos.find(({ id }) => id === shown) ?? photos[0] ?? null;
  const correct = async (): Promise<void> => {
    const loaded = await loadMethod(method);
    const entry = entryOf(loaded, counts, unit, counts.id);
    for (const [id, value] of Object.entries(taken)) {
      const field = loaded.fields.find((field) => field.id === id)!;
      entry.texts[id] =
        field.unit === 'degrees' ? String(Math.round(value * 10) / 10) : formatLengthNumber(value, unit);
      if (field.picks) entry.picks[id] = BY_FIGURE;
    }
    setDraft(draftKey, { judgementId: uuid(), entry, past: [], method, correcting: number, second: null });
    router.push(`/workshops/${workshopId}/score?seat=${seatNumber}${keeperCode ? `&keeper=${keeperCode}` : ''}`);
  };
  return (
    <section aria-labelledby="photos-title" className="min-w-0">
      <PhotoHead called={called} mayAdd={mayAdd} busy={busy} add={add} />
      <Problem>{problem?.message}</Problem>
      {photos.length === 0 && (
        <p className="board">
          No picture yet. Lay a ruler or a coin beside the cut, hold the camera straight above it, and take one:
          lengths, angles and hollows can be measured on it. What a camera writes into the file, such as the place, is
          left out.
        </p>
      )}
      {photos.length > 1 && <PhotoStrip photos={photos} setShown={setShown} photo={photo} />}
      {photo && (
        <PhotoMeasuring
          key={`${photo.id} ${photo.version}`}
          photo={photo}
          mayChange={mayChange}
          unit={unit}
          fields={fields}
          busy={busy}
          onScale={(scale) => void run('PUT', `/api/photos/${photo.id}`, { scale, version: photo.version })}
          onRemove={() => void run('DELETE', `/api/photos/${photo.id}`)}
          onTake={(field, value) => setTaken({ ...taken, [field]: value })}
        />
      )}
      {Object.keys(taken).length > 0 && (
        <TakenFigures taken={taken} fields={fields} unit={unit} correct={correct} called={called} setTaken={setTaken} />
      )}
    </section>
  );
}

interface TakenFiguresProps {
  taken: Record<string, number>;
  fields: UnionPhotosProps['fields'];
  unit: UnionPhotosProps['unit'];
  correct: () => Promise<void>;
  called: UnionPhotosProps['called'];
  setTaken: Dispatch<SetStateAction<Record<string, number>>>;
}

/** What was measured on the picture, and to enter it. */
function TakenFigures({ taken, fields, unit, correct, called, setTaken }: TakenFiguresProps) {
  return (
    <div className="mt-3 flex flex-wrap items-center gap-3 border-l-4 border-ink bg-mist px-3 py-2">
      <p className="grow">
        Taken from the picture:{' '}
        {Object.entries(taken)
          .map(([id, value]) => {
            const field = fields.find((field) => field.id === id)!;
            return `${field.short} ${field.unit === 'degrees' ? `${value.toFixed(1)}°` : `${formatLengthNumber(value, unit)} ${unit}`}`;
          })
          .join(', ')}
        .
      </p>
      <button type="button" className="bench-button" data-weight="main" onClick={() => void correct()}>
        Correct {called} with them
      </button>
      <button type="button" className="bench-button" onClick={() => setTaken({})}>
        Leave them
      </button>
    </div>
  );
}

interface PhotoStripProps {
  photos: UnionPhotosProps['photos'];
  setShown: Dispatch<SetStateAction<string | null>>;
  photo: UnionPhoto | null;
}

/** The pictures there are. */
function PhotoStrip({ photos, setShown, photo }: PhotoStripProps) {
  return (
    <ul className="mb-2 flex gap-2 overflow-x-auto">
      {photos.map(({ id, width, height }, i) => (
        <li key={id}>
          <button
            type="button"
            onClick={() => setShown(id)}
            aria-pressed={id === photo?.id}
            className={`block cursor-pointer border-2 ${id === photo?.id ? 'border-ink' : 'border-line'}`}
            aria-label={`Picture ${i + 1}`}
          >
            <svg viewBox={`0 0 ${width} ${height}`} className="block h-16 w-auto">
              <image href={`/api/photos/${id}`} width={width} height={height} />
            </svg>
          </button>
        </li>
      ))}
    </ul>
  );
}

interface PhotoHeadProps {
  called: UnionPhotosProps['called'];
  mayAdd: boolean;
  busy: boolean;
  add: (file: File | undefined) => Promise<void>;
}

/** Takes or chooses a picture. */
function PhotoHead({ called, mayAdd, busy, add }: PhotoHeadProps) {
  return (
    <div className="mb-2 flex flex-wrap items-center gap-2">
      <h2 id="photos-title" className="grow">
        Pictures of {called}
      </h2>
      {mayAdd && (
        <label className="bench-button">
          Take a picture
          <input
            type="file"
            accept="image/*"
            capture="environment"
            className="sr-only"
            disabled={busy}
            onChange={(event) => {
              void add(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
        </label>
      )}
      {mayAdd && (
        <label className="bench-button">
          Choose a file
          <input
            type="file"
            accept="image/*"
            aria-label="Picture file"
            className="sr-only"
            disabled={busy}
            onChange={(event) => {
              void add(event.target.files?.[0]);
              event.target.value = '';
            }}
          />
        </label>
      )}
    </div>
  );
}
