import { kindOf } from '../../methods/compatibility/compatibility';
import { capital } from '../../units/capital';
import { daysBetween } from '../../units/iso-date';
import type { LotWarning } from '../../plan/wood/lot-warnings';

/** What clearly failed in earlier workshops, for the ledger of wood and the next plan. */
export interface FailedBefore {
  lots: { lotId: string; variety: string; source: string; sourceId: string | null; counts: string }[];
  pairs: { variety: string; stockType: string; counts: string }[];
  days: { date: string; name: string; counts: string }[];
}

/** Lots and stocks of a plan, or of the ledger. */
export interface ToBeUsed {
  lots: readonly { id: string; variety: string; source: string; sourceId: string | null }[];
  stocks: readonly { stockType: string }[];
  /** The day it is planned for: what failed at the same time of a year is said. */
  date?: string;
}

/** Days of the year within which the same thing may happen again. */
const SAME_TIME = 45;
const YEAR = 365;

/** How far two days lie apart in the course of a year. */
function daysApart(a: string, b: string): number {
  const apart = Math.abs(daysBetween(a, b)) % YEAR;
  return Math.min(apart, YEAR - apart);
}

const same = (a: string, b: string): boolean => kindOf(a) === kindOf(b);

const warning = (says: string, remedy: string): LotWarning => ({ id: 'failed', level: 'care', says, remedy });

/**
 * What speaks against wood and pairs that are to be used, by what failed before: the very lot, wood of the same variety from
 * the same source, and a pair.
 */
export function failedNotices(
  { lots, pairs, days }: FailedBefore,
  { lots: wood, stocks, date }: ToBeUsed,
): LotWarning[] {
  const ofLots = wood.flatMap(({ id, variety, source, sourceId }) => {
    const own = lots.find(({ lotId }) => lotId === id);
    if (own)
      return [
        warning(
          `This lot of ${variety} failed: ${own.counts}.`,
          'Use no more of it; look at how it was kept and where it is from.',
        ),
      ];
    const alike = lots.find(
      (lot) =>
        same(lot.variety, variety) &&
        (sourceId !== null ? lot.sourceId === sourceId : source !== '' && same(lot.source, source)),
    );
    return alike
      ? [
          warning(
            `${variety} from ${source} failed in an earlier lot: ${alike.counts}.`,
            'Look at the source and at how this lot is kept before it is booked.',
          ),
        ]
      : [];
  });
  const ofPairs = pairs.flatMap(({ variety, stockType, counts }) =>
    wood.some((lot) => same(lot.variety, variety)) && stocks.some((stock) => same(stock.stockType, stockType))
      ? [
          warning(
            `${variety} on ${stockType} failed before: ${counts}.`,
            'Take another stock for it, or a piece between them that agrees with both.',
          ),
        ]
      : [],
  );
  const ofDays = days.flatMap((day) =>
    date !== undefined && daysApart(day.date, date) <= SAME_TIME
      ? [
          warning(
            `${capital(day.name)} failed: ${day.counts}.`,
            'Look at the weather and the bark of that hour, and put the same work into another one.',
          ),
        ]
      : [],
  );
  return [...ofLots, ...ofPairs, ...ofDays];
}
