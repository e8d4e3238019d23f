import { addDays, type IsoDate } from '../../units/iso-date';

/** Turns of the year that phases are counted from. */
export type SeasonTurn = 'midsummer' | 'buds-swell' | 'leaves-out' | 'last-frost' | 'leaf-fall';

/** When the turns fall in one year at a place; what is not known there is left out. */
export type TurnsOfYear = Partial<Record<SeasonTurn, IsoDate>>;

interface SeasonPhase {
  turn: SeasonTurn;
  /** Days from the turn, first and last. */
  from: number;
  to: number;
  words: string;
  /** Said instead of `words` for the second, where that differs. */
  second?: string;
}

/** The phases that aftercare speaks of. The offsets are the trade's words read as weeks: assumptions. */
export const SEASON_PHASES = {
  'first-season': { turn: 'leaves-out', from: 0, to: 150, words: 'first season', second: 'second season' },
  'mid-summer': { turn: 'midsummer', from: -10, to: 20, words: 'mid-summer' },
  'late-summer': { turn: 'midsummer', from: 40, to: 75, words: 'late summer' },
  'leaf-fall': { turn: 'leaf-fall', from: -7, to: 14, words: 'leaf fall' },
  'kin-in-leaf': { turn: 'leaves-out', from: 7, to: 28, words: 'next spring, once plants of its kind are in leaf' },
  winter: { turn: 'leaf-fall', from: 0, to: 90, words: 'next winter' },
  'late-winter': { turn: 'buds-swell', from: -42, to: -1, words: 'late winter, before buds break' },
  'buds-swell': { turn: 'buds-swell', from: 0, to: 21, words: 'next spring, as buds swell' },
  'last-frost': { turn: 'last-frost', from: 0, to: 21, words: 'after the last frost' },
} as const satisfies Record<string, SeasonPhase>;
export type SeasonPhaseId = keyof typeof SEASON_PHASES;

/** How a phase is said. */
export function phaseWords(id: SeasonPhaseId, nth: number): string {
  const found: SeasonPhase = SEASON_PHASES[id];
  if (nth === 1) return found.words;
  return nth === 2 && found.second ? found.second : `${found.words}, year ${nth}`;
}

/**
 * The nth window of a phase that ends on or after a day.
 * @param turnsOf when the turns fall, by calendar year.
 * @returns null where the place does not know the turn in the years that follow.
 */
export function phaseWindow(
  id: SeasonPhaseId,
  nth: number,
  day: IsoDate,
  turnsOf: (year: number) => TurnsOfYear,
): { from: IsoDate; to: IsoDate } | null {
  const { turn, from, to } = SEASON_PHASES[id];
  const year = Number(day.slice(0, 4));
  const windows = Array.from({ length: nth + 2 }, (_, i) => turnsOf(year - 1 + i)[turn])
    .filter((at): at is IsoDate => at !== undefined)
    .map((at) => ({ from: addDays(at, from), to: addDays(at, to) }))
    .filter((window) => window.to >= day);
  return windows[nth - 1] ?? null;
}
