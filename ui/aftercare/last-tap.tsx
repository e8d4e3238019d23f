'use client';

import { Check, Undo2 } from 'lucide-react';
import type { useMarks } from './use-marks';

/** What was marked last in this window, to be taken back with one tap; and why nothing was kept, where that is so. */
export function LastTap({ marks }: { marks: ReturnType<typeof useMarks> }) {
  const [last] = marks.taps;
  return (
    <>
      <p role="alert" className="font-bold text-loud empty:hidden">
        {marks.problem}
      </p>
      {last && (
        <p role="status" className="mb-3 flex flex-wrap items-center gap-3 border-l-4 border-ink bg-mist px-3 py-2">
          <Check aria-hidden className="size-5" />
          <span className="grow">
            Marked: <strong>{last.words}</strong>
          </span>
          <button type="button" className="bench-button" onClick={() => void marks.undo(last)}>
            <Undo2 aria-hidden className="size-4" /> Undo
          </button>
        </p>
      )}
    </>
  );
}
