import type { Technique } from '../method';
import { chosen, type Choices } from '../school';
import { NURSE_LIMB, SCIONS_KEPT, SECOND_SHOOT, SHOOTS_WHEN, SUPPORT } from '../schools/of-aftercare';
import { DARK_SEAL } from '../schools/of-covering';
import type { AftercareTask } from '../timetable/aftercare-task';
import { BLOSSOM, FIRST_CROP, LABEL, oneShoot, scionsKept, SECOND_CHANCE, support } from '../timetable/tasks-of-growth';
import { darkSeal, STILL_DORMANT } from '../timetable/tasks-of-healing';
import { shootsBelow } from '../timetable/tasks-of-stock';
import * as material from './materials';
import type { AnswerTo } from '../school';
import type { BUDS } from '../schools/of-cutting';

/* What cleft, bark and inlay have in common besides the cut: dormant scions on stumps of limbs and trees. */

/** Questions about all that follows the cut. */
export const FIELD_GRAFT_SCHOOLS = [DARK_SEAL, NURSE_LIMB, SHOOTS_WHEN, SECOND_SHOOT, SCIONS_KEPT, SUPPORT];

interface FieldGraft {
  buds: AnswerTo<typeof BUDS>;
  /** Something dark lies in the sun: tape or sealant. */
  dark: boolean;
  /** Some of it is sealant, which has to dry before it is painted. */
  sealed?: boolean;
  /** What the method itself asks first, and how its binding and cover come off. */
  first: AftercareTask[];
  binding: AftercareTask[];
}

export function fieldGraftAftercare(
  choices: Choices,
  { buds, dark, sealed = true, first, binding }: FieldGraft,
): AftercareTask[] {
  return [
    ...first,
    STILL_DORMANT,
    ...shootsBelow(chosen(choices, NURSE_LIMB), chosen(choices, SHOOTS_WHEN)),
    ...oneShoot(chosen(choices, SECOND_SHOOT), buds),
    BLOSSOM,
    ...support(chosen(choices, SUPPORT)),
    ...binding,
    scionsKept(chosen(choices, SCIONS_KEPT)),
    ...(dark ? [darkSeal(chosen(choices, DARK_SEAL), sealed)] : []),
    LABEL,
    SECOND_CHANCE,
    FIRST_CROP,
  ];
}

/** What keeps the sun and the birds off. */
export function fieldGraftCover(choices: Choices, dark: boolean): Technique['materials'] {
  return [
    ...(dark ? [chosen(choices, DARK_SEAL) === 'paint' ? material.PAINT : material.FOIL] : []),
    chosen(choices, SUPPORT) === 'at-once' ? material.BRACE : material.STAKE,
    material.LABEL,
  ];
}
