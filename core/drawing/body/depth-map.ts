import type { Point } from '../display-list';
import { dot, type Frame, type Place3 } from './frame';
import { FOOT, noSpans, type Spans, TOP } from './ray-spans';
import { BUT_FACE, type Look, type Ready, readied, throughSolid } from './ready-solid';
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
export function reachOf(
  placed: readonly Placed[],
  look: Look,
): { left: number; right: number; low: number; high: number } {
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
const MOST_SPOTS = 55_000;
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

const inside = noSpans();
const away = noSpans();

function lookAt({ body, frame }: Placed, index: number, look: Look, map: DepthMap): void {
  const ready = solidsOf(body).map((solid) => readied(solid, frame, look));
  const [cutsFrom, foldedFrom] = [body.grown.length, body.grown.length + body.cut.length];
  const shown = ready.filter((_, i) => i < cutsFrom || i >= foldedFrom).map(({ box }) => box);
  const { left, top, scale } = map;
  const x0 = Math.max(0, Math.floor((Math.min(...shown.map((box) => box.left)) - left) * scale));
  const x1 = Math.min(map.wide - 1, Math.ceil((Math.max(...shown.map((box) => box.right)) - left) * scale));
  const y0 = Math.max(0, Math.floor((top - Math.max(...shown.map((box) => box.high))) * scale));
  const y1 = Math.min(map.high - 1, Math.ceil((top - Math.min(...shown.map((box) => box.low))) * scale));
  const radial = readied({ shape: rod(0, 1, 1), shows: 'bark' }, frame, look);
  for (let row = y0; row <= y1; row++) {
    const y = top - (row + 0.5) / scale;
    const looked = { ready, onRow: ready.map(({ box }) => y >= box.low && y <= box.high), cutsFrom, foldedFrom };
    for (let column = x0; column <= x1; column++) {
      const x = left + (column + 0.5) / scale;
      const hit = firstFace(looked, x, y);
      if (!hit) continue;
      const at = row * map.wide + column;
      if (found.z <= map.depth[at]!) continue;
      map.depth[at] = found.z;
      const face = ready[found.solid]!.drawnAs[found.face] ?? found.face;
      map.label[at] = numberOf(index, found.solid, face, layerAt(body, radial, x, y));
    }
  }
}

/** What `firstFace` found. */
const found = { z: 0, solid: 0, face: 0 };
/** The solids that the spans inside what grew, and inside what was cut away, belong to. */
const owners = new Int16Array(64);
const cutters = new Int16Array(64);

interface Looked {
  ready: readonly Ready[];
  onRow: readonly boolean[];
  cutsFrom: number;
  foldedFrom: number;
}

/** The nearest face a line meets: of what grew less what was cut, or of what is folded off. */
function firstFace({ ready, onRow, cutsFrom, foldedFrom }: Looked, x: number, y: number): boolean {
  found.z = -Infinity;
  inside.count = 0;
  for (let i = 0; i < cutsFrom; i++) gather(ready, onRow, i, x, y, inside, owners);
  if (inside.count > 0) {
    away.count = 0;
    for (let i = cutsFrom; i < foldedFrom; i++) gather(ready, onRow, i, x, y, away, cutters);
    nearestLeft();
  }
  if (foldedFrom === ready.length) return found.z > -Infinity;
  inside.count = 0;
  for (let i = foldedFrom; i < ready.length; i++) gather(ready, onRow, i, x, y, inside, owners);
  for (let k = 0; k < inside.count; k++) {
    if (inside.near[k]! <= found.z) continue;
    found.z = inside.near[k]!;
    found.solid = owners[k]!;
    found.face = inside.nearFace[k]!;
  }
  return found.z > -Infinity;
}

function gather(
  ready: readonly Ready[],
  onRow: readonly boolean[],
  i: number,
  x: number,
  y: number,
  spans: Spans,
  solids: Int16Array,
): void {
  const solid = ready[i]!;
  if (!onRow[i] || x < solid.box.left || x > solid.box.right) return;
  const before = spans.count;
  throughSolid(solid, x, y, spans);
  for (let k = before; k < spans.count; k++) solids[k] = i;
}

/** Walks inwards from the nearest face of what grew, past all that was cut away. */
function nearestLeft(): void {
  let from = Infinity;
  for (let turn = 0; turn < 64; turn++) {
    // The nearest place inside what grew, no nearer than `from`.
    let z = -Infinity;
    let owner = -1;
    let face = 0;
    for (let i = 0; i < inside.count; i++) {
      const near = Math.min(from, inside.near[i]!);
      if (near <= inside.far[i]! || near <= z) continue;
      z = near;
      owner = owners[i]!;
      face = inside.near[i]! <= from ? inside.nearFace[i]! : -1;
    }
    if (owner < 0) return;
    // A cut that holds this place is passed through to its far side.
    let passed = false;
    for (let i = 0; i < away.count && !passed; i++) {
      if (away.near[i]! < z - 1e-9 || away.far[i]! >= z - 1e-9) continue;
      from = away.far[i]!;
      found.solid = cutters[i]!;
      found.face = away.farFace[i]!;
      passed = true;
    }
    if (passed) continue;
    found.z = z;
    if (face >= 0) {
      found.solid = owner;
      found.face = face;
    }
    return;
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
