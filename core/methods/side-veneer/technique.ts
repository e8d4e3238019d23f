import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Point, Technique, Wood } from '../method';
import type { Choices } from '../school';
import { cutsOf, startOf, stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'foot', 'clean'];

const OWN: Point[] = [
  {
    id: 'foot',
    letter: 'j',
    name: 'Foot',
    weight: 10,
    stage: 'joined',
    measured: false,
    good: 'the ramp sits in the lip',
    correction: 'Cut the short ramp and seat it in the lip before you push to the side.',
    faults: [
      { grade: 'poor', words: 'stands beside the lip' },
      { grade: 'fatal', words: 'no lip: it slides down' },
    ],
  },
  {
    id: 'cover',
    letter: 'v',
    name: 'Cover',
    weight: 14,
    stage: 'wrapped',
    measured: false,
    good: 'the whole scion, tip and all',
    correction: 'Cover the whole scion, the tip too.',
    faults: [
      { grade: 'poor', words: 'tip peeps out' },
      { grade: 'fatal', words: 'not covered' },
    ],
  },
];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { length } = cuts;
  return {
    start: startOf(cuts),
    steps: stepsOf(cuts),
    points: [
      point.sidesCambium(28),
      point.flatness(12),
      point.cutLength(6),
      ...OWN,
      point.bind(8),
      point.tipWood(8),
      point.clean(4),
      point.wayUp(3),
      point.label(3),
      point.safeHands(4),
      point.time,
    ],
    materials: [material.vinylTape(length + 12), material.film(100), material.LABEL],
    aftercare: [
      aftercare.HANDS_OFF(25, 30),
      aftercare.UNWRAP_TIP,
      ...aftercare.HEAD_STAGES,
      aftercare.SUCKERS_BUD,
      aftercare.TAPE_OFF,
      aftercare.TIE_UP,
      aftercare.LABEL,
    ],
  };
}
