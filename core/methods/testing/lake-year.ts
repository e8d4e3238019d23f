import { addDays } from '../../units/iso-date';
import type { TurnsOfYear } from '../timetable/season-phases';

/** A place by the lake, its turns a few days apart from year to year. */
export const turnsOf = (year: number): TurnsOfYear => ({
  midsummer: `${year}-06-21`,
  'buds-swell': addDays(`${year}-03-20`, year % 3),
  'leaves-out': addDays(`${year}-04-18`, year % 3),
  'last-frost': `${year}-05-10`,
  'leaf-fall': `${year}-11-05`,
});
