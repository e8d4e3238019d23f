import { braced } from '../common/braced';
import * as material from '../common/materials';
import * as bud from '../common/bud-points';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { SHOOTS_WHEN, SUPPORT_LATER, TAPE_OFF } from '../schools/of-aftercare';
import { TAPE_OFF_BY } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { foilOff, tapeOff } from '../timetable/tasks-of-binding';
import { BLOSSOM, FIRST_CROP, LABEL, support } from '../timetable/tasks-of-growth';
import { plump, SUPPORT_WINDOW } from '../timetable/tasks-of-healing';
import { patchTop, shootsByBud, TIE_TO_STUB } from '../timetable/tasks-of-stock';
import { cutsOf, startOf } from './cuts';
import { stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'slip', 'bud', 'core', 'clean'];

const own = (lifts: boolean): Point[] => [
  {
    id: 'core',
    letter: 'r',
    name: 'Core',
    weight: 18,
    stage: 'joined',
    measured: false,
    good: 'the bud’s core is in its back',
    correction: lifts
      ? 'Lift the patch all round from the back before the bud is moved; look at its back.'
      : 'Slide the patch off sideways so that the core shears off with it; look at its back.',
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
  const { height, top, lifts, lastYear } = cuts;
  return {
    takes: { pieces: 1, buds: 1 },
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
      ...own(lifts),
      {
        ...point.bind(12),
        good: 'firm, the bud free, every edge covered',
        correction: 'Wrap from below upwards over every edge, and leave the bud free.',
      },
      lastYear ? bud.dormantBudPiece(6) : bud.budPiece(6),
      bud.budWood(5),
      point.clean(5),
      point.wayUp(3),
      point.label(3),
      point.safeHands(4),
      point.time,
    ],
    materials: [
      material.vinylTape(height + 10),
      material.FOIL,
      material.SPLINT,
      material.sealant(2),
      material.PAINT,
      ...braced(choices),
      material.LABEL,
    ],
    tools: [
      tool.DOUBLE_BLADED_KNIFE,
      tool.knife(chosen(choices, KNIFE), 'budding'),
      tool.SECATEURS,
      tool.GLOVE,
      tool.CALIPER,
    ],
    aftercare: [
      SUPPORT_WINDOW,
      plump(lastYear ? 'none' : 'stub'),
      patchTop(top),
      foilOff(14, 21),
      TIE_TO_STUB,
      shootsByBud(chosen(choices, SHOOTS_WHEN)),
      tapeOff('vinyl', chosen(choices, TAPE_OFF_BY), chosen(choices, TAPE_OFF)),
      ...support(chosen(choices, SUPPORT_LATER)),
      BLOSSOM,
      LABEL,
      FIRST_CROP,
    ],
  };
}
