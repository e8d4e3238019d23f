import { object, string } from 'yup';
import { kindOf } from '@/core/methods/compatibility/compatibility';
import { METHODS } from '@/core/methods/registry';
import { PLACE_WORDS, type Place } from '@/core/methods/use';
import { id, trimmed } from '@/core/inputs/fields';
import type { VerdictOnDay } from '@/core/plan/dates/season-finder';
import { siteCalendar } from '@/core/plan/dates/taught-on';
import { isIsoDate } from '@/core/units/iso-date';
import { written } from '@/core/units/prose';
import type { Context } from '@/server/platform/context';
import { parse } from '@/server/platform/parse';
import { getSite } from '@/server/club/sites';
import { listSiteYears } from './site-years';

const verdictInput = object({
  siteId: id('the site'),
  date: string()
    .required('Choose the day.')
    .test('day', 'Choose the day.', (value) => isIsoDate(value)),
  method: string()
    .oneOf(
      METHODS.map((method) => method.id),
      'Choose a method.',
    )
    .required('Choose a method.'),
  scionSpecies: trimmed().max(60).required('Say what is grafted.'),
  stockSpecies: trimmed().max(60).required('Say on what.'),
});

/** The verdict on a day that is being planned, by the year of its site. */
export async function dayVerdict(context: Context, input: unknown): Promise<VerdictOnDay> {
  const { siteId, date, method: methodId, ...species } = parse(verdictInput, input);
  const [found] = await listSiteYears(context, [await getSite(context, siteId)]);
  const method = METHODS.find((each) => each.id === methodId)!;
  const place: Place = method.use.places[0]!;
  const { verdict } = siteCalendar(found!.year, METHODS).on(
    {
      method: methodId,
      place,
      scionSpecies: kindOf(species.scionSpecies),
      stockSpecies: kindOf(species.stockSpecies),
      practiceEach: 0,
      keepersEach: 0,
      practiceOn: 'prunings',
    },
    date,
  );
  const { lengthUnit, temperatureUnit } = context.actor;
  return { chance: verdict.chance, why: written(verdict.why, lengthUnit, temperatureUnit), place: PLACE_WORDS[place] };
}
