import { mm, prose } from '../../units/prose';
import { budAftercare, budMaterials } from '../common/bud-care';
import * as bud from '../common/bud-points';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Point, Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { TURNS } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { CHIP_LENGTH, cutsOf } from './cuts';
import { stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'notch', 'bud', 'clean'];

const notch = (budFirst: boolean): Point => ({
  id: 'notch',
  letter: 'j',
  name: 'Notch',
  weight: 14,
  stage: 'joined',
  measured: false,
  good: 'down into the wood at 45 degrees; its lip holds the chip’s foot',
  correction: budFirst
    ? 'Cut the notch at the angle of the chip’s foot, down into the wood, and push the foot behind its lip.'
    : 'Cut the notch first, down into the wood at 45 degrees, and push the chip’s foot behind its lip.',
  faults: [
    { grade: 'poor', words: 'too flat, or a gap at the foot' },
    { grade: 'fatal', words: 'none, or sloping outwards: the chip slides out' },
  ],
});

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { start, dormant, cover, length, room, second, budFirst } = cuts;
  const turns = chosen(choices, TURNS);
  const long = point.cutLength(6, prose`${mm(CHIP_LENGTH.from, CHIP_LENGTH.to)} long`);
  return {
    takes: { pieces: second === 'none' ? 1 : 2, buds: 1 },
    start,
    steps: stepsOf(cuts),
    points: [
      point.sidesCambium(30),
      point.flatness(10, chosen(choices, KNIFE)),
      {
        ...long,
        correction: budFirst
          ? 'Pare the bed to the length of the chip.'
          : 'Trim the chip’s foot to the length of the bed.',
      },
      notch(budFirst),
      bud.bindBud(14, cover, turns),
      dormant ? bud.dormantBudPiece(8) : bud.budPiece(8),
      dormant ? bud.dormantBudWood(4) : bud.budWood(4),
      point.clean(5),
      point.wayUp(3),
      point.label(3),
      point.safeHands(3),
      point.time,
    ],
    materials: budMaterials(choices, cover, turns, length + 12 + room),
    tools: [tool.knife(chosen(choices, KNIFE), 'budding'), tool.GLOVE, tool.CALIPER],
    aftercare: budAftercare(choices, cover, turns, dormant),
  };
}
