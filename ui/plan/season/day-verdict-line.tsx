'use client';

import { capital } from '@/core/units/capital';
import type { VerdictOnDay } from '@/core/plan/dates/season-finder';
import Link from 'next/link';
import { useAsked } from '@/ui/kit/form/use-asked';

interface DayVerdictLineProps {
  /** What the form of a workshop holds so far. */
  entered: Record<string, unknown>;
  /** What stands in the form before anything is chosen. */
  siteId: string | undefined;
  method: string | undefined;
}

/** What a verdict is asked with. */
const NEEDED = ['siteId', 'date', 'method', 'scionSpecies', 'stockSpecies'] as const;

const HEADINGS = { open: 'In season.', edge: 'Possible, with a risk.', shut: 'Not in season.' };

/** Whether what is being planned can be done on its day, by the year of its site; nothing until enough is entered. */
export function DayVerdictLine({ entered, siteId, method }: DayVerdictLineProps) {
  const stands: Record<string, unknown> = { siteId, method };
  const asked = Object.fromEntries(NEEDED.map((name) => [name, String(entered[name] ?? stands[name] ?? '')]));
  const whole = Object.values(asked).every((value) => value.trim() !== '');
  const query = new URLSearchParams(asked).toString();
  const verdict = useAsked<VerdictOnDay>(whole ? `/api/day-verdict?${query}` : null);
  if (verdict === null) return null;
  const { chance, why, place } = verdict;
  return (
    <p role="status" className={`border-l-4 pl-3 ${chance === 'open' ? 'border-life' : 'border-ink'}`}>
      <strong>{HEADINGS[chance]}</strong> {why}{' '}
      <span className="text-muted">
        {capital(place)}. <Link href={`/sites/${asked.siteId}`}>The year of this site</Link>
      </span>
    </p>
  );
}
