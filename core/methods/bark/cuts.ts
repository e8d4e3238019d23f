import { BUD_COUNTS } from '../bud-counts';
import { laidPieces } from '../common/laid-face-shape';
import { filmStep } from '../common/steps';
import type { Wood } from '../method';
import { chosen, type Choices } from '../school';
import { FILM_WHEN, STUMP } from '../schools/of-covering';
import { BUDS, OUTER_BARK, SCION_END, SLITS } from '../schools/of-cutting';
import { BARK_STUMPS, stumpRow } from '../stump-scions';

export const FACE_LENGTH = { from: 25, to: 40 };

export const WINDOW = 9;

/** What the steps are drawn from, for a choice of schools and a pair of wood; lengths in mm. */
export function cutsOf(choices: Choices, wood: Wood) {
  const { stock, scion } = wood;
  const length = Math.round(wood.length ?? Math.max(FACE_LENGTH.from, Math.min(FACE_LENGTH.to, scion * 4)));
  const buds = chosen(choices, BUDS);
  const count = BUD_COUNTS.get(buds)!;
  const shape = laidPieces(wood, length, count, 12 + 12 * count);
  const three = chosen(choices, SLITS) === 'three';
  const filmFirst = chosen(choices, FILM_WHEN) === 'before';
  const film = filmStep(
    3,
    shape.tip,
    filmFirst
      ? 'Wrap the scion in film, all but the end that is cut.'
      : 'Wrap the scion in film from the tape to its tip.',
  );
  return {
    choices,
    stock,
    scion,
    length,
    buds,
    shape,
    deep: Math.max(1, length - WINDOW),
    wedge: chosen(choices, SCION_END) === 'wedge',
    pared: chosen(choices, OUTER_BARK) === 'pared',
    three,
    /** Three slits carry two scions at least. */
    scions: Math.max(three ? 2 : 1, wood.scions ?? stumpRow(BARK_STUMPS, stock).set),
    stump: chosen(choices, STUMP),
    filmFirst,
    film,
  };
}

export type Cuts = ReturnType<typeof cutsOf>;
