import { covered, type Piece, posed } from '../../drawing/workpieces';
import type { StepFigure } from '../../drawing/step-figure';
import { mm, prose } from '../../units/prose';
import type { AnswerTo } from '../school';
import type { SECOND_BUD } from '../schools/of-cutting';
import type { Step } from '../step';
import { step } from './steps';

/** How high a bud is set above the soil, mm; higher for citrus kin. Source: usual practice, wood and stocks. */
export const BUD_HEIGHT = { from: 150, to: 300 };
export const CITRUS_BUD_HEIGHT = { from: 200, to: 300 };

export function heightFigure(range: { from: number; to: number }): StepFigure {
  return { name: 'above the soil', mm: (range.from + range.to) / 2, range };
}

/** Room for a second try. */
export const HIGHER = prose` Beginners, and whoever works a tough-grained seedling stock, go ${mm(50, 75)} higher: a spoiled cut can be made again below.`;

/** The insurance bud, by school: above the first under one wrap, or on the far side. */
export function secondBud(where: AnswerTo<typeof SECOND_BUD>, what: 'chip' | 'shield', apart: number): Step[] {
  if (where === 'none') return [];
  const raised = (piece: Piece): Piece => posed(piece, { y: piece.pose.y + apart });
  return [
    where === 'above'
      ? step({
          id: 'second',
          action: `Set a second ${what} above the first in the same way, on the same side.`,
          view: 'front',
          caution: 'bud-cut',
          lookFor: 'Both are clear of the stock’s own buds, close enough for one wrap.',
          wrong: { what: 'They run into each other.', looks: 'The strip of bark between them dries.' },
          apply: (p) => ({ ...p, second: raised(p.scion) }),
        })
      : step({
          id: 'second',
          action: `Set a second ${what} on the opposite side in the same way, and mark that side with a paint dot.`,
          view: 'front',
          caution: 'bud-cut',
          lookFor: 'The dot is seen with both wrapped: two buds are looked at later.',
          wrong: { what: 'No dot is painted.', looks: 'The second bud is forgotten and strangled by its wrap.' },
          apply: (p) => covered(p, { kind: 'dot', on: 'stock', from: p.stock.foot + 8, to: p.stock.foot + 11 }),
        }),
  ];
}
