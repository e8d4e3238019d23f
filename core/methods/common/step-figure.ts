import type { Technique } from '../method';

/** A figure that a step works with, by the step's id and the figure's name. */
export function stepFigure({ steps }: Technique, step: string, name: string): number {
  return steps.find(({ id }) => id === step)!.figures.find((figure) => figure.name === name)!.mm;
}
