import type { Material } from '../material';
import { chosen, type Choices } from '../school';
import { SUPPORT_LATER } from '../schools/of-aftercare';
import { BRACE, STAKE } from './materials';

/** What a small plant is tied to: a brace where the school puts one up at once, else a stake for later. */
export function braced(choices: Choices): Material[] {
  return chosen(choices, SUPPORT_LATER) === 'at-once' ? [BRACE] : [STAKE];
}
