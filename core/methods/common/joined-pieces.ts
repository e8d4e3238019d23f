import type { Workpieces } from '../../drawing/workpieces';
import type { Figures } from '../measures';
import type { Technique, Wood } from '../method';
import type { Choices } from '../school';
import { piecesAfter } from '../step';

/** The pieces as they are once joined, before anything is put on, made from the figures of a union. */
export function joinedPieces(
  technique: (choices: Choices, wood: Wood) => Technique,
  choices: Choices,
  figures: Figures,
  length?: number,
): Workpieces {
  const { start, steps } = technique(choices, {
    stock: figures.stockDiameter!,
    scion: figures.scionDiameter!,
    stockBark: figures.stockBark!,
    scionBark: figures.scionBark!,
    ...(length === undefined ? {} : { length }),
  });
  const joins = steps.findIndex((step) => step.joins);
  return { ...piecesAfter(start, steps.slice(0, joins + 1)).at(-1)!, covers: [] };
}
