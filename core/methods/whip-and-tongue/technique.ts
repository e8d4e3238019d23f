import { BUD_COUNTS } from '../bud-counts';
import { benchGraftAftercare, benchGraftMaterials } from '../common/bench-graft';
import * as tool from '../common/tools';
import type { Technique, Wood } from '../method';
import { chosen, type Choices } from '../school';
import { DARK_SEAL } from '../schools/of-covering';
import { KNIFE } from '../schools/of-cutting';
import { darkSeal } from '../timetable/tasks-of-healing';
import { FOIL, PAINT } from '../common/materials';
import { pointsFor } from './points';
import { cutsOf } from './cuts';
import { stepsOf } from './steps';

export function technique(choices: Choices, wood: Wood): Technique {
  const cuts = cutsOf(choices, wood);
  const { cut, buds } = cuts;
  const shaded = chosen(choices, DARK_SEAL);
  return {
    takes: { pieces: 1, buds: BUD_COUNTS.get(buds)! },
    start: cut.start,
    steps: stepsOf(cuts),
    points: pointsFor(choices, wood),
    materials: [
      ...benchGraftMaterials(choices, cut.rise.stock + 12, cut.tip - cut.rise.scion),
      shaded === 'paint' ? PAINT : FOIL,
    ],
    tools: [tool.knife(chosen(choices, KNIFE)), tool.GLOVE, tool.SECATEURS, tool.CALIPER],
    aftercare: [...benchGraftAftercare(choices), darkSeal(shaded)],
  };
}
