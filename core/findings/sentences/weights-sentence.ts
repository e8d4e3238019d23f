import type { ProposedWeights } from '../points/proposed-weights';

/** Whether other weights foretell better, by how much, and how sure that is. */
export function weightsSentence(
  { weights, brierNow, brierThen, error, workshops }: ProposedWeights,
  known: number,
  method: string,
): string {
  const from = `${known} judged keepers of ${workshops} workshops, each foretold from the others`;
  const fall = brierNow - brierThen;
  if (!weights)
    return `No other weights are proposed for ${method.toLowerCase()}: from ${from}, they would not foretell the take better than those of now beyond chance (Brier score ${brierThen.toFixed(4)} beside ${brierNow.toFixed(4)}, difference ${signed(fall)} ± ${error.toFixed(4)}).`;
  return `Take of ${method.toLowerCase()} follows the points otherwise than their weights: from ${from}, the weights below foretell it better (Brier score ${brierThen.toFixed(4)} instead of ${brierNow.toFixed(4)}, a fall of ${fall.toFixed(4)} ± ${error.toFixed(4)}).`;
}

/** A fall is better. */
const signed = (fall: number): string => `${fall < 0 ? 'worse' : 'better'} by ${Math.abs(fall).toFixed(4)}`;
