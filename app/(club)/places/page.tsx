import type { Metadata } from 'next';
import { listPlans } from '@/server/plan/topworking';
import { packRows } from '@/core/units/packed-rows';
import { choicesOf, sitesOfPlaces } from '@/server/aftercare/places/place-views';
import { SiteBoard } from '@/ui/aftercare/places/site-board';
import { pageContext } from '../../_http/session';

export const metadata: Metadata = { title: 'Places' };

/** Where the plants stand: the land of each site from above, and every place with what it holds. */
export default async function Places() {
  const context = await pageContext();
  const [sites, plans] = await Promise.all([sitesOfPlaces(context), listPlans(context)]);
  const choices = choicesOf(sites, plans);
  return (
    <main id="main" className="mx-auto max-w-[1240px] px-4 py-5">
      <h1 className="mb-1">Places</h1>
      <p className="mb-4 max-w-prose text-muted">
        Where every plant stands. Choose plants on the map, by their tags or by a stretch of a row, and say where they
        go; what was moved stays on record.
      </p>
      {sites.length === 0 && <p className="board">No site is there yet. Add one under Sites first.</p>}
      {sites.map((site) => (
        <SiteBoard
          key={site.siteId}
          site={{ ...site, plants: packRows(site.plants) }}
          places={choices}
          programmes={plans.map(({ id, tree }) => ({ id, tree }))}
          unit={context.actor.lengthUnit}
          mayChange={context.actor.role !== 'viewer'}
        />
      ))}
    </main>
  );
}
