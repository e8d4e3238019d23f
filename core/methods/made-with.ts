import type { Method } from './method';
import { type Choices, relevantChoices } from './school';
import { shownTechnique } from './shown-technique';

/** The schools a union is made by, and ids of the materials that bind and cover it. */
export interface MadeWith {
  schools: Choices;
  materials: string[];
}

/** What a union of a method is made with when a workshop's choices are followed: only those the method knows. */
export function madeWith(method: Method, choices: Choices): MadeWith {
  const schools = relevantChoices(choices, method.schools);
  return { schools, materials: shownTechnique(method, schools).materials.map(({ id }) => id) };
}
