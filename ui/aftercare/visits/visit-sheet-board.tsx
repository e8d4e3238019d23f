'use client';

import { Check } from 'lucide-react';
import type { VisitSheet, VisitTaskLine } from '@/core/aftercare/visits/visit-sheet';
import { formatDate } from '@/core/units/iso-date';
import { useDeviceQueue } from '@/ui/kit/device/use-device-queue';
import { LastTap } from '../last-tap';
import { useMarks } from '../use-marks';
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
  const done = (line: VisitTaskLine): boolean => marks.isMarked(line);
  return (
    <>
      <LastTap marks={marks} />
      {sheet.plants.length === 0 && <p className="board">Nothing is due on that day but water, labels and a look.</p>}
      <ol className="divide-y divide-line border-y border-line">
        {sheet.plants.map(({ called, href, variety, stockType, tasks }) => (
          <li key={href + called} className="py-3">
            <p className="flex flex-wrap items-baseline gap-x-3">
              <a href={href} className="text-xl font-bold tabular-nums">
                {called}
              </a>
              <span>
                {variety} on {stockType}
              </span>
            </p>
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
