import type { Manifold, ManifoldToplevel } from 'manifold-3d';
import { beforeAll, describe, expect, it } from 'vitest';
import { BRIDGING_DISTANCE } from '@/core/contact/limits';
import { exampleMeasures } from '@/core/methods/example-measures';
import { figuresOf } from '@/core/methods/field';
import type { Method, Wood } from '@/core/methods/method';
import { METHODS } from '@/core/methods/registry';
import { piecesAfter } from '@/core/methods/step';
import { USUAL_THRESHOLDS } from '@/core/methods/thresholds';
import { chord, depthAt, type Piece, type Workpieces } from '../workpieces';
import { bodyMesh, layerMeshes, type Mesh, meshKernel } from './body-mesh';
import { HERE, type Place3 } from './frame';
import { pieceBody } from './piece-body';
import { frameOf, greenLines, plain, touchingShare, trianglesOf, woodMesh } from './testing/joint-in-meshes';
import { toSegment, toTriangle } from './testing/mesh-distance';

let kernel: ManifoldToplevel;
beforeAll(async () => {
  kernel = await meshKernel();
});

/** Contact that meshes and core may differ by. */
const WITHIN = 0.05;
/** A chip's foot is cut to two faces, of which core measures the longer. */
const WITHIN_CHIP = 0.06;
/** Facets of a mesh lie inside the round they stand for by so much, mm. */
const ROUNDED = 0.005;
/** How deep closed pieces may lie in one another, mm. */
const OVERLAP = 0.1;

/**
 * Six pairs of wood of a method: three stocks from its thinnest on, each with two scions. Slices are compared on wood
 * that is nearly alike: the model has them deepest in the middle, a hand deepest at the foot, and on unlike wood the
 * two part by up to a fifth. Thick stocks too: a shallow slice hardly reaches through their bark.
 */
function sixPairs({ id, use, shownWith }: Method): Wood[] {
  const slices = id === 'chip' || id === 'side-veneer';
  const share = slices ? 1 : shownWith.scion / shownWith.stock;
  const { from, to } = use.stock;
  const stocks = [from, (3 * from + to) / 4, Math.min(to, slices ? 12 : 38)];
  return stocks.flatMap((stock) =>
    [1, slices ? 0.97 : 0.9].map((unlike): Wood => {
      const scion = Math.max(4, Math.round(stock * share * unlike * 10) / 10);
      return { stock, scion, stockBark: Math.max(0.5, stock * 0.1), scionBark: Math.max(0.5, scion * 0.1 * unlike) };
    }),
  );
}

/** A union as it is bound. */
function closedUnion(method: Method, wood: Wood): Workpieces {
  const { start, steps } = method.technique({}, wood);
  return piecesAfter(start, steps)[steps.findIndex(({ id }) => id === 'bind')]!;
}

const onBack = ([u]: Place3): boolean => u < -0.2;
const near = (mesh: Mesh, piece: Piece): ((place: Place3) => boolean) => {
  const triangles = trianglesOf(mesh, frameOf(piece));
  return (place) => triangles.some((triangle) => toTriangle(place, triangle) <= BRIDGING_DISTANCE + ROUNDED);
};

/** Share of the scion's green line that lies by the stock's. */
function linesMet({ stock, scion }: Workpieces, ofScion: (normal: Place3) => boolean): number {
  const lines = (piece: Piece, isFace: (normal: Place3) => boolean) =>
    greenLines(woodMesh(kernel, piece), piece.diameter / 2 - piece.bark, frameOf(piece), isFace);
  const bed = lines(stock, () => true);
  return touchingShare(lines(scion, ofScion), (place) =>
    bed.some((stretch) => toSegment(place, stretch) <= BRIDGING_DISTANCE + ROUNDED),
  );
}

/** Share of the edges of a scion's back face, below the rim, that lie by what is asked. */
function edgesBy({ stock, scion }: Workpieces, touch: (place: Place3) => boolean): number {
  const edges = greenLines(woodMesh(kernel, scion), scion.diameter / 2 - scion.bark, frameOf(scion), onBack);
  const upright = edges.filter(([from, to]) => Math.abs(from[1] - to[1]) < Math.abs(from[2] - to[2]));
  return touchingShare(upright, touch, ([, , y]) => y < stock.top);
}

const edgesOnWood = (pieces: Workpieces): number => edgesBy(pieces, near(woodMesh(kernel, pieces.stock), pieces.stock));

/** Share of an inlay's edges on wood and of its flanks by the slot's bark, each side once. */
function laidInSlot(pieces: Workpieces): number {
  return (edgesOnWood(pieces) + edgesBy(pieces, near(barkMesh(pieces.stock), pieces.stock))) / 2;
}

function barkMesh(piece: Piece): Mesh {
  return layerMeshes(kernel, pieceBody(plain(piece))).find(({ layer }) => layer === 'bark')!.mesh;
}

/** Share of a shield's back, along its middle, that lies on wood within the opening. */
function backOnWood({ stock, scion }: Workpieces): number {
  const wood = near(woodMesh(kernel, stock), stock);
  const back = (i: number): Place3 => {
    const y = scion.foot + ((scion.top - scion.foot) * i) / 40;
    return [scion.pose.u - scion.diameter / 2 + depthAt(scion.cuts.back, y), 0, y + scion.pose.y];
  };
  const lines = Array.from({ length: 40 }, (_, i) => [back(i), back(i + 1)] as const);
  const opened = ([, , y]: Place3): boolean => stock.bared.some(({ from, to }) => y >= from - 0.01 && y <= to + 0.01);
  return touchingShare(lines, (place) => wood(place) && opened(place));
}

/** Share of a patch's upper and lower edge that lies by the bark of its window. */
function endsInWindow({ stock, scion }: Workpieces): number {
  const bark = near(barkMesh(stock), stock);
  const radius = scion.diameter / 2 - scion.bark / 2;
  const ends = [scion.foot, scion.top].map((y) => {
    const half = scion.halfWidth! - 0.2;
    const at = (w: number): Place3 => [Math.sqrt(radius ** 2 - w ** 2), w, y + scion.pose.y];
    return Array.from(
      { length: 20 },
      (_, i) => [at(-half + (half * i) / 10), at(-half + (half * (i + 1)) / 10)] as const,
    );
  });
  return touchingShare(ends.flat(), bark);
}

/** Share of the four flats that flaps lie on, counted spot by spot. */
function flatsCovered({ stock, scion }: Workpieces, flat: number): number {
  const flaps = trianglesOf(bodyMesh(kernel, { ...pieceBody(stock), grown: [], cut: [] }), HERE);
  const [[foot, depth], [top]] = [scion.cuts.front[0]!, scion.cuts.front[1]!];
  const out = scion.diameter / 2 - depth;
  let [covered, whole] = [0, 0];
  for (let i = 0; i < 24; i++)
    for (let k = 0; k < 24; k++) {
      const [across, y] = [((i + 0.5) / 24 - 0.5) * flat, foot + ((k + 0.5) / 24) * (top - foot) + scion.pose.y];
      for (const place of [
        [out, across, y],
        [-out, across, y],
        [across, out, y],
        [across, -out, y],
      ] as const) {
        whole++;
        if (flaps.some((triangle) => toTriangle(place, triangle) < 0.05)) covered++;
      }
    }
  return covered / whole;
}

/** Contact counted on the meshes, and the figures core is asked with for the union that is drawn. */
function bothWays(method: Method, wood: Wood): { inMeshes: number; inCore: number } {
  const pieces = closedUnion(method, wood);
  const { stock, scion } = pieces;
  const slice = (piece: Piece, side: 'front' | 'back'): number =>
    Math.max(...piece.cuts[side].map(([, depth]) => depth));
  const tall = scion.top - scion.foot;
  const flat = 2 * chord(scion.diameter / 2, scion.diameter / 2, scion.cuts.front[0]?.[1] ?? 0);
  const drawn: Record<string, () => [number, Record<string, number | string>]> = {
    'whip-and-tongue': () => [linesMet(pieces, onBack), { ...lengthsOf(pieces), placement: scion.pose.w }],
    splice: () => [linesMet(pieces, onBack), { ...lengthsOf(pieces), placement: scion.pose.w }],
    chip: () => [
      linesMet(pieces, onBack),
      {
        stockLength: tall,
        scionLength: tall,
        stockDepth: slice(stock, 'front'),
        scionDepth: scion.diameter - Math.min(...scion.cuts.back.map(([, depth]) => depth)),
        placement: scion.pose.w,
      },
    ],
    'side-veneer': () => [linesMet(pieces, onBack), { ...slices(), placement: scion.pose.w }],
    cleft: () => [edgesMet(pieces, false), { length: -scion.foot, inset: insetOf(pieces) }],
    'top-wedge': () => [edgesMet(pieces, true), { length: -scion.foot, inset: insetOf(pieces) }],
    bark: () => [edgesOnWood(pieces), { length: -scion.foot, depth: slice(scion, 'back'), window: scion.pose.y }],
    inlay: () => [
      laidInSlot(pieces),
      {
        length: -scion.foot,
        depth: slice(scion, 'back'),
        window: scion.pose.y,
        slotWidth: stock.bared[0]!.width,
        raked: 'raked',
      },
    ],
    't-bud': () => [backOnWood(pieces), { shieldLength: tall, downCut: 38, inserted: Math.min(38, tall) }],
    patch: () => [endsInWindow(pieces), { patchHeight: tall, windowHeight: windowOf(stock) }],
    'four-flap': () => [
      flatsCovered(pieces, flat),
      {
        flapWidth: stock.flaps!.width,
        flatWidth: flat,
        flapLength: stock.flaps!.length,
        flatLength: stock.flaps!.length,
      },
    ],
  };
  const slices = (): Record<string, number> => ({
    ...lengthsOf(pieces),
    stockDepth: slice(stock, 'front'),
    scionDepth: slice(scion, 'back'),
  });
  const [inMeshes, figures] = drawn[method.id]!();
  const measures = exampleMeasures(method, {
    stockDiameter: wood.stock,
    scionDiameter: wood.scion,
    stockBark: wood.stockBark,
    scionBark: wood.scionBark,
    ...figures,
  });
  const { contact } = method.assess(figuresOf(method.fields, measures), {}, USUAL_THRESHOLDS, {});
  return { inMeshes, inCore: contact.contact };
}

/** Length of both cuts along their slopes. */
function lengthsOf({ stock, scion }: Workpieces): { stockLength: number; scionLength: number } {
  const along = (corners: Piece['cuts']['front']): number => {
    const [[y0, d0], [y1, d1]] = [corners[0]!, corners.at(-1)!];
    return Math.hypot(y1 - y0, d1 - d0);
  };
  return { stockLength: along(stock.cuts.front), scionLength: along(scion.cuts.back) };
}

const insetOf = ({ stock, scion }: Workpieces): number => stock.diameter / 2 - scion.diameter / 2 - scion.pose.u;

const windowOf = ({ cuts }: Piece): number =>
  Math.max(...cuts.front.map(([y]) => y)) - Math.min(...cuts.front.map(([y]) => y));

/**
 * Share of a wedge's length where its outermost green, or its innermost too, stands no further from the stock's than
 * can be bridged: the model looks at the wedge's edges, which stand at its outermost generatrix.
 */
function edgesMet({ stock, scion }: Workpieces, bothEdges: boolean): number {
  const solid = (piece: Piece) => solidOf(woodMesh(kernel, piece), piece);
  // The halves of a split bend apart and keep their bark; drawings take away what the wedge fills.
  const [wood, wedge] = [solid({ ...stock, gaps: [] }), solid(scion)];
  const reach = (from: ReturnType<typeof solid>, y: number): [number, number] => {
    const { min, max } = from.slice(y).bounds();
    return [min[0], max[0]];
  };
  const places = Array.from({ length: 60 }, (_, i) => scion.foot + scion.pose.y - (scion.foot * (i + 0.5)) / 60);
  const shares = places.map((y) => {
    const [[innerStock, outerStock], [innerScion, outerScion]] = [reach(wood, y), reach(wedge, y)];
    const outer = Math.abs(outerStock - outerScion) <= BRIDGING_DISTANCE ? 1 : 0;
    return bothEdges ? (outer + (Math.abs(innerStock - innerScion) <= BRIDGING_DISTANCE ? 1 : 0)) / 2 : outer;
  });
  return shares.reduce<number>((sum, share) => sum + share, 0) / shares.length;
}

/** A mesh as the library's solid, y upwards as its third axis, where its piece lies. */
function solidOf({ places, triangles }: Mesh, piece: Piece): Manifold {
  const {
    at,
    axes: [u, w, y],
  } = frameOf(piece);
  const mesh = new kernel.Mesh({ numProp: 3, vertProperties: places, triVerts: triangles });
  return new kernel.Manifold(mesh).transform([...u, 0, ...w, 0, ...y, 0, ...at, 1]);
}

describe.each(METHODS.map((method) => [method.id, method] as const))('the joint of %s', (_id, method) => {
  it('touches in the meshes as much as core says, for six pairs of wood', () => {
    for (const wood of sixPairs(method)) {
      const { inMeshes, inCore } = bothWays(method, wood);
      expect(Math.abs(inMeshes - inCore), JSON.stringify(wood)).toBeLessThan(
        method.id === 'chip' ? WITHIN_CHIP : WITHIN,
      );
    }
  });
  it('closes without one piece lying in the other', () => {
    for (const wood of sixPairs(method)) {
      const { stock, scion } = closedUnion(method, wood);
      const solid = (piece: Piece): Manifold => solidOf(bodyMesh(kernel, pieceBody(piece)), piece);
      const shared = solid(stock).intersect(solid(scion));
      // A thin slab is half its surface times its thickness.
      const thick = shared.isEmpty() ? 0 : (2 * shared.volume()) / shared.surfaceArea();
      expect(thick, JSON.stringify(wood)).toBeLessThan(OVERLAP);
    }
  });
});
