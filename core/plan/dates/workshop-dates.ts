import { USUAL_PRACTICE } from '../../units/figure-source';
import { kinOf } from '../../methods/compatibility/compatibility';
import { MILESTONE_WORDS } from '../../methods/milestones';
import { chosenWords, type SchoolQuestion } from '../../methods/school';
import { KNIT_SEEN, PLANTING } from '../../methods/schools/of-aftercare';
import { dueWindow, type DueWindow } from '../../methods/timetable/due-window';
import { signWords } from '../../methods/timetable/round-advice';
import type { TurnsOfYear } from '../../methods/timetable/season-phases';
import { phase } from '../../methods/timetable/trigger';
import { written } from '../../units/prose';
import { callusRange } from '../phenology/assumptions';
import type { Phenology } from '../phenology/phenology';
import { addDays, type IsoDate } from '../../units/iso-date';
import type { DatesInput, PlannedDate } from './planned-date';
import { type AdvisedRound, advisedRounds } from './advised-rounds';
import { stockDates } from './stock-dates';
import { woodDates } from './wood-dates';

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

/** When plants go out: after the last frost of a late year, or when callusing ends where there is none to come. */
function plantingWindow(end: IsoDate, frost: Phenology['lastFrost']): DueWindow {
  // After a summer or autumn day the frost meant is next spring's.
  const turns = frost && frost.late >= end ? { 'last-frost': frost.late } : {};
  const turnsOf = (year: number): TurnsOfYear => (String(year) === frost?.late.slice(0, 4) ? turns : {});
  return dueWindow(phase('last-frost'), end, { turnsOf }) ?? { from: addDays(end, 1), to: addDays(end, 22) };
}

function afterwards({ date, taught, schools, assumption, rounds, degrees, lengthUnit }: DatesInput): PlannedDate[] {
  const said = (asked: SchoolQuestion): string => written(chosenWords(schools, asked), lengthUnit);
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
          .join('; ') + `. Move it when it has knit, known ${said(KNIT_SEEN)}.`,
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
        ? `After the last frost of a late year, ${said(PLANTING)}.`
        : `No frost here: plant when it has knit, ${said(PLANTING)}.`,
    });
  }
  // What was set stands in place of what is advised; of what nobody set, the advice stays.
  const advised = advisedDates(taught, date, lengthUnit).filter(
    ({ id }) => !rounds.some(({ milestone }) => id === `round-${milestone}` || id.startsWith(`round-${milestone}-`)),
  );
  return [...dates, ...setDates(rounds, taught), ...advised];
}

/** The rounds that were set, each with whose it is where it is not all of the day's. */
function setDates(rounds: DatesInput['rounds'], taught: DatesInput['taught']): PlannedDate[] {
  return rounds.map(({ milestone, asks, opensOn, closesOn }, i) => {
    const again = rounds.slice(0, i).some((other) => other.milestone === milestone);
    const asked = taught.filter(({ method }) => asks.split(' ').some((made) => made.startsWith(`${method.id}/`)));
    return {
      id: again ? `round-${milestone}-${asks.replaceAll('/', '-').replaceAll(' ', '-')}` : `round-${milestone}`,
      name: `Follow-up: ${MILESTONE_WORDS[milestone].name.toLowerCase()}`,
      from: opensOn,
      to: closesOn,
      kind: 'round',
      source: null,
      how:
        asked.length > 0
          ? `The round that was set for ${asked.map(({ method }) => method.inSentence).join(' and ')}.`
          : 'The round that was set.',
    };
  });
}

/** The rounds that what is taught asks for; methods that ask the same at the same time are asked together. */
function advisedDates(taught: DatesInput['taught'], date: IsoDate, unit: DatesInput['lengthUnit']): PlannedDate[] {
  const dates: PlannedDate[] = [];
  for (const { milestone, due, asks } of advisedRounds(taught, date)) {
    const again = dates.some(({ id }) => id === `round-${milestone}`);
    const [first] = asks;
    dates.push({
      // The first keeps the name it always had, so that a calendar changes its entry.
      id: again ? `round-${milestone}-${first!.method.id}-${first!.variant.id}` : `round-${milestone}`,
      name: `Follow-up: ${MILESTONE_WORDS[milestone].name.toLowerCase()}`,
      ...due,
      kind: 'round',
      source: USUAL_PRACTICE,
      how: lookedFor(asks, asks.length < taught.length, unit),
    });
  }
  return dates;
}

/** What is looked for, each thing once; by method where not all of the day look for the same. */
function lookedFor(asks: AdvisedRound['asks'], ofSome: boolean, unit: DatesInput['lengthUnit']): string {
  const methods = new Map<string, string[]>();
  for (const { method, signs } of asks) {
    const words = signWords(signs, unit);
    methods.set(words, [...(methods.get(words) ?? []), method.inSentence]);
  }
  return [...methods]
    .map(([words, names]) => `${ofSome || methods.size > 1 ? `Of ${names.join(' and ')}` : 'Ask for'}: ${words}.`)
    .join(' ');
}
