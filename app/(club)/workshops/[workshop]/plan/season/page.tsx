import type { Metadata } from 'next';
import { factsOf } from '@/core/methods/method-facts';
import { METHODS } from '@/core/methods/registry';
import { planning } from '@/server/plan/planning';
import { SeasonFinder } from '@/ui/plan/dates/season-finder';
import { orNotFound } from '../../../../../_http/or-not-found';
import { pageContext } from '../../../../../_http/session';

export const metadata: Metadata = { title: 'Season' };

export default async function PlanSeason({ params }: { params: Promise<{ workshop: string }> }) {
  const { workshop: id } = await params;
  const context = await pageContext();
  const { facts, site } = await orNotFound(planning(context, id));
  // Keyed by the day, so that a moved workshop starts from where it is.
  return (
    <SeasonFinder
      key={facts.date}
      workshopId={id}
      siteId={site.id}
      siteName={site.name}
      facts={facts}
      known={METHODS.map(factsOf)}
      mayChange={context.actor.role !== 'viewer'}
    />
  );
}
