import { BUD_COUNTS } from '../bud-counts';
import { benchGraftAftercare, benchGraftMaterials } from '../common/bench-graft';
import { FOIL, PAINT } from '../common/materials';
import * as point from '../common/points';
import * as tool from '../common/tools';
import type { Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { BINDING, COAT, DARK_SEAL, SEALANT, TURNS } from '../schools/of-covering';
import { KNIFE, SCION_STAGE } from '../schools/of-cutting';
import { darkSeal } from '../timetable/tasks-of-healing';
import { cutsOf, lengthFor, stepsOf } from './steps';

export const ANCHORS = ['wood', 'way-up', 'safe-hands', 'daylight', 'strokes', 'clean'];

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { cut, buds } = cuts;
  const shaded = chosen(choices, DARK_SEAL);
  return {
    takes: { pieces: 1, buds: BUD_COUNTS.get(buds)! },
    start: cut.start,
    steps: stepsOf(cuts),
    points: [
      point.sidesCambium(30),
      point.flatness(14, chosen(choices, KNIFE)),
      point.cutLength(10, lengthFor(choices, wood).words),
      point.bind(10, chosen(choices, TURNS), chosen(choices, BINDING)),
      point.daylight(8),
      point.strokes(6),
      point.seal(6, 'sealed', chosen(choices, COAT), chosen(choices, SEALANT)),
      point.dormantWood(4, chosen(choices, SCION_STAGE)),
      point.clean(4),
      point.wayUp(3),
      point.label(2),
      point.safeHands(3),
      point.time,
    ],
    materials: [
      ...benchGraftMaterials(choices, cut.rise.stock + 10, cut.tip - cut.rise.scion),
      shaded === 'paint' ? PAINT : FOIL,
    ],
    tools: [tool.knife(chosen(choices, KNIFE)), tool.GLOVE, tool.SECATEURS, tool.CLIP, tool.CALIPER],
    aftercare: [...benchGraftAftercare(choices), darkSeal(shaded)],
  };
}
