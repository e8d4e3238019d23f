import { cutOn, posed, type Piece, shoot, type Vertex, type Workpieces } from '../../drawing/workpieces';
import type { StepFigure } from '../../drawing/step-figure';
import { filmStep } from './steps';
import { LENGTHS } from './wood-shown';
import type { Step } from '../step';
import type { Wood } from '../method';

/** Two sloping cuts right through both shoots, and where everything of them lies. Lengths mm, y from the foot of the cut. */
export interface SlopingCut {
  /** Along the slope, the same on both. */
  length: number;
  rise: { stock: number; scion: number };
  start: Workpieces;
  /** Top of the trimmed scion. */
  tip: number;
  /** Long cuts as corners. */
  stockCut: Vertex[];
  scionCut: Vertex[];
  /** The scion where it lies on the stock. */
  fitted: (scion: Piece) => Piece;
}

/** A slope right through a shoot is longer than the shoot is thick, by this at least. */
const STEEPEST = 1.06;

/** Pieces for a cut `asked` long along the slope through both shoots of a pair, or the steepest that can be drawn. */
export function slopingCut({ stock, scion, stockBark, scionBark }: Wood, asked: number, buds: number): SlopingCut {
  const length = Math.max(asked, STEEPEST * Math.max(stock, scion));
  const rise = { stock: Math.sqrt(length ** 2 - stock ** 2), scion: Math.sqrt(length ** 2 - scion ** 2) };
  const tip = rise.scion + 10 + 11 * buds;
  const onScion = Array.from({ length: buds }, (_, i) => ({
    y: rise.scion + 6 + 11 * i,
    side: i % 2 === 0 ? ('front' as const) : ('back' as const),
  }));
  const lean = ((Math.asin(scion / length) - Math.asin(stock / length)) * 180) / Math.PI;
  const turn = (lean * Math.PI) / 180;
  return {
    length,
    rise,
    tip,
    start: {
      joined: false,
      covers: [],
      stock: shoot({
        name: 'stock',
        diameter: stock,
        bark: stockBark,
        foot: -LENGTHS.stock,
        top: rise.stock + 14,
        goesOn: { foot: true, top: true },
        buds: [{ y: rise.stock + 9, side: 'front' }],
      }),
      scion: shoot({
        name: 'scion',
        diameter: scion,
        bark: scionBark,
        foot: -12,
        top: tip + 12,
        goesOn: { foot: true, top: true },
        buds: [{ y: -6, side: 'back' }, ...onScion, { y: tip + 6, side: 'front' }],
      }),
    },
    stockCut: [
      [0, 0],
      [rise.stock, stock],
    ],
    scionCut: [
      [0, scion],
      [rise.scion, 0],
    ],
    // Faces lie on each other middle to middle; the slimmer piece leans by the difference of the slopes.
    fitted: (piece) =>
      posed(piece, {
        lean,
        u: (-rise.scion / 2) * Math.sin(turn),
        y: rise.stock / 2 - (rise.scion / 2) * Math.cos(turn),
      }),
  };
}

/** A cut that the blade was pulled through in a curve: hollow in the middle by `deep`. */
export function hollowed(piece: Piece, side: 'front' | 'back', deep = 1.6): Piece {
  const corners = piece.cuts[side];
  if (corners.length < 2) return piece;
  const [from, to] = [corners[0]!, corners.at(-1)!];
  const curve = Array.from({ length: 9 }, (_, i): Vertex => {
    const share = i / 8;
    return [
      from[0] + (to[0] - from[0]) * share,
      from[1] + (to[1] - from[1]) * share + deep * (1 - (2 * share - 1) ** 2),
    ];
  });
  return cutOn(piece, side, curve);
}

/** Length along the slope of one piece, with what counts as good and where it is drawn; mm. */
export function slopeFigure(
  { length, rise }: SlopingCut,
  piece: 'stock' | 'scion',
  diameter: number,
  range: { from: number; to: number },
): StepFigure {
  return {
    name: 'along the slope',
    mm: length,
    range,
    dimension: {
      piece,
      view: 'side',
      from: [diameter / 2, 0],
      to: [-diameter / 2, rise[piece]],
      off: piece === 'stock' ? 4 : -4,
    },
  };
}

/** Film over the scion: before the cut it leaves the end free that is cut, after binding it begins at the tape. */
export function slopeFilm({ rise, tip }: SlopingCut, first: boolean): Step {
  return filmStep(
    rise.scion + 1,
    tip,
    first ? 'Wrap the scion in film, all but the end that is cut.' : 'Wrap the scion in film from the tape to its tip.',
  );
}
