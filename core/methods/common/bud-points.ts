import type { Point } from '../method';
import type { AnswerTo } from '../school';
import type { BudCover, TURNS } from '../schools/of-covering';
import type { SLIVER } from '../schools/of-cutting';
import { bind, judged, LOOSE } from './points';

/* Points of buds and tips, which lie under a wrap of their own. */

const ROUND_BUD: Record<BudCover, { good: string; poor: string; correction: string }> = {
  out: {
    good: 'tight above and below, the bud out',
    poor: 'ribboned, or the bud wrapped over',
    correction: 'Wrap from below upwards, close round the bud, and leave the bud out.',
  },
  film: {
    good: 'tight and flat, one thin layer over the bud',
    poor: 'ribboned, or film bunched over the bud',
    correction: 'Stretch the film until it clings, and lay one layer only over the bud.',
  },
  'film-rubber': {
    good: 'film over all, rubber tight above and below the bud',
    poor: 'ribboned, or rubber over the bud',
    correction: 'Stretch one layer of film over all, then wrap rubber above and below the bud.',
  },
  rubber: {
    good: 'tight, the bud covered and pressed',
    poor: 'ribboned, or the bud peeping out',
    correction: 'Wrap from below upwards, over the bud as well.',
  },
};
/** The wrap of a bud piece, with the bud as its school leaves it. */
export const bindBud = (weight: number, cover: BudCover, turns: AnswerTo<typeof TURNS> = 'few'): Point => ({
  ...bind(weight, turns),
  good: turns === 'few' ? ROUND_BUD[cover].good : `${ROUND_BUD[cover].good}, two layers`,
  correction: ROUND_BUD[cover].correction,
  faults: [{ grade: 'poor', words: ROUND_BUD[cover].poor }, LOOSE[1]!],
});
export const budWood = judged({
  id: 'wood',
  letter: 'w',
  name: 'Budwood',
  good: 'green, plump, from the middle of the stick',
  correction: 'Take a plump bud from the middle of the stick and keep the stick moist.',
  faults: [
    { grade: 'poor', words: 'thin, or from the soft tip' },
    { grade: 'fatal', words: 'dead, or already moving' },
  ],
});
/** A bud of dormant wood, which has no leaf stub to hold it by. */
export const dormantBudWood = judged({
  id: 'wood',
  letter: 'w',
  name: 'Budwood',
  good: 'dormant, green under the bark, from the middle of the stick',
  correction: 'Take a shut bud from the middle of a stick that was kept cold.',
  faults: [
    { grade: 'poor', words: 'thin, or from the tip' },
    { grade: 'fatal', words: 'dead, or already moving' },
  ],
});
export const dormantBudPiece = (weight: number): Point => ({
  ...budPiece(weight),
  correction: 'Hold it on the blade, never by the face, and cut under the bud without lifting.',
});
/** A tip of growing wood: hardened for the side of a stock, green for its end. */
export const tipWood = (weight: number, tip: 'hardened' | 'green'): Point =>
  judged({
    id: 'wood',
    letter: 'w',
    name: 'Tip',
    good: tip === 'hardened' ? 'hardened, its bud fat and closed' : 'green, firm, of the stock’s caliper',
    correction:
      tip === 'hardened'
        ? 'Choose a tip whose end bud is fat but has not opened.'
        : 'Choose a green tip that is firm to the knife, and take its leaves off at once.',
    faults: [
      { grade: 'poor', words: tip === 'hardened' ? 'soft, or thin' : 'limp, or thin' },
      { grade: 'fatal', words: tip === 'hardened' ? 'bud already open' : 'wilted' },
    ],
  })(weight);
export const budPiece = (weight: number, sliver: AnswerTo<typeof SLIVER> = 'leave'): Point =>
  judged({
    id: 'bud',
    letter: 'y',
    name: 'Bud',
    good: sliver === 'leave' ? 'unbruised, core behind it' : 'unbruised, sliver out, core still behind it',
    correction:
      sliver === 'leave'
        ? 'Hold it by the stub, never by the face, and cut under the bud without lifting.'
        : 'Flick the sliver out from one end, and look that the core stayed.',
    faults: [
      { grade: 'poor', words: sliver === 'leave' ? 'bruised' : 'bruised, or the sliver left in' },
      { grade: 'fatal', words: 'hollow, or popped out' },
    ],
  })(weight);
