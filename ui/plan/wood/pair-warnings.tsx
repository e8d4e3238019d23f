import Link from 'next/link';
import type { PairWarning } from '@/core/plan/wood/pair-warnings';

/** What there is to mind of the pairs of a day. It stops nothing. */
export function PairWarnings({ warnings }: { warnings: PairWarning[] }) {
  if (warnings.length === 0) return null;
  return (
    <section aria-labelledby="pair-warnings-title" className="border-l-4 border-ink pl-3">
      <h2 id="pair-warnings-title">Do these take on each other?</h2>
      <ul>
        {warnings.map(({ id, says, remedy }) => (
          <li key={id} className="py-1">
            <strong>{says}</strong> {remedy}
          </li>
        ))}
      </ul>
      <p className="text-sm">
        <Link href="/methods/pairs">The table of pairs</Link> says who holds so; your club’s own rows go first.
      </p>
    </section>
  );
}
