import type { Method } from './method';
import { type Choices, relevantChoices } from './school';
import { ANSWERED_BY_THE_DAY } from './schools/of-making';
import { shownTechnique } from './shown-technique';
import type { VariantId } from './use';
import { variantWith } from './variant';

/** The schools a union is made by, and ids of the materials that bind and cover it. */
export interface MadeWith {
  schools: Choices;
  materials: string[];
}

/**
 * What a union of a method and variant is made with when a workshop's choices are followed: only those the method knows, and
 * what the variant decides of wood and place.
 */
export function madeWith(method: Method, choices: Choices, variant: VariantId): MadeWith {
  // What another variant decided before is let go.
  const asked = Object.entries(choices).filter(([id]) => !ANSWERED_BY_THE_DAY.includes(id));
  const decided = variantWith(method, variant).choices;
  const schools = relevantChoices({ ...Object.fromEntries(asked), ...decided }, method.schools);
  return { schools, materials: shownTechnique(method, schools).materials.map(({ id }) => id) };
}
