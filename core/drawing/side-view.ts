import type { CutFace } from '../contact/cut-face';
import type { OutlineUnion } from '../contact/outline-union';
import type { LengthUnit } from '../units/length';
import { area, line, type Anchor, type DisplayList, type Label, type Path, type Point } from './display-list';
import { PITH } from './piece-paint';
import { scaleBar } from './scale-bar';

export interface SideViewOptions {
  unit: LengthUnit;
  upsideDown?: boolean;
}

/** Wood shown below the stock's cut and above the scion's, mm. */
const STOCK_SHOWN = 9;
const SCION_SHOWN = 22;

/**
 * A whip-and-tongue from the side, the plane of the cut seen as a line: both shoots to scale with
 * bark as a band of its own thickness, wood and pith, the tongues interlocked, any daylight
 * between hollow faces at its true depth. The scion leans by the difference of the two cut angles,
 * as it does in the hand.
 */
export function sideView(union: OutlineUnion, options: SideViewOptions): DisplayList {
  const { stock, scion } = union;
  // Slope of each cut against its own grain.
  const stockAngle = Math.asin(Math.min(1, stock.diameter / stock.length));
  const scionAngle = Math.asin(Math.min(1, scion.diameter / scion.length));
  const rise = stock.length * Math.cos(stockAngle);
  const scionRise = scion.length * Math.cos(scionAngle);
  const marginX = 11;
  const width = Math.max(stock.diameter, scion.diameter) + 2 * marginX;
  const top = 5;
  const faceY = top + SCION_SHOWN + Math.max(rise, scionRise) / 2;
  const middle: Point = [width / 2, faceY];
  const height = faceY + rise / 2 + STOCK_SHOWN + 9;

  // Along the slope (upwards, to the right) and square to it (towards the scion).
  const along: Point = [Math.sin(stockAngle), -Math.cos(stockAngle)];
  const across: Point = [-Math.cos(stockAngle), -Math.sin(stockAngle)];
  const onFace = (s: number, off = 0): Point => [
    middle[0] + along[0] * s + across[0] * off,
    middle[1] + along[1] * s + across[1] * off,
  ];

  const seam = tongueSeam(union, Math.min(stockAngle, scionAngle), onFace);
  const items: (Path | Label)[] = [];

  // The stock stands upright; its layers are strips cut off by the seam.
  const layer = (role: 'bark' | 'wood' | 'pith', radius: number): Path => {
    const ends = [-radius, radius].map((x) => x / Math.sin(stockAngle));
    const cut = clipSeam(seam, ends[0]!, ends[1]!, onFace);
    return area(role, [[middle[0] - radius, height - 8.5], ...cut, [middle[0] + radius, height - 8.5]]);
  };
  items.push(
    layer('bark', stock.diameter / 2),
    layer('wood', stock.diameter / 2 - stock.bark),
    layer('pith', (stock.diameter / 2) * PITH),
  );

  // The scion in its own frame, leaning so that its face lies on the stock's.
  const lean = stockAngle - scionAngle;
  const axis: Point = [Math.sin(lean), -Math.cos(lean)];
  const normal: Point = [Math.cos(lean), Math.sin(lean)];
  const foot = onFace(union.z);
  const onScion = (side: number, up: number): Point => [
    foot[0] + normal[0] * side + axis[0] * up,
    foot[1] + normal[1] * side + axis[1] * up,
  ];
  const scionTop = scionRise / 2 + SCION_SHOWN - 6;
  const scionLayer = (role: 'bark' | 'wood' | 'pith', radius: number): Path => {
    const ends = [-radius, radius].map((x) => union.z + x / Math.sin(scionAngle));
    const cut = clipSeam(seam, ends[0]!, ends[1]!, onFace);
    return area(role, [onScion(-radius, scionTop), ...cut, onScion(radius, scionTop)]);
  };
  items.push(
    scionLayer('bark', scion.diameter / 2),
    scionLayer('wood', scion.diameter / 2 - scion.bark),
    scionLayer('pith', (scion.diameter / 2) * PITH),
  );

  const buds: [number, number][] = [
    [-1, scionRise / 2 + 7],
    [1, scionRise / 2 + 16],
  ];
  for (const [side, up] of buds) items.push(bud(side, up, scion.diameter / 2, options.upsideDown ?? false, onScion));

  items.push(...daylightBetween(stock, scion, onFace));
  items.push(line('knife-cut', ...seam));
  items.push(name('scion', [onScion(0, scionTop)[0], top - 1.2], 'middle'));
  items.push(name('stock', [middle[0] - stock.diameter / 2, height - 5.8], 'start'));
  items.push(...scaleBar([middle[0] - 5, height - 2.6], options.unit));

  const anchors = [...faceAnchors(scion, scionRise, onScion, onFace), ...footAnchors(stock, middle, rise)];
  return { width, height, items, anchors };
}

/** What a piece is called. */
function name(text: string, at: Point, anchor: Label['anchor']): Label {
  return { kind: 'label', role: 'name', at, anchor, text };
}

/** Daylight between hollow faces, at its true depth. */
function daylightBetween(stock: CutFace, scion: CutFace, onFace: (s: number, off?: number) => Point): Path[] {
  if (stock.hollow + scion.hollow <= 0) return [];
  const half = Math.min(stock.length, scion.length) / 2;
  const edge = (face: number, hollow: number): Point[] =>
    Array.from({ length: 25 }, (_, i) => {
      const s = -half + (2 * half * i) / 24;
      return onFace(s, face * hollow * (1 - (s / half) ** 2));
    });
  return [area('gap', [...edge(-1, stock.hollow), ...edge(1, scion.hollow).reverse()])];
}

/** Where the points of the scion and of the faces are marked. */
function faceAnchors(
  { diameter, length }: CutFace,
  rise: number,
  onScion: (side: number, up: number) => Point,
  onFace: (s: number, off?: number) => Point,
): Anchor[] {
  return [
    { point: 'wood', at: onScion(diameter / 2, rise / 2 + 11) },
    { point: 'way-up', at: onScion(-diameter / 2 - 1.2, rise / 2 + 8.5) },
    { point: 'clean', at: onFace(length * 0.42) },
    { point: 'tongue', at: onFace(length * 0.14) },
    { point: 'daylight', at: onFace(-length * 0.08) },
    { point: 'strokes', at: onFace(-length * 0.4) },
  ];
}

/** Where the points are marked that stand beside the foot of the cut. */
function footAnchors({ diameter }: CutFace, [x, y]: Point, rise: number): Anchor[] {
  return [
    { point: 'hold', at: [x - diameter / 2, y + rise / 2 + 3] },
    { point: 'safe-hands', at: [x + diameter / 2, y + rise / 2 + 6] },
  ];
}

/**
 * The seam of two interlocked tongues, from the foot of the cut to its top: up the slope to where
 * the stock's tongue starts a third from its tip, back down along the grain for a third of the
 * face, and on up the slope. Each tongue is as thick as the angle between grain and slope makes it.
 */
function tongueSeam(union: OutlineUnion, angle: number, onFace: (s: number, off?: number) => Point): Point[] {
  const length = Math.min(union.stock.length, union.scion.length);
  const half = length / 2;
  const tongue = length / 3;
  const thick = (tongue / 2) * Math.sin(angle) * 0.8;
  const ends = Math.max(union.stock.length, union.scion.length) / 2;
  return [
    onFace(-ends),
    onFace(-half),
    onFace(tongue / 2, -thick),
    onFace(-tongue / 2, thick),
    onFace(half),
    onFace(ends),
  ];
}

/** The seam between two places on the slope, its inner corners kept when they lie between them. */
function clipSeam(seam: Point[], from: number, to: number, onFace: (s: number, off?: number) => Point): Point[] {
  const inner = seam.slice(2, 4);
  const start = onFace(from);
  const end = onFace(to);
  const low = Math.min(start[1], end[1]);
  const high = Math.max(start[1], end[1]);
  return inner.every((point) => point[1] > low && point[1] < high) ? [start, ...inner, end] : [start, end];
}

function bud(
  side: number,
  up: number,
  radius: number,
  upsideDown: boolean,
  onScion: (side: number, up: number) => Point,
): Path {
  const flip = upsideDown ? -1 : 1;
  const shape: [number, number][] = [
    [0, -1.6],
    [1.4, -0.4],
    [1.7, 1.4],
    [0.9, 3.2],
    [0.1, 2.6],
  ];
  return area(
    'bud',
    shape.map(([out, rise]) => onScion(side * (radius + out), up + flip * rise)),
  );
}
