import { BUD_COUNTS } from '../bud-counts';
import { mm, prose } from '../../units/prose';
import { fieldGraftAftercare, fieldGraftCover } from '../common/field-graft';
import * as material from '../common/materials';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { TAPE_OFF } from '../schools/of-aftercare';
import { COAT, SEALANT, TAPE_OFF_BY } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { tapeOff } from '../timetable/tasks-of-binding';
import { reseal, swell } from '../timetable/tasks-of-healing';
import { cutsOf, FACE_LENGTH } from './cuts';
import { stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'hold', 'slip', 'clean'];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { shape, length, stump, stock, scions, buds, wedge, pared } = cuts;
  const coat = chosen(choices, COAT) === 'coat';
  const flat = point.flatness(10, chosen(choices, KNIFE));
  const cambium = point.laidCambium(25);
  return {
    takes: { pieces: scions, buds: BUD_COUNTS.get(buds)! },
    start: shape.start,
    steps: stepsOf(cuts),
    points: [
      pared ? { ...cambium, good: 'edges lie on the wood, the pared back on the flap' } : cambium,
      point.slip(12),
      wedge ? { ...flat, good: 'no light under a straight edge, on both faces' } : flat,
      point.cutLength(6, prose`${mm(FACE_LENGTH.from, FACE_LENGTH.to)} long`, false),
      point.windowShown(8),
      point.hold(8),
      point.bind(8),
      point.seal(8, stump, chosen(choices, COAT), chosen(choices, SEALANT)),
      point.dormantWood(4),
      point.clean(3),
      point.wayUp(3),
      point.label(2),
      point.safeHands(3),
      point.time,
    ],
    materials: [
      material.darkTape(length + 4),
      material.film(shape.tip * scions),
      material.sealantBy(
        chosen(choices, SEALANT),
        (stump === 'sealed' ? Math.max(4, Math.round(stock / 4)) : 2) + (coat ? 8 : 0),
      ),
      ...fieldGraftCover(choices, true),
    ],
    tools: [tool.SAW, tool.knife(chosen(choices, KNIFE)), tool.BARK_LIFTER, tool.GLOVE, tool.CALIPER],
    aftercare: fieldGraftAftercare(choices, {
      buds,
      // The tape is dark whatever becomes of the stump.
      dark: true,
      first: [...reseal(stump, chosen(choices, COAT)), swell()],
      binding: [tapeOff('insulating tape', chosen(choices, TAPE_OFF_BY), chosen(choices, TAPE_OFF))],
    }),
  };
}
