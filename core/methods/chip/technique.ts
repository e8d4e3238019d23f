import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import { cutsOf, stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'notch', 'bud', 'clean'];

const NOTCH: Point = {
  id: 'notch',
  letter: 'j',
  name: 'Notch',
  weight: 14,
  stage: 'joined',
  measured: false,
  good: '45 degrees, the chip’s foot sits in it',
  correction: 'Cut the notch first, at 45 degrees, and seat the chip’s foot in it.',
  faults: [
    { grade: 'poor', words: 'too flat, or a gap at the foot' },
    { grade: 'fatal', words: 'none: the chip slides out' },
  ],
};

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { start, cover, length, layers } = cuts;
  return {
    start,
    steps: stepsOf(cuts),
    points: [
      point.sidesCambium(30),
      point.flatness(10),
      point.cutLength(6),
      NOTCH,
      point.bind(14),
      point.budPiece(8),
      point.budWood(4),
      point.clean(5),
      point.wayUp(3),
      point.label(3),
      point.safeHands(3),
      point.time,
    ],
    materials: [
      ...(cover === 'film'
        ? [material.film(length + 12)]
        : [material.RUBBER, ...(layers ? [material.film(length + 12)] : [])]),
      material.LABEL,
    ],
    aftercare: [
      aftercare.PLUMP,
      ...(cover === 'rubber' ? [] : [aftercare.CALLUS_SEEN]),
      chosen(choices, school.HEAD_BACK_PACE) === 'whole'
        ? aftercare.HEAD_BACK
        : { ...aftercare.HEAD_BACK, name: 'Shorten the stock above the bud in stages as the shoot grows' },
      aftercare.SUCKERS_BUD,
      aftercare.SLIT_RUBBER,
      aftercare.TIE_UP,
      aftercare.BLOSSOM,
      aftercare.LABEL,
    ],
  };
}
