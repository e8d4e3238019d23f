import { addDays, formatDate, type IsoDate } from '../../../units/iso-date';
import type { DayWeather } from '../../../plan/climate/day-weather';
import type { FactsOfUnion, Gathered } from './facts-of-union';

/** Days of the first weeks that are looked at, and of those in which heat tells. */
const EARLY = 21;
const EARLY_HEAT = 14;
/** So many hot days running are a hot spell: our guess. */
export const SPELL = 3;
/** Rain of the first three weeks that is much, mm: our guess. */
export const MUCH_RAIN = 60;
/** Materials that keep rain off a union, that take up the sun, and that shade it. */
const KEEPS_DRY = ['bag', 'foil', 'film', 'stretch-tape'];
const DARK = ['sealant', 'insulating-tape'];
const SHADES = ['foil', 'shade'];
/** Hours of the first two weeks in a callus place that are too many. */
export const HOT_HOURS = 6;
export const COLD_SHARE = 1 / 3;
/** Hours that have to be measured before a callus place is said to have been in range. */
const ENOUGH_HOURS = 72;

/** The first day of the first hot spell; null where there was none. */
export function hotSpell(days: readonly DayWeather[], hot: number): IsoDate | null {
  let running = 0;
  for (let i = 0; i < days.length; i++) {
    const follows = i > 0 && addDays(days[i - 1]!.date, 1) === days[i]!.date;
    running = days[i]!.high >= hot ? (follows ? running + 1 : 1) : 0;
    if (running === SPELL) return days[i - SPELL + 1]!.date;
  }
  return null;
}

/** What the weather it stood in and the warmth of its callus place say. */
export function weatherEvidence(facts: FactsOfUnion): Gathered[] {
  return [...skyEvidence(facts), ...callusEvidence(facts)];
}

function skyEvidence(facts: FactsOfUnion): Gathered[] {
  const { madeOn, deadOn, weather, hotDay, materials, closed, grewOn, wayOn, leavesFall } = facts;
  const found: Gathered[] = [];
  const within = (days: number): DayWeather[] =>
    weather.filter(({ date }) => date <= addDays(madeOn, days) && date <= deadOn);
  const frosts = weather.filter(({ date, low }) => low < 0 && date <= deadOn);
  const shoots = grewOn[0];
  const onShoots = shoots === undefined ? undefined : frosts.find(({ date }) => date > shoots);
  if (onShoots) found.push({ code: 'frost-on-shoots', from: `Frost on ${formatDate(onShoots.date)}` });
  const sleeps = wayOn === 'sleeping-bud' || wayOn === 'sleeping-patch';
  if (sleeps && shoots !== undefined && leavesFall !== null && shoots < leavesFall)
    found.push({ code: 'late-bud-broke', from: `Growth seen on ${formatDate(shoots)}` });
  const rain = within(EARLY).reduce((sum, day) => sum + (day.rain ?? 0), 0);
  if (rain >= MUCH_RAIN && !materials.some((id) => KEEPS_DRY.includes(id)))
    found.push({ code: 'rain-early', from: 'Weather of its first three weeks' });
  const spell = hotSpell(within(EARLY_HEAT), hotDay);
  if (spell) found.push({ code: 'heat-early', from: `Hot from ${formatDate(spell)}` });
  const all = within(EARLY);
  if (all.length >= EARLY && hotSpell(all, hotDay) === null && all.every(({ low }) => low >= 0))
    found.push({ code: 'mild-early', from: 'Weather of its first three weeks' });
  const painted = closed.find(({ task, how }) => (task === 'dark-seal' || task === 'shade') && how === 'done');
  const hot = weather.find(({ date, high }) => high >= hotDay && date <= deadOn);
  const shaded = materials.some((id) => SHADES.includes(id));
  if (painted || shaded)
    found.push({ code: 'shaded', from: painted ? `Marked, ${formatDate(painted.on)}` : 'What it was made with' });
  else if (hot && materials.some((id) => DARK.includes(id)))
    found.push({ code: 'dark-in-heat', from: `Hot on ${formatDate(hot.date)}, nobody marked paint or shade` });
  return found;
}

function callusEvidence({ callus }: FactsOfUnion): Gathered[] {
  if (!callus || callus.measured === 0) return [];
  const from = `Logger of ${callus.place}`;
  const hot = callus.above > HOT_HOURS;
  const cold = callus.below > callus.measured * COLD_SHARE;
  if (hot || cold)
    return [...(cold ? [{ code: 'callus-cold', from }] : []), ...(hot ? [{ code: 'callus-hot', from }] : [])];
  return callus.measured >= ENOUGH_HOURS ? [{ code: 'callus-in-range', from }] : [];
}
