'use client';

import { useSearchParams } from 'next/navigation';
import { SubPages } from '@/ui/kit/sub-pages';

const PAGES = [
  ['', 'Take'],
  ['/differs', 'What differs'],
  ['/score', 'What scores foretell'],
  ['/when', 'When they die'],
  ['/causes', 'Why they died'],
  ['/teach', 'What to teach next'],
] as const;

/** The pages of a workshop's findings, or without one of the club's over the years; what is chosen stays chosen. */
export function FindingsPages({ workshopId }: { workshopId: string | null }) {
  const query = useSearchParams().toString();
  return (
    <SubPages
      label="Pages of findings"
      base={workshopId ? `/workshops/${workshopId}/findings` : '/findings'}
      pages={workshopId ? PAGES : [...PAGES, ['/care', 'How they were cared for'], ['/report', 'Report']]}
      query={query}
    />
  );
}
