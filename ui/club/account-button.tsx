'use client';

import { ChevronDown } from 'lucide-react';
import type { ComponentProps } from 'react';

/** The name of who is signed in, which opens what belongs to them. */
export function AccountButton({ name, ...button }: ComponentProps<'button'> & { name: string }) {
  return (
    <button
      type="button"
      className="inline-flex min-h-11 cursor-pointer items-center gap-1.5 px-2 font-bold whitespace-nowrap"
      {...button}
    >
      {name}
      <ChevronDown aria-hidden className="size-4" />
    </button>
  );
}
