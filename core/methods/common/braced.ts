import type { Material } from '../material';
import { chosen, type Choices } from '../school';
import { SUPPORT_LATER } from '../schools/of-aftercare';
import { BRACE } from './materials';

/** The brace of a small plant, where the school puts one up at once. */
export function braced(choices: Choices): Material[] {
  return chosen(choices, SUPPORT_LATER) === 'at-once' ? [BRACE] : [];
}
