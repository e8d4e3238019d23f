import type { Choices } from '../../methods/school';
import type { Tool } from '../../methods/tool';
import { assumptionsWith } from '../phenology/assumptions';
import type { MethodFacts } from '../../methods/method-facts';
import type { IsoDate } from '../../units/iso-date';
import type { LengthUnit } from '../../units/length';
import { formatTemperature, type TemperatureUnit } from '../../units/temperature';
import { type Conflict, dateConflicts } from './date-conflicts';
import type { PlannedMethod } from './planned-method';
import { siteCalendar, type SiteYear, type TaughtWithVerdict } from './taught-on';
import { workshopDates } from './workshop-dates';
import type { DatesInput, PlannedDate } from './planned-date';

/** All that the dates of a workshop hang on, as plain data: the day can be moved anywhere that has it. */
export interface PlanFacts {
  title: string;
  date: IsoDate;
  today: IsoDate;
  year: SiteYear;
  methods: PlannedMethod[];
  /** What was chosen where practitioners differ. */
  schools: Choices;
  rounds: DatesInput['rounds'];
  lots: { name: string; species: string; cutOn: IsoDate | null }[];
  others: { title: string; date: IsoDate; site: string; elsewhere: boolean; tools: Tool[] }[];
  /** Tools of the methods taught, by their schools, each once. */
  tools: Tool[];
  temperatureUnit: TemperatureUnit;
  lengthUnit: LengthUnit;
}

export interface DatedPlan {
  taught: TaughtWithVerdict[];
  dates: PlannedDate[];
  conflicts: Conflict[];
}

/** The plan on a date, the workshop's own or one it might be moved to. Rounds that were set stay with the day they were set for. */
export function datedPlan(
  facts: PlanFacts,
  known: readonly MethodFacts[],
  date: IsoDate = facts.date,
  calendar = siteCalendar(facts.year, known),
): DatedPlan {
  const assumption = assumptionsWith(facts.year.edits);
  const taught = facts.methods.map((plan) => calendar.on(plan, date));
  const rounds = date === facts.date ? facts.rounds : [];
  const dates = workshopDates({
    date,
    title: facts.title,
    taught,
    schools: facts.schools,
    assumption,
    rounds,
    degrees: (celsius) => formatTemperature(celsius, facts.temperatureUnit),
    lengthUnit: facts.lengthUnit,
  });
  return {
    taught,
    dates,
    conflicts: dateConflicts({
      date,
      today: facts.today,
      taught,
      assumption,
      dates,
      lots: facts.lots,
      temperatureUnit: facts.temperatureUnit,
      tools: facts.tools,
      sameDay: facts.others.filter((other) => other.date === date),
    }),
  };
}
