'use client';

import Link from 'next/link';
import { EVERYTHING } from '@/core/findings/facts/findings-filter';
import { capital } from '@/core/units/capital';
import { useModel } from './use-model';

/** On the Teach page: what faults of this method cost so far, dearest first; nothing where nothing is known. */
export function TeachNext({ method, name }: { method: string; name: string }) {
  const { view } = useModel('costs', { ...EVERYTHING, method });
  if (view?.state !== 'done') return null;
  const { sentence, costs, known } = view.view;
  const dear = costs.filter((cost) => cost.dear).slice(0, 5);
  return (
    <section className="board mb-5" aria-labelledby="teach-next-title">
      <h2 id="teach-next-title">What {name.toLowerCase()} was lost by, so far</h2>
      <p className="max-w-prose">{sentence}</p>
      {dear.length > 0 && (
        <ol className="mt-2 grid gap-1">
          {dear.map(({ point, name: pointName, perHundred, had, taught }) => (
            <li key={point}>
              <strong>{capital(pointName)}</strong>: {perHundred.toFixed(1)} trees in a hundred, {had} had it.
              {taught && <span className="text-muted"> Practise: {taught.drill}</span>}
            </li>
          ))}
        </ol>
      )}
      <p className="mt-1 text-sm text-muted">
        From {known} keepers of all years.{' '}
        <Link href={`/findings/teach?method=${method}`}>All faults and how this was reckoned</Link>
      </p>
    </section>
  );
}
