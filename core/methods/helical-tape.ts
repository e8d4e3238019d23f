/** A wrap of tape round a union. Lengths mm; overlap and stretch as shares. */
export interface Wrap {
  /** Length of union that is covered. */
  length: number;
  width: number;
  /** Share of the width that each turn lies on the one before, 0 to under 1. */
  overlap: number;
  /** How much longer the tape gets when pulled: 0.5 makes 100 mm cover 150. */
  stretch: number;
}

/**
 * Length of tape for a helical wrap: turns times the length of one turn, less what stretch gives.
 * Source: usual practice, arithmetic.
 *
 * @returns mm of tape as it comes off the roll.
 * @throws RangeError for a wrap no hand can make.
 * @example helicalTape({ length: 40, width: 10, overlap: 0.5, stretch: 0 }, 10) // 9 turns of 31.81 mm: 286.3
 */
export function helicalTape({ length, width, overlap, stretch }: Wrap, diameter: number): number {
  if (!(width > 0) || !(diameter > 0) || !(length >= 0))
    throw new RangeError('Width of the tape and caliper are above 0, the length of the wrap is not below it.');
  if (!(overlap >= 0 && overlap < 1)) throw new RangeError('Tape overlaps by 0 to under 100 % of its width.');
  if (!(stretch >= 0)) throw new RangeError('Tape does not shrink.');
  const pitch = width * (1 - overlap);
  return ((length / pitch + 1) * Math.hypot(Math.PI * diameter, pitch)) / (1 + stretch);
}
