import { mm, prose } from '../../units/prose';
import { braced } from '../common/braced';
import * as material from '../common/materials';
import * as bud from '../common/bud-points';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { SHOOTS_WHEN, SUPPORT_LATER, TAPE_OFF } from '../schools/of-aftercare';
import { TAPE_OFF_BY, TURNS } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { tapeOff } from '../timetable/tasks-of-binding';
import { FIRST_CROP, LABEL, support, UNWRAP_TIP } from '../timetable/tasks-of-growth';
import { handsOff } from '../timetable/tasks-of-healing';
import { HEAD_STAGES, shootsByTip } from '../timetable/tasks-of-stock';
import { CUT_LENGTH, cutsOf, startOf, stepsOf } from './steps';

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
  const turns = chosen(choices, TURNS);
  return {
    takes: { pieces: 1, buds: 1 },
    start: startOf(cuts),
    steps: stepsOf(cuts),
    points: [
      point.sidesCambium(28),
      point.flatness(12, chosen(choices, KNIFE)),
      point.cutLength(6, prose`${mm(CUT_LENGTH.from, CUT_LENGTH.to)} long`),
      ...OWN,
      point.bind(8, turns),
      bud.tipWood(8, 'hardened'),
      point.clean(4),
      point.wayUp(3),
      point.label(3),
      point.safeHands(4),
      point.time,
    ],
    materials: [material.vinylTape(length + 12, turns), material.film(100), ...braced(choices), material.LABEL],
    tools: [tool.knife(chosen(choices, KNIFE)), tool.SNIPS, tool.GLOVE, tool.CALIPER],
    aftercare: [
      handsOff(25, 30),
      UNWRAP_TIP,
      ...HEAD_STAGES,
      shootsByTip(chosen(choices, SHOOTS_WHEN)),
      tapeOff('vinyl', chosen(choices, TAPE_OFF_BY), chosen(choices, TAPE_OFF)),
      ...support(chosen(choices, SUPPORT_LATER)),
      LABEL,
      FIRST_CROP,
    ],
  };
}
