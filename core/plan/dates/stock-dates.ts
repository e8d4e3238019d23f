import { bleeds, kinOf } from '../../methods/compatibility/compatibility';
import { chosen } from '../../methods/school';
import { ROOT_TRIM, ROOTS_AT_POTTING } from '../../methods/schools/of-cutting';
import { callusRange } from '../phenology/assumptions';
import { addDays } from '../../units/iso-date';
import type { DatesInput, PlannedDate, Taught } from './planned-date';

/** What is done with stocks before the day: ordered, brought into warmth, cut off where they bleed, watered where bark has to slip. */
export function stockDates(input: DatesInput): PlannedDate[] {
  return [...ordering(input), ...warming(input), ...bleeding(input), ...slipping(input)];
}

const speciesOf = (taught: Taught[]): string => [...new Set(taught.map(({ stock }) => stock.species))].join(', ');

function ordering({ date, taught, assumption }: DatesInput): PlannedDate[] {
  const potted = taught.filter(({ plan }) => plan.place !== 'field');
  if (potted.length === 0) return [];
  const order = assumption('stocks-order');
  return [
    {
      id: 'stocks-order',
      name: `Order stocks: ${speciesOf(potted)}`,
      from: addDays(date, -order.value - order.margin),
      to: addDays(date, -order.value + order.margin),
      kind: 'stocks',
      source: order.source,
      how: 'State the caliper at the place of the cut.',
    },
  ];
}

function warming({ date, taught, schools, assumption, degrees }: DatesInput): PlannedDate[] {
  const bench = taught.filter(
    ({ plan, season }) =>
      plan.place === 'bench' && (season === null || season.phase === 'waking' || season.phase === 'warmed'),
  );
  if (bench.length === 0) return [];
  const warm = assumption('stocks-warm');
  const range = callusRange(kinOf(bench[0]!.stock.species), assumption);
  const warmth = range ? `${degrees(range.from)} to ${degrees(range.to)}` : 'warm';
  const slips = bench.some(({ season }) => season?.phase === 'warmed') ? ' and bark slips' : '';
  return [
    {
      id: 'stocks-warm',
      name: `Bring stocks into warmth: ${speciesOf(bench)}`,
      from: addDays(date, -warm.value - warm.margin),
      to: addDays(date, -warm.value + warm.margin),
      kind: 'stocks',
      source: warm.source,
      how: `${ROOTS_AT_POTTING[chosen(schools, ROOT_TRIM)]}. Moist, ${warmth}. Ready when buds and root tips move${slips}.`,
    },
  ];
}

function bleeding({ date, taught, assumption }: DatesInput): PlannedDate[] {
  const kinds = taught.filter(({ stock, method, plan }) =>
    bleeds(stock.species, { method: method.id, place: plan.place }),
  );
  if (kinds.length === 0) return [];
  const [early, late] = [assumption('bleed-early'), assumption('bleed-late')];
  return [
    {
      id: 'bleed-cut',
      name: `Cut bleeding stocks off: ${speciesOf(kinds)}`,
      from: addDays(date, -early.value),
      to: addDays(date, -late.value),
      kind: 'stocks',
      source: early.source,
      how: 'Gash below the cut so that sap runs out there.',
    },
    {
      id: 'bleed-gash',
      name: 'Fresh gashes on bleeding stocks',
      from: date,
      to: date,
      kind: 'stocks',
      source: early.source,
      how: 'Before the first cut of the day.',
    },
  ];
}

function slipping({ date, taught, assumption }: DatesInput): PlannedDate[] {
  const lifted = taught.filter(({ method }) => method.use.bark !== 'need not slip');
  if (lifted.length === 0) return [];
  const water = assumption('water');
  return [
    {
      id: 'water',
      name: `Water the stocks: ${speciesOf(lifted)}`,
      from: addDays(date, -water.value),
      to: addDays(date, -1),
      kind: 'stocks',
      source: water.source,
      how: 'Bark slips best in the morning after rain.',
    },
    {
      id: 'slip-test',
      name: 'Test whether bark slips',
      from: addDays(date, -1),
      to: date,
      kind: 'stocks',
      source: water.source,
      how: 'Peel a piece of the top that comes off anyway. If it does not lift: water and wait, or change the method.',
    },
  ];
}
