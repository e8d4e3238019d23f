'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';

const PAGES = [
  ['plan', 'Plan'],
  ['teach', 'Teach'],
  ['score', 'Score'],
  ['aftercare', 'Aftercare'],
  ['follow-up', 'Follow-up'],
  ['findings', 'Findings'],
] as const;

/** The parts of a workshop, in the order of the work. */
export function WorkshopPages({ workshopId }: { workshopId: string }) {
  const path = usePathname();
  return (
    <nav aria-label="Leaves of the workshop">
      <ul className="flex flex-wrap gap-1">
        {PAGES.map(([slug, name]) => {
          const href = `/workshops/${workshopId}/${slug}`;
          const here = path.startsWith(href);
          return (
            <li key={slug}>
              <Link
                href={href}
                aria-current={here ? 'page' : undefined}
                className={`flex min-h-11 items-center border-2 px-4 font-bold no-underline ${here ? 'border-ink bg-ink text-paper' : 'border-line bg-sheet'}`}
                style={{ borderRadius: '0 18px 0 18px' }}
              >
                {name}
              </Link>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
