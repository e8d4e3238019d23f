import type { Metadata } from 'next';
import { listSites } from '@/server/club/sites';
import { WeatherOrder } from '@/ui/kit/stand-ins/weather-order';
import { pageContext } from '../../../_http/session';

export const metadata: Metadata = { title: 'Simulated weather' };

export default async function WeatherStandIn({ searchParams }: { searchParams: Promise<{ site?: string }> }) {
  const context = await pageContext();
  const sites = await listSites(context);
  const { site } = await searchParams;
  return (
    <main id="main" className="mx-auto max-w-2xl px-4 py-5">
      <h1>Weather service, simulated</h1>
      <p className="mb-4 text-muted">
        Makes up the weather of every site and day. Here a hot spell or a frost can be ordered, to try what follows from
        it.
      </p>
      <WeatherOrder
        sites={sites.map(({ id, name }) => ({ id, name }))}
        first={sites.some(({ id }) => id === site) ? site! : (sites[0]?.id ?? '')}
        unit={context.actor.temperatureUnit}
        mayChange={context.actor.role !== 'viewer'}
      />
    </main>
  );
}
