import type { AssumptionById } from '../phenology/assumptions';
import { addDays, type IsoDate } from '../../units/iso-date';
import { saidLength } from '../../units/prose';
import { STORE } from '../wood/store';
import type { DatesInput, PlannedDate, Taught } from './planned-date';

/** Kinds of wood, by how and when they are cut. */
export type WoodNeed = 'bench' | 'leaf' | 'budwood' | 'spring-bud' | 'tip';

/** What kind of wood a method wants in the season it is done in. */
export function woodNeed({ method, season }: Pick<Taught, 'method' | 'season'>): WoodNeed {
  const used = season ?? method.use.seasons[0]!;
  if (used.wood.includes('tip')) return 'tip';
  if (used.wood.includes('dormant')) return used.phase === 'leaves-out' ? 'leaf' : 'bench';
  return used.phase === 'leaves-out' ? 'spring-bud' : 'budwood';
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

export function woodDates(input: DatesInput): PlannedDate[] {
  const { date, taught, assumption, lengthUnit } = input;
  const needs = new Set(taught.map(woodNeed));
  const speciesOf = (need: WoodNeed): string => speciesWith(taught, need);
  const dates = (['bench', 'leaf'] as const).flatMap((need) => (needs.has(need) ? storedWood(input, need) : []));
  if (needs.has('budwood')) {
    dates.push({
      id: 'budwood-cut',
      name: `Cut budwood: ${speciesOf('budwood')}`,
      from: date,
      to: date,
      kind: 'wood',
      source: assumption('budwood').source,
      how: `In the cool of the morning; leaf blades off, ${saidLength({ mm: 12 }, lengthUnit)} of leaf stalk left, in a labelled bag in the shade. At most ${assumption('budwood').value} days in the cold.`,
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
      how: `Hardened tips of about ${saidLength({ mm: 100 }, lengthUnit)}, the end bud fat and still closed, leaves off at once.`,
    });
  return dates;
}

/** Species of the scions that need such wood, each once. */
function speciesWith(taught: Taught[], need: WoodNeed): string {
  return [...new Set(taught.filter((method) => woodNeed(method) === need).map(({ scion }) => scion.species))].join(
    ', ',
  );
}

/** Cutting dormant wood, storing it, and looking at it until the day. */
function storedWood({ date, taught, assumption, degrees }: DatesInput, need: 'bench' | 'leaf'): PlannedDate[] {
  const window = woodWindow(date, need, assumption);
  // Wood does not sleep the whole window through: the plants' own year narrows it.
  const years = taught.filter((method) => woodNeed(method) === need).map(({ scion }) => scion);
  const latest = (days: IsoDate[]): IsoDate => days.sort().at(-1)!;
  const from = latest([window.from, ...years.flatMap(({ dormant }) => dormant?.best ?? [])]);
  const to = [window.to, ...years.flatMap(({ swell }) => (swell ? addDays(swell.early, -1) : []))].sort()[0]!;
  const sound = from <= to;
  const stored = sound ? to : window.to;
  const every = assumption('wood-check').value;
  const checks: IsoDate[] = [];
  for (let day = addDays(stored, every); day < addDays(date, -3); day = addDays(day, every)) checks.push(day);
  const ahead = assumption('wood-order');
  return [
    {
      id: `wood-order-${need}`,
      name: `Order wood that comes by post: ${speciesWith(taught, need)}`,
      from: addDays(stored, -2 * ahead.value),
      to: addDays(stored, -ahead.value),
      kind: 'wood',
      source: ahead.source,
      how: 'Ask for it to be cut while it sleeps and to be on its way for a week at most; on arrival trim the ends, look for green, stand limp wood in water.',
    },
    {
      id: `wood-cut-${need}`,
      name: `Cut scion wood: ${speciesWith(taught, need)}`,
      from: sound ? from : window.from,
      to: stored,
      kind: 'wood',
      source: window.source,
      how: 'Last season’s shoots, pencil thick, fully dormant, on a day without hard frost. Label each bundle as it is cut.',
    },
    {
      id: `wood-store-${need}`,
      name: 'Wood into store',
      from: stored,
      to: stored,
      kind: 'wood',
      source: window.source,
      how: `Sealed bag, barely damp wrap, ${degrees(STORE.from)} to ${degrees(STORE.to)}, away from ripening fruit.`,
    },
    // A long winter has many looks; the calendar takes six.
    ...checks.slice(-6).map((day, i, shown): PlannedDate => ({
      id: `wood-check-${need}-${shown.length - i}`,
      name: 'Look at the stored wood',
      from: day,
      to: day,
      kind: 'wood',
      source: assumption('wood-check').source,
      how: 'Green under the bark, buds shut, wrap damp and not wet, no mould.',
    })),
    {
      id: `wood-last-${need}`,
      name: 'Last look at the wood',
      from: addDays(date, -2),
      to: addDays(date, -1),
      kind: 'wood',
      source: null,
      how: 'Trim the ends back to green, measure the calipers, sort by them.',
    },
  ];
}
