import type { MILESTONE_WORDS } from '../../methods/milestones';
import type { MethodFacts } from '../../methods/method-facts';
import type { Choices } from '../../methods/school';
import type { TurnsOfYear } from '../../methods/timetable/season-phases';
import type { Season } from '../../methods/use';
import type { Variant } from '../../methods/variant';
import type { AssumptionById } from '../phenology/assumptions';
import type { Phenology } from '../phenology/phenology';
import type { IsoDate } from '../../units/iso-date';
import type { LengthUnit } from '../../units/length';
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
  method: MethodFacts;
  /** The season of the method that the date falls in; null out of season. */
  season: Season | null;
  /** What it is then: in spring or in late summer, at the bench or outdoors. */
  variant: Variant;
  /** All that the day allows, the likeliest first; more than one where somebody has to say which is meant. */
  fitting: Variant[];
  /** When the turns of the scion's year fall at the site. */
  turnsOf: (year: number) => TurnsOfYear;
  scion: Phenology;
  stock: Phenology;
}

export interface DatesInput {
  date: IsoDate;
  title: string;
  taught: Taught[];
  /** What was chosen where practitioners differ. */
  schools: Choices;
  assumption: AssumptionById;
  /** Rounds that were set already, instead of those the method advises; `asks` names some unions of the day, or is empty. */
  rounds: { milestone: keyof typeof MILESTONE_WORDS; asks: string; opensOn: IsoDate; closesOn: IsoDate }[];
  /** Words for a temperature in the reader's unit. */
  degrees: (celsius: number) => string;
  /** In which lengths are written. */
  lengthUnit: LengthUnit;
}
