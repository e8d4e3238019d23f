/**
 * How much of a bottle and how much water make a weaker solution.
 *
 * @param wanted volume to make; the parts come in its unit.
 * @param target percent wanted. @param bottle percent in the bottle.
 * @throws RangeError when the bottle is weaker than what is wanted.
 * @example dilution(5, 1.5, 5) // { bottle: 1.5, water: 3.5 }
 */
export function dilution(wanted: number, target: number, bottle: number): { bottle: number; water: number } {
  if (!(wanted >= 0) || !(target > 0) || !(bottle > 0 && bottle <= 100))
    throw new RangeError(
      'Enter the volume and the strength on the bottle as figures above 0; a strength is 100 % at most.',
    );
  if (bottle < target)
    throw new RangeError(
      `The bottle holds ${bottle} %, less than the ${target} % that are wanted. Take a stronger one.`,
    );
  const part = (wanted * target) / bottle;
  return { bottle: part, water: wanted - part };
}
