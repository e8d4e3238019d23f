'use client';

import { Sprout } from 'lucide-react';
import { useState } from 'react';
import { v7 as uuid } from 'uuid';
import { formatCode } from '@/core/codes/plant-code';
import type { CallusBatch, CallusView } from '@/core/aftercare/warmth/callus-view';
import type { PlaceView } from '@/core/aftercare/places/place-view';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { deviceToday } from '@/ui/kit/device/device-clock';

interface BatchListProps {
  place: PlaceView;
  view: CallusView;
  mayChange: boolean;
}

/** Batches with how far each has knit, when it will be done, and what is proposed; nothing is moved by itself. */
export function BatchList({ place, view, mayChange }: BatchListProps) {
  return (
    <section aria-labelledby="batches">
      <h2 id="batches" className="mb-1">
        Batches
      </h2>
      <ul className="divide-y divide-line border-y border-line">
        {view.batches.map((batch) => (
          <Batch key={batch.key} batch={batch} place={place} callused={view.callused} mayChange={mayChange} />
        ))}
      </ul>
    </section>
  );
}

interface BatchProps {
  batch: CallusBatch;
  place: PlaceView;
  callused: number;
  mayChange: boolean;
}

function Batch({ batch, place, callused, mayChange }: BatchProps) {
  const { run, busy, problem } = useSend();
  const [actionId] = useState(() => uuid());
  const { variety, since, leftOn, plants, progress, leafed, done } = batch;
  const share = progress ? Math.min(1, progress.knit / callused) : 0;
  return (
    <li className="py-3">
      <p>
        <strong>
          {counted(plants.length, 'graft')} of {variety}
        </strong>{' '}
        <span className="text-muted">
          {leftOn ? `${formatDate(since)} to ${formatDate(leftOn)}` : `since ${formatDate(since)}`}
        </span>
      </p>
      {progress && (
        <div
          role="meter"
          aria-label={`Knit days of ${variety}`}
          aria-valuemin={0}
          aria-valuemax={callused}
          aria-valuenow={Math.round(progress.knit * 10) / 10}
          className="mt-1 h-4 max-w-xl border-2 border-ink bg-sheet"
        >
          <div className="h-full bg-life" style={{ width: `${share * 100}%` }} />
        </div>
      )}
      <p className={`mt-1 ${done && leftOn === null ? 'text-lg font-bold' : ''}`}>{doneWords(batch, callused)}</p>
      {progress && progress.heatHours + progress.frostHours >= 1 && (
        <p className="text-sm font-bold">
          {counted(Math.round(progress.heatHours), 'hour')} too hot and {Math.round(progress.frostHours)} of frost so
          far: no progress is made in them, and they are kept as evidence.
        </p>
      )}
      {progress && progress.unknownHours >= 1 && (
        <p className="text-sm text-muted">{Math.round(progress.unknownHours)} hours of it nobody measured.</p>
      )}
      {leafed ? (
        <LeafedWords leafed={leafed} />
      ) : (
        mayChange &&
        leftOn === null && (
          <button
            type="button"
            className="bench-button mt-2"
            disabled={busy}
            onClick={() =>
              void run('PUT', `/api/places/${place.id}/leafed/${actionId}`, {
                plantIds: plants.map(({ plantId }) => plantId),
                on: deviceToday(),
              })
            }
          >
            <Sprout aria-hidden className="size-4" /> It leafed out too far
          </button>
        )
      )}
      <Problem>{problem?.message}</Problem>
      {done && leftOn === null && (
        <p className="mt-2 border-l-4 border-life bg-sheet p-2">
          Proposed: open one, and if it is callused all round move the others to the cool until planting. Choose them in
          the list below; nothing moves by itself.{' '}
          <span className="text-muted">{plants.map(({ code }) => formatCode(code)).join(', ')}</span>
        </p>
      )}
    </li>
  );
}

function doneWords(batch: CallusBatch, callused: number): string {
  const { progress, done, doneOn, soonestOn, latestOn, lookOn, leftOn } = batch;
  if (leftOn !== null)
    return progress
      ? `${Math.round(progress.knit * 10) / 10} of ${callused} knit days when they left${done ? '' : ': fewer than are reckoned as callused'}.`
      : 'Nothing was measured while they were here.';
  if (!progress)
    return done ? `Look at one: due since ${formatDate(lookOn)}.` : `Look at one on ${formatDate(lookOn)}.`;
  const knit = `${Math.round(progress.knit * 10) / 10} of ${callused} knit days`;
  if (done) return `${knit}: reckoned as callused. Open one to see.`;
  if (!doneOn) return `${knit}. It stands still: out of the band in which it knits.`;
  const range =
    latestOn === null
      ? `; ${formatDate(soonestOn!)} at the earliest, and at its slowest of late it would stand still`
      : soonestOn === latestOn
        ? ''
        : ` (${formatDate(soonestOn!)} to ${formatDate(latestOn)})`;
  return `${knit}. At the pace of the last days it is done on ${formatDate(doneOn)}${range}.`;
}

/** What can be done with a batch that has leaves already. */
function LeafedWords({ leafed }: { leafed: NonNullable<CallusBatch['leafed']> }) {
  return (
    <div className="mt-2 border-l-4 border-ink bg-mist p-2">
      <p className="font-bold">Leafed out, seen on {formatDate(leafed.on)}</p>
      <p>
        Hold it back: cool, light and frost-free, moist; until {formatDate(leafed.until)} at the longest.{' '}
        {leafed.plantBy === null
          ? `Frost may come until ${formatDate(leafed.frostFree!)}, which is later: pot it up and keep it under cover until then.`
          : `Plant it ${leafed.frostFree ? `from ${formatDate(leafed.frostFree)} on, ` : ''}by ${formatDate(leafed.plantBy)}.`}
      </p>
      <p className="text-sm text-muted">How long it can be held back is a guess of the site’s figures.</p>
    </div>
  );
}
