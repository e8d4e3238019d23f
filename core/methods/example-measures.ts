import { fillMeasures } from './field';
import type { Measures } from './measures';
import type { Method } from './method';

/**
 * A clean union of a method, with single figures or picks changed: what the blank sheet, the demo
 * and the tests start from.
 *
 * @example exampleMeasures(method, { scionDiameter: 7, placement: 'left-lines' })
 */
export function exampleMeasures(method: Method, changes: Record<string, number | string | undefined> = {}): Measures {
  return fillMeasures(method.fields, { ...method.example, ...changes });
}
