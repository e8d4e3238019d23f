import type { PointCost } from '../points/point-costs';

/** Costs that are more than chance: their whole interval lies above nothing. */
export function dearPoints(costs: readonly PointCost[]): PointCost[] {
  return costs.filter(({ low, perHundred }) => low !== null && low > 0 && perHundred > 0);
}

/** What faults cost, in a sentence. */
export function costsSentence(costs: readonly PointCost[], nameOf: (point: string) => string): string {
  const [first, ...more] = dearPoints(costs);
  if (!first) return 'No fault is known to cost trees beyond chance: what is taught can follow the rubric.';
  const trees = (value: number): string => value.toFixed(value < 10 ? 1 : 0);
  const next = more[0] ? ` Next comes ${nameOf(more[0].point)} with ${trees(more[0].perHundred)}.` : '';
  return `Teach ${nameOf(first.point)} first: were it always good, about ${trees(first.perHundred)} more trees in a hundred would live (${trees(first.low!)} to ${trees(first.high!)}).${next}`;
}
