import type { Metadata } from 'next';
import Link from 'next/link';
import { dateInZone } from '@/core/units/zoned-date';
import { formatDate } from '@/core/units/iso-date';
import { causeTableVersions, clubTables } from '@/server/findings/causes/club-tables';
import { TablesEditor } from '@/ui/findings/tables/tables-editor';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Causes and evidence' };

/** The tables by which the club reads why unions died. */
export default async function CauseTablesPage() {
  const context = await pageContext();
  const [{ version, model, settled, blind }, versions] = await Promise.all([
    clubTables(context),
    causeTableVersions(context),
  ]);
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
      <h1>How strongly evidence speaks</h1>
      <p className="mb-2 max-w-prose">
        What ships is usual practice put into figures, with our guesses of their strength; a club that has opened enough
        dead unions knows better. <Link href="/findings/causes">Why unions died</Link>.
      </p>
      <p className="mb-4 max-w-prose text-sm text-muted">
        {settled} causes are settled, {blind} of them before anybody saw what the records say. One death in five is
        drawn to be settled so.{' '}
        {blind === 0
          ? 'Until then shares are as good as our guesses.'
          : `How sure the tables may be is fitted to these: shares are raised to the power ${model.power.toFixed(2)}.`}
      </p>
      <TablesEditor key={version} version={version} tables={model.tables} mayChange={context.actor.role === 'lead'} />
      <section aria-labelledby="versions-title" className="mt-6">
        <h2 id="versions-title">Versions</h2>
        <ul>
          {versions.map((row) => (
            <li key={row.version}>
              {row.version}, {formatDate(dateInZone(row.changedAt, 'UTC'))}: {row.source}
            </li>
          ))}
          <li>0, as it ships: usual practice and our guesses</li>
        </ul>
      </section>
    </main>
  );
}
