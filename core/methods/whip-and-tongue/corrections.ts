import { bestOutline } from '../../contact/best-outline';
import { placementOffset } from '../../contact/placement';
import { outlineUnionContact } from '../../contact/outline-union';
import type { Assessment, Correction } from '../method';
import type { Measures } from '../measures';

/** Moves smaller than this, mm, are within what a hand can hold and are not worth saying. */
const LEAST_MOVE = 0.2;

/** Contact that may be given up for a place the hand can find and hold. */
const ROBUST = 0.1;

/**
 * Where to set the scion: with the lines met on the side it leans to. The offset of the very most
 * contact often lies where both lines are just within reach, which a hand cannot hold; it is
 * advised only when it is worth clearly more.
 */
function advisedOffset(union: Assessment['union']): number {
  const best = bestOutline(union);
  const lines = placementOffset(union.e < 0 ? 'left-lines' : 'right-lines', union.stock, union.scion);
  return best.contact - outlineUnionContact({ ...best.union, e: lines }).contact > ROBUST ? best.union.e : lines;
}

/** Single changes that could raise the contact or a measured point of a whip-and-tongue. */
export function whipCorrections(measures: Measures, { union }: Assessment): Correction[] {
  const corrections: Correction[] = [];
  const measured = (value: number): { value: number; origin: 'measured' } => ({ value, origin: 'measured' });

  const target = advisedOffset(union);
  const sideways = target - union.e;
  if (Math.abs(sideways) >= LEAST_MOVE) {
    const side = sideways < 0 ? 'left' : 'right';
    corrections.push({
      point: 'cambium',
      say: (length) => `Move the scion ${length(Math.abs(sideways))} to the ${side}, until the lines under the bark meet there.`,
      measures: { ...measures, placement: measured(target) },
    });
  }
  if (Math.abs(union.z) >= LEAST_MOVE) {
    corrections.push({
      point: 'cambium',
      say: (length) => `Slide the scion ${length(Math.abs(union.z))} ${union.z > 0 ? 'down' : 'up'}, until the ends are level.`,
      measures: { ...measures, lift: measured(0) },
    });
  }
  if (Math.abs(union.phi) >= 1) {
    corrections.push({
      point: 'cambium',
      say: () => `Turn the scion ${Math.round(Math.abs(union.phi))}° ${union.phi > 0 ? 'clockwise' : 'anticlockwise'}, so that it stands straight.`,
      measures: { ...measures, turn: measured(0) },
    });
  }
  const mean = (union.stock.length + union.scion.length) / 2;
  const difference = union.scion.length - union.stock.length;
  if (Math.abs(difference) >= 1) {
    corrections.push({
      point: 'cut-length',
      say: (length) => `Cut the scion ${length(Math.abs(difference))} ${difference > 0 ? 'shorter' : 'longer'}, to the stock's length.`,
      measures: { ...measures, scionLength: measured(union.stock.length) },
    });
  }
  if (mean < 25) {
    corrections.push({
      point: 'cut-length',
      say: (length) => `Lay the blade flatter: make both cuts ${length(25)} long or more.`,
      measures: { ...measures, stockLength: measured(25), scionLength: measured(25) },
    });
  }
  for (const piece of ['stock', 'scion'] as const) {
    const hollow = union[piece].hollow;
    if (hollow <= 0) continue;
    corrections.push({
      point: 'flatness',
      say: (length) => `Recut the ${piece} in one straight pull: its face is ${length(hollow)} hollow in the middle.`,
      measures: { ...measures, [piece === 'stock' ? 'stockHollow' : 'scionHollow']: measured(0) },
    });
  }
  if (union.stock.hollow > 0 && union.scion.hollow > 0) {
    corrections.push({
      point: 'flatness',
      say: (length) => `Recut both faces in one straight pull: together they stand ${length(union.stock.hollow + union.scion.hollow)} open.`,
      measures: { ...measures, stockHollow: measured(0), scionHollow: measured(0) },
    });
  }
  return corrections;
}
