import { formatLength, type LengthUnit } from '../units/length';
import { paintCovers } from './cover-paint';
import { line, type Anchor, type DisplayList, type Label, type Path, type Point } from './display-list';
import { drawnShoot, type Growth, paintGrowth, topBud } from './growth-paint';
import { paintSigns, roomForSigns } from './hand-signs';
import { paintFault } from './daylight';
import { faultWords, paintFaultWords, roomForFaults } from './fault-words';
import { apartForNames, LINE_SHARE, scaleBar } from './scale-bar';
import type { StepFigure } from './step-figure';
import { faceAway, type Piece, type Workpieces } from './workpieces';
import { paintPiece, type Placer } from './piece-paint';
import { knifePath } from './knife-strokes';
import { flapsOf, lipsOf, sideFlaps } from './lifted-bark';
import type { PiecesViewOptions } from './pieces-view-options';
/** Between pieces that are not joined, mm. */
const APART = 16;
const MARGIN = 15;

/**
 * The pieces to scale, in a cut through their axis seen from the side, or from the front. Green
 * lines are drawn where the cut or the knife shows them, thick on faces that are to meet; what the
 * knife did last is drawn as its path.
 */
export function piecesView(pieces: Workpieces, options: PiecesViewOptions): DisplayList {
  const { low, high } = heightsOf(pieces, options.growth);
  const share = LINE_SHARE[options.shownOn ?? 'screen'];
  const tall = (high - low) / (1 - 5 * share);
  const lineHeight = tall * share;
  const dimensioned =
    (options.figures ?? options.roomFor)?.filter(({ dimension }) => dimension?.view === options.view) ?? [];
  // Words never lie on wood: a dimension between the pieces pushes them apart.
  const between = dimensioned.some(({ dimension }) => (dimension!.piece === 'stock') === (dimension!.off ?? 4) > 0)
    ? 8 + 5 * lineHeight
    : 0;
  // Nor do names lie on one another.
  const named = apartForNames([pieces.stock.name, `${pieces.scion.name}, turned`], lineHeight);
  const apart = Math.max(APART, between, named - (pieces.stock.diameter + pieces.scion.diameter) / 2);
  const extents = extentsOf(pieces, options, apart);
  const top = 1.6 * lineHeight;
  const height = tall;
  // Where parts are marked, buttons stand beside the drawing and its words would be in their way.
  const marked = options.anchors !== undefined;
  const signs = options.signs ?? [];
  const margin = marked
    ? 6
    : Math.max(
        MARGIN,
        lineHeight * (dimensioned.length > 0 ? 6 : 5),
        signs.length > 0 ? roomForSigns(lineHeight) : 0,
        options.right ? roomForFaults(lineHeight) : 0,
      );
  const width = extents.wide + 2 * margin;
  const placer = (piece: Piece, x: number): Placer => {
    const { u, w, y, lean } = piece.pose;
    const turn = options.view === 'side' && pieces.joined ? (lean * Math.PI) / 180 : 0;
    const across = pieces.joined ? (options.view === 'side' ? u : w) : 0;
    const up = pieces.joined ? y : piece === pieces.stock ? 0 : extents.shift;
    return ([px, py]) => [
      margin + x + across + px * Math.cos(turn) + py * Math.sin(turn),
      top + extents.high - up - py * Math.cos(turn) + px * Math.sin(turn),
    ];
  };
  const stockAt = placer(pieces.stock, extents.stockX);
  const scionAt = placer(pieces.scion, extents.scionX);
  const items: (Path | Label)[] = [];
  const turned = faceAway(pieces, pieces.scion);

  items.push(...paintPiece(pieces.stock, stockAt, options.view, 'front'));
  if (pieces.second)
    items.push(...paintPiece(pieces.second, placer(pieces.second, extents.scionX), options.view, 'front'));
  items.push(...paintPiece(pieces.scion, scionAt, options.view, turned ? 'back' : 'front'));
  if (options.view === 'front') items.push(...flapsOf(pieces.stock, stockAt), ...lipsOf(pieces.stock, stockAt));
  else items.push(...sideFlaps(pieces.stock, stockAt));
  items.push(...paintCovers(pieces, { stock: stockAt, scion: scionAt }, { view: options.view, lineHeight }));
  if (options.before && options.pull)
    items.push(...knifePath(options.before, pieces, { stock: stockAt, scion: scionAt }, options));
  if (options.growth)
    items.push(...paintGrowth(options.growth, pieces, { stock: stockAt, scion: scionAt }, options.growthNamed ?? null));
  items.push(...paintSigns(signs, pieces, { stock: stockAt, scion: scionAt }, lineHeight));
  if (options.right) items.push(...faults(pieces, options.right, placer, extents, { ...options, lineHeight }));
  // Among leaves there is no room for names, and a union is one plant by then.
  if (!marked && !options.growth)
    items.push(...names(pieces, stockAt, scionAt, height - 2.25 * lineHeight, turned && options.view === 'front'));
  for (const figure of options.figures ?? []) {
    if (figure.dimension?.view === options.view)
      items.push(...dimension(figure, figure.dimension.piece === 'stock' ? stockAt : scionAt, options.unit));
  }
  items.push(...scaleBar([width / 2 - 5, height - 1.35 * lineHeight], options.unit, lineHeight));
  // A layer may be cut away altogether.
  const drawn = items.filter((item) => item.kind === 'label' || item.points.length > 1);
  return { width, height, items: drawn, anchors: anchorsOf(options.anchors ?? [], pieces, stockAt, scionAt) };
}

/** What is wrong with each piece, over how it should be. */
function faults(
  pieces: Workpieces,
  right: Workpieces,
  placer: (piece: Piece, x: number) => Placer,
  extents: { stockX: number; scionX: number },
  { view, unit, lineHeight }: PiecesViewOptions & { lineHeight: number },
): (Path | Label)[] {
  // Apart, the pieces stand where the wrong ones do: a ghost is set over its own piece.
  const over = (good: Piece, bad: Piece, x: number): Placer =>
    pieces.joined && right.joined ? placer(good, x) : placer(bad, x);
  const xOf = (name: 'stock' | 'scion'): number => (name === 'stock' ? extents.stockX : extents.scionX);
  const shapes = (['stock', 'scion'] as const).flatMap((name) => {
    const [bad, good] = [pieces[name], right[name]];
    if (JSON.stringify(bad) === JSON.stringify(good)) return [];
    return paintFault(bad, good, { wrong: placer(bad, xOf(name)), right: over(good, bad, xOf(name)) }, view);
  });
  return [
    ...shapes,
    ...paintFaultWords(
      faultWords(pieces, right, unit),
      (name, y) => placer(pieces[name], xOf(name))([0, y]),
      // Away from the other piece.
      (name) => (name === 'stock' ? -1 : 1) * (pieces[name].diameter / 2 + 3),
      lineHeight,
    ),
  ];
}

/** How high the pieces reach, and how far the scion is moved to lie beside the stock's middle. */
function heightsOf(pieces: Workpieces, growth?: Growth): { low: number; high: number; shift: number } {
  const scions = pieces.second ? [pieces.scion, pieces.second] : [pieces.scion];
  // Apart, the pieces lie middle beside middle; as far as it saves room.
  const shift = pieces.joined ? 0 : (pieces.stock.foot + pieces.stock.top - pieces.scion.foot - pieces.scion.top) / 2;
  const up = (piece: Piece): number => (pieces.joined ? piece.pose.y : shift);
  const low = Math.min(pieces.stock.foot, ...scions.map((piece) => piece.foot + up(piece)));
  const high = Math.max(
    pieces.stock.top,
    ...scions.map((piece) => piece.top + up(piece)),
    ...pieces.covers.map(({ to, on }) => to + (on === 'scion' ? up(pieces.scion) : 0)),
    growth ? (topBud(pieces.scion)?.y ?? 0) + up(pieces.scion) + drawnShoot(growth) + 8 : -Infinity,
  );
  return { low, high, shift };
}

/** How wide they lie, `apart` mm from one another while they are not joined. */
function extentsOf(
  pieces: Workpieces,
  { view, growth }: Pick<PiecesViewOptions, 'view' | 'growth'>,
  apart: number,
): { low: number; high: number; wide: number; stockX: number; scionX: number; shift: number } {
  const { low, high, shift } = heightsOf(pieces, growth);
  const scions = pieces.second ? [pieces.scion, pieces.second] : [pieces.scion];
  const stockHalf = pieces.stock.diameter / 2 + (pieces.stock.flaps?.state === 'down' ? 9 : 0);
  if (!pieces.joined) {
    return {
      low,
      high,
      wide: stockHalf * 2 + apart + pieces.scion.diameter,
      stockX: stockHalf,
      scionX: 2 * stockHalf + apart + pieces.scion.diameter / 2,
      shift,
    };
  }
  const across = (piece: Piece): number => (view === 'side' ? piece.pose.u : piece.pose.w);
  const left = Math.max(stockHalf, ...scions.map((piece) => piece.diameter / 2 - across(piece)));
  const right = Math.max(stockHalf, ...scions.map((piece) => piece.diameter / 2 + across(piece)));
  return { low, high, wide: left + right, stockX: left, scionX: left, shift };
}

function dimension(figure: StepFigure, at: Placer, unit: LengthUnit): (Path | Label)[] {
  const { from, to } = figure.dimension!;
  const [a, b] = [at(from), at(to)];
  const length = Math.hypot(b[0] - a[0], b[1] - a[1]) || 1;
  // Off the wood, to the right of it going up, or below it going across.
  const upright = Math.abs(b[1] - a[1]) >= Math.abs(b[0] - a[0]);
  const normal: Point = [
    Math.abs(b[1] - a[1]) / length,
    upright ? (-(b[0] - a[0]) * Math.sign(b[1] - a[1])) / length : Math.abs(b[0] - a[0]) / length,
  ];
  const off = figure.dimension!.off ?? 4;
  const shift = ([x, y]: Point): Point => [x + normal[0] * off, y + normal[1] * off];
  const [c, d] = [shift(a), shift(b)];
  const middle: Point = [(c[0] + d[0]) / 2, (c[1] + d[1]) / 2];
  const left = upright && off < 0;
  return [
    line('dimension', a, c),
    line('dimension', b, d),
    line('dimension', c, d),
    {
      kind: 'label',
      role: 'dimension',
      at: upright ? [middle[0] + (left ? -1.4 : 1.4), middle[1] + 1] : [middle[0], middle[1] + (off < 0 ? -1.2 : 4.4)],
      anchor: upright ? (left ? 'end' : 'start') : 'middle',
      text: formatLength(figure.mm, unit),
    },
  ];
}

function names(pieces: Workpieces, stockAt: Placer, scionAt: Placer, below: number, turned: boolean): Label[] {
  const label = (text: string, at: Point, anchor: Label['anchor'] = 'middle'): Label => ({
    kind: 'label',
    role: 'name',
    at,
    anchor,
    text,
  });
  if (pieces.joined) {
    const beside = scionAt([
      pieces.scion.diameter / 2 + 3,
      pieces.scion.top - (pieces.scion.top - pieces.scion.foot) * 0.1,
    ]);
    return [label(pieces.scion.name, beside, 'start'), label(pieces.stock.name, [stockAt([0, 0])[0], below])];
  }
  return [
    label(pieces.stock.name, [stockAt([0, 0])[0], below]),
    label(turned ? `${pieces.scion.name}’s face` : pieces.scion.name, [scionAt([0, 0])[0], below]),
  ];
}

/** Where along the pieces a point of the rubric is marked, by what it is about. */
function anchorsOf(ids: string[], { stock, scion }: Workpieces, stockAt: Placer, scionAt: Placer): Anchor[] {
  const [rs, rc] = [stock.diameter / 2, scion.diameter / 2];
  const joint = Math.min(stock.top, scion.top + scion.pose.y);
  const places: Record<string, Point> = {
    wood: scionAt([rc, scion.top - (scion.top - scion.foot) * 0.12]),
    'way-up': scionAt([-rc, scion.top - (scion.top - scion.foot) * 0.25]),
    'safe-hands': stockAt([rs, stock.foot + 3]),
    hold: stockAt([-rs, stock.foot + 6]),
  };
  const rest = ids.filter((id) => !(id in places));
  return ids.map((id) => {
    const i = rest.indexOf(id);
    // The others stand along the join from the rim down.
    return {
      point: id,
      at:
        places[id] ??
        stockAt([i % 2 === 0 ? -rs * 0.55 : rs * 0.55, joint - ((i + 0.5) / rest.length) * (joint - stock.foot) * 0.7]),
    };
  });
}
