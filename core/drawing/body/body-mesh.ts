import Module, { type Manifold, type ManifoldToplevel, type Vec2 } from 'manifold-3d';
import type { Frame } from './frame';
import { type Body, type Lathe, type Prism, rod, type Solid } from './solid';

/** Corners round a shoot and round a bud; multiples of four, so that both are as wide as told along both axes. */
const ROUND = 48;
const ROUND_BUD = 24;
/** What is slimmer than this is a bud, mm. */
const SLIM = 2;
/** How thick the green line is drawn, mm. */
const GREEN = 0.35;

/** A closed surface of triangles: three coordinates (u, w, y) a corner, mm, three corners a triangle, outwards. */
export interface Mesh {
  places: Float32Array;
  triangles: Uint32Array;
}

/** What a part of a body is made of. */
export type Layer = 'bark' | 'green' | 'wood' | 'pith' | 'bud' | 'flap';

let loading: Promise<ManifoldToplevel> | null = null;

/** The kept library that joins and cuts meshes; it has to be loaded before the first one is made. */
export function meshKernel(): Promise<ManifoldToplevel> {
  loading ??= Module().then(
    (kernel) => {
      kernel.setup();
      return kernel;
    },
    (problem: unknown) => {
      loading = null;
      throw problem;
    },
  );
  return loading;
}

/** A whole body as one closed mesh. */
export function bodyMesh(kernel: ManifoldToplevel, body: Body): Mesh {
  return giveBack((keep) => {
    const make = maker(kernel, keep);
    const grown = keep(kernel.Manifold.union(body.grown.map(make)));
    const left = keep(kernel.Manifold.difference([grown, ...body.cut.map(make)]));
    return meshOf(keep(kernel.Manifold.union([left, ...body.folded.map(make)])));
  });
}

/** Volume of a body's mesh, mm³. */
export function meshVolume({ places, triangles }: Mesh): number {
  let six = 0;
  for (let i = 0; i < triangles.length; i += 3) {
    const [a, b, c] = [triangles[i]! * 3, triangles[i + 1]! * 3, triangles[i + 2]! * 3];
    const [ax, ay, az] = [places[a]!, places[a + 1]!, places[a + 2]!];
    const [bx, by, bz] = [places[b]!, places[b + 1]!, places[b + 2]!];
    const [cx, cy, cz] = [places[c]!, places[c + 1]!, places[c + 2]!];
    six += ax * (by * cz - bz * cy) + ay * (bz * cx - bx * cz) + az * (bx * cy - by * cx);
  }
  return six / 6;
}

/** A body told apart by what it is made of, each part a closed mesh; parts that were cut away altogether are left out. */
export function layerMeshes(kernel: ManifoldToplevel, body: Body): { layer: Layer; mesh: Mesh }[] {
  return giveBack((keep) =>
    layersOf(kernel, keep, body).flatMap(([layer, part]) => (part.isEmpty() ? [] : [{ layer, mesh: meshOf(part) }])),
  );
}

function layersOf(kernel: ManifoldToplevel, keep: Keep, { grown, cut, folded, layers }: Body): [Layer, Manifold][] {
  const make = maker(kernel, keep);
  const shoot = keep(kernel.Manifold.union(grown.filter(({ shows }) => shows === 'bark').map(make)));
  const buds = grown.filter(({ shows }) => shows === 'bud').map(make);
  const cuts = cut.map(make);
  const less = (solid: Manifold, more: Manifold[] = []): Manifold =>
    keep(kernel.Manifold.difference([solid, ...cuts, ...more]));
  const within = (radius: number): Manifold => make({ shape: rod(...reachOf(grown), radius), shows: 'cut' });
  const [wood, green, pith] = [within(layers.wood), within(layers.wood + GREEN), within(layers.pith)];
  const inner = (outer: Manifold, hole: Manifold[] = []): Manifold => less(keep(shoot.intersect(outer)), hole);
  return [
    ['bark', less(shoot, [green])],
    ['green', inner(green, [wood])],
    ['wood', inner(wood, [pith])],
    ['pith', inner(pith)],
    ...buds.map((bud): [Layer, Manifold] => ['bud', less(bud, [shoot])]),
    ...folded.map((solid): [Layer, Manifold] => ['flap', make(solid)]),
  ];
}

function reachOf([shoot]: readonly Solid[]): [number, number] {
  if (shoot?.shape.kind !== 'lathe') throw new Error('A body grows round an axis.');
  const { profile } = shoot.shape;
  return [profile[0]![0] - 1, profile.at(-1)![0] + 1];
}

type Keep = <T extends { delete: () => void }>(made: T) => T;

/** The library's objects live outside the collector's reach: what is kept meanwhile is given back in any case. */
function giveBack<Result>(work: (keep: Keep) => Result): Result {
  const all: { delete: () => void }[] = [];
  try {
    return work((made) => {
      all.push(made);
      return made;
    });
  } finally {
    all.forEach((made) => made.delete());
  }
}

/** Makes the library's solid of one of ours. */
function maker(kernel: ManifoldToplevel, keep: Keep): (solid: Solid) => Manifold {
  const lathe = ({ profile }: Lathe): Manifold => {
    const outline: Vec2[] = [
      [0, profile[0]![0]],
      ...profile.map(([y, radius]): Vec2 => [radius, y]),
      [0, profile.at(-1)![0]],
    ];
    const widest = Math.max(...profile.map(([, radius]) => radius));
    return keep(kernel.Manifold.revolve([outline], widest < SLIM ? ROUND_BUD : ROUND));
  };
  const prism = ({ along, outline, from, to }: Prism): Manifold => {
    const flat = keep(
      new kernel.CrossSection(
        outline.map(([a, y]): Vec2 => [a, y]),
        'NonZero',
      ),
    );
    const upright = keep(keep(flat.extrude(to - from)).translate([0, 0, from]));
    // The library extrudes along its third axis; ours are u, w and y in this order.
    if (along === 'y') return upright;
    return keep(
      upright.transform(
        along === 'w'
          ? [1, 0, 0, 0, 0, 0, 1, 0, 0, 1, 0, 0, 0, 0, 0, 1]
          : [0, 1, 0, 0, 0, 0, 1, 0, 1, 0, 0, 0, 0, 0, 0, 1],
      ),
    );
  };
  const shaped = (shape: Lathe | Prism): Manifold => (shape.kind === 'lathe' ? lathe(shape) : prism(shape));
  return ({ shape, but, frame }) => {
    const solid = but ? keep(kernel.Manifold.difference([shaped(shape), ...but.map(shaped)])) : shaped(shape);
    return frame ? keep(set(solid, frame)) : solid;
  };
}

function set(solid: Manifold, { at, axes: [u, w, y] }: Frame): Manifold {
  return solid.transform([...u, 0, ...w, 0, ...y, 0, ...at, 1]);
}

function meshOf(solid: Manifold): Mesh {
  const { vertProperties, triVerts, numProp, mergeFromVert, mergeToVert } = solid.getMesh();
  // Corners that the library keeps twice for its faces are one corner of the surface.
  const same = new Map<number, number>();
  mergeFromVert?.forEach((from, i) => same.set(from, mergeToVert![i]!));
  const count = vertProperties.length / numProp;
  const places = new Float32Array(count * 3);
  for (let i = 0; i < count; i++) for (let k = 0; k < 3; k++) places[i * 3 + k] = vertProperties[i * numProp + k]!;
  return { places, triangles: triVerts.map((corner) => same.get(corner) ?? corner) };
}
