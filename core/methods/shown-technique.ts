import { assumedBark } from '../contact/cut-face';
import type { Method, Point, Technique, Wood } from './method';
import type { Choices } from './school';

/** The wood of a pair of calipers, its bark assumed. */
export function woodOf({ stock, scion }: { stock: number; scion: number }): Wood {
  return { stock, scion, stockBark: assumedBark(stock), scionBark: assumedBark(scion) };
}

/** A method as it is shown when nobody chose calipers. */
export function shownTechnique(method: Method, choices: Choices = {}): Technique {
  return method.technique(choices, woodOf(method.shownWith));
}

/** What a method is judged by, by school; calipers make no difference to it. */
export function pointsOf(method: Method, choices: Choices = {}): Point[] {
  return shownTechnique(method, choices).points;
}
