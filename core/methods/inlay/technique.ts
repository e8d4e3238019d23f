import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import { stepsOf } from './steps';
import { cutsOf } from './cuts';

export const FACE_LENGTH = { from: 40, to: 60 };

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'hold', 'slip', 'slots', 'clean'];

const OWN: Point[] = [
  {
    id: 'slots',
    letter: 'l',
    name: 'Slots',
    weight: 10,
    stage: 'joined',
    measured: true,
    good: 'the scion fills them',
    correction: 'Trace both sides of the stick without moving it.',
    faults: [
      { grade: 'poor', words: 'wider than the scion' },
      { grade: 'fatal', words: 'strip torn off' },
    ],
  },
  {
    id: 'cover',
    letter: 'v',
    name: 'Cover',
    weight: 8,
    stage: 'wrapped',
    measured: false,
    good: 'foil over all cut wood, bag tied over foil',
    correction: 'Foil first, shiny side out; tie the bag below only where foil is under it.',
    faults: [
      { grade: 'poor', words: 'cut wood shows' },
      { grade: 'fatal', words: 'bag tied on bare wood' },
    ],
  },
];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { shape, fix, deep, cover } = cuts;
  return {
    start: shape.start,
    steps: stepsOf(cuts),
    points: [
      point.laidCambium(25),
      point.slip(10),
      point.flatness(10),
      ...OWN,
      point.cutLength(5),
      point.windowShown(6),
      point.hold(8),
      point.seal(4),
      point.dormantWood(4),
      point.clean(3),
      point.wayUp(2),
      point.label(2),
      point.safeHands(3),
      point.time,
    ],
    materials: [
      ...(fix === 'nail'
        ? [material.NAIL]
        : fix === 'driven'
          ? [material.clothTape(deep + 5)]
          : [material.darkTape(deep + 5)]),
      ...(cover === 'foil-bag' ? [material.FOIL, material.BAG] : cover === 'shellac' ? [] : [material.film(80)]),
      material.SHELLAC,
      material.BRACE,
      material.LABEL,
    ],
    aftercare: [
      aftercare.HANDS_OFF(14, 21),
      aftercare.STILL_DORMANT,
      ...(cover === 'foil-bag' ? [aftercare.BAG_OPEN, aftercare.COVER_OFF] : []),
      aftercare.LOW_BRANCHES,
      ...(chosen(choices, school.NURSE_LIMB) === 'all-off' ? [aftercare.SUCKERS] : [aftercare.NURSE]),
      aftercare.ONE_SHOOT,
      aftercare.BLOSSOM,
      aftercare.TIE_UP,
      ...(fix === 'nail' ? [] : [aftercare.TAPE_OFF]),
      aftercare.ONE_SCION,
      aftercare.BRACE,
      aftercare.LABEL,
      aftercare.SECOND_CHANCE,
    ],
  };
}
