import type { Metadata } from 'next';
import Link from 'next/link';
import { methodById } from '@/core/methods/registry';
import { formatDate } from '@/core/units/iso-date';
import { listSites } from '@/server/club/sites';
import { listWorkshops, workshopsPutAway } from '@/server/plan/workshops';
import { BringBack } from '@/ui/plan/season/put-away';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Season' };

export default async function SeasonPage({ searchParams }: { searchParams: Promise<{ shift?: string }> }) {
  const context = await pageContext();
  const asked = Number((await searchParams).shift ?? 0);
  const shift = Number.isInteger(asked) && Math.abs(asked) <= 240 ? asked : 0;
  const [workshops, sites, away] = [
    await listWorkshops(context),
    await listSites(context),
    await workshopsPutAway(context),
  ];
  const siteName = new Map(sites.map(({ id, name }) => [id, name]));
  return (
    <>
      <Season shiftMonths={shift} />
      <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
        <div className="mb-4 flex flex-wrap items-center justify-between gap-3">
          <h1>The season</h1>
          <div className="flex flex-wrap items-center gap-2">
            <Link href={`/season?shift=${shift - 6}`} className="bench-button">
              Half a year earlier
            </Link>
            {shift !== 0 && (
              <Link href="/season" className="bench-button">
                Around today
              </Link>
            )}
            <Link href={`/season?shift=${shift + 6}`} className="bench-button">
              Half a year later
            </Link>
            {context.actor.role !== 'viewer' && (
              <Link href="/workshops/new" className="bench-button" data-weight="main">
                Plan a workshop
              </Link>
            )}
          </div>
        </div>
        {workshops.length === 0 ? (
          <p className="board">
            No workshop is planned yet. Plan the first one: it needs a title, a date, a site and a method.
          </p>
        ) : (
          <ol className="divide-y divide-line border-y border-line">
            {[...workshops].reverse().map((workshop) => (
              <li key={workshop.id} className="grid gap-x-6 gap-y-1 py-3 sm:grid-cols-[9rem_1fr_14rem_12rem]">
                <span className="tabular-nums text-muted">{formatDate(workshop.date)}</span>
                <Link href={`/workshops/${workshop.id}/plan`} className="font-bold">
                  {workshop.title}
                </Link>
                <span>{methodById(workshop.method).name}</span>
                <span className="text-muted">{siteName.get(workshop.siteId)}</span>
              </li>
            ))}
          </ol>
        )}
        {away.length > 0 && (
          <details className="mt-4">
            <summary className="min-h-11 cursor-pointer py-2 font-bold">
              Put away: {away.length} {away.length === 1 ? 'workshop' : 'workshops'}
            </summary>
            <ul className="divide-y divide-line border-y border-line">
              {away.map(({ id, title, date }) => (
                <li key={id} className="flex flex-wrap items-center gap-3 py-2">
                  <span className="text-muted">{formatDate(date)}</span>
                  <Link href={`/workshops/${id}/plan`} className="grow font-bold">
                    {title}
                  </Link>
                  {context.actor.role !== 'viewer' && <BringBack workshopId={id} title={title} />}
                </li>
              ))}
            </ul>
          </details>
        )}
        <p className="mt-4 max-w-prose text-sm text-muted">
          On the line: hatching is when scion wood is cut, ten to four weeks before the workshop; dots are the days in
          the warm after it; rings are follow-up rounds. The leaves follow the calendar of a temperate year; they are no
          forecast.
        </p>
      </main>
    </>
  );
}
