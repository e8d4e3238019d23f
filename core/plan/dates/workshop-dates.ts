import { bleeds, kinOf } from '../../methods/compatibility/compatibility';
import { MILESTONE_WORDS } from '../../methods/milestones';
import type { Method } from '../../methods/method';
import { dueWindow, type DueWindow } from '../../methods/timetable/due-window';
import { signWords } from '../../methods/timetable/round-advice';
import type { TurnsOfYear } from '../../methods/timetable/season-phases';
import { PLANT_OUT } from '../../methods/timetable/tasks';
import { timetable } from '../../methods/timetable/timetable';
import type { Season } from '../../methods/use';
import { callusRange, type AssumptionById } from '../phenology/assumptions';
import type { Phenology } from '../phenology/phenology';
import { addDays, type IsoDate } from '../../units/iso-date';
import { STORE } from '../wood/store';
import type { PlannedMethod } from './planned-method';

/** Something to do before or after a workshop. */
export interface PlannedDate {
  /** Stays the same while the plan changes, so that a calendar changes the entry instead of doubling it. */
  id: string;
  name: string;
  from: IsoDate;
  to: IsoDate;
  /** How to do it, and why then. */
  how: string;
  source: string | null;
  kind: 'wood' | 'stocks' | 'day' | 'callus' | 'planting' | 'round';
}

export interface Taught {
  plan: PlannedMethod;
  method: Method;
  /** The season of the method that the date falls in; null out of season. */
  season: Season | null;
  scion: Phenology;
  stock: Phenology;
}

export interface DatesInput {
  date: IsoDate;
  title: string;
  taught: Taught[];
  assumption: AssumptionById;
  /** Rounds that were set already, instead of those the method advises. */
  rounds: { milestone: keyof typeof MILESTONE_WORDS; opensOn: IsoDate; closesOn: IsoDate }[];
  /** Words for a temperature in the reader's unit. */
  degrees: (celsius: number) => string;
  /** And for a length in mm. */
  length: (mm: number) => string;
}

/** What kind of wood a method wants in the season it is done in. */
export function woodNeed({
  method,
  season,
}: Pick<Taught, 'method' | 'season'>): 'bench' | 'leaf' | 'budwood' | 'spring-bud' | 'tip' {
  const used = season ?? method.use.seasons[0]!;
  if (used.wood.includes('tip')) return 'tip';
  if (used.wood.includes('dormant')) return used.phase === 'leaves-out' ? 'leaf' : 'bench';
  return used.phase === 'leaves-out' ? 'spring-bud' : 'budwood';
}

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

/** When dormant wood is cut: as long before as it is stored, and while it sleeps. */
export function woodWindow(
  date: IsoDate,
  need: 'bench' | 'leaf',
  assumption: AssumptionById,
): { from: IsoDate; to: IsoDate; source: string | null } {
  const suffix = need === 'leaf' ? '-leaf' : '';
  return {
    from: addDays(date, -assumption(`wood-early${suffix}`).value),
    to: addDays(date, -assumption(`wood-late${suffix}`).value),
    source: assumption(`wood-early${suffix}`).source,
  };
}

function woodDates({ date, taught, assumption, degrees, length }: DatesInput): PlannedDate[] {
  const needs = new Set(taught.map(woodNeed));
  const speciesOf = (need: string): string =>
    [...new Set(taught.filter((method) => woodNeed(method) === need).map(({ scion }) => scion.species))].join(', ');
  const dates: PlannedDate[] = [];
  for (const need of ['bench', 'leaf'] as const) {
    if (!needs.has(need)) continue;
    const window = woodWindow(date, need, assumption);
    // Wood does not sleep the whole window through: the plants' own year narrows it.
    const years = taught.filter((method) => woodNeed(method) === need).map(({ scion }) => scion);
    const latest = (days: IsoDate[]): IsoDate => days.sort().at(-1)!;
    const from = latest([window.from, ...years.flatMap(({ dormant }) => dormant?.best ?? [])]);
    const to = [window.to, ...years.flatMap(({ swell }) => (swell ? addDays(swell.early, -1) : []))].sort()[0]!;
    const sound = from <= to;
    dates.push({
      id: `wood-cut-${need}`,
      name: `Cut scion wood: ${speciesOf(need)}`,
      from: sound ? from : window.from,
      to: sound ? to : window.to,
      kind: 'wood',
      source: window.source,
      how: 'Last season’s shoots, pencil thick, fully dormant, on a day without hard frost. Label each bundle as it is cut.',
    });
    const every = assumption('wood-check').value;
    const stored = sound ? to : window.to;
    const checks = [];
    for (let day = addDays(stored, every); day < addDays(date, -3); day = addDays(day, every)) checks.push(day);
    dates.push({
      id: `wood-store-${need}`,
      name: 'Wood into store',
      from: stored,
      to: stored,
      kind: 'wood',
      source: window.source,
      how: `Sealed bag, barely damp wrap, ${degrees(STORE.from)} to ${degrees(STORE.to)}, away from ripening fruit.`,
    });
    // A long winter has many looks; the calendar takes six.
    checks.slice(-6).forEach((day, i, shown) =>
      dates.push({
        id: `wood-check-${need}-${shown.length - i}`,
        name: 'Look at the stored wood',
        from: day,
        to: day,
        kind: 'wood',
        source: assumption('wood-check').source,
        how: 'Green under the bark, buds shut, wrap damp and not wet, no mould.',
      }),
    );
    dates.push({
      id: `wood-last-${need}`,
      name: 'Last look at the wood',
      from: addDays(date, -2),
      to: addDays(date, -1),
      kind: 'wood',
      source: null,
      how: 'Trim the ends back to green, measure the calipers, sort by them.',
    });
  }
  if (needs.has('budwood')) {
    dates.push({
      id: 'budwood-cut',
      name: `Cut budwood: ${speciesOf('budwood')}`,
      from: date,
      to: date,
      kind: 'wood',
      source: assumption('budwood').source,
      how: `In the cool of the morning; leaf blades off, ${length(12)} of leaf stalk left, in a labelled bag in the shade. At most ${assumption('budwood').value} days in the cold.`,
    });
  }
  if (needs.has('spring-bud'))
    dates.push({
      id: 'budwood-cut',
      name: `Cut budwood: ${speciesOf('spring-bud')}`,
      from: addDays(date, -1),
      to: addDays(date, -1),
      kind: 'wood',
      source: assumption('budwood').source,
      how: 'Last year’s shoot, the still sleeping buds behind those that have pushed.',
    });
  if (needs.has('tip'))
    dates.push({
      id: 'tips-cut',
      name: `Cut tips: ${speciesOf('tip')}`,
      from: date,
      to: date,
      kind: 'wood',
      source: assumption('budwood').source,
      how: `Hardened tips of about ${length(100)}, the end bud fat and still closed, leaves off at once.`,
    });
  return dates;
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
