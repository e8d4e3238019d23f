import type { LengthUnit } from '../../units/length';
import { paintCovers } from '../cover-paint';
import { area, type DisplayList, type Label, type Path, type Point } from '../display-list';
import { faultWords, paintFaultWords, roomForFaults } from '../fault-words';
import { type HandSign, paintSigns, roomForSigns } from '../hand-signs';
import { knifePath } from '../knife-strokes';
import type { Place } from '../piece-outline';
import { apartForNames, LINE_SHARE, scaleBar, type ShownOn } from '../scale-bar';
import { faceAway, type Piece, type Workpieces } from '../workpieces';
import { type DepthMap, depthMap, type Placed, type Reach, reachOf } from './depth-map';
import { aboutUpright, dot, type Frame, leant, outOf, type Place3 } from './frame';
import { ghosts, idealOf } from './ghosts';
import { hatching } from './hatching';
import { pieceBody } from './piece-body';
import { regionsOf, signedArea } from './seen-regions';
import { THREE_QUARTER } from './three-quarter-look';
import { traceRegions } from './trace-regions';
import { wrapBodies, wrapTurns } from './wrap-bodies';

/** Between pieces that are not joined, mm. */
const APART = 13;

export interface ThreeQuarterOptions {
  unit: LengthUnit;
  /** Where it is looked at; a screen unless said. */
  shownOn?: ShownOn;
  /** The pieces one step earlier: what falls off is drawn pale, and the knife's way as its path. */
  before?: Workpieces;
  /** Way the blade goes. */
  pull?: 'up' | 'down';
  /** The pieces as they should be, where these are wrong: drawn over them as a ghost, the daylight between filled. */
  right?: Workpieces;
  /** What hand and eye do. */
  signs?: readonly HandSign[];
}

/**
 * The pieces as whoever cuts them sees them: from the front, the side and above at once. Hidden parts are left out,
 * cut faces are light and bark is hatched along its form. Lengths are foreshortened: true ones stand in the side view.
 */
export function threeQuarterView(
  pieces: Workpieces,
  { unit, shownOn = 'screen', before, pull, right, signs = [] }: ThreeQuarterOptions,
): DisplayList {
  const share = LINE_SHARE[shownOn];
  const frames = framesOf(pieces, share);
  const wood = piecesIn(pieces).map((piece, i): Placed => ({ body: pieceBody(piece), frame: frames[i]! }));
  const wraps = wrapBodies(pieces, wood);
  const placed: Placed[] = [...wood, ...wraps];
  const old = before && before.joined === pieces.joined ? changed(before, pieces, frames) : [];
  const ideal = right
    ? idealOf(piecesIn(pieces), piecesIn(right), pieces.joined && right.joined ? framesOf(right, share) : frames)
    : [];
  const reach = reachOf([...placed, ...old, ...ideal.map(({ placed: shown }) => shown)], THREE_QUARTER);
  const map = depthMap(placed, THREE_QUARTER, reach);
  const project = (p: Place3): Point => [dot(THREE_QUARTER.right, p) - map.left, map.top - dot(THREE_QUARTER.up, p)];
  const lineHeight = ((reach.high - reach.low) * share) / (1 - 5 * share);
  // Names of what is put on stand in a lane on the left.
  const margin = Math.max(
    (pieces.covers.length > 0 ? 5 : 2.2) * lineHeight,
    signs.length > 0 ? roomForSigns(lineHeight) : 0,
    right ? roomForFaults(lineHeight) : 0,
  );
  const shift = ([x, y]: Point): Point => [x + margin, y + 1.6 * lineHeight];
  const placers = placersOf(pieces, frames, (p) => shift(project(p)));
  const items: (Path | Label)[] = [
    ...moved(offcut(old, map, reach), shift),
    ...moved(regionsOf(placed, map), shift),
    ...moved(
      [
        ...wood.flatMap((body, i) => hatching(body, i, THREE_QUARTER, map)),
        ...wraps.flatMap((wrap, i) => wrapTurns(wrap, wood.length + i, THREE_QUARTER, map)),
      ],
      shift,
    ),
    ...paintCovers(pieces, placers.flat, { view: 'side', lineHeight, drawn: wraps.map(({ cover }) => cover) }),
    ...moved(ghosts(ideal, map, reach), shift),
    ...(right
      ? paintFaultWords(
          faultWords(pieces, right, unit),
          (on, y) => placers.flat[on]([0, y]),
          (on) => (on === 'stock' && !pieces.joined ? -1 : 1) * (pieces[on].diameter / 2 + 3),
          lineHeight,
        )
      : []),
    ...paintSigns(signs, pieces, placers.flat, lineHeight),
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
function framesOf(pieces: Workpieces, share: number): Frame[] {
  const { stock, scion } = pieces;
  const tall = Math.max(stock.top - stock.foot, scion.top - scion.foot) / (1 - 5 * share);
  return piecesIn(pieces).map((piece) => {
    const { u, w, y, lean } = piece.pose;
    if (pieces.joined) return leant(lean, [u, w, y]);
    if (piece === stock) return aboutUpright(0);
    const aside = Math.max(
      stock.diameter / 2 + (stock.flaps?.state === 'down' ? 12 : 0) + APART + scion.diameter / 2,
      apartForNames(namesUnder(pieces), tall * share),
    );
    const up = (stock.foot + stock.top - scion.foot - scion.top) / 2;
    const at: Place3 = [THREE_QUARTER.right[0] * aside, THREE_QUARTER.right[1] * aside, up];
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

/** The pieces a step changed, as they were, where they lie now. */
function changed(before: Workpieces, after: Workpieces, frames: readonly Frame[]): Placed[] {
  const now = [after.stock, after.scion];
  return [before.stock, before.scion].flatMap((piece, i) =>
    piece === now[i] ? [] : [{ body: pieceBody(piece), frame: frames[i]! }],
  );
}

/** What was there a step earlier and is seen no more, as pale areas. */
function offcut(old: readonly Placed[], map: DepthMap, reach: Reach): Path[] {
  if (old.length === 0) return [];
  const was = depthMap(old, THREE_QUARTER, reach);
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
  const [stock, scion] = namesUnder(pieces);
  return [label(stock, at.stock([0, 0])[0]), label(scion, at.scion([0, 0])[0])];
}

const namesUnder = (pieces: Workpieces): [string, string] => [
  pieces.stock.name,
  faceAway(pieces, pieces.scion) ? `${pieces.scion.name}, turned` : pieces.scion.name,
];
