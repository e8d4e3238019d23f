import { celsius, type Prose, prose, sameProse } from '../../units/prose';
import { capital } from '@/core/units/capital';
import { callusRange, type AssumptionById } from '../phenology/assumptions';
import { kinOf } from '../../methods/compatibility/compatibility';
import type { Phenology } from '../phenology/phenology';
import type { Estimate } from '../phenology/estimate';
import type { Climate } from '../climate/normals';
import { dayNormals } from '../climate/day-normals';
import { addDays, daysBetween, formatDate, type IsoDate } from '../../units/iso-date';
import type { MethodFacts } from '../../methods/method-facts';
import { type Phase, type Place, PLACE_WORDS, type Season } from '../../methods/use';

/** Whether a method can be taught on a day: yes, only if the year is kind, or no. */
export type Chance = 'open' | 'edge' | 'shut';

export interface DayVerdict {
  chance: Chance;
  /** The season of the method it is, when it is one. */
  season: Season | null;
  /** Why not, or what it hangs on. */
  why: Prose;
}

export interface Stretch extends DayVerdict {
  from: IsoDate;
  to: IsoDate;
}

export interface FinderInput {
  method: MethodFacts;
  place: Place;
  /** Year of the scion's species and of the stock's. */
  scion: Phenology;
  stock: Phenology;
  climate: Climate;
  assumption: AssumptionById;
}

interface Window {
  from: Estimate;
  to: Estimate;
}

const PHASE_WORDS: Record<Phase, { before: string; after: string }> = {
  waking: { before: 'the stocks still sleep', after: 'the stocks are in leaf' },
  warmed: { before: 'too early to warm stocks', after: 'stocks outdoors slip by themselves now' },
  'leaves-out': { before: 'the bark does not slip yet', after: 'the spring run of slipping bark is over' },
  'early-summer': {
    before: 'no budwood of this season is ripe yet',
    after: 'a shoot forced now would not ripen before frost',
  },
  'before-frost': {
    before: 'a bud set now would break before winter',
    after: 'too little time to knit before the first frost',
  },
  'warm-growth': { before: 'the shoots do not grow in warmth yet', after: 'the shoots no longer grow in warmth' },
};

/** When a season of a method is open at a site; null when it never is, `words` saying why. */
function windowOf(
  season: Season,
  { method, place, scion, stock, assumption }: FinderInput,
): Window | 'always' | { never: string } {
  const dormantWood = season.wood.includes('dormant') && !season.wood.includes('budwood');
  if (dormantWood && !scion.dormant)
    return {
      never: scion.evergreen
        ? `${capital(scion.species)} keeps its leaves: there is no dormant wood.`
        : 'No winter cold enough here to make wood dormant.',
    };
  const shift = (estimate: Estimate, id: string, sign: 1 | -1): Estimate => {
    const { value, margin } = assumption(id);
    const best = addDays(estimate.best, sign * value);
    return {
      ...estimate,
      best,
      early: addDays(best, -Math.hypot(daysBetween(estimate.early, estimate.best), margin)),
      late: addDays(best, Math.hypot(daysBetween(estimate.best, estimate.late), margin)),
    };
  };
  const noSpring = { never: 'Stocks do not wake from a winter here; work goes by flushes of growth.' };
  switch (season.phase) {
    case 'waking':
      if (!stock.swell || !stock.leavesOut) return noSpring;
      return {
        from: shift(stock.swell, place === 'bench' ? 'bench-lead' : 'field-lead', -1),
        to: shift(stock.leavesOut, 'after-leaf', 1),
      };
    case 'warmed':
      return stock.swell && stock.slipFrom
        ? { from: shift(stock.swell, 'bench-lead', -1), to: stock.slipFrom }
        : noSpring;
    case 'leaves-out':
      return stock.slipFrom ? { from: stock.slipFrom, to: shift(stock.slipFrom, 'spring-slip', 1) } : noSpring;
    case 'early-summer': {
      if (!stock.firstFrost) return 'always';
      if (!scion.leavesOut || !stock.slipFrom) return noSpring;
      const budwood = shift(scion.leavesOut, 'budwood-ripe', 1);
      const from = method.use.bark === 'must slip' && stock.slipFrom.best > budwood.best ? stock.slipFrom : budwood;
      const to = shift(stock.firstFrost, 'ripen', -1);
      if (to.best < from.best)
        return {
          never: `From ripe budwood to the first frost are ${daysBetween(from.best, stock.firstFrost.best)} days here; a bud forced the same year wants ${assumption('ripen').value} to ripen.`,
        };
      return { from, to };
    }
    case 'before-frost':
      if (!scion.firstFrost) return 'always';
      if (method.use.bark === 'must slip' && stock.slipTo && stock.slipTo.best < scion.budClose!.best)
        return { from: scion.budOpen!, to: stock.slipTo };
      return { from: scion.budOpen!, to: scion.budClose! };
    case 'warm-growth':
      if (scion.alwaysWarm) return 'always';
      if (!scion.warmFrom || !scion.warmTo)
        return { never: 'It never stays warm enough here for shoots to grow in warmth.' };
      return { from: scion.warmFrom, to: scion.warmTo };
  }
}

/** The windows of a method in one cycle of the plants' year, worked out once for all its days. */
export interface MethodYear {
  input: FinderInput;
  windows: { season: Season; window: ReturnType<typeof windowOf> }[];
}

export function methodYear(input: FinderInput): MethodYear {
  const { method, place } = input;
  const seasons = method.use.seasons.filter((season) => !season.places || season.places.includes(place));
  return { input, windows: seasons.map((season) => ({ season, window: windowOf(season, input) })) };
}

/** The seasons of a method that are open on `date`, surely or only if the year is kind. */
export function seasonsOn(date: IsoDate, { windows }: MethodYear): (DayVerdict & { season: Season })[] {
  return windows.flatMap(({ season, window }) => {
    const { chance, why } = inSeason(date, season, window);
    return chance === 'shut' ? [] : [{ chance, why, season }];
  });
}

/** Whether a method can be taught at a site on `date`, and why not. The year must be that of the cycle that holds it. */
export function verdictOn(date: IsoDate, { input, windows }: MethodYear): DayVerdict {
  const { method, place } = input;
  if (!method.use.places.includes(place))
    return { chance: 'shut', season: null, why: `${method.name} is not done ${PLACE_WORDS[place]}.` };
  const verdicts = windows.map(({ season, window }) => inSeason(date, season, window));
  const order: Chance[] = ['open', 'edge', 'shut'];
  // Of several seasons the best stands; among shut ones the one that lies nearest ahead says why.
  const best = verdicts.sort(
    (a, b) =>
      order.indexOf(a.chance) - order.indexOf(b.chance) ||
      Number(a.season?.besides ?? false) - Number(b.season?.besides ?? false) ||
      a.ahead - b.ahead,
  )[0]!;
  const verdict: DayVerdict = { chance: best.chance, season: best.season, why: best.why };
  return verdict.chance === 'open' ? warmthOf(date, verdict, input) : verdict;
}

function inSeason(date: IsoDate, season: Season, window: ReturnType<typeof windowOf>): DayVerdict & { ahead: number } {
  if (window === 'always')
    return { chance: 'open', season, why: 'Whenever it flushes: no frost sets a date here.', ahead: 0 };
  if ('never' in window) return { chance: 'shut', season: null, why: window.never, ahead: Infinity };
  const words = PHASE_WORDS[season.phase];
  const { from, to } = window;
  const ahead = daysBetween(date, from.best);
  if (date >= from.late && date <= to.early)
    return { chance: 'open', season, why: capital(season.name) + '.', ahead: 0 };
  if (date >= from.early && date < from.late && date <= to.late)
    return {
      chance: 'edge',
      season,
      why: `In a late year ${words.before}: about ${formatDate(from.best)}, at the latest ${formatDate(from.late)}.`,
      ahead: 0,
    };
  if (date > to.early && date <= to.late && date >= from.early)
    return {
      chance: 'edge',
      season,
      why: `In an early year ${words.after}: about ${formatDate(to.best)}, at the earliest ${formatDate(to.early)}.`,
      ahead: 0,
    };
  return date < from.early
    ? {
        chance: 'shut',
        season: null,
        why: `${capital(words.before)}: wait until about ${formatDate(from.best)}.`,
        ahead,
      }
    : {
        chance: 'shut',
        season: null,
        why: `${capital(words.after)}, since about ${formatDate(to.best)}.`,
        ahead: ahead + 366,
      };
}

/** Outdoors the fortnight after has to be warm enough for callus and not too hot. */
function warmthOf(date: IsoDate, verdict: DayVerdict, { place, scion, climate, assumption }: FinderInput): DayVerdict {
  const range = callusRange(kinOf(scion.species), assumption);
  if (place === 'bench' || !range) return verdict;
  const days = Array.from({ length: 14 }, (_, i) => dayNormals(climate.normals, addDays(date, i)));
  const mean = days.reduce((sum, { low, high }) => sum + (low + high) / 2, 0) / days.length;
  const hottest = Math.max(...days.map(({ high }) => high));
  if (mean < range.slow)
    return {
      ...verdict,
      chance: 'edge',
      why: prose`The fortnight after is usually about ${celsius(mean)}; ${scion.species} hardly calluses under ${celsius(range.slow)}. Cover it, or come later.`,
    };
  if (hottest > assumption('callus-stop').value)
    return {
      ...verdict,
      chance: 'edge',
      why: prose`Usual highs of ${celsius(hottest)} in the fortnight after: callus fails above ${celsius(assumption('callus-stop').value)}. Shade it, or choose another week.`,
    };
  return verdict;
}

/** The same for each day from `from` to `to`, like days put together. */
export function seasonStretches(from: IsoDate, to: IsoDate, yearOf: (date: IsoDate) => MethodYear): Stretch[] {
  const stretches: Stretch[] = [];
  for (let date = from; date <= to; date = addDays(date, 1)) {
    const verdict = verdictOn(date, yearOf(date));
    const last = stretches.at(-1);
    if (last && last.chance === verdict.chance && sameProse(last.why, verdict.why)) last.to = date;
    else stretches.push({ ...verdict, from: date, to: date });
  }
  return stretches;
}
