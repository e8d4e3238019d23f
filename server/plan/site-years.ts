import type { SiteYear } from '@/core/plan/dates/taught-on';
import type { SiteRow } from '@/db/models/plan-rows';
import { listObservations } from '@/server/club/sites';
import type { Context } from '@/server/platform/context';

/** Sites with what each knows of its year. */
export async function listSiteYears(
  context: Context,
  sites: readonly SiteRow[],
): Promise<{ site: SiteRow; year: SiteYear }[]> {
  return Promise.all(
    sites.map(async (site) => ({
      site,
      year: {
        hemisphere: site.hemisphere,
        climate: site.climate,
        edits: site.assumptions,
        observations: (await listObservations(context, site.id)).map(({ species, sign, seenOn }) => ({
          species,
          sign,
          on: seenOn,
        })),
      },
    })),
  );
}
