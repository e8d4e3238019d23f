import type { Metadata } from 'next';
import { METHODS } from '@/core/methods/registry';
import { listSites } from '@/server/club/sites';
import { SiteForm } from '@/ui/club/sites/site-form';
import { WorkshopForm } from '@/ui/plan/season/workshop-form';
import { pageContext } from '../../../_http/session';
import { Season } from '../../_season';

export const metadata: Metadata = { title: 'Plan a workshop' };

export default async function NewWorkshop() {
  const sites = await listSites(await pageContext());
  return (
    <>
      <Season />
      <main id="main" className="mx-auto grid max-w-[1240px] items-start gap-6 px-4 py-5 lg:grid-cols-[1fr_22rem]">
        <section>
          <h1 className="mb-4">Plan a workshop</h1>
          {sites.length === 0 ? (
            <p className="board">
              A workshop is held somewhere. Add the first site beside this, then plan the workshop.
            </p>
          ) : (
            <WorkshopForm
              workshop={null}
              sites={sites.map(({ id, name }) => ({ id, name }))}
              methods={METHODS.map(({ id, name }) => ({ id, name }))}
            />
          )}
        </section>
        <section className="board">
          <h2 className="mb-3">{sites.length === 0 ? 'The first site' : 'Another site'}</h2>
          <SiteForm />
        </section>
      </main>
    </>
  );
}
