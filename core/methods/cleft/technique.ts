import { BUD_COUNTS } from '../bud-counts';
import { mm, prose } from '../../units/prose';
import { fieldGraftAftercare, fieldGraftCover } from '../common/field-graft';
import * as material from '../common/materials';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { COAT, SEALANT, TAPE_OFF_BY } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { heavyOff } from '../timetable/tasks-of-binding';
import { reseal, swell } from '../timetable/tasks-of-healing';
import { cutsOf, stepsOf, WEDGE_LENGTH } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'hold', 'split', 'daylight', 'clean'];

const SPLIT: Point = {
  id: 'split',
  letter: 'x',
  name: 'Split',
  weight: 10,
  stage: 'joined',
  measured: false,
  good: prose`through the middle, ${mm(30, 50)}, closed below`,
  correction: 'Set the blade across the middle and knock gently; stop at the depth of the wedge.',
  faults: [
    { grade: 'poor', words: 'off the middle, or too deep' },
    { grade: 'fatal', words: 'runs down the limb' },
  ],
};

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { start, split, stump, stock, buds, scions, tip } = cuts;
  const coat = chosen(choices, COAT) === 'coat';
  // Only sealant is dark here; a stump left open has none but at the tip.
  const dark = stump === 'sealed' || coat;
  return {
    takes: { pieces: scions, buds: BUD_COUNTS.get(buds)! },
    start,
    steps: stepsOf(cuts),
    points: [
      point.edgeCambium(30),
      {
        ...point.flatness(10, chosen(choices, KNIFE)),
        faults: [
          { grade: 'poor', words: 'rippled, or a hairline of light' },
          { grade: 'fatal', words: 'hollow over half the face' },
        ],
      },
      point.cutLength(6, prose`${mm(WEDGE_LENGTH.from, WEDGE_LENGTH.to)} long`, false),
      SPLIT,
      point.hold(8),
      point.bind(8),
      point.seal(8, stump, chosen(choices, COAT), chosen(choices, SEALANT)),
      point.daylight(4),
      point.dormantWood(4),
      point.clean(4),
      point.wayUp(3),
      point.label(2),
      point.safeHands(3),
      point.time,
    ],
    materials: [
      material.heavyTape(split + 6),
      material.film(tip * scions),
      material.sealantBy(
        chosen(choices, SEALANT),
        (stump === 'sealed' ? Math.max(5, Math.round(stock / 3)) : 2) + (coat ? 8 : 0),
      ),
      ...fieldGraftCover(choices, dark),
    ],
    tools: [tool.SAW, tool.SPLITTER, tool.DRIVER, tool.knife(chosen(choices, KNIFE)), tool.GLOVE, tool.CALIPER],
    aftercare: fieldGraftAftercare(choices, {
      buds,
      dark,
      first: [...reseal(stump, chosen(choices, COAT)), swell()],
      binding: [heavyOff(chosen(choices, TAPE_OFF_BY))],
    }),
  };
}
