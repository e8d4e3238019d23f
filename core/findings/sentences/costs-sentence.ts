import type { PointCost } from '../points/adjusted-costs';

/** What faults cost, in a sentence. */
export function costsSentence(costs: readonly PointCost[], nameOf: (point: string) => string): string {
  const [first, ...more] = costs.filter(({ named }) => named);
  if (!first)
    return 'Once days, hands and methods are taken into account, no fault is known to cost trees: what is taught can follow the rubric.';
  const trees = (value: number): string => value.toFixed(value < 10 ? 1 : 0);
  const next = more[0] ? ` Next comes ${nameOf(more[0].point)} with ${trees(more[0].perHundred)}.` : '';
  return `Teach ${nameOf(first.point)} first: were it always good, about ${trees(first.perHundred)} more trees in a hundred would live (${trees(first.low)} to ${trees(first.high)}).${next}`;
}
