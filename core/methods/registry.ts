import { bark } from './bark/method';
import { chip } from './chip/method';
import { cleft } from './cleft/method';
import { fourFlap } from './four-flap/method';
import { inlay } from './inlay/method';
import { MORE_METHODS } from '@/core/methods/more-methods';
import type { Method } from './method';
import { patch } from './patch/method';
import { sideVeneer } from './side-veneer/method';
import { splice } from './splice/method';
import { tBud } from './t-bud/method';
import { topWedge } from './top-wedge/method';
import { whipAndTongue } from './whip-and-tongue/method';

/** Every method the product knows, in the order they are offered. */
export const METHODS: readonly Method[] = [
  whipAndTongue,
  splice,
  cleft,
  bark,
  inlay,
  fourFlap,
  sideVeneer,
  topWedge,
  chip,
  tBud,
  patch,
  ...MORE_METHODS,
];

/** @throws Error for an id no method has. */
export function methodById(id: string): Method {
  const method = METHODS.find((candidate) => candidate.id === id);
  if (!method) throw new Error(`No grafting method is called "${id}".`);
  return method;
}
