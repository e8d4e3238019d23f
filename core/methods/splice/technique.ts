import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import { cutsOf, stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'daylight', 'strokes', 'clean'];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { cut } = cuts;
  return {
    start: cut.start,
    steps: stepsOf(cuts),
    points: [
      point.sidesCambium(30),
      point.flatness(14),
      point.cutLength(10),
      point.bind(10),
      point.daylight(8),
      point.strokes(6),
      point.seal(6),
      point.dormantWood(4),
      point.clean(4),
      point.wayUp(3),
      point.label(2),
      point.safeHands(3),
      point.time,
    ],
    materials: [material.stretchTape(45), material.film(40), material.SEALANT, material.LABEL],
    aftercare: [
      aftercare.WATER,
      aftercare.WARM,
      aftercare.CALLUS_SEEN,
      aftercare.RESEAL,
      aftercare.SWELL,
      ...(chosen(choices, school.SHOOTS_BELOW) === 'all-off'
        ? [aftercare.SUCKERS]
        : [aftercare.NURSE, aftercare.LOW_BRANCHES]),
      aftercare.ONE_SHOOT,
      aftercare.BLOSSOM,
      aftercare.TIE_UP,
      aftercare.PERFORATE,
      aftercare.LABEL,
      aftercare.PLANT_OUT,
      aftercare.SECOND_CHANCE,
    ],
  };
}
