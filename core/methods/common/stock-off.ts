import type { StepFigure } from '../../drawing/step-figure';
import { mm, type Prose, prose } from '../../units/prose';

/* Where a small stock is cut off: a bare-rooted one above its roots, one that stands where the union is to be. */

export const ABOVE_ROOTS: StepFigure = { name: 'above the roots', mm: 215, range: { from: 200, to: 230 } };
export const ABOVE_SOIL: StepFigure = { name: 'above the soil', mm: 200, range: { from: 150, to: 300 } };

export const stockOff = (outdoors: boolean): Prose =>
  outdoors
    ? prose`Cut the stock off where the union is to be, ${mm(150, 300)} above the soil.`
    : prose`Cut the stock off, ${mm(200, 230)} above the roots.`;
