import { MORE_METHODS } from '@/core/methods/more-methods';
import type { Method } from './method';

/** Each method by itself, for a page that needs one of them and has to be small. */
const LOADERS: Record<string, () => Promise<Method>> = {
  'whip-and-tongue': async () => (await import('./whip-and-tongue/method')).whipAndTongue,
  splice: async () => (await import('./splice/method')).splice,
  cleft: async () => (await import('./cleft/method')).cleft,
  bark: async () => (await import('./bark/method')).bark,
  inlay: async () => (await import('./inlay/method')).inlay,
  'four-flap': async () => (await import('./four-flap/method')).fourFlap,
  'side-veneer': async () => (await import('./side-veneer/method')).sideVeneer,
  'top-wedge': async () => (await import('./top-wedge/method')).topWedge,
  chip: async () => (await import('./chip/method')).chip,
  't-bud': async () => (await import('./t-bud/method')).tBud,
  patch: async () => (await import('./patch/method')).patch,
};

const loaded = new Map<string, Promise<Method>>();

/**
 * The method of that id, loaded without the others.
 *
 * @throws Error for an id no method has.
 */
export function loadMethod(id: string): Promise<Method> {
  const known = loaded.get(id);
  if (known) return known;
  const more = MORE_METHODS.find((method) => method.id === id);
  const load = LOADERS[id] ?? (more && (() => Promise.resolve(more)));
  if (!load) return Promise.reject(new Error(`No grafting method is called "${id}".`));
  const loading = load();
  loaded.set(id, loading);
  // A part that did not arrive is asked for again.
  loading.catch(() => loaded.delete(id));
  return loading;
}
