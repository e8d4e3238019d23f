import type { Prose } from '../../units/prose';
import type { Correction } from '../method';
import type { Figures, Measures } from '../measures';

/** A figure brought to where it should be. */
export interface Aim {
  point: string;
  field: string;
  target: number;
  /** Differences smaller than this are within what a hand can hold. */
  least: number;
  /** Brought there by moving a piece, without a cut. */
  moves?: true;
  /** The movement; `by` is the difference, positive when the figure has to grow. */
  say: (by: number) => Prose;
}

/** Corrections that change one figure each; those already there are left out. */
export function towards(measures: Measures, figures: Figures, aims: Aim[]): Correction[] {
  return aims.flatMap(({ point, field, target, least, moves, say }) => {
    const by = target - figures[field]!;
    if (!Number.isFinite(by) || Math.abs(by) < least) return [];
    return [
      {
        point,
        ...(moves ? { moves } : {}),
        say: say(by),
        measures: { ...measures, [field]: { value: target, origin: 'measured' as const } },
      },
    ];
  });
}
