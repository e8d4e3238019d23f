import { dayRate } from '@/core/plan/phenology/day-rate';
import { counted } from '../../units/counted';
import { addDays, type IsoDate } from '../../units/iso-date';
import { prose } from '../../units/prose';
import { dayNormals } from '../climate/day-normals';
import type { Climate } from '../climate/normals';
import { type AssumptionById, KNITTING_KINS, type KnittingKin, knittingBand } from './assumptions';
import type { Estimate } from './estimate';

/** Days between which buds are set to sleep until spring; null where that does not happen. */
export interface BuddingDates {
  /** Buds of this season are ripe to be set. */
  budRipe: Estimate | null;
  /** From then on such a bud does not break before winter. */
  budOpen: Estimate | null;
  /** From then on too little warmth is left for it to knit before the frost. */
  budClose: Estimate | null;
}

interface BuddingInput {
  kin: string | null;
  climate: Climate;
  firstFrost: Estimate | null;
  leavesOut: Estimate | null;
  assumption: AssumptionById;
}

/** How far back from the first frost days are looked at for the last on which a bud still knits. */
const FURTHEST = 200;

/**
 * When a bud can be set to sleep until spring. It opens once buds are ripe; from so long before the first frost it does not
 * break any more. It closes when too little warmth is left for the bud to knit before the frost, by what its kin knits in an
 * hour at each temperature of a usual day.
 */
export function buddingOf(input: BuddingInput): BuddingDates {
  const { firstFrost, leavesOut, assumption } = input;
  if (!firstFrost) return { budRipe: null, budOpen: null, budClose: null };
  const ripe = assumption('bud-ripe');
  const sleeps = assumption('bud-open');
  const budRipe = leavesOut && {
    early: addDays(leavesOut.best, ripe.value - ripe.margin),
    best: addDays(leavesOut.best, ripe.value),
    late: addDays(leavesOut.best, ripe.value + ripe.margin),
    basis: `${counted(ripe.value, 'day')} after leaves are out`,
    source: ripe.source,
    observed: false,
  };
  const sleepsFrom: Estimate = {
    early: addDays(firstFrost.best, -sleeps.value - sleeps.margin),
    best: addDays(firstFrost.best, -sleeps.value),
    late: addDays(firstFrost.best, -sleeps.value + sleeps.margin),
    basis: `${counted(sleeps.value, 'day')} before the usual first frost`,
    source: sleeps.source,
    observed: false,
  };
  return {
    budRipe,
    budOpen: budRipe && budRipe.best > sleepsFrom.best ? budRipe : sleepsFrom,
    budClose: lastToKnit(input, firstFrost.best),
  };
}

/** Last day on which a bud knits before the usual first frost; null where it never does. */
function lastToKnit({ kin, climate, assumption }: BuddingInput, frost: IsoDate): Estimate | null {
  const known = KNITTING_KINS.includes(kin as KnittingKin);
  const band = knittingBand(known ? (kin as KnittingKin) : 'pome', assumption);
  const { value, margin, source } = assumption('bud-knit');
  const lastWith = (need: number): IsoDate | null => {
    let sum = 0;
    for (let back = 1; back <= FURTHEST; back++) {
      const day = addDays(frost, -back);
      const { low, high } = dayNormals(climate.normals, day);
      sum += dayRate(band, low, high);
      if (sum >= need) return day;
    }
    return null;
  };
  const best = lastWith(value);
  if (!best) return null;
  return {
    early: lastWith(value + margin) ?? best,
    best,
    late: lastWith(Math.max(1, value - margin)) ?? best,
    basis: prose`${counted(value, 'day')} of full warmth are left before the usual first frost${known ? '' : ', as pome fruit knits'}`,
    source,
    observed: false,
  };
}
