import type { Technique } from '../method';
import { type AnswerTo, chosen, type Choices } from '../school';
import {
  HEAD_BACK,
  HEAD_BACK_PACE,
  HEAD_BACK_WHEN,
  KNIT_SEEN,
  SHOOTS_WHEN,
  SIDE_SHOOTS,
  SOFT_BARK,
  SUPPORT_LATER,
  WRAP_OFF,
} from '../schools/of-aftercare';
import { type BudCover, RUBBER_OFF, type TURNS } from '../schools/of-covering';
import { SECOND_BUD } from '../schools/of-cutting';
import { budWrap, softBark } from '../timetable/tasks-of-binding';
import { BLOSSOM, FIRST_CROP, LABEL, sideShoots, support } from '../timetable/tasks-of-growth';
import { knitSeen, plump } from '../timetable/tasks-of-healing';
import { headBack, shootsByBud } from '../timetable/tasks-of-stock';
import { braced } from './braced';
import * as material from './materials';

/* What chip and T have in common besides the cut: a bud on a young stock, wrapped, that sleeps or is forced. */

/** Questions about all that follows the cut, but for how the bud lies under its wrap. */
export const BUD_SCHOOLS = [
  RUBBER_OFF,
  WRAP_OFF,
  SOFT_BARK,
  HEAD_BACK_WHEN,
  HEAD_BACK,
  HEAD_BACK_PACE,
  SHOOTS_WHEN,
  SIDE_SHOOTS,
  SUPPORT_LATER,
];

/**
 * What wraps a bud: rubber, or film where the bud is covered by it; a second bud above lies under the same wrap.
 *
 * @param bound length of union that is wrapped, mm.
 */
export function budMaterials(
  choices: Choices,
  cover: BudCover,
  turns: AnswerTo<typeof TURNS>,
  bound: number,
): Technique['materials'] {
  const second = chosen(choices, SECOND_BUD);
  const wrap = cover === 'film' ? material.film(bound, 'stock') : material.rubber(turns);
  const twice = second === 'above' || (turns === 'layers' && wrap.id === 'film');
  const filmBesides = wrap.unit !== 'mm' && (twice || cover === 'film-rubber');
  return [
    twice && wrap.unit === 'mm' ? { ...wrap, wrap: { ...wrap.wrap, layers: 2 } } : wrap,
    ...(filmBesides ? [material.film(bound, 'stock')] : []),
    ...(second === 'opposite' ? [material.PAINT_DOT] : []),
    ...braced(choices),
    material.LABEL,
  ];
}

/** All that follows, but for citrus kin. `callus` is whether it is seen through the wrap. */
export function budAftercare(
  choices: Choices,
  cover: BudCover,
  callus: AnswerTo<typeof TURNS> | null,
  dormant = false,
): Technique['aftercare'] {
  return [
    // Under rubber the bud is felt; nothing of it is seen before spring.
    cover === 'rubber'
      ? { ...plump(), name: 'Feel through the rubber for a plump bud; it stays covered until spring' }
      : plump(dormant ? 'none' : 'stub'),
    ...(callus && cover !== 'rubber' ? knitSeen(chosen(choices, KNIT_SEEN), callus) : []),
    budWrap({ cover, when: chosen(choices, WRAP_OFF), how: chosen(choices, RUBBER_OFF) }),
    softBark(chosen(choices, SOFT_BARK)),
    ...headBack({
      distance: chosen(choices, HEAD_BACK),
      pace: chosen(choices, HEAD_BACK_PACE),
      when: chosen(choices, HEAD_BACK_WHEN),
      two: chosen(choices, SECOND_BUD) !== 'none',
    }),
    shootsByBud(chosen(choices, SHOOTS_WHEN)),
    sideShoots(chosen(choices, SIDE_SHOOTS)),
    ...support(chosen(choices, SUPPORT_LATER)),
    BLOSSOM,
    LABEL,
    FIRST_CROP,
  ];
}
