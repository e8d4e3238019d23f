import { bleeds, kinOf } from '../../methods/compatibility/compatibility';
import { MILESTONE_WORDS } from '../../methods/milestones';
import { dueWindow, type DueWindow } from '../../methods/timetable/due-window';
import { signWords } from '../../methods/timetable/round-advice';
import type { TurnsOfYear } from '../../methods/timetable/season-phases';
import { PLANT_OUT } from '../../methods/timetable/tasks';
import { timetable } from '../../methods/timetable/timetable';
import { callusRange } from '../phenology/assumptions';
import type { Phenology } from '../phenology/phenology';
import { addDays, type IsoDate } from '../../units/iso-date';
import { woodDates } from './wood-dates';
import { type PlannedDate, type Taught, type DatesInput } from './planned-date';

/** All dates that hang on the day of a workshop, in their order. */
export function workshopDates(input: DatesInput): PlannedDate[] {
  const { date, title, taught } = input;
  const dates: PlannedDate[] = [
    ...woodDates(input),
    ...stockDates(input),
    {
      id: 'day',
      name: title,
      from: date,
      to: date,
      how: taught.map(({ method }) => method.name).join(', '),
      source: null,
      kind: 'day',
    },
    ...afterwards(input),
  ];
  return dates.sort((a, b) => a.from.localeCompare(b.from) || a.to.localeCompare(b.to));
}

function stockDates({ date, taught, assumption, degrees }: DatesInput): PlannedDate[] {
  const dates: PlannedDate[] = [];
  const potted = taught.filter(({ plan }) => plan.place !== 'field');
  const species = (list: Taught[]): string => [...new Set(list.map(({ stock }) => stock.species))].join(', ');
  if (potted.length > 0) {
    const order = assumption('stocks-order');
    dates.push({
      id: 'stocks-order',
      name: `Order stocks: ${species(potted)}`,
      from: addDays(date, -order.value - order.margin),
      to: addDays(date, -order.value + order.margin),
      kind: 'stocks',
      source: order.source,
      how: 'State the caliper at the place of the cut.',
    });
  }
  const bench = taught.filter(
    ({ plan, season }) =>
      plan.place === 'bench' && (season === null || season.phase === 'waking' || season.phase === 'warmed'),
  );
  if (bench.length > 0) {
    const warm = assumption('stocks-warm');
    const range = callusRange(kinOf(bench[0]!.stock.species), assumption);
    dates.push({
      id: 'stocks-warm',
      name: `Bring stocks into warmth: ${species(bench)}`,
      from: addDays(date, -warm.value - warm.margin),
      to: addDays(date, -warm.value + warm.margin),
      kind: 'stocks',
      source: warm.source,
      how: `Trim the roots: any above the main whorl off, the rest by about half. Moist, ${range ? `${degrees(range.from)} to ${degrees(range.to)}` : 'warm'}. Ready when buds and root tips move${bench.some(({ season }) => season?.phase === 'warmed') ? ' and bark slips' : ''}.`,
    });
  }
  const bleeding = taught.filter(({ stock }) => bleeds(stock.species));
  if (bleeding.length > 0) {
    const [early, late] = [assumption('bleed-early'), assumption('bleed-late')];
    dates.push({
      id: 'bleed-cut',
      name: `Cut bleeding stocks off: ${species(bleeding)}`,
      from: addDays(date, -early.value),
      to: addDays(date, -late.value),
      kind: 'stocks',
      source: early.source,
      how: 'Gash below the cut so that sap runs out there.',
    });
    dates.push({
      id: 'bleed-gash',
      name: 'Fresh gashes on bleeding stocks',
      from: date,
      to: date,
      kind: 'stocks',
      source: early.source,
      how: 'Before the first cut of the day.',
    });
  }
  const slipping = taught.filter(({ method }) => method.use.bark !== 'need not slip');
  if (slipping.length > 0) {
    const water = assumption('water');
    dates.push({
      id: 'water',
      name: `Water the stocks: ${species(slipping)}`,
      from: addDays(date, -water.value),
      to: addDays(date, -1),
      kind: 'stocks',
      source: water.source,
      how: 'Bark slips best in the morning after rain.',
    });
    dates.push({
      id: 'slip-test',
      name: 'Test whether bark slips',
      from: addDays(date, -1),
      to: date,
      kind: 'stocks',
      source: water.source,
      how: 'Peel a piece of the top that comes off anyway. If it does not lift: water and wait, or change the method.',
    });
  }
  return dates;
}

/** When plants go out: after the last frost of a late year, or when callusing ends where there is none to come. */
function plantingWindow(end: IsoDate, frost: Phenology['lastFrost']): DueWindow {
  // After a summer or autumn day the frost meant is next spring's.
  const turns = frost && frost.late >= end ? { 'last-frost': frost.late } : {};
  const turnsOf = (year: number): TurnsOfYear => (String(year) === frost?.late.slice(0, 4) ? turns : {});
  return dueWindow(PLANT_OUT.trigger, end, { turnsOf }) ?? { from: addDays(end, 1), to: addDays(end, 22) };
}

function afterwards({ date, taught, assumption, rounds, degrees, length }: DatesInput): PlannedDate[] {
  const dates: PlannedDate[] = [];
  const bench = taught.filter(({ plan }) => plan.place === 'bench');
  if (bench.length > 0) {
    const callus = assumption('callus');
    const end = addDays(date, callus.value);
    const ranges = [...new Set(bench.map(({ scion }) => scion.species))].map((kind) => ({
      kind,
      range: callusRange(kinOf(kind), assumption),
    }));
    dates.push({
      id: 'callus',
      name: 'Callus in the warm',
      from: date,
      to: end,
      kind: 'callus',
      source: callus.source,
      how:
        ranges
          .map(({ kind, range }) =>
            range ? `${kind} ${degrees(range.from)} to ${degrees(range.to)}` : `${kind}: no figure known`,
          )
          .join('; ') + '. Open one of the batch to see callus before moving it.',
    });
    const frost = bench[0]!.stock.lastFrost;
    const planting = plantingWindow(end, frost);
    if (planting.from > addDays(end, 1))
      dates.push({
        id: 'cool',
        name: 'Hold cool',
        from: addDays(end, 1),
        to: addDays(planting.from, -1),
        kind: 'callus',
        source: callus.source,
        how: 'Cool, frost-free, moist and in the light once buds move, until frosts are over.',
      });
    dates.push({
      id: 'plant-out',
      name: 'Plant out',
      ...planting,
      kind: 'planting',
      source: frost ? frost.source : null,
      how: frost
        ? 'After the last frost of a late year, the union well above the soil.'
        : 'No frost here: plant when callus is seen, the union well above the soil.',
    });
  }
  if (rounds.length > 0) {
    for (const round of rounds)
      dates.push({
        id: `round-${round.milestone}`,
        name: `Follow-up: ${MILESTONE_WORDS[round.milestone].name.toLowerCase()}`,
        from: round.opensOn,
        to: round.closesOn,
        kind: 'round',
        source: null,
        how: 'The round that was set.',
      });
    return dates;
  }
  const advised = taught[0] ? timetable(taught[0].method, { aftercare: [] }, date).rounds : [];
  for (const { milestone, due, signs } of advised)
    if (due)
      dates.push({
        id: `round-${milestone}`,
        name: `Follow-up: ${MILESTONE_WORDS[milestone].name.toLowerCase()}`,
        ...due,
        kind: 'round',
        source: 'trade handbook, following up',
        how: `Ask for: ${signWords(signs, length)}.`,
      });
  return dates;
}
