import { counted } from '../../units/counted';
import { celsius, type Prose, prose, warmthSum } from '../../units/prose';
import type { Climate } from '../climate/normals';
import { dayNormals } from '../climate/day-normals';
import { degreeDays } from '../climate/degree-days';
import { kindOf, kinOf } from '../../methods/compatibility/compatibility';
import { addDays, daysBetween, type IsoDate } from '../../units/iso-date';
import { type AssumptionById, springKin } from './assumptions';
import { type BuddingDates, buddingOf } from './budding-window';
import { isEvergreen } from './evergreens';
import type { Observation, Sign } from './observation';
import { fallingUnder, risingOver, sleepOf } from './mean-crossings';
import { type Estimate, observed } from './estimate';

/** A species' year at a site, from one midwinter to the next. Null where it does not happen there. */
export interface Phenology extends BuddingDates {
  species: string;
  from: IsoDate;
  to: IsoDate;
  evergreen: boolean;
  /** Wood has been safely dormant since: in the autumn before. */
  dormant: Estimate | null;
  swell: Estimate | null;
  leavesOut: Estimate | null;
  slipFrom: Estimate | null;
  slipTo: Estimate | null;
  lastFrost: Estimate | null;
  firstFrost: Estimate | null;
  /** Shoots grow in warmth between these days. */
  warmFrom: Estimate | null;
  warmTo: Estimate | null;
  /** Warm all year, when `warmFrom` and `warmTo` say nothing. */
  alwaysWarm: boolean;
  /** Days on which a flush of growth was seen to begin, the latest first. */
  flushes: IsoDate[];
}

export interface PhenologyInput {
  species: string;
  hemisphere: 'north' | 'south';
  climate: Climate;
  assumption: AssumptionById;
  observations: Observation[];
}

const LONG = 400;

/**
 * Midwinter that the cycle of `date` is counted from: 1 January in the north, 1 July in the south.
 * Once the leaves are down, six weeks before it, a day belongs to the spring that comes.
 */
export function cycleStart(date: IsoDate, hemisphere: 'north' | 'south'): IsoDate {
  const year = Number(date.slice(0, 4));
  const day = date.slice(5);
  if (hemisphere === 'north') return `${day >= '11-16' ? year + 1 : year}-01-01`;
  return `${day >= '05-16' ? year : year - 1}-07-01`;
}

/**
 * The year of a species in the cycle that holds `date`. Spring comes from degree days since
 * midwinter over the site's normals; its margin is that of the figure in a spring warmer or colder
 * than usual. What was seen goes before what was reckoned, and what follows counts on from it.
 */
export function phenologyOf(
  { species, hemisphere, climate, assumption, observations }: PhenologyInput,
  date: IsoDate,
): Phenology {
  const from = cycleStart(date, hemisphere);
  const to = addDays(cycleStart(addDays(from, 366), hemisphere), -1);
  const kin = kinOf(species);
  const evergreen = isEvergreen(species);
  const own = observations.filter((observation) => kindOf(observation.species) === kindOf(species));
  const seen = (sign: Sign, since: IsoDate, until: IsoDate): IsoDate | null =>
    own
      .filter((observation) => observation.sign === sign && observation.on >= since && observation.on <= until)
      .map(({ on }) => on)
      .sort()[0] ?? null;
  const mean = (day: IsoDate, shift = 0): number => {
    const { low, high } = dayNormals(climate.normals, day);
    return (low + high) / 2 + shift;
  };
  const frost = frostsOf(climate, from);
  const colds = sleepOf(from, mean, climate.firstFrost, assumption);
  const fallen = seen('leaves-fallen', addDays(from, -200), addDays(from, 60));
  const lag = assumption('sleep-lag');
  const dormant = evergreen
    ? null
    : fallen
      ? observed(addDays(fallen, lag.value), 'leaves seen fallen')
      : colds
        ? widened(
            colds,
            lag.value,
            lag.margin,
            prose`${counted(lag.value, 'day')} after leaves fall: ${colds.basis}`,
            lag.source,
          )
        : null;
  const spring = evergreen || !dormant ? NO_SPRING : springOf(from, species, kin, climate, assumption, seen, own);
  const midsummer = addDays(from, 180);
  const tight = seen('bark-tight', midsummer, to);
  const slipTo = spring.slipFrom
    ? tight
      ? observed(addDays(tight, -1), 'bark seen tight')
      : fallingUnder('slip-end', midsummer, mean, assumption)
    : null;
  const warms = evergreen ? 'evergreen-warm' : 'warm';
  const warm = assumption(warms);
  const risesTo = risingOver(from, to, mean, warm.value, warm.margin, warm.source);
  return {
    species,
    from,
    to,
    evergreen,
    dormant,
    ...spring,
    slipTo,
    ...frost,
    ...buddingOf({ kin, climate, firstFrost: frost.firstFrost, leavesOut: spring.leavesOut, assumption }),
    warmFrom: risesTo,
    warmTo: risesTo ? fallingUnder(warms, midsummer, mean, assumption) : null,
    alwaysWarm: !risesTo && mean(from) >= warm.value && mean(midsummer) >= warm.value,
    flushes: own
      .filter(({ sign }) => sign === 'flush')
      .map(({ on }) => on)
      .sort()
      .reverse(),
  };
}

const NO_SPRING = { swell: null, leavesOut: null, slipFrom: null };

function springOf(
  from: IsoDate,
  species: string,
  kin: string | null,
  climate: Climate,
  assumption: AssumptionById,
  seen: (sign: Sign, since: IsoDate, until: IsoDate) => IsoDate | null,
  own: Observation[],
): { swell: Estimate | null; leavesOut: Estimate | null; slipFrom: Estimate | null } {
  const base = assumption('base').value;
  const shift = assumption('warm-year').value;
  const warmth = (since: IsoDate, target: number, warmer: number): IsoDate | null => {
    let sum = 0;
    for (let i = 0; i < LONG; i++) {
      const day = addDays(since, i);
      const { low, high } = dayNormals(climate.normals, day);
      sum += degreeDays(low + warmer, high + warmer, base);
      if (sum >= target) return day;
    }
    return null;
  };
  const midsummer = addDays(from, 180);
  const start = assumption(`${springKin(kin)}.start`);
  const earliest = { best: addDays(from, start.value) };
  // Degree days count from midwinter, or on from the last thing that was seen or had to wait for its time.
  let since = from;
  let done = 0;
  const at = (stage: 'swell' | 'leaf' | 'slip', sign: Sign, words: string): Estimate | null => {
    const figure = assumption(`${springKin(kin)}.${stage}`);
    const on = seen(sign, from, midsummer);
    if (on) {
      [since, done] = [on, figure.value];
      return observed(on, `seen: ${words}`);
    }
    // A margin counts in full from midwinter, and only for what is left from a stage that was seen.
    const left = Math.max(0, figure.value - done);
    const margin = figure.margin * (left / figure.value);
    const warm = warmth(since, left, 0);
    if (!warm) return null;
    // However mild the winter, a kin does not begin before its time; from there on warmth counts.
    const held = stage === 'swell' && done === 0 && warm < earliest.best;
    const best = held ? earliest.best : warm;
    if (held) [since, done] = [earliest.best, figure.value];
    // Two causes that know nothing of one another: their days add as squares do.
    const days = (far: IsoDate | null): number => (far ? daysBetween(best, far) : 30);
    const early = held
      ? addDays(best, -start.margin)
      : addDays(best, -Math.hypot(days(warmth(since, left - margin, 0)), days(warmth(since, left, shift))));
    const late = held
      ? addDays(best, start.margin)
      : addDays(best, Math.hypot(days(warmth(since, left + margin, 0)), days(warmth(since, left, -shift))));
    const notBefore =
      stage === 'swell'
        ? lastSeen(own, 'buds-shut', from, midsummer)
        : stage === 'slip'
          ? lastSeen(own, 'bark-tight', from, midsummer)
          : null;
    const after = notBefore ? addDays(notBefore, 1) : from;
    const max = (day: IsoDate): IsoDate => (day > after ? day : after);
    return {
      early: max(early),
      best: max(best),
      late: max(late),
      observed: false,
      source: figure.source,
      basis: held
        ? prose`no earlier than ${counted(start.value, 'day')} after midwinter, however mild`
        : prose`${warmthSum(figure.value)} above ${celsius(base)}${done > 0 ? ', counted on from the stage before' : ''}${notBefore ? ', not yet seen by then' : ''}`,
    };
  };
  return {
    swell: at('swell', 'buds-swell', 'buds swell'),
    leavesOut: at('leaf', 'leaves-out', 'leaves out'),
    slipFrom: at('slip', 'bark-slips', 'bark slips'),
  };
}

function lastSeen(own: Observation[], sign: Sign, since: IsoDate, until: IsoDate): IsoDate | null {
  return (
    own
      .filter((observation) => observation.sign === sign && observation.on >= since && observation.on <= until)
      .map(({ on }) => on)
      .sort()
      .at(-1) ?? null
  );
}

function widened(estimate: Estimate, days: number, margin: number, basis: Prose, source: string | null): Estimate {
  return {
    early: addDays(estimate.early, days - margin),
    best: addDays(estimate.best, days),
    late: addDays(estimate.late, days + margin),
    basis,
    source,
    observed: false,
  };
}

function frostsOf(
  { lastFrost, firstFrost, frostMargin }: Climate,
  from: IsoDate,
): Pick<Phenology, 'lastFrost' | 'firstFrost'> {
  const on = (monthDay: string | null): Estimate | null => {
    if (!monthDay) return null;
    const year = Number(from.slice(0, 4)) + (monthDay < from.slice(5) ? 1 : 0);
    const best = `${year}-${monthDay === '02-29' ? '02-28' : monthDay}`;
    return {
      early: addDays(best, -frostMargin),
      best,
      late: addDays(best, frostMargin),
      basis: 'frost dates of the site',
      source: 'the site’s frost dates',
      observed: false,
    };
  };
  return { lastFrost: on(lastFrost), firstFrost: on(firstFrost) };
}
