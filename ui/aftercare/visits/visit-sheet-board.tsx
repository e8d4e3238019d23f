'use client';

import { Check } from 'lucide-react';
import type { VisitRowLine, VisitSheet, VisitTaskLine } from '@/core/aftercare/visits/visit-sheet';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { useDeviceQueue } from '@/ui/kit/device/use-device-queue';
import { LastTap } from '../last-tap';
import { type Tapped, useMarks } from '../use-marks';
import { deviceToday } from '@/ui/kit/device/device-clock';

interface VisitSheetBoardProps {
  sheet: VisitSheet;
  me: { id: string; name: string };
  mayChange: boolean;
}

/** Plants of a visit in walking order, each task done with one tap. */
export function VisitSheetBoard({ sheet, me, mayChange }: VisitSheetBoardProps) {
  const queue = useDeviceQueue(me.id);
  const marks = useMarks(queue, me);
  const done = (line: Pick<VisitTaskLine, 'unionId' | 'task' | 'occurrence'>): boolean => marks.isMarked(line);
  return (
    <>
      <LastTap marks={marks} />
      {sheet.rows.length > 0 && (
        <section aria-labelledby="rows" className="mb-6">
          <h2 id="rows">Along the row</h2>
          <ul className="divide-y divide-line border-y border-line">
            {sheet.rows.map((row) => (
              <AlongRow
                key={`${row.task} ${row.workshop}`}
                row={row}
                left={row.plants.filter(({ unionId, occurrence }) => !done({ unionId, occurrence, task: row.task }))}
                mayChange={mayChange}
                onMark={marks.mark}
              />
            ))}
          </ul>
        </section>
      )}
      {sheet.plants.length + sheet.rows.length === 0 && (
        <p className="board">Nothing is due on that day but water, labels and a look.</p>
      )}
      <ol className="divide-y divide-line border-y border-line">
        {sheet.plants.map(({ called, href, variety, stockType, tasks }) => (
          <li key={href + called} className="py-3">
            <PlantHead {...{ called, href, variety, stockType, tasks }} />
            <ul>
              {tasks.map((line) => (
                <li
                  key={`${line.unionId} ${line.task}`}
                  className={`mt-2 flex items-start gap-3 ${line.alarm ? 'border-l-8 border-loud pl-2' : ''} ${done(line) ? 'text-muted line-through' : ''}`}
                >
                  <div className="grow">
                    <p className={`font-bold ${line.alarm && !done(line) ? 'text-loud' : ''}`}>
                      {line.name}
                      {line.place === '' ? '' : ` (${line.place})`}
                    </p>
                    <p className="text-sm">
                      until {formatDate(line.to)}
                      {line.missed === '' ? '' : `; otherwise: ${line.missed}`}
                    </p>
                  </div>
                  {mayChange && !done(line) && (
                    <button
                      type="button"
                      className="bench-button"
                      data-weight="main"
                      aria-label={`Done: ${line.name}, ${called}`}
                      onClick={() =>
                        void marks.mark({
                          marks: [{ unionId: line.unionId, task: line.task, occurrence: line.occurrence }],
                          outcome: 'done',
                          on: deviceToday(),
                          reason: '',
                          words: `${line.name}, ${called}`,
                        })
                      }
                    >
                      <Check aria-hidden className="size-4" /> Done
                    </button>
                  )}
                </li>
              ))}
            </ul>
          </li>
        ))}
      </ol>
    </>
  );
}

interface AlongRowProps {
  row: VisitRowLine;
  /** Plants of it that were not marked yet on this device. */
  left: VisitRowLine['plants'];
  mayChange: boolean;
  onMark: (tapped: Tapped) => Promise<void>;
}

/** One look along a row: all of its plants are done with one tap. */
function AlongRow({ row: { task, name, missed, to, workshop }, left, mayChange, onMark }: AlongRowProps) {
  const over = left.length === 0;
  const words = `${name}, ${counted(left.length, 'plant')} of ${workshop}`;
  return (
    <li className={`flex items-start gap-3 py-2 ${over ? 'text-muted line-through' : ''}`}>
      <div className="grow">
        <p className="font-bold">{name}</p>
        <p className="text-sm">
          {counted(left.length, 'plant')} of {workshop}, until {formatDate(to)}
          {missed === '' ? '' : `; otherwise: ${missed}`}
        </p>
        <details className="text-sm">
          <summary>Which plants</summary>
          {left.map(({ called }) => called).join(', ')}
        </details>
      </div>
      {mayChange && !over && (
        <button
          type="button"
          className="bench-button"
          data-weight="main"
          aria-label={`Done: ${words}`}
          onClick={() =>
            void onMark({
              marks: left.map(({ unionId, occurrence }) => ({ unionId, task, occurrence })),
              outcome: 'done',
              on: deviceToday(),
              reason: '',
              words,
            })
          }
        >
          <Check aria-hidden className="size-4" /> Done
        </button>
      )}
    </li>
  );
}

type PlantHeadProps = Pick<VisitSheet['plants'][number], 'called' | 'href' | 'variety' | 'stockType' | 'tasks'>;

/** Which plant it is, and how its unions were made. */
function PlantHead({ called, href, variety, stockType, tasks }: PlantHeadProps) {
  return (
    <p className="flex flex-wrap items-baseline gap-x-3">
      <a href={href} className="text-xl font-bold tabular-nums">
        {called}
      </a>
      <span>
        {variety} on {stockType}
      </span>
      <span className="text-sm text-muted">{[...new Set(tasks.map(({ method }) => method))].join(', ')}</span>
    </p>
  );
}
