import type { Metadata } from 'next';
import Link from 'next/link';
import { listSites } from '@/server/club/sites';
import { SiteForm } from '@/ui/club/sites/site-form';
import { pageContext } from '../../_http/session';
import { Season } from '../_season';

export const metadata: Metadata = { title: 'Sites' };

export default async function SitesPage() {
  const context = await pageContext();
  const sites = await listSites(context);
  return (
    <>
      <Season />
      <main
        id="main"
        className="mx-auto grid max-w-[1240px] grid-cols-[minmax(0,1fr)] items-start gap-6 px-4 py-5 lg:grid-cols-[minmax(0,1fr)_22rem]"
      >
        <section>
          <h1 className="mb-3">Sites</h1>
          {sites.length === 0 && <p className="board">No site yet. A workshop is held somewhere: add the first one.</p>}
          <ul className="divide-y divide-line border-y border-line">
            {sites.map((site) => (
              <li key={site.id} className="grid gap-x-6 py-3 sm:grid-cols-[minmax(0,1fr)_12rem_14rem]">
                <Link href={`/sites/${site.id}`} className="font-bold">
                  {site.name}
                </Link>
                <span>
                  {site.hemisphere === 'north' ? 'Northern' : 'Southern'}, {site.timeZone}
                </span>
                <span className={site.climate ? 'text-muted' : 'font-bold'}>
                  {site.climate ? site.climateSource : 'no normals yet'}
                </span>
              </li>
            ))}
          </ul>
        </section>
        {context.actor.role !== 'viewer' && (
          <section className="board">
            <h2 className="mb-3">{sites.length === 0 ? 'The first site' : 'Another site'}</h2>
            <SiteForm />
          </section>
        )}
      </main>
    </>
  );
}
