import { LRUCache } from 'lru-cache';
import { setImmediate } from 'node:timers/promises';
import type { Method, Wood } from '@/core/methods/method';
import type { Choices } from '@/core/methods/school';
import { type StepBody, stepBodies } from '@/core/teach/step-bodies';
import type { LengthUnit } from '@/core/units/length';

/** Drawings of so many methods are kept, each about half a megabyte. */
const drawn = new LRUCache<string, Promise<StepBody[]>>({ max: 60 });

/**
 * The steps of a method drawn as bodies; drawn once for all who ask for the same wood and schools, and step by step,
 * so that others are answered in between.
 */
export function drawnBodies(method: Method, choices: Choices, wood: Wood, unit: LengthUnit): Promise<StepBody[]> {
  const key = JSON.stringify([method.id, method.schools.map(({ id }) => choices[id] ?? ''), wood, unit]);
  const known = drawn.get(key);
  if (known) return known;
  const drawing = drawOneByOne(stepBodies(method, choices, wood, unit));
  drawn.set(key, drawing);
  drawing.catch(() => drawn.delete(key));
  return drawing;
}

async function drawOneByOne(steps: readonly (() => StepBody)[]): Promise<StepBody[]> {
  const bodies: StepBody[] = [];
  for (const draw of steps) {
    await setImmediate();
    bodies.push(draw());
  }
  return bodies;
}
