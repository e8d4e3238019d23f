import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Point, Technique, Wood } from '../method';
import type { Choices } from '../school';
import { cutsOf, startOf, stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'slip', 'bud', 'core', 'clean'];

const OWN: Point[] = [
  {
    id: 'core',
    letter: 'r',
    name: 'Core',
    weight: 18,
    stage: 'joined',
    measured: false,
    good: 'the bud’s core is in its back',
    correction: 'Slide the patch off sideways so that the core shears off with it; look at its back.',
    faults: [{ grade: 'fatal', words: 'missing: the bark may live, the bud will not' }],
  },
  {
    id: 'width',
    letter: 'i',
    name: 'Width',
    weight: 6,
    stage: 'joined',
    measured: true,
    good: 'fills most of the window',
    correction: 'Cut the patch wider, or the window narrower.',
    faults: [{ grade: 'poor', words: 'under 0.6 of the window' }],
  },
];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { height, top } = cuts;
  return {
    start: startOf(cuts),
    steps: stepsOf(cuts),
    points: [
      {
        ...point.edgeCambium(28),
        good: 'top and bottom touch',
        correction: 'Cut patch and window with the same pair of blades.',
        faults: [
          { grade: 'poor', words: 'one end only' },
          { grade: 'fatal', words: 'neither end' },
        ],
      },
      point.slip(10),
      ...OWN,
      point.bind(12),
      point.budPiece(6),
      point.budWood(5),
      point.clean(5),
      point.wayUp(3),
      point.label(3),
      point.safeHands(4),
      point.time,
    ],
    materials: [material.vinylTape(height + 10), material.FOIL, material.BRACE, material.LABEL, material.PAINT],
    aftercare: [
      aftercare.SUPPORT_WINDOW,
      aftercare.PLUMP,
      top === 'later' ? aftercare.PATCH_TOP : top === 'at-once' ? aftercare.PATCH_TOP_NOW : aftercare.PATCH_TOP_GROWN,
      aftercare.SUCKERS_BUD,
      aftercare.TAPE_OFF,
      aftercare.TIE_UP,
      aftercare.BLOSSOM,
      aftercare.LABEL,
    ],
  };
}
