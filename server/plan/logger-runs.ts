import { object, string } from 'yup';
import type { Context } from '@/server/platform/context';
import { id } from '@/core/inputs/fields';
import { getSite, listSites } from '@/server/club/sites';
import { UseCaseError } from '@/server/platform/use-case-error';

export const runInput = object({
  runId: id('the run'),
  unit: string()
    .oneOf(['', 'C', 'F'] as const, 'Choose °C or °F.')
    .default(''),
  siteId: string().default(''),
});

/** Clocks of the place a lot lies at: that of the site chosen, of the workshops it is chosen for, or of all the club's sites where they agree. */
export async function zoneOfLot(context: Context, lotId: string, siteId: string): Promise<string> {
  const {
    db,
    actor: { clubId },
  } = context;
  const sites = await listSites(context);
  if (siteId !== '') return (await getSite(context, siteId)).timeZone;
  const chosen = await db.workshopWoodLots.findAll({ where: { clubId, woodLotId: lotId }, raw: true });
  const workshops = await db.workshops.findAll({
    where: { clubId, id: chosen.map(({ workshopId }) => workshopId) },
    raw: true,
  });
  for (const near of [
    sites.filter(({ id: siteId }) => workshops.some((workshop) => workshop.siteId === siteId)),
    sites,
  ]) {
    const zones = [...new Set(near.map(({ timeZone }) => timeZone))];
    if (zones.length === 1) return zones[0]!;
  }
  if (sites.length === 0) return 'UTC';
  throw new UseCaseError(
    'invalid',
    'The club has sites in several time zones. Choose where the logger lay, and read the file again.',
    { siteId: 'Choose the place.' },
  );
}
