import type { Metadata } from 'next';
import Link from 'next/link';
import { variantChoices } from '@/server/plan/plan-variant';
import { planning, reckonedPlan } from '@/server/plan/planning';
import { ConflictList } from '@/ui/plan/dates/conflict-list';
import { DateList } from '@/ui/plan/dates/date-list';
import { VariantQuestions } from '@/ui/plan/dates/variant-questions';
import { alike } from '@/core/plan/phenology/alike';
import { YearTable } from '@/ui/club/sites/year-table';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Dates' };

export default async function PlanDates({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const { facts, site } = await orNotFound(planning(context, id));
  const { dates, conflicts, taught } = reckonedPlan(facts);
  const { version, choices } = await variantChoices(context, id);
  const years = [
    ...new Map(taught.flatMap(({ scion, stock }) => [scion, stock]).map((year) => [year.species, year])).values(),
  ];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] items-start gap-6 lg:grid-cols-[minmax(0,1fr)_26rem]">
      <section>
        <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
          <h1>Dates</h1>
          <a href={`/api/workshops/${id}/calendar`} className="bench-button" download>
            Calendar file
          </a>
        </div>
        <p className="mb-3 text-muted">
          The calendar file can be read again after every change: entries keep their identity, so they are replaced and
          not doubled.
        </p>
        <DateList dates={dates} today={facts.today} />
      </section>
      <div className="flex flex-col gap-4">
        <section className="board" aria-labelledby="mind">
          <h2 id="mind" className="mb-2">
            What speaks against it
          </h2>
          <ConflictList conflicts={conflicts} siteId={site.id} hasNormals={site.climate !== null} />
        </section>
        {choices.length > 0 && (
          <section className="board" aria-labelledby="lives-on">
            <h2 id="lives-on" className="mb-1">
              How it lives on
            </h2>
            <p className="mb-2 text-sm text-muted">
              Aftercare and questions to growers follow it. Keepers that are made already keep theirs.
            </p>
            <VariantQuestions
              workshopId={id}
              version={version}
              choices={choices}
              mayChange={context.actor.role !== 'viewer'}
            />
          </section>
        )}
        <section className="board" aria-labelledby="year">
          <h2 id="year" className="mb-1">
            The plants’ year at {site.name}
          </h2>
          <p className="mb-2 text-sm text-muted">
            Earliest, likely and latest day.{' '}
            <Link href={`/sites/${site.id}`}>Change figures, or enter what you saw</Link>.
          </p>
          {site.climate ? (
            alike(years).map(({ year, species }) => (
              <YearTable key={species} year={year} species={species} unit={context.actor.temperatureUnit} />
            ))
          ) : (
            <p>No normals yet.</p>
          )}
        </section>
      </div>
    </div>
  );
}
