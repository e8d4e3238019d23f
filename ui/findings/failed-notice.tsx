import Link from 'next/link';
import type { LotWarning } from '@/core/plan/wood/lot-warnings';

/** What failed before and is about to be used again; nothing where nothing did. */
export function FailedNotice({ notices }: { notices: readonly LotWarning[] }) {
  if (notices.length === 0) return null;
  return (
    <section aria-label="What failed before" className="border-l-8 border-loud bg-sheet px-4 py-2">
      <ul>
        {notices.map(({ says, remedy }) => (
          <li key={says}>
            <strong>{says}</strong> {remedy}
          </li>
        ))}
      </ul>
      <p className="text-sm">
        <Link href="/findings/causes">Why unions died, over the years</Link>
      </p>
    </section>
  );
}
