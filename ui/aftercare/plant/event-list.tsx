'use client';

import { Undo2 } from 'lucide-react';
import { useState } from 'react';
import type { LifeEvent } from '@/core/aftercare/life/plant-life';
import { formatDate } from '@/core/units/iso-date';
import { deviceItem } from '../device-item';
import type { AtPlant } from './at-plant';

const KINDS: Record<LifeEvent['kind'], string> = {
  made: 'made',
  done: 'done',
  missed: 'missed',
  skipped: 'left',
  answer: 'answer',
  growth: 'growth',
  seen: 'seen',
  due: 'due',
  moved: 'moved',
  latest: 'last day',
};

/** All that stands on the line, as a list; what was entered can be taken back. */
export function EventList({ events, at: { me, mayChange, queue } }: { events: readonly LifeEvent[]; at: AtPlant }) {
  const [gone, setGone] = useState<ReadonlySet<string>>(new Set());
  const takeBack = async (event: LifeEvent): Promise<void> => {
    const id = (event.actionId ?? event.observationId)!;
    await queue.keep({
      ...deviceItem(me, id, event.words),
      kind: event.actionId ? 'marks-back' : 'seen-back',
      body: {},
    });
    setGone(new Set([...gone, event.id]));
  };
  return (
    <details className="mt-2">
      <summary className="min-h-11 cursor-pointer py-2 font-bold">All of it as a list ({events.length})</summary>
      <ol className="divide-y divide-line border-y border-line">
        {events
          .filter(({ id }) => !gone.has(id))
          .map((event) => (
            <li key={event.id} className="grid items-center gap-x-4 py-1.5 sm:grid-cols-[7rem_5rem_1fr_auto]">
              <span className="text-muted tabular-nums">{formatDate(event.on)}</span>
              <span className="text-sm">{KINDS[event.kind]}</span>
              <span>
                {event.words}
                {event.to && event.to !== event.on ? (
                  <span className="text-muted"> until {formatDate(event.to)}</span>
                ) : (
                  ''
                )}
                {event.by ? <span className="text-muted"> ({event.by})</span> : ''}
              </span>
              {mayChange && (event.actionId ?? event.observationId) !== undefined && (
                <button
                  type="button"
                  className="bench-button"
                  aria-label={`Take back: ${event.words}`}
                  onClick={() => void takeBack(event)}
                >
                  <Undo2 aria-hidden className="size-4" /> Take back
                </button>
              )}
            </li>
          ))}
      </ol>
    </details>
  );
}
