import { mm, type Prose, prose } from '../../units/prose';
import type { Wood } from '../method';
import type { AnswerTo } from '../school';
import type { WHIP_LENGTH } from '../schools/of-cutting';

/** How long both sloping cuts are made, and what counts as good; mm along the slope. */
export interface SlopeLength {
  aim: number;
  range: { from: number; to: number };
  /** The same in words: "three to four times the diameter". */
  words: Prose;
}

/** The ends of what any school cuts. Source: method sheets of whip and splice. */
const ANY = { from: 25, to: 65 };
/** How far "about" reaches to either side; no source, a guess. */
const ABOUT = 5;

/**
 * Length of both sloping cuts by school, for a pair of wood. A cut shorter than twice the caliper is no slope any more,
 * whatever the school.
 *
 * @param times the caliper that the cut is long, by ratio; 3 to 4 count as good.
 * @example slopeLength('ratio', { stock: 10, scion: 10, stockBark: 1, scionBark: 1 }, 3.5).aim // 35
 */
export function slopeLength(
  by: AnswerTo<typeof WHIP_LENGTH> | 'bleeding',
  { stock, scion }: Wood,
  times: number,
): SlopeLength {
  const mean = (stock + scion) / 2;
  const within = (length: number): number => Math.max(ANY.from, Math.min(ANY.to, length));
  const least = Math.ceil(2 * Math.max(stock, scion));
  const made = (wanted: number, from: number, to: number, words: Prose): SlopeLength => {
    const aim = Math.max(Math.round(wanted), least);
    return { aim, range: { from: Math.min(from, aim), to: Math.max(to, aim) }, words };
  };
  switch (by) {
    case 'ratio':
      return made(within(times * mean), within(3 * mean), within(4 * mean), 'three to four times the diameter');
    case 'short':
      return made(ANY.from, ANY.from - ABOUT, ANY.from + ABOUT, prose`about ${mm(25)}`);
    case 'long':
      return made(ANY.to, ANY.to - ABOUT, ANY.to + ABOUT, prose`about ${mm(65)}`);
    case 'bleeding':
      return made(62, 60, 65, prose`${mm(60, 65)} long`);
  }
}
