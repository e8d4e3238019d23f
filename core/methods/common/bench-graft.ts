import type { Technique } from '../method';
import { chosen, type Choices } from '../school';
import {
  KNIT_SEEN,
  PLANTING,
  SECOND_SHOOT,
  SHOOTS_BELOW,
  SHOOTS_WHEN,
  SIDE_SHOOTS,
  SUPPORT_LATER,
} from '../schools/of-aftercare';
import { BINDING, COAT, SEALANT, STRETCH_OFF, TURNS } from '../schools/of-covering';
import { BUDS, ROOT_TRIM, SCION_STAGE } from '../schools/of-cutting';
import { benchBindingOff } from '../timetable/tasks-of-binding';
import {
  BLOSSOM,
  FIRST_CROP,
  LABEL,
  oneShoot,
  plantOut,
  SECOND_CHANCE,
  sideShoots,
  support,
} from '../timetable/tasks-of-growth';
import { knitSeen, potting, reseal, swell, WARM, WATER } from '../timetable/tasks-of-healing';
import { shootsBelow } from '../timetable/tasks-of-stock';
import { braced } from './braced';
import * as material from './materials';

/* What whip and splice have in common besides the slope: small stocks joined while they sleep, at the bench or outdoors. */

/** Questions about all that follows the cut. */
export const BENCH_GRAFT_SCHOOLS = [
  BINDING,
  TURNS,
  SEALANT,
  COAT,
  ROOT_TRIM,
  KNIT_SEEN,
  STRETCH_OFF,
  SHOOTS_BELOW,
  SHOOTS_WHEN,
  SECOND_SHOOT,
  SIDE_SHOOTS,
  SUPPORT_LATER,
  PLANTING,
];

export function benchGraftMaterials(choices: Choices, bound: number, film: number): Technique['materials'] {
  const coat = chosen(choices, COAT) === 'coat';
  const binding = chosen(choices, BINDING);
  // Paper and ties let the air in: film covers the union as well.
  const covered = binding === 'paper' || binding === 'ties' ? bound : 0;
  return [
    material.benchBinding(binding, bound, chosen(choices, TURNS)),
    material.film(film + covered),
    material.sealantBy(chosen(choices, SEALANT), coat ? 8 : 3),
    ...braced(choices),
    material.LABEL,
  ];
}

export function benchGraftAftercare(choices: Choices): Technique['aftercare'] {
  return [
    potting(chosen(choices, ROOT_TRIM)),
    WATER,
    WARM,
    ...knitSeen(chosen(choices, KNIT_SEEN), chosen(choices, TURNS)),
    ...reseal('sealed', chosen(choices, COAT)),
    swell(chosen(choices, SCION_STAGE)),
    ...shootsBelow(chosen(choices, SHOOTS_BELOW), chosen(choices, SHOOTS_WHEN)),
    ...oneShoot(chosen(choices, SECOND_SHOOT), chosen(choices, BUDS)),
    sideShoots(chosen(choices, SIDE_SHOOTS)),
    BLOSSOM,
    ...support(chosen(choices, SUPPORT_LATER)),
    benchBindingOff(chosen(choices, BINDING), chosen(choices, STRETCH_OFF)),
    LABEL,
    ...plantOut(chosen(choices, PLANTING)),
    SECOND_CHANCE,
    FIRST_CROP,
  ];
}
