import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Point, Technique, Wood } from '../method';
import type { Choices } from '../school';
import { cutsOf, stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'split', 'film', 'daylight', 'clean'];

const OWN: Point[] = [
  {
    id: 'split',
    letter: 'x',
    name: 'Slit',
    weight: 10,
    stage: 'joined',
    measured: false,
    good: 'down the middle, 19 mm, not running',
    correction: 'Press the blade down the middle and stop at 19 mm.',
    faults: [
      { grade: 'poor', words: 'off the middle, or longer' },
      { grade: 'fatal', words: 'runs down the shoot' },
    ],
  },
  {
    id: 'film',
    letter: 'i',
    name: 'Film',
    weight: 10,
    stage: 'joined',
    measured: false,
    good: 'on before the wedge is cut, tip covered',
    correction: 'Wrap the tip in film before the knife touches it.',
    faults: [
      { grade: 'poor', words: 'put on afterwards' },
      { grade: 'fatal', words: 'none' },
    ],
  },
];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { start } = cuts;
  return {
    start,
    steps: stepsOf(cuts),
    points: [
      point.sidesCambium(30),
      point.flatness(10),
      point.cutLength(8),
      ...OWN,
      point.bind(8),
      point.daylight(6),
      point.tipWood(6),
      point.clean(4),
      point.wayUp(3),
      point.label(2),
      point.safeHands(3),
      point.time,
    ],
    materials: [material.film(45), material.RUBBER, material.SHADE_LEAF, material.LABEL],
    aftercare: [
      aftercare.SHADE,
      aftercare.PLUMP,
      aftercare.SUCKERS,
      aftercare.SLIT_RUBBER,
      aftercare.TIE_UP,
      aftercare.BRACE,
      aftercare.LABEL,
    ],
  };
}
