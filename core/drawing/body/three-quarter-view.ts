import type { LengthUnit } from '../../units/length';
import { paintCovers } from '../cover-paint';
import { area, type DisplayList, type Label, line, type Path, type Point, ring, type Role } from '../display-list';
import { knifePath } from '../knife-strokes';
import type { Place } from '../piece-outline';
import { LINE_SHARE, scaleBar } from '../scale-bar';
import { faceAway, type Piece, type Workpieces } from '../workpieces';
import { type DepthMap, depthMap, isEnd, type Placed, reachOf, seenAs, solidsOf } from './depth-map';
import { aboutUpright, dot, type Frame, leant, outOf, type Place3 } from './frame';
import { hatching } from './hatching';
import { BUT_FACE, type Look } from './ready-solid';
import { pieceBody } from './piece-body';
import { traceRegions } from './trace-regions';
import { wrapBodies, wrapTurns } from './wrap-bodies';

/** Degrees that one looks from beside the front, and from above. */
const BESIDE = 38;
const ABOVE = 22;
/** Between pieces that are not joined, mm. */
const APART = 13;

export interface ThreeQuarterOptions {
  unit: LengthUnit;
  /** The pieces one step earlier: what falls off is drawn pale, and the knife's way as its path. */
  before?: Workpieces;
  /** Way the blade goes. */
  pull?: 'up' | 'down';
}

/** From before the left shoulder of whoever holds the pieces, and somewhat from above. */
const LOOK = ((): Look => {
  const [a, e] = [(BESIDE * Math.PI) / 180, (ABOVE * Math.PI) / 180];
  const [cosA, sinA, cosE, sinE] = [Math.cos(a), Math.sin(a), Math.cos(e), Math.sin(e)];
  return {
    right: [sinA, cosA, 0],
    up: [-sinE * cosA, sinE * sinA, cosE],
    near: [cosE * cosA, -cosE * sinA, sinE],
  };
})();

/**
 * The pieces as whoever cuts them sees them: from the front, the side and above at once. Hidden parts are left out,
 * cut faces are light and bark is hatched along its form. Lengths are foreshortened: true ones stand in the side view.
 */
export function threeQuarterView(pieces: Workpieces, { unit, before, pull }: ThreeQuarterOptions): DisplayList {
  const frames = framesOf(pieces);
  const wood = piecesIn(pieces).map((piece, i): Placed => ({ body: pieceBody(piece), frame: frames[i]! }));
  const wraps = wrapBodies(pieces, wood);
  const placed: Placed[] = [...wood, ...wraps];
  const old = before && before.joined === pieces.joined ? changed(before, pieces, frames) : [];
  const reach = reachOf([...placed, ...old], LOOK);
  const map = depthMap(placed, LOOK, reach);
  const project = (p: Place3): Point => [dot(LOOK.right, p) - map.left, map.top - dot(LOOK.up, p)];
  const lineHeight = ((reach.high - reach.low) * LINE_SHARE) / (1 - 5 * LINE_SHARE);
  // Names of what is put on stand in a lane on the left.
  const margin = (pieces.covers.length > 0 ? 5 : 2.2) * lineHeight;
  const shift = ([x, y]: Point): Point => [x + margin, y + 1.6 * lineHeight];
  const placers = placersOf(pieces, frames, (p) => shift(project(p)));
  const items: (Path | Label)[] = [
    ...moved(offcut(old, map, reach), shift),
    ...moved(regionsOf(placed, map), shift),
    ...moved(
      [
        ...wood.flatMap((body, i) => hatching(body, i, LOOK, map)),
        ...wraps.flatMap((wrap, i) => wrapTurns(wrap, wood.length + i, LOOK, map)),
      ],
      shift,
    ),
    ...paintCovers(pieces, placers.flat, { view: 'side', lineHeight, drawn: wraps.map(({ cover }) => cover) }),
    ...(before && pull
      ? [
          ...knifePath(before, pieces, placers.section, { view: 'side', unit, pull }),
          ...knifePath(before, pieces, placers.front, { view: 'front', unit, pull }),
        ]
      : []),
  ];
  const width = map.wide / map.scale + 2 * margin;
  const height = map.high / map.scale + 5 * lineHeight;
  return {
    width,
    height,
    items: [
      ...items.filter((item) => item.kind === 'label' || item.points.length > 1),
      ...namesOf(pieces, placers.flat, height - 2.25 * lineHeight),
      ...scaleBar([width / 2 - 5, height - 1.35 * lineHeight], unit, lineHeight),
    ],
    anchors: [],
  };
}

const piecesIn = ({ stock, scion, second }: Workpieces): Piece[] => (second ? [stock, scion, second] : [stock, scion]);

/** Where the pieces lie: joined as their poses say, else side by side, middle beside middle. */
function framesOf(pieces: Workpieces): Frame[] {
  const { stock, scion } = pieces;
  return piecesIn(pieces).map((piece) => {
    const { u, w, y, lean } = piece.pose;
    if (pieces.joined) return leant(lean, [u, w, y]);
    if (piece === stock) return aboutUpright(0);
    const aside = stock.diameter / 2 + (stock.flaps?.state === 'down' ? 12 : 0) + APART + scion.diameter / 2;
    const up = (stock.foot + stock.top - scion.foot - scion.top) / 2;
    const at: Place3 = [LOOK.right[0] * aside, LOOK.right[1] * aside, up];
    return aboutUpright(faceAway(pieces, piece) ? 180 : 0, at);
  });
}

/** Where the flat drawings' places go: along the picture, in the section through the axis, on the front. */
function placersOf(
  pieces: Workpieces,
  frames: Frame[],
  project: (p: Place3) => Point,
): Record<'flat' | 'section' | 'front', Record<'stock' | 'scion', (place: Place) => Point>> {
  const each = (placerOf: (piece: Piece, frame: Frame) => (place: Place) => Point) => ({
    stock: placerOf(pieces.stock, frames[0]!),
    scion: placerOf(pieces.scion, frames[1]!),
  });
  const onFront = ({ diameter }: Piece, w: number): number => Math.sqrt(Math.max(0, (diameter / 2) ** 2 - w * w));
  return {
    flat: each((_, frame) => ([x, y]) => {
      const [px, py] = project(outOf(frame, [0, 0, y]));
      return [px + x, py];
    }),
    section: each(
      (_, frame) =>
        ([u, y]) =>
          project(outOf(frame, [u, 0, y])),
    ),
    front: each(
      (piece, frame) =>
        ([w, y]) =>
          project(outOf(frame, [onFront(piece, w), w, y])),
    ),
  };
}

const moved = (paths: Path[], shift: (point: Point) => Point): Path[] =>
  paths.map((path) => ({ ...path, points: path.points.map(shift) }));

/** How what is seen is painted. */
function roleOf(placed: readonly Placed[], label: number): Role {
  const { body, solid, face, layer } = seenAs(label);
  const { shows, shape } = solidsOf(placed[body]!.body)[solid]!;
  const grown = solid < placed[body]!.body.grown.length;
  const onCut = (['cut-bark', 'wood', 'pith'] as const)[layer];
  if (shows === 'wrap' || shows === 'seal' || shows === 'foil') return shows;
  if (face === BUT_FACE) return shows === 'flap' ? 'flap' : 'wood';
  if (shows === 'bark') return grown && shape.kind === 'lathe' && solid === 0 && isEnd(face) ? onCut : 'bark';
  if (shows === 'cut' || shows === 'bared') return onCut;
  return shows === 'kerf' ? 'kerf' : shows === 'bud' ? 'bud' : 'flap';
}

/** What is seen as areas with their outlines, large ones first; the green line where bark meets wood on a cut. */
function regionsOf(placed: readonly Placed[], map: DepthMap): Path[] {
  const silhouettes = new Int32Array(map.label.length);
  for (let i = 0; i < silhouettes.length; i++) silhouettes[i] = map.label[i] === 0 ? 0 : seenAs(map.label[i]!).body + 1;
  const under = [...traceRegions(map, silhouettes)].flatMap(([body, borders]) =>
    borders
      .filter((points) => signedArea(points) > 0)
      .map((points) => ({
        points,
        role: placed[body - 1]!.body.grown[0]!.shows === 'bark' ? ('bark' as const) : null,
      })),
  );
  const roles = new Map<number, Role>();
  const roleAt = (label: number): Role => {
    const known = roles.get(label);
    if (known) return known;
    const role = roleOf(placed, label);
    roles.set(label, role);
    return role;
  };
  const faces = [...traceRegions(map, map.label)].flatMap(([label, borders]) =>
    borders.map((points) => ({ role: roleAt(label), points, size: signedArea(points) })).filter(({ size }) => size > 0),
  );
  faces.sort((a, b) => b.size - a.size);
  return [
    ...under.flatMap(({ role, points }) => (role ? [area(role, points)] : [])),
    ...faces.map(({ role, points }) => area(role, points)),
    ...faces.filter(({ role }) => role === 'cut-bark').map(({ points }) => ring('knife-cut', points)),
    ...greenLines(map, (label) => (label === 0 ? null : roleAt(label))),
    ...under.map(({ points }) => ring('outline', points)),
  ];
}

/** How far beside the wood's border it is looked for bark, spots. */
const BESIDE_BORDER = 1.6;

/** The green line: where wood that was cut or laid bare meets bark, and not where it ends in the air. */
function greenLines(map: DepthMap, roleAt: (label: number) => Role | null): Path[] {
  const wood = map.label.map((label) => {
    const role = roleAt(label);
    return role === 'wood' || role === 'pith' ? seenAs(label).body + 1 : 0;
  });
  const meetsBark = ([x0, y0]: Point, [x1, y1]: Point): boolean => {
    const length = Math.hypot(x1 - x0, y1 - y0) || 1;
    // The wood lies to the right of its border.
    const x = Math.floor(((x0 + x1) / 2) * map.scale + ((y1 - y0) / length) * BESIDE_BORDER);
    const y = Math.floor(((y0 + y1) / 2) * map.scale - ((x1 - x0) / length) * BESIDE_BORDER);
    const role = x < 0 || y < 0 || x >= map.wide || y >= map.high ? null : roleAt(map.label[y * map.wide + x]!);
    return role === 'cut-bark' || role === 'flap' || role === 'kerf';
  };
  return [...traceRegions(map, wood).values()].flat().flatMap((border) => {
    const runs: Point[][] = [];
    border.forEach((from, i) => {
      const to = border[(i + 1) % border.length]!;
      if (!meetsBark(from, to)) return;
      const last = runs.at(-1);
      if (last?.at(-1) === from) last.push(to);
      else runs.push([from, to]);
    });
    return runs.map((points) => line('meet', ...points));
  });
}

/** Twice the area inside a closed line; positive where it runs round what it holds. */
function signedArea(points: readonly Point[]): number {
  return points.reduce((sum, [x, y], i) => {
    const [nx, ny] = points[(i + 1) % points.length]!;
    return sum + x * ny - nx * y;
  }, 0);
}

/** The pieces a step changed, as they were, where they lie now. */
function changed(before: Workpieces, after: Workpieces, frames: readonly Frame[]): Placed[] {
  const now = [after.stock, after.scion];
  return [before.stock, before.scion].flatMap((piece, i) =>
    piece === now[i] ? [] : [{ body: pieceBody(piece), frame: frames[i]! }],
  );
}

/** What was there a step earlier and is seen no more, as pale areas. */
function offcut(old: readonly Placed[], map: DepthMap, reach: ReturnType<typeof reachOf>): Path[] {
  if (old.length === 0) return [];
  const was = depthMap(old, LOOK, reach);
  const gone = was.label.map((label, i) => (label !== 0 && map.label[i] === 0 ? 1 : 0));
  const pale = [...traceRegions(was, gone).values()].flat().filter((points) => signedArea(points) > 4);
  return pale.map((points) => area('offcut', points));
}

function namesOf(pieces: Workpieces, at: Record<'stock' | 'scion', (place: Place) => Point>, below: number): Label[] {
  const label = (text: string, x: number): Label => ({
    kind: 'label',
    role: 'name',
    at: [x, below],
    anchor: 'middle',
    text,
  });
  if (pieces.joined) return [label(`${pieces.scion.name} on ${pieces.stock.name}`, at.stock([0, 0])[0])];
  return [
    label(pieces.stock.name, at.stock([0, 0])[0]),
    label(faceAway(pieces, pieces.scion) ? `${pieces.scion.name}, turned` : pieces.scion.name, at.scion([0, 0])[0]),
  ];
}
