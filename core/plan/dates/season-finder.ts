import { celsius, type Prose, prose, sameProse } from '../../units/prose';
import { capital } from '@/core/units/capital';
import { KNITTING_KINS, type KnittingKin, knittingBand } from '../phenology/assumptions';
import { dayRate } from '@/core/plan/phenology/day-rate';
import { type FinderInput, type SeasonWindow, windowOf, WOOD_SUPPLIES } from './season-window';
import { kinOf } from '../../methods/compatibility/compatibility';
import { dayNormals } from '../climate/day-normals';
import { addDays, daysBetween, formatDate, type IsoDate } from '../../units/iso-date';
import { type Phase, PLACE_WORDS, type Season, type WoodState } from '../../methods/use';

/** Whether a method can be taught on a day: yes, with a risk, or no. */
export type Chance = 'open' | 'edge' | 'shut';

export interface DayVerdict {
  chance: Chance;
  /** The season of the method it is, when it is one. */
  season: Season | null;
  /** Why not, or what it hangs on. */
  why: Prose;
  /** The figure of the site it hangs on, by its id; none where it is open. */
  hangsOn?: string;
}

/** The verdict on a day that is about to be planned, in words. */
export interface VerdictOnDay {
  chance: Chance;
  why: string;
  /** Where it would be done: as the method usually is. */
  place: string;
}

export interface Stretch extends DayVerdict {
  from: IsoDate;
  to: IsoDate;
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
    before: 'buds of this season are not ripe yet',
    after: 'too little warmth is left to knit before the first frost',
  },
  'warm-growth': { before: 'the shoots do not grow in warmth yet', after: 'the shoots no longer grow in warmth' },
};

/** The windows of a method in one cycle of the plants' year, worked out once for all its days. */
export interface MethodYear {
  input: FinderInput;
  windows: { season: Season; window: SeasonWindow }[];
}

export function methodYear(input: FinderInput): MethodYear {
  const { method, place, wood } = input;
  const states: readonly WoodState[] | null = wood ? WOOD_SUPPLIES[wood] : null;
  const seasons = method.use.seasons.filter(
    (season) =>
      (!season.places || season.places.includes(place)) &&
      (states === null || season.wood.some((state) => states.includes(state)) || input.scion.evergreen),
  );
  return { input, windows: seasons.map((season) => ({ season, window: windowOf(season, input) })) };
}

/** The seasons of a method that are open on `date`, surely or with a risk. */
export function seasonsOn(date: IsoDate, { windows }: MethodYear): (DayVerdict & { season: Season })[] {
  return windows.flatMap(({ season, window }) => {
    const { chance, why } = inSeason(date, season, window);
    return chance === 'shut' ? [] : [{ chance, why, season }];
  });
}

/**
 * The seasons of a method in the order in which they suit a day: open ones, doubtful ones, then shut ones by how near they lie. Of
 * several that are open the one that opened last comes first, so that a bud of August is taken for one that sleeps.
 */
export function seasonsBySuit(date: IsoDate, { windows }: MethodYear): { season: Season; chance: Chance }[] {
  const order: Chance[] = ['open', 'edge', 'shut'];
  const opened = (window: SeasonWindow): IsoDate => ('from' in window ? window.from.best : '');
  return windows
    .map(({ season, window }) => ({ ...inSeason(date, season, window), season, opened: opened(window) }))
    .sort(
      (a, b) =>
        order.indexOf(a.chance) - order.indexOf(b.chance) || a.away - b.away || b.opened.localeCompare(a.opened),
    )
    .map(({ season, chance }) => ({ season, chance }));
}

/** Whether a method can be taught at a site on `date`, and why not. The year must be that of the cycle that holds it. */
export function verdictOn(date: IsoDate, { input, windows }: MethodYear): DayVerdict {
  const { method, place } = input;
  if (!method.use.places.includes(place))
    return { chance: 'shut', season: null, why: `${method.name} is not done ${PLACE_WORDS[place]}.` };
  if (windows.length === 0) return { chance: 'shut', season: null, why: `${method.name} is not done with such wood.` };
  const verdicts = windows.map(({ season, window }) => inSeason(date, season, window));
  const order: Chance[] = ['open', 'edge', 'shut'];
  // Of several seasons the best stands; among shut ones the one that lies nearest says why.
  const best = verdicts.sort(
    (a, b) =>
      order.indexOf(a.chance) - order.indexOf(b.chance) ||
      Number(b.inside) - Number(a.inside) ||
      Number(a.season?.besides ?? false) - Number(b.season?.besides ?? false) ||
      a.away - b.away,
  )[0]!;
  const verdict: DayVerdict = {
    chance: best.chance,
    season: best.season,
    why: best.why,
    ...(best.hangsOn === undefined ? {} : { hangsOn: best.hangsOn }),
  };
  return verdict.chance === 'open' ? warmthOf(date, verdict, input) : verdict;
}

interface SeasonVerdict extends DayVerdict {
  /** Days to its nearest day where it is shut. */
  away: number;
  /** Between the days on which it is most likely to open and to close. */
  inside: boolean;
}

/** The verdict of one season. */
function inSeason(date: IsoDate, season: Season, window: SeasonWindow): SeasonVerdict {
  return {
    ...chanceIn(date, season, window),
    inside: 'always' in window || ('from' in window && date >= window.from.best && date <= window.to.best),
  };
}

function chanceIn(date: IsoDate, season: Season, window: SeasonWindow): Omit<SeasonVerdict, 'inside'> {
  if ('always' in window) return flushIn(date, season, window);
  if ('never' in window) return { chance: 'shut', season: null, why: window.never, away: Infinity };
  const words = PHASE_WORDS[season.phase];
  const { from, to, early, late, hangsOn } = window;
  if (date >= from.late && date <= to.early)
    return { chance: 'open', season, why: capital(season.name) + '.', away: 0 };
  if (date >= from.early && date < from.late && date <= to.late)
    return {
      chance: 'edge',
      season,
      hangsOn: hangsOn.from,
      why:
        early ??
        `In a late year ${words.before}: about ${formatDate(from.best)}, at the latest ${formatDate(from.late)}.`,
      away: 0,
    };
  if (date > to.early && date <= to.late && date >= from.early)
    return {
      chance: 'edge',
      season,
      hangsOn: hangsOn.to,
      why:
        late ??
        `In an early year ${words.after}: about ${formatDate(to.best)}, at the earliest ${formatDate(to.early)}.`,
      away: 0,
    };
  return date < from.early
    ? {
        chance: 'shut',
        season: null,
        hangsOn: hangsOn.from,
        why: `${capital(words.before)}: wait until about ${formatDate(from.best)}.`,
        away: daysBetween(date, from.early),
      }
    : {
        chance: 'shut',
        season: null,
        hangsOn: hangsOn.to,
        why: `${capital(words.after)}, since about ${formatDate(to.best)}.`,
        away: daysBetween(to.late, date),
      };
}

/** Open all year, but for the weeks in which the shoots of a flush that was noted are still soft. */
function flushIn(
  date: IsoDate,
  season: Season,
  { always, flushes = [], firmAfter }: Extract<SeasonWindow, { always: string }>,
): Omit<SeasonVerdict, 'inside'> {
  const last = flushes.find((began) => began <= date);
  const ready = last && firmAfter !== undefined && addDays(last, firmAfter);
  if (!ready || date >= ready) return { chance: 'open', season, why: always, away: 0 };
  return {
    chance: 'edge',
    season,
    why: `The flush that began on ${formatDate(last)} is still soft: wait until about ${formatDate(ready)}.`,
    hangsOn: 'flush-hard',
    away: 0,
  };
}

/** Days in which a union outdoors should have knitted by at least one day of full warmth. */
const SLOW_WEEKS = 28;

/** Outdoors the weeks after have to be warm enough to knit in; heat is advice, since shade and early hours help. */
function warmthOf(date: IsoDate, verdict: DayVerdict, { place, scion, climate, assumption }: FinderInput): DayVerdict {
  const kin = kinOf(scion.species);
  if (place === 'bench' || !KNITTING_KINS.includes(kin as KnittingKin)) return verdict;
  const band = knittingBand(kin as KnittingKin, assumption);
  const days = Array.from({ length: SLOW_WEEKS }, (_, i) => dayNormals(climate.normals, addDays(date, i)));
  const knits = days.reduce((sum, { low, high }) => sum + dayRate(band, low, high), 0);
  if (knits < 1)
    return {
      ...verdict,
      chance: 'edge',
      why: prose`${capital(scion.species)} hardly knits under ${celsius(band.a)}, and the weeks after are usually colder. Cover it, or come later.`,
    };
  const hot = assumption('callus-stop').value;
  if (days.slice(0, 14).some(({ high }) => high > hot))
    return {
      ...verdict,
      why: prose`${capital(verdict.season!.name)}. Days over ${celsius(hot)} are usual then: graft in the early hours, and shade the union or cover it with foil.`,
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
