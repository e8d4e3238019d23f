import { assumedBark } from '../contact/cut-face';
import type { Measures } from '../methods/measures';

type Figures = Partial<Record<Exclude<keyof Measures, 'placement'>, number>> & { placement?: Measures['placement'] };

/**
 * A clean whip-and-tongue of 10 mm wood with 35 mm cuts, with single figures changed: the example
 * that the blank sheet, the demo and the tests start from. Bark is assumed unless given.
 */
export function exampleMeasures(changes: Figures = {}): Measures {
  const { placement, ...figures } = changes;
  const figure = (name: keyof typeof figures, otherwise: number, origin: 'measured' | 'assumed' = 'measured') => ({
    value: figures[name] ?? otherwise,
    origin: figures[name] === undefined ? origin : ('measured' as const),
  });
  const stockDiameter = figure('stockDiameter', 10);
  const scionDiameter = figure('scionDiameter', 10);
  return {
    stockDiameter,
    scionDiameter,
    stockBark: figure('stockBark', assumedBark(stockDiameter.value), 'assumed'),
    scionBark: figure('scionBark', assumedBark(scionDiameter.value), 'assumed'),
    stockLength: figure('stockLength', 35),
    scionLength: figure('scionLength', 35),
    stockHollow: figure('stockHollow', 0, 'assumed'),
    scionHollow: figure('scionHollow', 0, 'assumed'),
    placement: placement ?? { pick: 'middle' },
    lift: figure('lift', 0, 'assumed'),
    turn: figure('turn', 0, 'assumed'),
  };
}
