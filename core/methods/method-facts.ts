import type { Method } from './method';

/** What is known of a method as plain data: enough to plan with it, without its geometry and its steps. */
export type MethodFacts = Pick<Method, 'id' | 'name' | 'inSentence' | 'use' | 'prior' | 'variants'>;

/** The plain data of a method, to be sent where its functions are not needed. */
export function factsOf({ id, name, inSentence, use, prior, variants }: Method): MethodFacts {
  return { id, name, inSentence, use, prior, variants };
}
