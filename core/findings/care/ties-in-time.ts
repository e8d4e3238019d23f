import { wilsonInterval, type Interval } from '../../statistics/wilson-interval';
import type { IsoDate } from '../../units/iso-date';

/** The tie of one union, as far as it came off in time or not. */
export interface TieFate {
  year: number;
  /** The plant stays with the club. */
  withUs: boolean;
  /** The last day it may stay on; null where nobody can say. */
  latest: IsoDate | null;
  /** The day it came off; null while it is on. */
  offOn: IsoDate | null;
  /** The day the union died, was given up or opened; null while it lives. */
  endedOn: IsoDate | null;
}

/** Ties of a year, by who has the plants. */
export interface TiesInTime {
  year: number;
  withUs: boolean;
  inTime: number;
  late: number;
  /** On still, with days left. */
  open: number;
  /** Share that came off in time of those whose day has come; null for none. */
  rate: number | null;
  interval: Interval | null;
}

/** Whether a tie came off by its last day; null where that cannot be said yet, or its union ended first. */
export function tieInTime({ latest, offOn, endedOn }: TieFate, today: IsoDate): boolean | null {
  if (latest === null) return null;
  if (offOn !== null) return offOn <= latest;
  if (endedOn !== null && endedOn <= latest) return null;
  return today > latest ? false : null;
}

/**
 * How many ties came off by their last day, by the year the unions were made in and by who has the plants: latest year first.
 *
 * @example tiesInTime([{ year: 2027, withUs: false, latest: '2027-08-31', offOn: '2027-08-20', endedOn: null }], '2027-10-01')[0].rate // 1
 */
export function tiesInTime(fates: readonly TieFate[], today: IsoDate): TiesInTime[] {
  const rows = new Map<string, TiesInTime>();
  for (const fate of fates) {
    if (fate.latest === null) continue;
    const { year, withUs } = fate;
    const row = rows.get(`${year} ${withUs}`) ?? {
      year,
      withUs,
      inTime: 0,
      late: 0,
      open: 0,
      rate: null,
      interval: null,
    };
    rows.set(`${year} ${withUs}`, row);
    const inTime = tieInTime(fate, today);
    if (inTime === true) row.inTime++;
    else if (inTime === false) row.late++;
    else if (fate.endedOn === null) row.open++;
  }
  return [...rows.values()]
    .filter(({ inTime, late, open }) => inTime + late + open > 0)
    .map((row) => ({
      ...row,
      rate: row.inTime + row.late === 0 ? null : row.inTime / (row.inTime + row.late),
      interval: wilsonInterval(row.inTime, row.inTime + row.late),
    }))
    .sort((a, b) => b.year - a.year || Number(a.withUs) - Number(b.withUs));
}
