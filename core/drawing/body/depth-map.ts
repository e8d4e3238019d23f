import type { Point } from '../display-list';
import { dot, type Frame, type Place3 } from './frame';
import { firstFace, found } from './first-face';
import { FOOT, TOP } from './ray-spans';
import { BUT_FACE, type Look, type Ready, readied } from './ready-solid';
import { type Body, rod, type Solid } from './solid';

/** A body and where it lies. */
export interface Placed {
  body: Body;
  frame: Frame;
}

/** What is seen at each spot of a picture. */
export interface DepthMap {
  wide: number;
  high: number;
  /** Spots a millimetre, and the picture's left upper corner, mm along right and up. */
  scale: number;
  left: number;
  top: number;
  /** What is seen, as a number for each face and layer; 0 where there is nothing. */
  label: Int32Array;
  /** How near it is, mm. */
  depth: Float32Array;
}

/** What a number of the map stands for. */
export interface Seen {
  body: number;
  solid: number;
  face: number;
  /** Layer of a cut face from the outside inwards: bark, wood, pith. */
  layer: 0 | 1 | 2;
}

const FACES = 64;
const SOLIDS = 128;

const numberOf = (body: number, solid: number, face: number, layer: number): number =>
  ((body * SOLIDS + solid) * FACES + Math.min(face, FACES - 1)) * 4 + layer + 1;

/** @returns what a number of a map stands for. */
export function seenAs(label: number): Seen {
  const at = label - 1;
  return {
    layer: (at % 4) as Seen['layer'],
    face: Math.floor(at / 4) % FACES,
    solid: Math.floor(at / (4 * FACES)) % SOLIDS,
    body: Math.floor(at / (4 * FACES * SOLIDS)),
  };
}

/** The solids of a body in the order a map counts them. */
export const solidsOf = ({ grown, cut, folded }: Body): Solid[] => [...grown, ...cut, ...folded];

/** Reach of placed bodies in the picture, mm along right and up. */
export interface Reach {
  left: number;
  right: number;
  low: number;
  high: number;
}

export function reachOf(placed: readonly Placed[], look: Look): Reach {
  const boxes = placed.flatMap(({ body, frame }) =>
    [...body.grown, ...body.folded].map((solid) => readied(solid, frame, look).box),
  );
  return {
    left: Math.min(...boxes.map(({ left }) => left)),
    right: Math.max(...boxes.map(({ right }) => right)),
    low: Math.min(...boxes.map(({ low }) => low)),
    high: Math.max(...boxes.map(({ high }) => high)),
  };
}

/** Most spots a millimetre, and most in a picture: a wide stump is looked at more coarsely, a slim shoot finely. */
const FINEST = 5;
const MOST_SPOTS = 42_000;
/** Room round the picture, mm. */
const MARGIN = 1;

/** Looks at placed bodies, spot by spot: the nearest face wins. */
export function depthMap(placed: readonly Placed[], look: Look, reach = reachOf(placed, look)): DepthMap {
  const area = (reach.right - reach.left + 2 * MARGIN) * (reach.high - reach.low + 2 * MARGIN);
  const scale = Math.min(FINEST, Math.sqrt(MOST_SPOTS / area));
  const [left, top] = [reach.left - MARGIN, reach.high + MARGIN];
  const wide = Math.ceil((reach.right + MARGIN - left) * scale);
  const high = Math.ceil((top - reach.low + MARGIN) * scale);
  const map: DepthMap = {
    wide,
    high,
    scale,
    left,
    top,
    label: new Int32Array(wide * high),
    depth: new Float32Array(wide * high).fill(-Infinity),
  };
  placed.forEach((body, i) => lookAt(body, i, look, map));
  return map;
}

/** How far a place may lie behind what is seen there and still be seen, mm. */
const BEHIND = 0.7;

/** Where a place is in a picture, mm from its left upper corner, and what is seen there; null where it is hidden. */
export function seenPlace(map: DepthMap, look: Look, place: Place3): { at: Point; seen: Seen } | null {
  const [x, y] = [dot(look.right, place) - map.left, map.top - dot(look.up, place)];
  const [column, row] = [Math.floor(x * map.scale), Math.floor(y * map.scale)];
  if (column < 0 || row < 0 || column >= map.wide || row >= map.high) return null;
  const spot = row * map.wide + column;
  const hidden = map.label[spot] === 0 || map.depth[spot]! - dot(look.near, place) > BEHIND;
  return hidden ? null : { at: [x, y], seen: seenAs(map.label[spot]!) };
}

/** Every so many spots it is looked first; where four of them see one face, what lies between sees it too. */
const GRID = 2;
/** Slimmer than the grid may be: looked at spot by spot. */
const FINE: Solid['shows'][] = ['kerf', 'bud'];

function lookAt({ body, frame }: Placed, index: number, look: Look, map: DepthMap): void {
  const ready = solidsOf(body).map((solid) => readied(solid, frame, look));
  const [cutsFrom, foldedFrom] = [body.grown.length, body.grown.length + body.cut.length];
  const shown = ready.filter((_, i) => i < cutsFrom || i >= foldedFrom).map(({ box }) => box);
  const fine = ready.filter(({ solid }) => FINE.includes(solid.shows)).map(({ box }) => box);
  const { left, top, scale } = map;
  const x0 = Math.max(0, Math.floor((Math.min(...shown.map((box) => box.left)) - left) * scale));
  const x1 = Math.min(map.wide - 1, Math.ceil((Math.max(...shown.map((box) => box.right)) - left) * scale));
  const y0 = Math.max(0, Math.floor((top - Math.max(...shown.map((box) => box.high))) * scale));
  const y1 = Math.min(map.high - 1, Math.ceil((top - Math.min(...shown.map((box) => box.low))) * scale));
  const radial = readied({ shape: rod(0, 1, 1), shows: 'bark' }, frame, look);
  const wide = x1 - x0 + 1;
  const lookAlong = (row: number, line: SeenLine, wanted: Uint8Array): void => {
    const y = top - (row + 0.5) / scale;
    const looked = { ready, onRow: ready.map(({ box }) => y >= box.low && y <= box.high), cutsFrom, foldedFrom };
    for (let column = 0; column < wide; column++) {
      if (wanted[column] === 0) continue;
      const x = left + (x0 + column + 0.5) / scale;
      line.label[column] = 0;
      if (!firstFace(looked, x, y)) continue;
      const face = ready[found.solid]!.drawnAs[found.face] ?? found.face;
      line.label[column] = numberOf(index, found.solid, face, layerAt(body, radial, x, y));
      line.depth[column] = found.z;
    }
  };
  const grid = new Uint8Array(wide).map((_, column) => (column % GRID === 0 ? 1 : 0));
  const [open, openOffGrid] = [new Uint8Array(wide), new Uint8Array(wide)];
  let [above, below] = [seenLine(wide), seenLine(wide)];
  const between = seenLine(wide);
  lookAlong(y0, above, grid);
  for (let row = y0; row <= y1; row += GRID) {
    lookAlong(row + GRID, below, grid);
    const [high, low] = [top - row / scale, top - (row + GRID + 1) / scale];
    guessBetween(above, below, between, open);
    for (const box of fine) {
      if (box.low > high || box.high < low) continue;
      const from = Math.max(0, Math.floor((box.left - left) * scale) - x0 - 1);
      open.fill(1, from, Math.max(from, Math.ceil((box.right - left) * scale) - x0 + 2));
    }
    for (let column = 0; column < wide; column++) openOffGrid[column] = open[column]! & (1 - grid[column]!);
    lookAlong(row, above, openOffGrid);
    putNearest(map, above, row, x0);
    if (row < y1) {
      lookAlong(row + 1, between, open);
      putNearest(map, between, row + 1, x0);
    }
    [above, below] = [below, above];
  }
}

/** Fills in what lies between spots of the grid that see one face; what has to be looked at is left open. */
function guessBetween(above: SeenLine, below: SeenLine, between: SeenLine, open: Uint8Array): void {
  for (let a = 0; a < open.length; a += GRID) {
    const b = a + GRID;
    const label = above.label[a]!;
    const alike = b < open.length && label === above.label[b] && label === below.label[a] && label === below.label[b];
    for (let column = a; column < Math.min(b, open.length); column++) {
      open[column] = alike ? 0 : 1;
      if (!alike) continue;
      between.label[column] = label;
      between.depth[column] = (above.depth[a]! + above.depth[b]! + below.depth[a]! + below.depth[b]!) / 4;
      if (column === a) continue;
      above.label[column] = label;
      above.depth[column] = (above.depth[a]! + above.depth[b]!) / 2;
    }
  }
}

/** What one body shows along a row of spots. */
interface SeenLine {
  label: Int32Array;
  depth: Float32Array;
}

const seenLine = (wide: number): SeenLine => ({ label: new Int32Array(wide), depth: new Float32Array(wide) });

/** Puts what is seen along a row where nothing nearer is. */
function putNearest(map: DepthMap, { label, depth }: SeenLine, row: number, from: number): void {
  for (let column = 0; column < label.length; column++) {
    const at = row * map.wide + from + column;
    if (label[column] === 0 || depth[column]! <= map.depth[at]!) continue;
    map.depth[at] = depth[column]!;
    map.label[at] = label[column]!;
  }
}

function layerAt({ layers }: Body, radial: Ready, x: number, y: number): number {
  // Wood laid bare has kept its green line all over; rounding would speckle it.
  if (found.face === BUT_FACE) return 1;
  const u = radial.start[0] + x * radial.right[0] + y * radial.up[0] + found.z * radial.along[0];
  const w = radial.start[1] + x * radial.right[1] + y * radial.up[1] + found.z * radial.along[1];
  const from = u * u + w * w;
  return from > layers.wood ** 2 ? 0 : from > layers.pith ** 2 ? 1 : 2;
}

/** Whether a face of a shoot's round is one of its ends. */
export const isEnd = (face: number): boolean => face === FOOT || face === TOP;
