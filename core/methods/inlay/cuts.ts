import { BUD_COUNTS } from '../bud-counts';
import { laidPieces } from '../common/laid-face-shape';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { COVER, INLAY_FIX } from '../schools/of-covering';
import { BUDS, OUTER_BARK, ROUGH_BARK, SCION_END } from '../schools/of-cutting';
import { BARK_STUMPS, stumpRow } from '../stump-scions';

export const WINDOW = 9;

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? 50);
  const shape = laidPieces(wood, length, 5, 68);
  const buds = chosen(choices, BUDS);
  return {
    choices,
    stock,
    scion,
    length,
    shape,
    slot:
      // No narrower than what it has to hold.
      Math.ceil(2 * Math.sqrt(Math.max(0, (scion / 2 - wood.scionBark) ** 2 - (scion / 2 - shape.depth) ** 2)) * 10) /
      10,
    deep: length - WINDOW,
    buds,
    /** Where the scion is cut back to in the end, above its shoulder. */
    tip: 12 + 12 * BUD_COUNTS.get(buds)!,
    fix: chosen(choices, INLAY_FIX),
    cover: chosen(choices, COVER),
    thinned: chosen(choices, ROUGH_BARK) === 'thinned',
    wedge: chosen(choices, SCION_END) === 'wedge',
    pared: chosen(choices, OUTER_BARK) === 'pared',
    scions: wood.scions ?? stumpRow(BARK_STUMPS, stock).set,
  };
}

export type Cuts = ReturnType<typeof cutsOf>;
