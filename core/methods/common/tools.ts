import type { AnswerTo } from '../school';
import type { KNIFE } from '../schools/of-cutting';
import type { Tool } from '../tool';

/* What hands work with. A knife bevelled on one side is a hand's own; what serves a bench lies between its people. */

const own = (id: string, name: string, { plural = `${name}s`, handed = false } = {}): Tool => ({
  id,
  name,
  plural,
  per: 'person',
  ...(handed ? { handed } : {}),
});
const shared = (id: string, name: string): Tool => ({ id, name, plural: `${name}s`, per: 'bench' });

/** The knife of a school, for a kind of cut. */
export function knife(school: AnswerTo<typeof KNIFE>, kind: 'grafting' | 'budding' = 'grafting'): Tool {
  if (school === 'any') return own('blade', 'blade that shaves', { plural: 'blades that shave' });
  return own(`${kind}-knife`, `${kind} knife`, { plural: `${kind} knives`, handed: true });
}
export const DOUBLE_BLADED_KNIFE = shared('double-bladed-knife', 'double-bladed knife');
export const GLOVE = own('glove', 'cut-resistant glove');
export const BARK_LIFTER = shared('bark-lifter', 'bark lifter');
export const SAW = shared('saw', 'saw');
export const SECATEURS = shared('secateurs', 'secateurs');
export const SHEARS = shared('shears', 'shears');
export const SNIPS = shared('snips', 'snips');
export const CALIPER = shared('caliper', 'caliper');
export const CLIP = shared('clip', 'clip or a second pair of hands');
export const SPLITTER = shared('splitter', 'splitting blade and mallet');
export const DRIVER = shared('driver', 'driver to hold the split');
export const HAMMER = shared('hammer', 'small hammer');
export const STRAIGHT_EDGE = shared('straight-edge', 'straight edge');
