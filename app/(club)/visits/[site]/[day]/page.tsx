import type { Metadata } from 'next';
import Link from 'next/link';
import { counted } from '@/core/units/counted';
import { formatDate } from '@/core/units/iso-date';
import { visitSheet } from '@/server/aftercare/visits';
import { VisitSheetBoard } from '@/ui/aftercare/visits/visit-sheet-board';
import { orNotFound } from '../../../../_http/or-not-found';
import { pageContext } from '../../../../_http/session';

export const metadata: Metadata = { title: 'A visit' };

/** One visit on the phone: by plant in walking order, marked as one goes. */
export default async function VisitPage({ params }: { params: Promise<{ site: string; day: string }> }) {
  const { site, day } = await params;
  const context = await pageContext();
  const sheet = await orNotFound(visitSheet(context, site, day));
  const { actor } = context;
  const tasks = sheet.plants.reduce((sum, plant) => sum + plant.tasks.length, 0);
  return (
    <main id="main" className="mx-auto max-w-3xl px-4 py-5">
      <p>
        <Link href="/visits">All visits</Link>
      </p>
      <h1>
        {sheet.site}, {formatDate(sheet.on)}
      </h1>
      <p className="mb-3 text-muted">
        {counted(tasks, 'task')} on {counted(sheet.plants.length, 'plant')}, about {sheet.minutes} minutes
      </p>
      <p className="mb-3 flex flex-wrap gap-2">
        {(['A4', 'Letter'] as const).map((paper) => (
          <a key={paper} className="bench-button" href={`/api/visits/${site}/${day}?paper=${paper}`}>
            On paper ({paper})
          </a>
        ))}
      </p>
      <section aria-labelledby="bring" className="mb-4 border-l-4 border-ink bg-mist p-3">
        <h2 id="bring">Bring</h2>
        <p>{sheet.tools.join(', ')}</p>
        <p className="mt-2">
          On all {counted(sheet.all, 'plant')}: water where it is dry, read and renew the label, look for pests and
          bites.
        </p>
        <p className="mt-2 text-sm text-muted">
          Blades closed or down before hands meet; cut away from the body and from the hand that holds. Local rules come
          first.
        </p>
      </section>
      <VisitSheetBoard sheet={sheet} me={{ id: actor.userId, name: actor.name }} mayChange={actor.role !== 'viewer'} />
    </main>
  );
}
