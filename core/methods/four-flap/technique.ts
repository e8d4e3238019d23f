import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Point, Technique, Wood } from '../method';
import type { Choices } from '../school';
import { stepsOf } from './steps';
import { cutsOf, startOf } from './cuts';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'flaps', 'core', 'band', 'slip', 'clean'];

const OWN: Point[] = [
  {
    id: 'flaps',
    letter: 'l',
    name: 'Flaps',
    weight: 14,
    stage: 'joined',
    measured: true,
    good: 'four, alike, as wide as their flats',
    correction: 'Cut the four lines evenly round the stock, all of one length.',
    faults: [
      { grade: 'poor', words: 'narrower than the flats, or uneven' },
      { grade: 'fatal', words: 'torn off' },
    ],
  },
  {
    id: 'flats',
    letter: 'f',
    name: 'Flats',
    weight: 10,
    stage: 'joined',
    measured: true,
    good: 'to the green, corners left',
    correction: 'Shave each flat only down to the green.',
    faults: [
      { grade: 'poor', words: 'too narrow, or too deep' },
      { grade: 'fatal', words: 'meet at the corners' },
    ],
  },
  {
    id: 'band',
    letter: 'i',
    name: 'Band',
    weight: 8,
    stage: 'joined',
    measured: false,
    good: 'on before the flaps, rolled up over them',
    correction: 'Slip the band on before the first flap is cut.',
    faults: [{ grade: 'poor', words: 'tied on afterwards' }],
  },
  {
    id: 'core',
    letter: 'r',
    name: 'Core',
    weight: 8,
    stage: 'joined',
    measured: false,
    good: 'snipped out level, the scion stands on it',
    correction: 'Snip the core at the foot of the flaps, square.',
    faults: [{ grade: 'poor', words: 'stub too long or too short' }],
  },
];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { length } = cuts;
  return {
    start: startOf(cuts),
    steps: stepsOf(cuts),
    points: [
      {
        ...point.edgeCambium(28),
        good: 'flaps cover the flats',
        correction: 'Make flap and flat alike in width and length.',
        faults: [
          { grade: 'poor', words: 'flats stand bare' },
          { grade: 'fatal', words: 'bark on bark' },
        ],
      },
      ...OWN,
      point.slip(8),
      point.bind(8),
      point.dormantWood(4),
      point.clean(3),
      point.wayUp(3),
      point.label(2),
      point.safeHands(4),
      point.time,
    ],
    materials: [material.BAND, material.darkTape(length + 8), material.FOIL, material.FLAG, material.LABEL],
    aftercare: [
      aftercare.STILL_DORMANT,
      aftercare.SWELL,
      aftercare.NO_SHOOTS_MONTH,
      aftercare.ONE_SHOOT,
      aftercare.BLOSSOM,
      aftercare.TIE_UP,
      aftercare.WRAP_WINTER,
      aftercare.BRACE,
      aftercare.LABEL,
      aftercare.SECOND_CHANCE,
    ],
  };
}
