'use client';

import { Undo2 } from 'lucide-react';
import { useEffect, useState } from 'react';

interface UnionCountersProps {
  strokes: number | null;
  /** Strokes that are good by the method; null where it does not limit them, and none are counted. */
  limit: number | null;
  onStroke: () => void;
  /** Cuts of this seat and method that spoiled their wood. */
  spoiled: { count: number; add: () => Promise<void>; takeBack: () => Promise<void> };
}

/** How long this union has been looked at, and a counter of strokes wide enough to be pressed without looking. */
export function UnionCounters({ strokes, limit, onStroke, spoiled }: UnionCountersProps) {
  const [seconds, setSeconds] = useState(0);
  useEffect(() => {
    const began = Date.now();
    const tick = setInterval(() => setSeconds(Math.floor((Date.now() - began) / 1000)), 1000);
    return () => clearInterval(tick);
  }, []);
  return (
    <div className="grid grid-cols-[1fr_auto_auto] items-stretch justify-end gap-2">
      {limit === null ? (
        <span />
      ) : (
        <button
          type="button"
          className="bench-button min-h-14 min-w-0 border-dashed px-2 text-base lg:min-h-11"
          onClick={onStroke}
          aria-label={`Count a stroke, ${strokes ?? 0} so far, ${limit} are good. Key +`}
        >
          Stroke <span className="text-2xl leading-none lg:text-xl">{strokes ?? 0}</span>
          <span className="text-sm font-normal whitespace-nowrap">of {limit}</span>{' '}
          <kbd className="text-xs font-normal max-lg:hidden">+</kbd>
        </button>
      )}
      <span className="flex gap-1">
        <button
          type="button"
          className="bench-button min-h-14 px-2 lg:min-h-11"
          aria-label={`Spoiled: this cut is thrown away, ${spoiled.count} so far`}
          onClick={() => void spoiled.add()}
        >
          Spoiled <span className="text-xl leading-none">{spoiled.count}</span>
        </button>
        {spoiled.count > 0 && (
          <button
            type="button"
            className="bench-button min-h-14 px-2 lg:min-h-11"
            aria-label="Take the last spoiled cut back"
            onClick={() => void spoiled.takeBack()}
          >
            <Undo2 aria-hidden className="size-4" />
          </button>
        )}
      </span>
      <p
        role="timer"
        aria-label="Time on this union"
        className="grid min-w-16 place-content-center border border-line text-xl font-bold tabular-nums"
      >
        {Math.floor(seconds / 60)}:{String(seconds % 60).padStart(2, '0')}
      </p>
    </div>
  );
}
