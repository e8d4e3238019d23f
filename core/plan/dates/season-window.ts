import { capital } from '@/core/units/capital';
import { addDays, daysBetween, type IsoDate } from '../../units/iso-date';
import type { MethodFacts } from '../../methods/method-facts';
import type { Place, Season, WoodState } from '../../methods/use';
import type { Climate } from '../climate/normals';
import { type AssumptionById, springKin } from '../phenology/assumptions';
import { kinOf } from '../../methods/compatibility/compatibility';
import type { Phenology } from '../phenology/phenology';
import type { Estimate } from '../phenology/estimate';

/** Where scion wood comes from, and the states it can be in then. */
export const WOOD_SUPPLIES = {
  /** Cut for the day. */
  fresh: ['budwood', 'dormant', 'tip', 'tip-open'],
  /** Cut dormant and kept cold. */
  stored: ['dormant'],
  /** Dormant sticks from elsewhere. */
  post: ['dormant'],
  /** Tips of growing shoots. */
  tips: ['tip', 'tip-open'],
} satisfies Record<string, WoodState[]>;
export type WoodSupply = keyof typeof WOOD_SUPPLIES;

export interface FinderInput {
  method: MethodFacts;
  place: Place;
  /** Where the wood comes from; whatever suits the day where nothing is said. */
  wood?: WoodSupply;
  /** Year of the scion's species and of the stock's. */
  scion: Phenology;
  stock: Phenology;
  climate: Climate;
  assumption: AssumptionById;
}

/** When a season of a method is open at a site; or that it always is, or never, and why. */
export type SeasonWindow =
  | {
      from: Estimate;
      to: Estimate;
      /** Why it is doubtful before it is surely open, and after; the margins of both days where nothing is said. */
      early?: string;
      late?: string;
      /** Figures of the site that its first and its last day hang on, by their ids. */
      hangsOn: { from: string; to: string };
    }
  | { always: string; flushes?: readonly IsoDate[]; firmAfter?: number }
  | { never: string };

const FLUSHES = 'Whenever it flushes: no frost sets a date here.';
const BREAKS =
  'More than ten weeks before the first frost a bud may break before winter. Set it later, or force it to grow this year.';
const SLEEPS_GREEN = 'From now on the bud sleeps under its wrap until spring: riskier, since it may freeze.';
const BY_POST = 'With dormant sticks that come by post: there is no winter here to make wood dormant.';

/** The window of a season, by the year of scion and stock. */
export function windowOf(season: Season, input: FinderInput): SeasonWindow {
  const { method, place, scion, stock, assumption } = input;
  if (scion.evergreen) return evergreenWindow(season, input);
  const dormantWood = season.wood.includes('dormant') && !season.wood.includes('budwood');
  if (dormantWood && !scion.dormant) return postedWindow(season, input);
  const shift = shifted(assumption);
  const noSpring: SeasonWindow = { never: 'Stocks do not wake from a winter here; work goes by flushes of growth.' };
  const until = place === 'field' ? 'after-leaf' : 'after-leaf-potted';
  switch (season.phase) {
    case 'waking':
      if (!stock.swell || !stock.leavesOut) return stock.evergreen ? growthWindow(input) : noSpring;
      return {
        from: shift(stock.swell, place === 'bench' ? 'bench-lead' : 'field-lead', -1),
        to: shift(stock.leavesOut, until, 1),
        hangsOn: { from: place === 'bench' ? 'bench-lead' : 'field-lead', to: until },
      };
    case 'warmed':
      return stock.swell && stock.slipFrom
        ? {
            from: shift(stock.swell, 'bench-lead', -1),
            to: stock.slipFrom,
            hangsOn: { from: 'bench-lead', to: slipId(input) },
          }
        : noSpring;
    case 'leaves-out':
      return stock.slipFrom
        ? {
            from: stock.slipFrom,
            to: shift(stock.slipFrom, 'spring-slip', 1),
            hangsOn: { from: slipId(input), to: 'spring-slip' },
          }
        : noSpring;
    case 'early-summer':
      return forcedWindow(input, noSpring);
    case 'before-frost':
      return sleepingWindow(method.use.bark === 'must slip', input);
    case 'warm-growth':
      return growthWindow(input);
  }
}

/** The figure by which the bark of a stock slips. */
function slipId({ stock }: FinderInput): string {
  return `${springKin(kinOf(stock.species))}.slip`;
}

/** Moves a day by a figure of the site, and widens it by the figure's margin. */
function shifted(assumption: FinderInput['assumption']) {
  return (estimate: Estimate, id: string, sign: 1 | -1): Estimate => {
    const { value, margin } = assumption(id);
    const best = addDays(estimate.best, sign * value);
    return {
      ...estimate,
      best,
      early: addDays(best, -Math.hypot(daysBetween(estimate.early, estimate.best), margin)),
      late: addDays(best, Math.hypot(daysBetween(estimate.best, estimate.late), margin)),
    };
  };
}

/** A day told from the usual first frost by a rule, whose margin is the rule's own and not the frost's. */
function beforeFrost({ stock, assumption }: FinderInput, id: string): Estimate {
  const { value, margin } = assumption(id);
  const best = addDays(stock.firstFrost!.best, -value);
  return { ...stock.firstFrost!, early: best, best, late: addDays(best, margin) };
}

const later = (a: Estimate, b: Estimate | null): Estimate => (b && b.best > a.best ? b : a);
const sooner = (a: Estimate, b: Estimate | null): Estimate => (b && b.best < a.best ? b : a);

/** The end of what two things end: of each of their days the sooner one. */
function whicheverComesFirst(a: Estimate, b: Estimate): Estimate {
  const first = (x: IsoDate, y: IsoDate): IsoDate => (x < y ? x : y);
  return {
    ...sooner(a, b),
    early: first(a.early, b.early),
    best: first(a.best, b.best),
    late: first(a.late, b.late),
  };
}

/** Whenever it flushes; where it was noted when the last flush began, its shoots have to be firm first. */
function flushing({ scion, assumption }: FinderInput): SeasonWindow {
  return { always: FLUSHES, flushes: scion.flushes, firmAfter: assumption('flush-hard').value };
}

/** A bud that grows out this year: from ripe budwood until a shoot could no longer ripen before frost. */
function forcedWindow(input: FinderInput, noSpring: SeasonWindow): SeasonWindow {
  const { method, scion, stock, assumption } = input;
  if (!stock.firstFrost) return flushing(input);
  if (!scion.leavesOut || !stock.slipFrom) return noSpring;
  const budwood = shifted(assumption)(scion.leavesOut, 'budwood-ripe', 1);
  const from = method.use.bark === 'must slip' ? later(budwood, stock.slipFrom) : budwood;
  const ripens = beforeFrost(input, 'ripen');
  // It has to knit first, which a kin that wants warmth may not do as late as its shoot could ripen.
  const knits = scion.budClose !== null && scion.budClose.best < ripens.best;
  const to = scion.budClose ? whicheverComesFirst(ripens, scion.budClose) : ripens;
  if (to.best < from.best)
    return {
      never: `From ripe budwood to the first frost are ${daysBetween(from.best, stock.firstFrost.best)} days here; a bud forced the same year wants ${assumption('ripen').value} to ripen.`,
    };
  return { from, to, hangsOn: { from: 'budwood-ripe', to: knits ? 'bud-knit' : 'ripen' } };
}

/** A bud that sleeps until spring: from ripe buds on, surely once it does not break any more, until it could not knit. */
function sleepingWindow(mustSlip: boolean, input: FinderInput): SeasonWindow {
  const { scion, stock } = input;
  if (!scion.firstFrost) return flushing(input);
  if (!scion.budClose) return { never: 'It is never warm enough before the first frost here for a bud to knit.' };
  const opens = scion.budOpen!;
  const ripe = scion.budRipe ?? opens;
  const to = mustSlip ? sooner(scion.budClose, stock.slipTo) : scion.budClose;
  if (to.best < ripe.best) return { never: 'Buds ripen too late here to knit before the first frost.' };
  // Where buds are ripe only after it, there is nothing to mind.
  const minds = ripe.best < opens.best;
  return {
    from: minds ? { ...opens, early: ripe.best, late: opens.early } : opens,
    to,
    ...(minds ? { early: BREAKS } : {}),
    hangsOn: { from: minds ? 'bud-open' : 'bud-ripe', to: 'bud-knit' },
  };
}

/** Shoots growing in warmth. */
function growthWindow(input: FinderInput): SeasonWindow {
  const { scion } = input;
  if (scion.alwaysWarm) return flushing(input);
  if (!scion.warmFrom || !scion.warmTo)
    return { never: 'It never stays warm enough here for shoots to grow in warmth.' };
  const warm = scion.evergreen ? 'evergreen-warm' : 'warm';
  return { from: scion.warmFrom, to: scion.warmTo, hangsOn: { from: warm, to: warm } };
}

/** Dormant wood where no winter makes any: it is sent, and goes on stocks whenever they grow. */
function postedWindow(season: Season, { stock }: FinderInput): SeasonWindow {
  if (season.phase === 'warmed') return { never: 'Stocks need not be warmed where there is no winter.' };
  if (stock.firstFrost && stock.slipFrom) return { never: `${capital(stock.species)} here has no dormant wood.` };
  return { always: BY_POST };
}

/**
 * Kinds that keep their leaves are worked while they grow in warmth, best from spring to early summer. Where it freezes, early
 * autumn is their second, riskier time, and late autumn and winter are shut.
 */
function evergreenWindow(season: Season, input: FinderInput): SeasonWindow {
  const { method, scion, stock, assumption } = input;
  const grows = growthWindow(input);
  if (!('from' in grows)) return grows;
  const mustSlip = method.use.bark === 'must slip';
  // A stock that loses its leaves has a spring of its own.
  const from = mustSlip && !stock.evergreen ? later(grows.from, stock.slipFrom) : grows.from;
  const end = mustSlip && !stock.evergreen ? sooner(grows.to, stock.slipTo) : grows.to;
  const withWood = season.wood.includes('dormant') && !season.wood.includes('budwood');
  const { hangsOn } = grows;
  if (withWood)
    return {
      from,
      to: sooner(shifted(assumption)(grows.from, 'evergreen-spring', 1), end),
      hangsOn: { ...hangsOn, to: 'evergreen-spring' },
    };
  if (!stock.firstFrost || !scion.firstFrost) return { from, to: end, hangsOn };
  const grown = beforeFrost(input, 'ripen');
  const knits = scion.budClose ? sooner(scion.budClose, end) : end;
  switch (season.phase) {
    case 'early-summer':
    case 'leaves-out':
      return { from, to: sooner(grown, end), hangsOn: { ...hangsOn, to: 'ripen' } };
    case 'before-frost':
      // All of it is the riskier time.
      return {
        from: { ...grown, early: grown.best, late: addDays(knits.late, 1) },
        to: knits,
        early: SLEEPS_GREEN,
        hangsOn: { from: 'ripen', to: 'bud-knit' },
      };
    default:
      return {
        from,
        to: { ...knits, early: grown.best },
        late: SLEEPS_GREEN,
        hangsOn: { ...hangsOn, to: 'ripen' },
      };
  }
}
