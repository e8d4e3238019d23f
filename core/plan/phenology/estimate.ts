import type { Prose } from '../../units/prose';
import type { IsoDate } from '../../units/iso-date';

/** A day when something is expected, with the days between which it may lie. */
export interface Estimate {
  early: IsoDate;
  best: IsoDate;
  late: IsoDate;
  /** What it is reckoned from. */
  basis: Prose;
  source: string | null;
  observed: boolean;
}

export function observed(on: IsoDate, basis: Prose): Estimate {
  return { early: on, best: on, late: on, basis, source: 'seen on the spot', observed: true };
}
