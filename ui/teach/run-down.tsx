'use client';

import { useEffect, useState } from 'react';

/** What is left of a run-down: minutes and seconds, and a bar that grows shorter. */
export function RunDown({ endsAt, seconds }: { endsAt: number; seconds: number }) {
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    const tick = setInterval(() => setNow(Date.now()), 250);
    return () => clearInterval(tick);
  }, []);
  const left = Math.max(0, Math.ceil((endsAt - now) / 1000));
  const share = Math.min(1, Math.max(0, (endsAt - now) / 1000 / seconds));
  const over = left === 0;
  return (
    <div role="timer" aria-label={over ? 'Time is up' : `${left} seconds left`} className="w-full">
      <p className="flex items-baseline justify-between gap-4 font-bold">
        <span>{over ? 'Knives down' : 'Everyone cuts now'}</span>
        <span className="text-[1.8em] leading-none tabular-nums">
          {Math.floor(left / 60)}:{String(left % 60).padStart(2, '0')}
        </span>
      </p>
      <div className="mt-2 h-4 border-2 border-current">
        <div className="h-full bg-current" style={{ width: `${share * 100}%` }} />
      </div>
    </div>
  );
}
