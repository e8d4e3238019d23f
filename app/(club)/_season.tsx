import { season } from '@/server/plan/season';
import { SeasonLine } from '@/ui/plan/season/season-line';
import { pageContext } from '../_http/session';

/** The season line of the club, for the top of a page. */
export async function Season({ chosen = null, shiftMonths = 0 }: { chosen?: string | null; shiftMonths?: number }) {
  const { today, hemisphere, workshops } = await season(await pageContext(), chosen, shiftMonths);
  return (
    <SeasonLine today={today} hemisphere={hemisphere} workshops={workshops} chosen={chosen} shiftMonths={shiftMonths} />
  );
}
