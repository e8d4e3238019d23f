import type { Metadata } from 'next';
import { siteVisits } from '@/server/aftercare/visits';
import { SiteVisitsBoard } from '@/ui/aftercare/visits/site-visits-board';
import { pageContext } from '../../_http/session';

export const metadata: Metadata = { title: 'Visits' };

/** On which days to go where, so that few visits serve all that is due. */
export default async function Visits() {
  const context = await pageContext();
  const sites = await siteVisits(context);
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
      <h1 className="mb-1">Visits</h1>
      <p className="mb-4 max-w-prose text-muted">
        Say on which days you can go. The fewest of them are found that serve every window of the next four months; ties
        past their last day come first.
      </p>
      {sites.length === 0 ? (
        <p className="board">No plant is under care yet. Visits are planned once keepers are made.</p>
      ) : (
        sites.map((site) => (
          <SiteVisitsBoard
            key={`${site.siteId} ${site.rule?.version ?? 0}`}
            site={site}
            mayChange={context.actor.role !== 'viewer'}
          />
        ))
      )}
    </main>
  );
}
