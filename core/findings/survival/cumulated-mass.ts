/** Mass before each interval, and of all at the end: one longer than there are intervals. */
export function cumulatedMass(mass: readonly number[]): Float64Array {
  const cumulative = new Float64Array(mass.length + 1);
  for (let j = 0; j < mass.length; j++) cumulative[j + 1] = cumulative[j]! + mass[j]!;
  return cumulative;
}
