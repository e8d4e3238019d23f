import { counted } from '@/core/units/counted';
import { addDays } from '@/core/units/iso-date';
import { written } from '@/core/units/prose';
import { calendarFile } from '@/exchange/calendar';
import { livingUnions } from '@/server/aftercare/living-unions';
import { dayEntry, ownEntries } from '@/server/aftercare/own-entries';
import { unionPlans } from '@/server/aftercare/union-plans';
import { VISIT_DAYS, visitsUntil } from '@/server/aftercare/visits';
import type { Context, Services } from '@/server/platform/context';
import { linkReader } from '@/server/platform/link-reader';
import { hashToken } from '@/server/platform/secrets';
import { ownLooks } from './own-looks';

/**
 * The calendar of a member: what the club's own plants want, the looks at them, and the visits that are planned.
 *
 * @returns null for an address that opens nothing
 */
export async function memberCalendar(services: Services, token: string): Promise<string | null> {
  const { db } = services;
  const member = await db.memberships.findOne({ where: { calendarHash: hashToken(token) }, raw: true });
  if (!member) return null;
  const { clubId, userId } = member;
  const club = (await db.clubs.findOne({ where: { id: clubId }, raw: true }))!;
  const context: Context = await linkReader(services, club);
  const [living, rules, looks] = await Promise.all([
    livingUnions(context),
    db.visitRules.findAll({ where: { clubId }, raw: true }),
    ownLooks(context),
  ]);
  const plans = await unionPlans(context, living);
  const today = plans[0]?.today ?? services.now.toISOString().slice(0, 10);
  const unit = context.actor.lengthUnit;
  const tasks = ownEntries(
    plans.filter(({ plant }) => plant.withUs),
    userId,
    () => true,
    {
      write: (words) => written(words, unit),
      overdue: (title) => `Overdue: ${title}`,
      otherwise: (missed) => `Otherwise: ${missed}`,
    },
  );
  const visits = rules.flatMap((rule) =>
    visitsUntil(rule, plans, addDays(today, VISIT_DAYS)).map(({ on, tasks: count, plants, minutes }) => {
      const site = plans.find((plan) => plan.site.id === rule.siteId)!.site.name;
      const detail = `${counted(count, 'task')} on ${counted(plants, 'plant')}, about ${minutes} minutes.`;
      return dayEntry(`${userId} visit ${rule.siteId} ${on}`, { on, title: `Visit ${site}`, description: detail });
    }),
  );
  const looked = looks.map(({ id, words, detail, by }) =>
    dayEntry(`${userId} ${id}`, { on: by < today ? today : by, title: words, description: detail }),
  );
  return calendarFile(`${club.name}: our plants`, [...tasks, ...visits, ...looked]);
}
