import { budAftercare, budMaterials } from '../common/bud-care';
import * as material from '../common/materials';
import * as bud from '../common/bud-points';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { SHOOTS_WHEN, SOFT_BARK } from '../schools/of-aftercare';
import { KNIFE, SECOND_BUD, SLIVER } from '../schools/of-cutting';
import { CITRUS_UNWRAP, softBark } from '../timetable/tasks-of-binding';
import { BLOSSOM, FIRST_CROP, LABEL } from '../timetable/tasks-of-growth';
import { plump, shade } from '../timetable/tasks-of-healing';
import { INSECTS, lopAndBend, shootsByBud } from '../timetable/tasks-of-stock';
import { type Cuts, cutsOf, DOWN_CUT, startOf } from './cuts';
import { stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'slip', 'bud', 'clean'];

const inPlace = (inverted: boolean): Point => ({
  id: 'in-place',
  letter: 'i',
  name: 'In place',
  weight: 10,
  stage: 'joined',
  measured: true,
  good: 'all in, the bud about the middle',
  correction: `Push the shield ${inverted ? 'up' : 'down'} until its bud stands about the middle of the cut, or cut it shorter.`,
  faults: [
    { grade: 'poor', words: inverted ? 'sticks out below' : 'sticks out above' },
    { grade: 'fatal', words: 'hardly in' },
  ],
});

/** Citrus kin goes by its own rules: shade, vinyl off on day 21, lopped and bent, watched for insects. */
function citrusAftercare(choices: Choices): Technique['aftercare'] {
  return [
    shade('pot'),
    plump('vinyl'),
    CITRUS_UNWRAP,
    softBark(chosen(choices, SOFT_BARK)),
    ...lopAndBend(chosen(choices, SECOND_BUD) !== 'none'),
    shootsByBud(chosen(choices, SHOOTS_WHEN)),
    INSECTS,
    BLOSSOM,
    LABEL,
    FIRST_CROP,
  ];
}

function pointsFor({ choices, inverted, cover, citrus }: Cuts): Point[] {
  const clean = point.clean(5);
  const wrap = bud.bindBud(10, cover);
  return [
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
    { ...point.flatness(10, chosen(choices, KNIFE)), name: 'Flat back', good: 'flat behind the bud' },
    {
      ...point.strokes(4),
      good: 'one straight, shallow pull, two at most',
      correction: 'Take the shield off in one straight, shallow pull; do not whittle its back.',
    },
    inPlace(inverted),
    citrus
      ? {
          ...wrap,
          good: 'vinyl from below, tight, all covered',
          correction: 'Wrap vinyl from below upwards over the whole cut.',
          faults: [{ grade: 'poor', words: 'ribboned, or part of the cut bare' }, ...wrap.faults.slice(1)],
        }
      : wrap,
    bud.budPiece(8, chosen(choices, SLIVER)),
    bud.budWood(4),
    citrus
      ? {
          ...clean,
          good: 'blade in solution, certified wood, faces untouched',
          correction: 'Dip the blade in solution and rinse it between plants; take certified wood only.',
        }
      : clean,
    point.wayUp(3),
    point.label(3),
    point.safeHands(4),
    point.time,
  ];
}

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { citrus, cover, room, second } = cuts;
  const bound = DOWN_CUT + 8 + room;
  return {
    takes: { pieces: second === 'none' ? 1 : 2, buds: 1 },
    start: startOf(cuts),
    steps: stepsOf(cuts),
    points: pointsFor(cuts),
    materials: citrus
      ? [
          material.vinylTape(bound),
          ...(second === 'opposite' ? [material.PAINT_DOT] : []),
          material.STAKE,
          material.LABEL,
        ]
      : budMaterials(choices, cover, 'few', bound),
    tools: [tool.knife(chosen(choices, KNIFE), 'budding'), tool.BARK_LIFTER, tool.GLOVE, tool.CALIPER],
    aftercare: citrus ? citrusAftercare(choices) : budAftercare(choices, cover, null),
  };
}
