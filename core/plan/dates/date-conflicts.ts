import type { TemperatureUnit } from '../../units/temperature';
import { written } from '../../units/prose';
import { counted } from '../../units/counted';
import { addDays, daysBetween, formatDate, type IsoDate } from '../../units/iso-date';
import type { AssumptionById } from '../phenology/assumptions';
import type { DayVerdict } from './season-finder';
import type { PlannedDate, Taught } from './planned-date';
import type { Tool } from '../../methods/tool';
import { woodNeed, woodWindow } from './wood-dates';

/** Something that speaks against a date, and a way out. */
export interface Conflict {
  id: string;
  /** `stop`: it will not work; `care`: it may not. */
  level: 'care' | 'stop';
  says: string;
  remedy: string;
}

export interface ConflictsInput {
  date: IsoDate;
  today: IsoDate;
  taught: (Taught & { verdict: DayVerdict })[];
  assumption: AssumptionById;
  dates: PlannedDate[];
  lots: { name: string; species: string; cutOn: IsoDate | null }[];
  temperatureUnit: TemperatureUnit;
  /** Ids and names of the tools the day works with. */
  tools: Tool[];
  /** Other workshops of the club on that day. */
  sameDay: { title: string; site: string; elsewhere: boolean; tools: Tool[] }[];
}

/** What speaks against the plan as it stands, worst first. */
export function dateConflicts(input: ConflictsInput): Conflict[] {
  const { date, today, taught, dates, sameDay } = input;
  const conflicts: Conflict[] = [];
  const add = (id: string, level: Conflict['level'], says: string, remedy: string): void =>
    void conflicts.push({ id, level, says, remedy });
  if (date < today)
    add(
      'past',
      'care',
      `The workshop lies ${counted(daysBetween(date, today), 'day')} back.`,
      'What was planned for it is kept as a record. For a new day, plan another workshop or move the date ahead.',
    );
  for (const { method, verdict } of taught) {
    if (verdict.chance === 'open') continue;
    add(
      `season-${method.id}`,
      verdict.chance === 'shut' ? 'stop' : 'care',
      `${method.name}: ${written(verdict.why, 'mm', input.temperatureUnit)}`,
      verdict.chance === 'shut'
        ? 'Move the date into its band, or teach another method.'
        : 'Look at the plants the week before and enter what you see; have another method ready.',
    );
  }
  variantConflicts(input, add);
  woodConflicts(input, add);
  for (const other of sameDay.filter(({ elsewhere }) => elsewhere)) {
    const shared = input.tools.filter(({ id }) => other.tools.some((tool) => tool.id === id)).map(({ name }) => name);
    if (shared.length > 0)
      add(
        `tools-${other.title}`,
        'care',
        `Tools in two places: ${shared.slice(0, 3).join(', ')} are wanted for “${other.title}” at ${other.site} on the same day.`,
        'Move one of the two days, or divide the tools and say so in both kit lists.',
      );
  }
  if (date >= today) {
    for (const due of dates.filter(
      ({ id, to, kind }) =>
        to < today && (kind === 'wood' || kind === 'stocks') && id !== 'stocks-order' && !id.startsWith('wood-check'),
    )) {
      if (due.id.startsWith('wood-cut') && input.lots.some(({ cutOn }) => cutOn !== null)) continue;
      add(
        `late-${due.id}`,
        'care',
        `“${due.name}” was due by ${formatDate(due.to)}.`,
        due.id.startsWith('wood-')
          ? 'If it was done, enter the date with the wood; if not, do it now while the wood still sleeps.'
          : 'If it was not done, do it today or move the workshop.',
      );
    }
  }
  return conflicts.sort((a, b) => (a.level === b.level ? 0 : a.level === 'stop' ? -1 : 1));
}

/** A day that allows several ways to live on asks which is meant; one that was chosen for another day is asked again. */
function variantConflicts(
  { date, taught }: ConflictsInput,
  add: (id: string, level: Conflict['level'], says: string, remedy: string) => void,
): void {
  for (const { plan, method, variant, fitting } of taught) {
    if (variant.places) continue;
    const words = fitting.map((each) => each.words).join(' or ');
    if (plan.variant && plan.variant === variant.id) {
      if (!fitting.some(({ id }) => id === variant.id) && !plan.variantReason)
        add(
          `variant-${method.id}`,
          'care',
          `${method.name} is planned ${variant.words}; on ${formatDate(date)} it would be ${words}.`,
          'Choose again below how it lives on, or move the date back.',
        );
    } else if (fitting.length > 1)
      add(
        `variant-${method.id}`,
        'care',
        `${method.name} on ${formatDate(date)} can be ${words}, which differ in all that follows.`,
        `Choose below how it lives on; until then it is taken for one ${variant.words}.`,
      );
  }
}

function woodConflicts(
  { date, taught, assumption, lots }: ConflictsInput,
  add: (id: string, level: Conflict['level'], says: string, remedy: string) => void,
): void {
  for (const method of taught) {
    const need = woodNeed(method);
    if (need !== 'bench' && need !== 'leaf') continue;
    const window = woodWindow(date, need, assumption);
    const { dormant, swell, species } = method.scion;
    if (dormant && window.to < dormant.best)
      add(
        `wood-early-${species}`,
        'stop',
        `${species}: wood for this day would be cut before it is safely dormant, about ${formatDate(dormant.best)}.`,
        `Move the workshop to ${formatDate(addDays(dormant.best, daysBetween(window.to, date)))} or later.`,
      );
    // Stored wood keeps longest as long as the longest storing time.
    if (swell && window.from >= swell.early)
      add(
        `wood-late-${species}`,
        'stop',
        `${species}: wood for this day would be cut after its buds may swell, from ${formatDate(swell.early)}.`,
        `Cut it by ${formatDate(addDays(swell.early, -1))} and store it longer than usual, with more looks at it; or move the workshop to ${formatDate(addDays(swell.early, daysBetween(window.from, date) - 1))} or earlier.`,
      );
  }
  const budding = taught.filter((method) => ['budwood', 'spring-bud', 'tip'].includes(woodNeed(method)));
  const dormantWood = taught.filter((method) => ['bench', 'leaf'].includes(woodNeed(method)));
  for (const lot of lots) {
    if (!lot.cutOn) continue;
    if (lot.cutOn > date)
      add(
        `lot-after-${lot.name}`,
        'stop',
        `${lot.name} is entered as cut on ${formatDate(lot.cutOn)}, after the workshop.`,
        'Mend the date it was cut.',
      );
    const keeps = assumption('budwood').value;
    const age = daysBetween(lot.cutOn, date);
    const sleeping = dormantWood.find(({ scion }) => scion.species === lot.species) ?? dormantWood[0];
    if (sleeping?.scion.dormant && sleeping.scion.swell) {
      const { dormant, swell } = sleeping.scion;
      if (lot.cutOn > swell.late && lot.cutOn <= date && budding.length === 0)
        add(
          `lot-late-${lot.name}`,
          'stop',
          `${lot.name} was cut on ${formatDate(lot.cutOn)}, after dormancy ended, about ${formatDate(swell.best)}.`,
          'Use other wood, or a method that takes wood of this stage.',
        );
      else if (lot.cutOn >= swell.early && lot.cutOn <= date && budding.length === 0)
        add(
          `lot-maybe-late-${lot.name}`,
          'care',
          `${lot.name} was cut on ${formatDate(lot.cutOn)}, when its buds may have begun to swell (${formatDate(swell.early)} to ${formatDate(swell.late)}).`,
          'Look at the buds; use only those still shut.',
        );
      else if (lot.cutOn < dormant.early)
        add(
          `lot-early-${lot.name}`,
          'care',
          `${lot.name} was cut on ${formatDate(lot.cutOn)}, before it was safely dormant, about ${formatDate(dormant.best)}.`,
          'Look at it for green and for shrivelling; cut anew while there is time.',
        );
    } else if (budding.length > 0 && age > keeps) {
      add(
        `budwood-old-${lot.name}`,
        'stop',
        `Budwood older than ${counted(keeps, 'day')}: ${lot.name} is ${counted(age, 'day')} old on the day.`,
        'Cut it anew in the cool of the morning, the same day if you can.',
      );
    }
  }
}
