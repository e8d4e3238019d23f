import { daysBetween, formatDate, type IsoDate } from '../../units/iso-date';
import type { Conflict } from '../dates/date-conflicts';
import type { EdgesTold } from './edges';
import { addForecast, type Fortnight } from './forecast-line';
import type { Add, Light, ReadyLine } from './ready-line';
import type { LotWarning } from '../wood/lot-warnings';
import type { PairWarning } from '../wood/pair-warnings';

export interface ReadyInput {
  date: IsoDate;
  today: IsoDate;
  people: number;
  conflicts: Conflict[];
  /** Whether any method wants wood asleep, bark that slips, stocks awake. */
  wants: { dormantWood: boolean; slippingBark: boolean; awakeStocks: boolean };
  lots: { variety: string; lastCheck: { on: IsoDate } | null; warnings: LotWarning[] }[];
  /** Latest sight of bark and buds at the site, null when nobody looked. */
  seen: { bark: { slips: boolean; on: IsoDate } | null; stocks: { awake: boolean; on: IsoDate } | null };
  /** What the year says where nobody looked. */
  expected: { barkSlips: boolean | null; stocksAwake: boolean | null };
  briefed: { heard: number; outOf: number };
  /** What the test cuts of the knives come to. */
  edges: EdgesTold;
  /** Pairs of scion and stock that there is something to mind of. */
  pairs: PairWarning[];
  /** What is needed and there; of what nobody counted yet, nothing is known to be missing. */
  enough: { what: string; needed: number; there: number; counted: boolean }[];
  forecast: Fortnight | null;
}

/** Looks older than this, in days, are no looks of the morning. */
const FRESH = 3;

/** Every question of the morning of a workshop, and what they add up to. */
export function readyCheck(input: ReadyInput): { light: Light; lines: ReadyLine[] } {
  const lines: ReadyLine[] = [];
  const add: Add = (id, question, light, says, remedy = null, place = null) =>
    void lines.push({ id, question, light, says, remedy, place });
  const { people, conflicts, wants, lots, seen, expected, briefed, enough, forecast } = input;
  if (people === 0)
    add('people', 'Is anybody coming?', 'stop', 'Nobody has a seat.', 'Add people to the roster.', 'roster');
  const season = conflicts.filter(
    (conflict) => !ofWood(conflict) && !conflict.id.startsWith('late-') && conflict.id !== 'past',
  );
  for (const { id, level, says, remedy } of season) add(id, 'Is it the season?', level, says, remedy, 'dates');
  if (season.length === 0) add('season', 'Is it the season?', 'go', 'Every method is in its season at this site.');
  woodLines(input, add);
  if (wants.slippingBark) slipLine(seen.bark, expected.barkSlips, input, add);
  if (wants.awakeStocks) stocksLine(seen.stocks, expected.stocksAwake, input, add);
  for (const lot of lots)
    for (const warning of lot.warnings.filter((warning) => !ofFitness(warning)))
      add(
        `${warning.id}-${lot.variety}`,
        'May this wood be used?',
        warning.level,
        warning.says,
        warning.remedy,
        'wood',
      );
  if (lots.length > 0 && lots.every(({ warnings }) => warnings.every(ofFitness)))
    add(
      'leave',
      'May this wood be used?',
      'go',
      'No lot is protected without leave, uncertified or moved across a boundary, as far as it was entered.',
    );
  if (people > 0) {
    const missing = briefed.outOf - briefed.heard;
    add(
      'briefed',
      'Is everybody briefed?',
      missing === 0 ? 'go' : 'care',
      missing === 0
        ? `All ${briefed.outOf} have heard the briefing.`
        : `${missing} of ${briefed.outOf} have not heard the briefing.`,
      missing === 0 ? null : 'Read it out before the first cut and note who heard it.',
      missing === 0 ? null : 'briefing',
    );
  }
  enoughLines(enough, add);
  const { edges } = input;
  add('edges', 'Do the knives shave?', edges.light, edges.says, edges.remedy, edges.remedy === null ? null : 'edges');
  if (enough.length > 0 && enough.every(({ needed, there }) => there >= needed))
    add('enough', 'Is there enough of all?', 'go', 'Stocks, sticks and kit cover the plan.');
  for (const { id, says, remedy } of input.pairs)
    add(`pair-${id}`, 'Do these take on each other?', 'care', says, remedy, 'compatibility');
  if (forecast) addForecast(forecast, add);
  // Before the day nothing stops it that can still be done.
  const told = input.today < input.date ? lines.map(stillToDo) : lines;
  const light = WORST_FIRST.find((each) => told.some((line) => line.light === each)) ?? 'go';
  return { light, lines: told };
}

const WORST_FIRST: readonly Light[] = ['stop', 'care', 'todo'];
/** Lines of what is done up to the day, by how their ids begin. */
const DONE_BY_THE_DAY = ['people', 'wood', 'look-', 'slip', 'stocks', 'briefed', 'enough', 'edges'];

function stillToDo(line: ReadyLine): ReadyLine {
  const open = line.light !== 'go' && DONE_BY_THE_DAY.some((begin) => line.id.startsWith(begin));
  return open ? { ...line, light: 'todo' } : line;
}

/** What falls short; nobody is stopped by what was not counted. */
function enoughLines(enough: ReadyInput['enough'], add: Add): void {
  for (const { what, needed, there, counted } of enough) {
    if (there >= needed) continue;
    add(
      `enough-${what}`,
      'Is there enough of all?',
      counted && there === 0 && needed > 0 ? 'stop' : 'care',
      counted ? `${what}: ${there} of ${needed}.` : `${what}: ${there} of ${needed} counted so far.`,
      'Enter what there is, buy or cut what is missing, or give something up.',
      'quantities',
    );
  }
}

/** Whether a warning is about how the wood is, as against whether it may be used. */
function ofFitness({ id }: LotWarning): boolean {
  return id === 'check' || id === 'store' || id === 'post';
}

/** Conflicts of a lot are told with the wood, not with the season. */
function ofWood({ id }: Conflict): boolean {
  return id.startsWith('lot-') || id.startsWith('budwood-');
}

function woodLines({ date, wants, lots, conflicts }: ReadyInput, add: Add): void {
  if (lots.length === 0) {
    add(
      'wood',
      wants.dormantWood ? 'Is the wood still dormant?' : 'Is the wood fit?',
      'stop',
      'No scion wood is chosen for the workshop.',
      'Choose lots for it.',
      'wood',
    );
    return;
  }
  const question = wants.dormantWood ? 'Is the wood still dormant?' : 'Is the wood fit?';
  let troubled = 0;
  for (const lot of lots) {
    const bad = lot.warnings.filter(ofFitness);
    for (const { id, level, says, remedy } of bad) add(`${id}-${lot.variety}`, question, level, says, remedy, 'wood');
    const dated = lot.lastCheck && daysApart(lot.lastCheck.on, date) <= FRESH;
    if (bad.length === 0 && !dated)
      add(
        `look-${lot.variety}`,
        question,
        'care',
        lot.lastCheck
          ? `${lot.variety} was last looked at on ${formatDate(lot.lastCheck.on)}.`
          : `${lot.variety} was never looked at.`,
        'Scrape a little bark and look at the buds this morning, and enter it with the lot.',
        'wood',
      );
    if (bad.length > 0 || !dated) troubled++;
  }
  const own = conflicts.filter(ofWood);
  for (const { id, level, says, remedy } of own) add(id, question, level, says, remedy, 'wood');
  if (troubled === 0 && own.length === 0)
    add(
      'wood',
      question,
      'go',
      `${lots.length === 1 ? 'The lot was' : `All ${lots.length} lots were`} looked at within ${FRESH} days: green, buds shut.`,
    );
}

function slipLine(seen: ReadyInput['seen']['bark'], expected: boolean | null, { date }: ReadyInput, add: Add): void {
  const question = 'Does the bark slip?';
  const test =
    'Peel a piece of the top that comes off anyway, in the cool of the morning, and enter what you find. If it does not lift: water and wait, or change to a method that needs no slipping bark.';
  if (seen && daysApart(seen.on, date) <= FRESH)
    add(
      'slip',
      question,
      seen.slips ? 'go' : 'stop',
      seen.slips ? `Seen slipping on ${formatDate(seen.on)}.` : `Tried on ${formatDate(seen.on)}: it does not slip.`,
      seen.slips ? null : test,
      seen.slips ? null : 'site',
    );
  else
    add(
      'slip',
      question,
      expected === false ? 'stop' : 'care',
      expected === false
        ? 'By the year it does not slip yet, or no longer.'
        : `Nobody has tried it in the last ${FRESH} days; by the year it ${expected ? 'should' : 'may or may not'}.`,
      test,
      'site',
    );
}

function stocksLine(
  seen: ReadyInput['seen']['stocks'],
  expected: boolean | null,
  { date }: ReadyInput,
  add: Add,
): void {
  const question = 'Are the stocks awake?';
  if (seen && daysApart(seen.on, date) <= 14)
    add(
      'stocks',
      question,
      seen.awake ? 'go' : 'stop',
      seen.awake ? `Buds seen moving on ${formatDate(seen.on)}.` : `Buds still shut on ${formatDate(seen.on)}.`,
      seen.awake ? null : 'Keep them warm and moist some days longer, or move the day.',
      seen.awake ? null : 'dates',
    );
  else
    add(
      'stocks',
      question,
      expected ? 'go' : 'care',
      expected ? 'By the year their buds move.' : 'Nobody entered that their buds or root tips move.',
      expected ? null : 'Look at them this morning; enter “buds swell” at the site when they do.',
      expected ? null : 'site',
    );
}

function daysApart(on: IsoDate, date: IsoDate): number {
  return Math.abs(daysBetween(on, date));
}
