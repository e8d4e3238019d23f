import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import { cutsOf, stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'hold', 'split', 'daylight', 'clean'];

const SPLIT: Point = {
  id: 'split',
  letter: 'x',
  name: 'Split',
  weight: 10,
  stage: 'joined',
  measured: false,
  good: 'through the middle, 30 to 50 mm, closed below',
  correction: 'Set the blade across the middle and knock gently; stop at the depth of the wedge.',
  faults: [
    { grade: 'poor', words: 'off the middle, or too deep' },
    { grade: 'fatal', words: 'runs down the limb' },
  ],
};

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { start, split, sealed, stock } = cuts;
  return {
    start,
    steps: stepsOf(cuts),
    points: [
      point.edgeCambium(30),
      point.flatness(10),
      point.cutLength(6),
      SPLIT,
      point.hold(8),
      point.bind(8),
      point.seal(8),
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
      material.film(40),
      ...(sealed ? [{ ...material.SEALANT, amount: Math.max(5, Math.round(stock / 3)) }] : [material.SEALANT]),
      material.LABEL,
    ],
    aftercare: [
      aftercare.RESEAL,
      aftercare.STILL_DORMANT,
      aftercare.SWELL,
      ...(chosen(choices, school.NURSE_LIMB) === 'all-off'
        ? [aftercare.SUCKERS]
        : [aftercare.NURSE, aftercare.LOW_BRANCHES]),
      aftercare.ONE_SHOOT,
      aftercare.BLOSSOM,
      aftercare.TIE_UP,
      aftercare.HEAVY_TAPE_OFF,
      aftercare.ONE_SCION,
      aftercare.BRACE,
      aftercare.LABEL,
      aftercare.SECOND_CHANCE,
    ],
  };
}
