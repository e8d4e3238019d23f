import { problemOfDay, type DayWeather } from '@/core/plan/climate/day-weather';
import { weatherInput } from '@/core/plan/climate/weather-input';
import { formatDate } from '@/core/units/iso-date';
import { isAhead } from '@/core/inputs/fields';
import type { WeatherDayRow } from '@/db/models/place-rows';
import { transact } from '@/db/transact';
import { getSite } from '@/server/club/sites';
import { audit } from '@/server/platform/audit';
import { allow, type Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { readSentFile } from '@/server/jobs/run-job';
import { notFound, UseCaseError } from '@/server/platform/use-case-error';

/** Keeps days of weather that somebody read off; a day that was there is put right. */
export async function typeWeather(context: Context, siteId: string, input: unknown): Promise<{ days: number }> {
  allow(context, 'assistant');
  await getSite(context, siteId);
  const { unit, days } = parse(weatherInput, input, context.now);
  const celsius = (value: number): number => (unit === 'F' ? Math.round(((value - 32) / 1.8) * 10) / 10 : value);
  const kept = days.map(({ date, low, high, rain }) => ({ date, low: celsius(low), high: celsius(high), rain }));
  for (const day of kept) {
    const problem = isAhead(day.date, context.now) ? 'that day is still to come' : problemOfDay(day);
    if (problem)
      throw new UseCaseError(
        'invalid',
        `${formatDate(day.date)}: ${problem}. Nothing was kept; check it and try again.`,
        {
          days: problem,
        },
      );
  }
  return keep(context, siteId, kept, 'typed');
}

/** Reads days of weather from CSV. */
export async function readWeatherFile(
  context: Context,
  siteId: string,
  bytes: Uint8Array,
): Promise<{ days: number; notes: string[] }> {
  allow(context, 'assistant');
  await getSite(context, siteId);
  const read = await readSentFile('read weather', bytes);
  if ('problem' in read) throw new UseCaseError('invalid', read.problem);
  const past = read.days.filter(({ date }) => !isAhead(date, context.now));
  if (past.length === 0)
    throw new UseCaseError('invalid', 'All days of this file are still to come. Choose a file of days that were.');
  const ahead = read.days.length - past.length;
  const notes = [
    ...read.notes,
    ...(ahead > 0 ? [`${ahead} ${ahead === 1 ? 'day is' : 'days are'} still to come and left out.`] : []),
  ];
  return { ...(await keep(context, siteId, past, 'file')), notes };
}

async function keep(
  { db, actor, now }: Context,
  siteId: string,
  days: readonly DayWeather[],
  source: WeatherDayRow['source'],
): Promise<{ days: number }> {
  const rows = days.map(({ date, low, high, rain }) => ({
    siteId,
    day: date,
    clubId: actor.clubId,
    low,
    high,
    rain,
    source,
    enteredBy: actor.userId,
    enteredAt: now,
  }));
  await transact(db, async (transaction) => {
    for (let i = 0; i < rows.length; i += 500)
      await db.weatherDays.bulkCreate(rows.slice(i, i + 500), {
        transaction,
        updateOnDuplicate: ['low', 'high', 'rain', 'source', 'enteredBy', 'enteredAt'],
      });
    await audit(db, transaction, {
      clubId: actor.clubId,
      actorId: actor.userId,
      action: `weather ${source}: ${rows.length} days`,
      subjectId: siteId,
      at: now,
    });
  });
  return { days: rows.length };
}

/** Takes an entered day away: the weather service speaks for it again. One that is gone already changes nothing. */
export async function forgetWeather(context: Context, siteId: string, day: string): Promise<void> {
  allow(context, 'assistant');
  await getSite(context, siteId);
  const { db, actor, now } = context;
  if (!/^\d{4}-\d{2}-\d{2}$/.test(day)) throw notFound('That day');
  await transact(db, async (transaction) => {
    const gone = await db.weatherDays.destroy({ where: { clubId: actor.clubId, siteId, day }, transaction });
    if (gone > 0)
      await audit(db, transaction, {
        clubId: actor.clubId,
        actorId: actor.userId,
        action: 'weather taken away: a day',
        subjectId: siteId,
        at: now,
      });
  });
}
