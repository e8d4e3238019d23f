import { mm, prose } from '../../units/prose';
import { braced } from '../common/braced';
import * as material from '../common/materials';
import * as bud from '../common/bud-points';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { SHOOTS_WHEN, SUPPORT_LATER } from '../schools/of-aftercare';
import { RUBBER_OFF } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { rubberOff } from '../timetable/tasks-of-binding';
import { FIRST_FRUIT_DATE, LABEL, support } from '../timetable/tasks-of-growth';
import { shade, TIP_WATCHED } from '../timetable/tasks-of-healing';
import { shootsByTip } from '../timetable/tasks-of-stock';
import { cutsOf, SLIT, stepsOf, WEDGE_LENGTH } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'split', 'film', 'daylight', 'clean'];

const OWN: Point[] = [
  {
    id: 'split',
    letter: 'x',
    name: 'Slit',
    weight: 10,
    stage: 'joined',
    measured: false,
    good: prose`down the middle, ${mm(SLIT)}, not running`,
    correction: prose`Press the blade down the middle and stop at ${mm(SLIT)}.`,
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
    takes: { pieces: 1, buds: 1 },
    start,
    steps: stepsOf(cuts),
    points: [
      point.sidesCambium(30),
      point.flatness(10, chosen(choices, KNIFE)),
      point.cutLength(8, prose`as long as the slit, ${mm(WEDGE_LENGTH.from, WEDGE_LENGTH.to)}`, false),
      ...OWN,
      point.bind(8),
      point.daylight(6),
      bud.tipWood(6, 'green'),
      point.clean(4),
      point.wayUp(3),
      point.label(2),
      point.safeHands(3),
      point.time,
    ],
    materials: [material.film(45), material.rubber(), material.SHADE_LEAF, ...braced(choices), material.LABEL],
    tools: [tool.knife(chosen(choices, KNIFE)), tool.SNIPS, tool.GLOVE, tool.CALIPER],
    aftercare: [
      shade('tree'),
      TIP_WATCHED,
      shootsByTip(chosen(choices, SHOOTS_WHEN)),
      rubberOff(chosen(choices, RUBBER_OFF)),
      ...support(chosen(choices, SUPPORT_LATER)),
      LABEL,
      FIRST_FRUIT_DATE,
    ],
  };
}
