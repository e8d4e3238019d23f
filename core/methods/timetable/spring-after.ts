import { addDays, type IsoDate } from '../../units/iso-date';
import type { Known } from './due-window';
import { phaseWindow } from './season-phases';

/** So many days after it was made, the spring in which a union was made is over. */
const SAME_SPRING = 120;

/** The day buds swell in the spring after the one a union was made in; null where the place knows no spring. */
export function nextSpring(madeOn: IsoDate, turnsOf: Known['turnsOf']): IsoDate | null {
  return turnsOf ? (phaseWindow('buds-swell', 1, addDays(madeOn, SAME_SPRING), turnsOf)?.from ?? null) : null;
}
