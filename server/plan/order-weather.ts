import { object, string } from 'yup';
import { count, decimal, id } from '@/core/inputs/fields';
import { addDays } from '@/core/units/iso-date';
import { dateInZone } from '@/core/units/zoned-date';
import { transact } from '@/db/transact';
import { getSite } from '@/server/club/sites';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { UseCaseError } from '@/server/platform/use-case-error';

const orderInput = object({
  siteId: id('the site'),
  kind: string()
    .oneOf(['hot', 'frost', 'none'] as const, 'Choose a hot spell, a frost or none.')
    .required('Choose a hot spell, a frost or none.'),
  startsIn: count('in how many days it begins', 0, 14),
  days: count('how many days it lasts', 1, 14),
  degrees: decimal()
    .typeError('Enter the temperature as a number.')
    .required('Enter the temperature.')
    .min(-40, '-40 °C or more.')
    .max(50, '50 °C or less.'),
});

/**
 * Orders a hot spell or a frost of the simulated weather service for a site, to try what follows from it; or takes all that
 * was ordered back. Days that somebody measured stay as they are.
 */
export async function orderWeather(context: Context, input: unknown): Promise<{ days: number }> {
  allow(context, 'assistant');
  const { siteId, kind, startsIn, days, degrees } = parse(orderInput, input);
  const site = await getSite(context, siteId);
  const { db, actor, now, weather } = context;
  if (!weather.simulated)
    throw new UseCaseError(
      'conflict',
      'The weather service of this server is a real one; nothing can be ordered of it.',
    );
  const first = addDays(dateInZone(now, site.timeZone), startsIn);
  const usual = site.climate ? weather.days(site.id, site.climate.normals, first, days) : [];
  return transact(db, async (transaction) => {
    await db.weatherDays.destroy({ where: { clubId: actor.clubId, siteId, source: 'ordered' }, transaction });
    const measured = await db.weatherDays.findAll({
      where: { clubId: actor.clubId, siteId },
      attributes: ['day'],
      transaction,
      raw: true,
    });
    const rows =
      kind === 'none'
        ? []
        : Array.from({ length: days }, (_, i) => {
            const day = addDays(first, i);
            const { low, high } = usual[i] ?? { low: degrees - 8, high: degrees + 8 };
            const spell =
              kind === 'hot'
                ? { low: Math.min(low, degrees - 8), high: degrees }
                : { low: degrees, high: Math.max(high, degrees + 6) };
            return {
              siteId,
              day,
              clubId: actor.clubId,
              ...spell,
              rain: 0,
              source: 'ordered' as const,
              enteredBy: actor.userId,
              enteredAt: now,
            };
          }).filter(({ day }) => !measured.some((row) => row.day === day));
    await db.weatherDays.bulkCreate(rows, { transaction });
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: `simulated weather ordered: ${kind}`,
      subjectId: siteId,
      at: now,
    });
    return { days: rows.length };
  });
}
