import * as aftercare from '../timetable/tasks';
import * as material from '../common/materials';
import * as point from '../common/points';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import * as school from '../schools';
import { cutsOf, startOf, stepsOf, DOWN_CUT } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'slip', 'bud', 'clean'];

const IN_PLACE: Point = {
  id: 'in-place',
  letter: 'i',
  name: 'In place',
  weight: 10,
  stage: 'joined',
  measured: true,
  good: 'all in, the bud about the middle',
  correction: 'Push the shield down until its bud stands about the middle of the cut.',
  faults: [
    { grade: 'poor', words: 'sticks out' },
    { grade: 'fatal', words: 'hardly in' },
  ],
};

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { cover } = cuts;
  return {
    start: startOf(cuts),
    steps: stepsOf(cuts),
    points: [
      {
        ...point.edgeCambium(25),
        good: 'the back lies on the wood',
        correction: 'Pull the shield flat and push it all the way in.',
        faults: [
          { grade: 'poor', words: 'part of the back' },
          { grade: 'fatal', words: 'nowhere' },
        ],
      },
      point.slip(14),
      { ...point.flatness(10), name: 'Flat back', good: 'flat behind the bud' },
      {
        ...point.strokes(4),
        good: 'one straight, shallow pull, two at most',
        correction: 'Take the shield off in one straight, shallow pull; do not whittle its back.',
      },
      IN_PLACE,
      point.bind(10),
      point.budPiece(8),
      point.budWood(4),
      point.clean(5),
      point.wayUp(3),
      point.label(3),
      point.safeHands(4),
      point.time,
    ],
    materials: [...(cover === 'film' ? [material.film(DOWN_CUT + 8)] : [material.RUBBER]), material.LABEL],
    aftercare: [
      aftercare.PLUMP,
      ...(cover === 'film' ? [] : [aftercare.UNWRAP_BUD]),
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
