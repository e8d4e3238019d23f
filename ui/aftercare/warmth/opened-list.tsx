'use client';

import { Undo2 } from 'lucide-react';
import type { CallusView, OpenedGraft } from '@/core/aftercare/warmth/callus-view';
import type { PlaceView } from '@/core/aftercare/places/place-view';
import { formatDate } from '@/core/units/iso-date';
import { Problem } from '@/ui/kit/form/problem';
import { useSend } from '@/ui/kit/form/use-send';
import { OpenedForm } from './opened-form';

interface OpenedListProps {
  place: PlaceView;
  view: CallusView;
  mayChange: boolean;
  mayDecide: boolean;
}

/** Grafts that were opened to look: what was seen beside what was reckoned; ten against it propose another figure. */
export function OpenedList({ place, view, mayChange, mayDecide }: OpenedListProps) {
  const { run, busy, problem } = useSend();
  const { opened, proposed, callused } = view;
  return (
    <section aria-labelledby="opened">
      <h2 id="opened" className="mb-1">
        Opened to look
      </h2>
      <Problem>{problem?.message}</Problem>
      {proposed && (
        <div className="mb-3 border-2 border-ink bg-sheet p-3">
          <p className="font-bold">
            {proposed.pairs} opened grafts were callused {proposed.why} than the {callused} days that are gone by.
          </p>
          <p>
            Proposed for this site: {proposed.days} days of warmth. It becomes a figure of the site, with these as its
            source.
          </p>
          {mayDecide && (
            <button
              type="button"
              className="bench-button mt-2"
              data-weight="main"
              disabled={busy}
              onClick={() => void run('PUT', `/api/sites/${place.siteId}/callusing`)}
            >
              Go by {proposed.days} days
            </button>
          )}
        </div>
      )}
      {mayChange && <OpenedForm place={place} view={view} />}
      {opened.length > 0 && (
        <ul className="mt-3 divide-y divide-line border-y border-line">
          {opened.map((graft) => (
            <OpenedRow
              key={graft.id}
              graft={graft}
              callused={callused}
              onTakeBack={mayChange ? () => void run('DELETE', `/api/places/${place.id}/opened/${graft.id}`) : null}
            />
          ))}
        </ul>
      )}
    </section>
  );
}

interface OpenedRowProps {
  graft: OpenedGraft;
  callused: number;
  onTakeBack: (() => void) | null;
}

function OpenedRow({ graft, callused, onTakeBack }: OpenedRowProps) {
  const agrees = graft.callused === graft.knitDays >= callused;
  return (
    <li className="flex flex-wrap items-center gap-x-4 gap-y-1 py-1.5">
      <span className="w-28 text-muted tabular-nums">{formatDate(graft.on)}</span>
      <span className="grow basis-60">
        {graft.code ?? `one of ${graft.kin} kin`}:{' '}
        <strong>{graft.callused ? 'callused all round' : 'not callused all round'}</strong> at {graft.knitDays} knit
        days{agrees ? '' : ', other than reckoned'}
        {graft.note === '' ? '' : `; ${graft.note}`}
      </span>
      {onTakeBack && (
        <button
          type="button"
          className="bench-button"
          aria-label={`Take back the look of ${formatDate(graft.on)}`}
          onClick={onTakeBack}
        >
          <Undo2 aria-hidden className="size-4" />
        </button>
      )}
    </li>
  );
}
