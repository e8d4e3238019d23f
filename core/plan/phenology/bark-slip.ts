import type { DayWeather } from '../climate/day-weather';
import { celsius, mm, type Prose, prose } from '../../units/prose';
import { addDays, daysBetween, formatDate, type IsoDate } from '../../units/iso-date';
import type { Estimate } from './estimate';
import type { Phenology } from './phenology';

/** Parts of a day in which bark lifts otherwise. */
export const DAY_PARTS = ['morning', 'midday', 'evening'] as const;
export type DayPart = (typeof DAY_PARTS)[number];

/** Whether bark will probably lift. */
export type SlipOdds = 'likely' | 'possible' | 'unlikely';

/** What is known of the plants and the weather. */
export interface SlipFacts {
  date: IsoDate;
  /** The year of the stock's kind that holds the day. */
  stock: Pick<Phenology, 'slipFrom' | 'slipTo' | 'evergreen' | 'warmFrom' | 'warmTo' | 'alwaysWarm'>;
  /** The ten days before and the day itself, as far as they are known. */
  weather: readonly DayWeather[];
  /** Days on which the stocks were watered. */
  watered: readonly IsoDate[];
  /** Test cuts on plants of this kind at the site. */
  tests: readonly { on: IsoDate; slips: boolean }[];
}

export interface SlipOutlook {
  parts: { part: DayPart; odds: SlipOdds }[];
  /** What it goes by, the weightiest first. */
  why: Prose[];
  /** What would help. */
  advice: Prose | null;
}

/** Days of rain, watering and test cuts that count. */
const WATER_DAYS = 10;
const TEST_DAYS = 14;
/*
 * All of these are guesses of ours: how far each moves the odds, as logits. A test cut of the day outweighs what the weather says,
 * and counts for less the older it is.
 */
const SEASON_ODDS = 1.7;
const TEST_ODDS = 3.2;
/** A watering, as so much rain, mm. */
const WATERING = 15;
const RAIN = { dry: 8, wet: 20 };
const HEAT = { warm: 25, hot: 30 };
const HEAT_ODDS: Record<DayPart, { warm: number; hot: number }> = {
  morning: { warm: 0, hot: -0.2 },
  midday: { warm: -0.5, hot: -1.3 },
  evening: { warm: -0.2, hot: -0.6 },
};
const MORNING = 0.3;
const LIKELY = 0.65;
const UNLIKELY = 0.35;

/**
 * Whether bark will lift on a day, morning, midday and evening: by the season of the stock's kind, rain and watering of ten days,
 * heat, and the test cuts that were noted.
 *
 * @example slipOutlook(factsOfAMayMorning).parts[0] // { part: 'morning', odds: 'likely' }
 */
export function slipOutlook({ date, stock, weather, watered, tests }: SlipFacts): SlipOutlook {
  const season = seasonOdds(date, stock);
  const water = waterOdds(date, weather, watered);
  const tested = testOdds(date, tests);
  const today = weather.find((day) => day.date === date);
  const parts = DAY_PARTS.map((part) => {
    const heat = today === undefined ? 0 : heatOdds(part, today.high);
    // Out of season neither rain nor a cool morning makes bark slip; a test cut tells more than the calendar.
    const rest = season.out ? 0 : water.odds + heat + (part === 'morning' ? MORNING : 0);
    return { part, odds: oddsOf(season.odds + rest + tested.odds) };
  });
  const hot = today !== undefined && today.high > HEAT.warm && !season.out;
  return {
    parts,
    why: [
      ...tested.why,
      season.why,
      ...(season.out ? [] : water.why),
      ...(hot ? [prose`Up to ${celsius(today.high)} that day: bark tightens by midday.`] : []),
    ],
    advice: adviceFor(season.out, water.dry, parts),
  };
}

function oddsOf(logit: number): SlipOdds {
  const p = 1 / (1 + Math.exp(-logit));
  return p >= LIKELY ? 'likely' : p <= UNLIKELY ? 'unlikely' : 'possible';
}

type Odds = { odds: number; why: Prose; out: boolean };

/** By the stock's season; an evergreen slips while it grows in warmth. */
function seasonOdds(date: IsoDate, stock: SlipFacts['stock']): Odds {
  const { evergreen, alwaysWarm } = stock;
  const [from, to] = evergreen ? [stock.warmFrom, stock.warmTo] : [stock.slipFrom, stock.slipTo];
  if (!from || !to)
    return evergreen && alwaysWarm
      ? { odds: SEASON_ODDS, why: 'Its shoots grow all year here.', out: false }
      : { odds: 0, why: 'Nothing is known here of when its bark slips: only a test cut can tell.', out: false };
  const share = Math.min(shareFrom(date, from), 1 - shareFrom(date, to));
  const odds = SEASON_ODDS * (2 * share - 1) - (share === 0 ? SEASON_ODDS : 0);
  const words = `${formatDate(from.best)} to ${formatDate(to.best)}`;
  if (share === 0) return { odds, why: `Out of season: bark slips about ${words}.`, out: true };
  return share < 1
    ? { odds, why: `At the edge of its season: bark slips about ${words}.`, out: false }
    : { odds, why: `In season: bark slips about ${words}.`, out: false };
}

/** How sure it is that a turn of the year has come, 0 to 1. */
function shareFrom(date: IsoDate, { early, late }: Estimate): number {
  if (date < early) return 0;
  if (date >= late) return 1;
  return (daysBetween(early, date) + 1) / (daysBetween(early, late) + 1);
}

function waterOdds(
  date: IsoDate,
  weather: readonly DayWeather[],
  watered: readonly IsoDate[],
): { odds: number; why: Prose[]; dry: boolean } {
  const since = addDays(date, -WATER_DAYS);
  const rains = weather.filter((day) => day.date >= since && day.date <= date && day.rain !== null);
  const waterings = watered.filter((day) => day >= since && day <= date).length;
  if (rains.length === 0 && waterings === 0)
    return { odds: 0, why: ['Neither rain nor watering of the ten days before is known.'], dry: false };
  const rain = rains.reduce((sum, day) => sum + day.rain!, 0);
  const all = rain + waterings * WATERING;
  const words = prose`${mm(Math.round(rain))} of rain in ten days${waterings > 0 ? `, watered ${waterings === 1 ? 'once' : `${waterings} times`}` : ''}`;
  if (all < RAIN.dry) return { odds: -1.2, why: [prose`Dry: ${words}.`], dry: true };
  return all < RAIN.wet
    ? { odds: -0.2, why: [prose`Some water: ${words}.`], dry: false }
    : { odds: 0.4, why: [prose`Well watered: ${words}.`], dry: false };
}

function testOdds(date: IsoDate, tests: SlipFacts['tests']): { odds: number; why: Prose[] } {
  const recent = tests.filter(({ on }) => on <= date && daysBetween(on, date) <= TEST_DAYS);
  if (recent.length === 0) return { odds: 0, why: [] };
  const odds = recent.reduce(
    (sum, { on, slips }) => sum + (slips ? 1 : -1) * TEST_ODDS * Math.exp(-daysBetween(on, date) / 5),
    0,
  );
  const last = recent.reduce((a, b) => (b.on >= a.on ? b : a));
  return {
    odds: Math.max(-2 * TEST_ODDS, Math.min(2 * TEST_ODDS, odds)),
    why: [
      `${recent.length === 1 ? 'The last test cut' : `The last of ${recent.length} test cuts`}, ${formatDate(last.on)}: bark ${last.slips ? 'slipped' : 'did not slip'}.`,
    ],
  };
}

function heatOdds(part: DayPart, high: number): number {
  if (high > HEAT.hot) return HEAT_ODDS[part].hot;
  return high > HEAT.warm ? HEAT_ODDS[part].warm : 0;
}

function adviceFor(out: boolean, dry: boolean, parts: SlipOutlook['parts']): Prose | null {
  if (out) return 'Choose a method whose bark need not slip, such as a chip, or wait.';
  if (dry) return 'Water well every few days for a week before, and test on the morning itself.';
  if (parts.some(({ odds }) => odds === 'likely') && parts.some(({ odds }) => odds !== 'likely'))
    return `Work in the ${parts.find(({ odds }) => odds === 'likely')!.part}, and test each stock on a piece that comes off anyway.`;
  return 'Test each stock on a piece that comes off anyway before it is opened.';
}
