'use client';

import { COLOURS } from '@/core/drawing/colours';
import Link from 'next/link';
import { usePathname } from 'next/navigation';
import { useEffect, useRef } from 'react';

interface SubPagesProps {
  /** For screen readers: "Pages of the plan". */
  label: string;
  base: string;
  /** What comes after the base, and its name; deeper addresses belong to the page they begin with. */
  pages: readonly (readonly [slug: string, name: string])[];
  /** What is chosen and stays so from page to page, as it stands in the address. */
  query?: string;
}

/** The pages of one part of a workshop, as notches on a stick. */
export function SubPages({ label, base, pages, query = '' }: SubPagesProps) {
  const path = usePathname();
  const bar = useRef<HTMLElement>(null);
  // The longest that fits is the one in hand.
  const open =
    pages.filter(([slug]) => path === base + slug || (slug !== '' && path.startsWith(`${base + slug}/`))).at(-1)?.[0] ??
    '';
  // On a narrow screen the page in hand may lie beyond the edge.
  useEffect(() => {
    const here = bar.current!.querySelector<HTMLElement>('[aria-current]');
    if (here) bar.current!.scrollLeft = here.offsetLeft - 40;
  }, [path]);
  return (
    <nav ref={bar} aria-label={label} className="relative mb-4 overflow-x-auto border-b-4 border-bark">
      <ul className="flex min-w-max">
        {pages.map(([slug, name]) => {
          const here = slug === open;
          return (
            <li key={slug} className="relative">
              <Link
                href={base + slug + (query && `?${query}`)}
                aria-current={here ? 'page' : undefined}
                className={`flex min-h-11 items-center px-3 whitespace-nowrap ${here ? 'font-bold no-underline' : ''}`}
              >
                {name}
                {here && (
                  <svg aria-hidden viewBox="0 0 20 8" className="absolute bottom-0 left-1/2 h-2 w-5 -translate-x-1/2">
                    <path d="M0 8L10 0L20 8Z" fill={COLOURS.paper} />
                  </svg>
                )}
              </Link>
            </li>
          );
        })}
      </ul>
    </nav>
  );
}
