import { addDays, type IsoDate } from '../../units/iso-date';

/** What a second try in the same season hangs on. */
export interface SecondTryFacts {
  today: IsoDate;
  /** The method wants bark that slips. */
  needsSlip: boolean;
  /** When bark of the stock slips; null where nobody knows. */
  slip: { from: IsoDate; to: IsoDate } | null;
  /** The last day on which held-back sticks go on to waking stocks; null where nobody knows. */
  sticksUntil: IsoDate | null;
  firstFrost: IsoDate | null;
  /** Days a new union wants before the first frost. */
  ripen: number;
  sticksLeft: number;
  /** When summer buds are set at the site. */
  budding: { from: IsoDate; to: IsoDate } | null;
}

/** What can still be done this season about a union that fails. */
export interface SecondTry {
  /** The last sensible day to do it again with the sticks that are left; null where there is none, or nobody can say. */
  redoBy: IsoDate | null;
  /** Why it cannot be done again with them; null where it can. */
  whyNot: 'no-sticks' | 'buds-awake' | 'bark-tight' | 'season-over' | null;
  /** When a chip bud can be set instead; null where that has passed too. */
  budIn: { from: IsoDate; to: IsoDate } | null;
}

/**
 * The second try in the same season: again by the same way while bark still slips, buds of the held-back sticks sleep and
 * enough of the season is left; else by a bud in the site's budding window. What nobody knows does not forbid it.
 *
 * @throws RangeError when there are fewer than no sticks
 * @example secondTry({ ...facts, sticksLeft: 0 }).whyNot // 'no-sticks'
 */
export function secondTry(facts: SecondTryFacts): SecondTry {
  const { today, needsSlip, slip, sticksUntil, firstFrost, ripen, sticksLeft, budding } = facts;
  if (!(sticksLeft >= 0)) throw new RangeError('Sticks are counted from 0.');
  const budIn = budding && budding.to >= today ? { from: later(budding.from, today), to: budding.to } : null;
  if (sticksLeft === 0) return { redoBy: null, whyNot: 'no-sticks', budIn };
  const ends: { on: IsoDate | null; why: NonNullable<SecondTry['whyNot']> }[] = [
    { on: sticksUntil, why: 'buds-awake' },
    { on: needsSlip ? (slip?.to ?? null) : null, why: 'bark-tight' },
    { on: firstFrost && addDays(firstFrost, -ripen), why: 'season-over' },
  ];
  const first = ends
    .filter((end): end is { on: IsoDate; why: NonNullable<SecondTry['whyNot']> } => end.on !== null)
    .sort((a, b) => (a.on < b.on ? -1 : 1))[0];
  if (first && first.on < today) return { redoBy: null, whyNot: first.why, budIn };
  return { redoBy: first?.on ?? null, whyNot: null, budIn };
}

const later = (a: IsoDate, b: IsoDate): IsoDate => (a > b ? a : b);
