import type { Method } from './method';
import { whipAndTongue } from './whip-and-tongue/method';

/** Every method the product knows, in the order they are offered. */
export const METHODS: readonly Method[] = [whipAndTongue];

/** @throws Error for an id no method has. */
export function methodById(id: string): Method {
  const method = METHODS.find((candidate) => candidate.id === id);
  if (!method) throw new Error(`No grafting method is called "${id}".`);
  return method;
}
