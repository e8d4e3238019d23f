import { kindOf, kinOf } from '@/core/methods/compatibility/compatibility';
import { callusRange, assumptionsWith } from '@/core/plan/phenology/assumptions';
import { woodNeed } from '@/core/plan/dates/wood-dates';
import { readyCheck, type ReadyInput } from '@/core/plan/ready-check/ready-check';
import type { Light, ReadyLine } from '@/core/plan/ready-check/ready-line';
import { daysBetween } from '@/core/units/iso-date';
import { formatTemperature } from '@/core/units/temperature';
import { allow, type Context } from '@/server/platform/context';
import { pairWarnings } from '@/core/plan/wood/pair-warnings';
import { clubPairings } from './club-pairings';
import { pairsOf } from './pairs-of-day';
import { reckonedPlan } from './planning';
import { quantities } from './quantities';
import { edgesTold } from '@/core/plan/ready-check/edges';
import { edges } from './edges';
import { listSeats } from './seats';
import { listObservations } from '@/server/club/sites';
import { ledger, warningsOf } from './wood-ledger';
import { workshopLots } from './lots';
import type { SiteRow } from '@/db/models/plan-rows';

export interface Readiness {
  light: Light;
  lines: ReadyLine[];
  people: number;
  date: string;
  title: string;
  simulated: boolean;
  siteId: string;
  /** Today at the site. */
  today: string;
}

const FORTNIGHT = 14;
/** How many days ahead weather is forecast. */
const FORECAST_DAYS = 10;

/**
 * The morning's question: go, go with care, or stop, from all that is known of the workshop.
 *
 * @param heard persons who have acknowledged the briefing as it reads now.
 */
export async function readiness(context: Context, workshopId: string, heard: ReadonlySet<string>): Promise<Readiness> {
  allow(context, 'viewer');
  const amounts = await quantities(context, workshopId);
  const { workshop, site, facts } = amounts;
  const [seats, lots, observations, pairings, { body: tested }] = await Promise.all([
    listSeats(context, workshopId),
    workshopLots(context, workshopId),
    listObservations(context, site.id),
    clubPairings(context),
    edges(context, workshopId),
  ]);
  const { taught, conflicts } = reckonedPlan(facts);
  const own = await ledger(
    context,
    lots.wood.map(({ id }) => id),
  );
  const present = seats.filter(({ absent }) => !absent);
  const needs = taught.map(woodNeed);
  const seenOf = lookUp(observations, new Set(taught.map(({ stock }) => kindOf(stock.species))), workshop.date);
  const bark = seenOf(['bark-slips', 'bark-tight'], ['bark-slips']);
  const stocks = seenOf(
    ['buds-shut', 'buds-swell', 'leaves-out', 'bark-slips'],
    ['buds-swell', 'leaves-out', 'bark-slips'],
  );
  const barkMethods = taught.filter(({ method }) => method.use.bark === 'must slip');
  const input: ReadyInput = {
    date: workshop.date,
    today: facts.today,
    people: present.length,
    conflicts,
    wants: {
      dormantWood: needs.some((need) => need === 'bench' || need === 'leaf'),
      slippingBark: barkMethods.length > 0,
      awakeStocks: taught.some(({ season }) => season?.phase === 'waking' || season?.phase === 'warmed'),
    },
    lots: lotsLooked(context, own, workshop.date, site),
    seen: { bark: bark && { slips: bark.good, on: bark.on }, stocks: stocks && { awake: stocks.good, on: stocks.on } },
    expected: {
      barkSlips:
        barkMethods.length === 0
          ? null
          : expectSlip(
              barkMethods.map(({ stock }) => stock),
              workshop.date,
            ),
      stocksAwake: taught.every(
        ({ stock, plan }) => plan.place !== 'bench' && stock.swell !== null && stock.swell.late <= workshop.date,
      )
        ? true
        : null,
    },
    pairs: pairWarnings(pairsOf(taught, lots), pairings),
    briefed: { heard: present.filter(({ person }) => heard.has(person.id)).length, outOf: present.length },
    edges: edgesTold(tested.knives, {
      people: present.length,
      leftHanded: present.filter(({ leftHanded }) => leftHanded).length,
      handed: facts.tools.some(({ handed }) => handed),
    }),
    enough: [...lotsShort(amounts, lots), ...kitShort(amounts.lines)],
    forecast: forecastOf(
      context,
      amounts,
      taught.every(({ plan }) => plan.place === 'bench'),
    ),
  };
  return {
    ...readyCheck(input),
    people: present.length,
    date: workshop.date,
    title: workshop.title,
    simulated: context.weather.simulated,
    siteId: site.id,
    today: facts.today,
  };
}

/** The latest of some signs that was seen on stocks of the day, and whether it is a good one. */
function lookUp(
  observations: Awaited<ReturnType<typeof listObservations>>,
  stockSpecies: ReadonlySet<string>,
  date: string,
) {
  return (signs: string[], good: string[]): { on: string; good: boolean } | null => {
    const recorded = observations.find(
      ({ species, sign, seenOn }) => stockSpecies.has(kindOf(species)) && signs.includes(sign) && seenOn <= date,
    );
    return recorded ? { on: recorded.seenOn, good: good.includes(recorded.sign) } : null;
  };
}

function expectSlip(
  stocks: { slipFrom: { early: string; late: string } | null; slipTo: { early: string; late: string } | null }[],
  date: string,
): boolean | null {
  if (stocks.some(({ slipFrom, slipTo }) => (slipFrom && date < slipFrom.early) || (slipTo && date > slipTo.late)))
    return false;
  return stocks.every(({ slipFrom, slipTo }) => slipFrom && date >= slipFrom.late && slipTo && date <= slipTo.early)
    ? true
    : null;
}

/** Stocks and sticks beside what is needed. A lot that was chosen and not counted, or not booked, may hold all of it. */
function lotsShort(
  { stocks, wood }: Pick<Awaited<ReturnType<typeof quantities>>, 'stocks' | 'wood'>,
  lots: Awaited<ReturnType<typeof workshopLots>>,
): ReadyInput['enough'] {
  const chosen = (rows: readonly { species: string }[], species: string): boolean =>
    rows.some((lot) => kindOf(lot.species) === kindOf(species));
  return [
    ...stocks.map(({ species, needed, there }) => ({
      what: `${species} stocks`,
      needed,
      there,
      counted: there > 0 || !chosen(lots.stocks, species),
    })),
    ...wood.map(({ species, needed, booked }) => ({
      what: `${species} sticks booked`,
      needed,
      there: booked,
      counted: booked > 0 || !chosen(lots.wood, species),
    })),
  ];
}

/** Kit that is counted in the store and falls short; what nobody counted is one line. */
function kitShort(lines: Awaited<ReturnType<typeof quantities>>['lines']): ReadyInput['enough'] {
  const kit = lines.filter(({ id }) => !id.startsWith('stocks-') && !id.startsWith('sticks-') && id !== 'bed');
  const short = kit.filter(({ buy }) => buy > 0);
  return kit.length === 0
    ? []
    : [
        {
          what:
            short.length === 0
              ? 'Kit'
              : `Lines of the kit list that the store covers (short of ${short
                  .slice(0, 3)
                  .map(({ name }) => name)
                  .join(', ')}${short.length > 3 ? ` and ${short.length - 3} more` : ''})`,
          needed: kit.length,
          there: kit.length - short.length,
          counted: kit.some(({ inStore }) => inStore > 0),
        },
      ];
}

function forecastOf(
  context: Context,
  { workshop, site, plan, facts }: Awaited<ReturnType<typeof quantities>>,
  indoors: boolean,
): ReadyInput['forecast'] {
  if (!site.climate) return null;
  // Nobody knows the weather of a day further ahead.
  const known = Math.min(FORTNIGHT, FORECAST_DAYS - Math.max(0, daysBetween(facts.today, workshop.date)));
  if (known <= 0) return null;
  const days = context.weather.days(site.id, site.climate.normals, workshop.date, known);
  const assumption = assumptionsWith(site.assumptions);
  const range = callusRange(kinOf(plan.methods[0]!.scionSpecies), assumption);
  const means = days.map(({ low, high }) => (low + high) / 2);
  return {
    simulated: context.weather.simulated,
    hottest: Math.max(...days.map(({ high }) => high)),
    coldest: Math.min(...days.map(({ low }) => low)),
    mean: means.reduce((a, b) => a + b, 0) / means.length,
    indoors,
    limits: range && { from: range.slow, to: range.to, stop: assumption('callus-stop').value },
    degrees: (celsius) => formatTemperature(celsius, context.actor.temperatureUnit),
  };
}

/** Each lot with its last look and what there is to mind. */
function lotsLooked(
  context: Context,
  own: Awaited<ReturnType<typeof ledger>>,
  date: string,
  { region, quarantine }: SiteRow,
): ReadyInput['lots'] {
  return own.map((lot) => {
    const last = lot.checks.at(-1);
    return {
      variety: lot.variety,
      lastCheck: last ? { on: last.lookedOn } : null,
      warnings: warningsOf(context, lot, date, { region, quarantine }),
    };
  });
}
