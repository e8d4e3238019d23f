import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import { cutsOf, stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'hold', 'slip', 'clean'];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { shape, length, sealed, stock, three } = cuts;
  return {
    start: shape.start,
    steps: stepsOf(cuts),
    points: [
      point.laidCambium(25),
      point.slip(12),
      point.flatness(10),
      point.cutLength(6),
      point.windowShown(8),
      point.hold(8),
      point.bind(8),
      point.seal(8),
      point.dormantWood(4),
      point.clean(3),
      point.wayUp(3),
      point.label(2),
      point.safeHands(3),
      point.time,
    ],
    materials: [
      material.darkTape(length),
      material.film(40),
      { ...material.SEALANT, amount: sealed ? Math.max(4, Math.round(stock / 4)) : 2 },
      material.LABEL,
      material.BRACE,
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
      aftercare.TAPE_OFF,
      ...(three ? [aftercare.ONE_SCION] : []),
      aftercare.BRACE,
      aftercare.LABEL,
      aftercare.SECOND_CHANCE,
    ],
  };
}
