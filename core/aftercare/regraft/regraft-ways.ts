import type { MethodFacts } from '../../methods/method-facts';
import { type Place, type Season, thinnestStock, type VariantId } from '../../methods/use';
import { woodNeed, woodWindow } from '../../plan/dates/wood-dates';
import type { AssumptionById } from '../../plan/phenology/assumptions';
import type { Phenology } from '../../plan/phenology/phenology';
import { TOLERANCE } from '../../units/tolerance';
import { addDays, type IsoDate } from '../../units/iso-date';

/** A season of a method, and the days on which it is open; no days where every day will do. */
export interface OpenSeason {
  season: Season;
  days: { from: IsoDate; to: IsoDate } | null;
}

/** One year of the plants at a site, as one who grafts again has to know it. */
export interface RegraftYear {
  scion: Phenology;
  stock: Phenology;
  /** When the seasons of a method are open there; those that never are, are left out. */
  seasons: (method: MethodFacts, place: Place) => OpenSeason[];
}

/** What can still be done about a union that died, hangs on this. */
export interface RegraftFacts {
  today: IsoDate;
  /** The day it was found dead: its own season counts from there, and the next. */
  foundOn: IsoDate;
  /** The method that failed. */
  failed: MethodFacts;
  /** All methods that are known. */
  methods: readonly MethodFacts[];
  /** The year that holds a day. */
  yearOf: (day: IsoDate) => RegraftYear;
  assumption: AssumptionById;
  /** Dormant sticks of the variety that are left in the cold. */
  sticksLeft: number;
  /** Of the stock, mm; null where nobody measured it. */
  caliper: number | null;
}

/**
 * The wood a way wants: sticks that are left in the cold; to be cut in the winter before; cut fresh on the day; or
 * dormant sticks that nobody here has any more.
 */
export type RegraftWood = 'left' | 'to-cut' | 'fresh' | 'sought';

/** A way to graft a stock again. */
export interface RegraftWay {
  method: string;
  variant: VariantId;
  from: IsoDate;
  /** The last sensible day. */
  to: IsoDate;
  /** In the season in which it was found dead, or in the one after. */
  season: 'this' | 'next';
  wood: RegraftWood;
  /** When dormant wood for it is cut; null where none has to be. */
  cut: { from: IsoDate; to: IsoDate } | null;
  /** It goes into the side of the stem that the dead bud left whole. */
  otherSide: boolean;
  /** Calipers of the stock that it wants, mm; no upper figure where thicker ones do as well. */
  stock: { from: number; to: number | null };
}

/** Where nothing ends with the year, a stock is worked again within half of one: our guess. */
const HALF_A_YEAR = 182;

/**
 * All that can still be done on the stock of a union that died, in the season in which that was found and in the next:
 * by the method that failed, and by those of a first day. Each has the days on which its season is open at the site,
 * and the wood it wants. A graft of dormant wood still needs time to ripen before the first frost.
 *
 * @param facts lengths mm
 * @returns the way that begins first comes first; none after the season that follows
 * @throws RangeError when there are fewer than no sticks
 * @example regraftWays({ ...facts, sticksLeft: 0 }).map(({ wood }) => wood) // ['fresh', 'to-cut', …]
 */
export function regraftWays(facts: RegraftFacts): RegraftWay[] {
  const { today, foundOn, failed, methods, yearOf, sticksLeft } = facts;
  if (!(sticksLeft >= 0)) throw new RangeError('Sticks are counted from 0.');
  const years = [yearOf(foundOn), yearOf(addDays(yearOf(foundOn).stock.to, 1))];
  const candidates = methods.filter(({ id, use }) => id === failed.id || use.skill === 1);
  const ways = candidates.flatMap((method) => {
    const place = (['field', 'pot'] as const).find((each) => method.use.places.includes(each));
    if (!place) return [];
    return years.flatMap((year, i) =>
      year.seasons(method, place).flatMap((open) => wayIn(facts, year, { ...open, method, next: i === 1 }) ?? []),
    );
  });
  const first = new Map<string, RegraftWay>();
  for (const way of ways.sort(bySuit(failed.id))) {
    // What can still be done this season need not be named again for the next.
    const key = `${way.method} ${way.variant}`;
    if (way.to >= today && !first.has(key)) first.set(key, way);
  }
  return [...first.values()];
}

/** The way to take next: the first for which there is wood, or will be; where there is none, the first. */
export function nextWay(ways: readonly RegraftWay[]): RegraftWay | null {
  return ways.find(({ wood }) => wood !== 'sought') ?? ways[0] ?? null;
}

/** What begins first; of what begins on one day the method that failed, which whoever made it knows. */
const bySuit =
  (failed: string) =>
  (a: RegraftWay, b: RegraftWay): number =>
    a.from.localeCompare(b.from) ||
    Number(b.method === failed) - Number(a.method === failed) ||
    a.to.localeCompare(b.to) ||
    a.method.localeCompare(b.method);

/** Whether a stock is right for a method; what is too thin now can grow until the season that follows. */
function suitsStock({ stock }: MethodFacts['use'], caliper: number | null, next: boolean): boolean {
  if (caliper === null) return true;
  const thickEnough = next || caliper >= thinnestStock(stock, 'field') - TOLERANCE;
  return thickEnough && (stock.thicker || caliper <= stock.to + TOLERANCE);
}

/** A method in one of its seasons in one year; null where that was over before the union died. */
function wayIn(
  facts: RegraftFacts,
  { scion, stock }: RegraftYear,
  { method, season, days, next }: OpenSeason & { method: MethodFacts; next: boolean },
): RegraftWay | null {
  const { foundOn, failed, assumption } = facts;
  // Where every day will do, the season that follows offers nothing that this one did not.
  if ((days === null && next) || !suitsStock(method.use, facts.caliper, next)) return null;
  const dormant = !scion.evergreen && season.wood.includes('dormant') && !season.wood.includes('budwood');
  const ripens = dormant && stock.firstFrost ? addDays(stock.firstFrost.best, -assumption('ripen').value) : null;
  const from = days === null ? foundOn : later(days.from, foundOn);
  const closes = days === null ? addDays(foundOn, HALF_A_YEAR) : days.to;
  const to = ripens !== null && ripens < closes ? ripens : closes;
  if (to < from) return null;
  const { use } = method;
  const cut = dormant && scion.dormant ? cutting({ method, season }, from, scion, assumption) : null;
  return {
    method: method.id,
    variant: season.variant ?? method.variants.find(({ places }) => places?.includes('field'))?.id ?? 'usual',
    from,
    to,
    season: next ? 'next' : 'this',
    ...woodFor(facts, { dormant, next, cut }),
    otherSide: !next && use.takes.piece === 'bud' && failed.use.takes.piece === 'bud',
    stock: { from: thinnestStock(use.stock, 'field'), to: use.stock.thicker ? null : use.stock.to },
  };
}

/** Days on which dormant wood is cut for a graft; null where it sleeps on none of them. */
function cutting(
  taught: { method: MethodFacts; season: Season },
  from: IsoDate,
  { dormant, swell }: Phenology,
  assumption: AssumptionById,
): { from: IsoDate; to: IsoDate } | null {
  const need = woodNeed(taught) === 'leaf' ? 'leaf' : 'bench';
  const usual = woodWindow(from, need, assumption);
  const sleepsUntil = swell ? addDays(swell.early, -1) : usual.to;
  const days = {
    from: later(usual.from, dormant!.best),
    to: sleepsUntil < usual.to ? sleepsUntil : usual.to,
  };
  return days.from <= days.to ? days : null;
}

function woodFor(
  { today, sticksLeft }: RegraftFacts,
  { dormant, next, cut }: { dormant: boolean; next: boolean; cut: RegraftWay['cut'] },
): Pick<RegraftWay, 'wood' | 'cut'> {
  if (!dormant) return { wood: 'fresh', cut: null };
  // What is in the cold now does not keep until the spring after next.
  if (!next && sticksLeft > 0) return { wood: 'left', cut: null };
  return cut !== null && cut.to >= today ? { wood: 'to-cut', cut } : { wood: 'sought', cut: null };
}

const later = (a: IsoDate, b: IsoDate): IsoDate => (a > b ? a : b);
