'use client';

import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';

const PAGES = [
  ['', 'Day and people'], ['/season', 'Season'], ['/dates', 'Dates'], ['/quantities', 'Quantities'], ['/wood', 'Wood'], ['/pairs', 'Pairs'], ['/benches', 'Benches'], ['/ready', 'Ready check'],
] as const;

/** The pages of the plan, as notches on a stick. */
export function PlanPages({ workshopId }: { workshopId: string }) {
  const path = usePathname();
  const base = `/workshops/${workshopId}/plan`;
  const bar = useRef<HTMLElement>(null);
  // On a narrow screen the page in hand may lie beyond the edge.
  useEffect(() => {
    const here = bar.current!.querySelector<HTMLElement>('[aria-current]');
    if (here) bar.current!.scrollLeft = here.offsetLeft - 40;
  }, [path]);
  return (
    <nav ref={bar} aria-label="Pages of the plan" className="relative mb-4 overflow-x-auto border-b-4 border-bark">
      <ul className="flex min-w-max">
        {PAGES.map(([slug, name]) => {
          const href = base + slug;
          const here = slug === '' ? path === base || path === `${base}/roster` : path === href;
          return (
            <li key={slug} className="relative">
              <Link href={href} aria-current={here ? 'page' : undefined} className={`flex min-h-11 items-center px-3 whitespace-nowrap ${here ? 'font-bold no-underline' : ''}`}>
                {name}
                {here && <svg aria-hidden viewBox="0 0 20 8" className="absolute bottom-0 left-1/2 h-2 w-5 -translate-x-1/2"><path d="M0 8L10 0L20 8Z" fill="#f5f8f4" /></svg>}
              </Link>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
