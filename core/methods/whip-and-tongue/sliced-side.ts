import type { OutlineUnion } from '../../contact/outline-union';
import type { DisplayList } from '../../drawing/display-list';
import { piecesView } from '../../drawing/pieces-view';
import { cutOn, posed, toppedAt } from '../../drawing/workpieces';
import type { LengthUnit } from '../../units/length';
import { slopingCut } from '../common/sloping-cut';

/** Places to mark of a union whose stock was sliced; the tongues are not drawn. */
const ANCHORS = ['tongue', 'hold', 'wood', 'way-up', 'safe-hands', 'daylight', 'strokes', 'clean'];

/** A scion cut right through, on the side of a stock that was sliced only as wide as it is. */
export function slicedSide({ stock, scion }: OutlineUnion, { unit }: { unit: LengthUnit }): DisplayList {
  const wood = { stock: stock.diameter, scion: scion.diameter, stockBark: stock.bark, scionBark: scion.bark };
  const { start, rise, scionCut } = slopingCut(wood, Math.max(scion.length, scion.diameter * 1.2), 2);
  const depth = stock.depth!;
  const stockRise = stock.length;
  const turn =
    Math.asin(scion.diameter / Math.max(scion.length, scion.diameter * 1.2)) - Math.atan((2 * depth) / stockRise);
  return piecesView(
    {
      ...start,
      joined: true,
      stock: cutOn(toppedAt(start.stock, stockRise), 'front', [
        [0, 0],
        [stockRise, 2 * depth],
      ]),
      scion: posed(cutOn({ ...start.scion, foot: 0 }, 'back', scionCut), {
        lean: (turn * 180) / Math.PI,
        u: stock.diameter / 2 - depth - (rise.scion / 2) * Math.sin(turn),
        y: stockRise / 2 - (rise.scion / 2) * Math.cos(turn),
      }),
    },
    { view: 'side', unit, anchors: ANCHORS },
  );
}
