import type { ManifoldToplevel } from 'manifold-3d';
import type { Piece } from '../../workpieces';
import { bodyMesh, type Mesh } from '../body-mesh';
import { type Frame, leant, outOf, type Place3 } from '../frame';
import { pieceBody } from '../piece-body';
import { type Body, rod } from '../solid';
import { cross, inner, minus, plus, times } from './mesh-distance';

/** How far from the round, as a share of its radius, a corner may lie and still be on it: meshes have flat facets. */
const ON_ROUND = 0.012;

export type Segment = readonly [Place3, Place3];
export type Triangle = readonly [Place3, Place3, Place3];

/** Where a piece lies in its joined union. */
export const frameOf = ({ pose: { u, w, y, lean } }: Piece): Frame => leant(lean, [u, w, y]);

/** A piece without what is no part of a fitting face: buds, and cuts that took nothing off. */
export const plain = (piece: Piece): Piece => ({ ...piece, buds: [], kerfs: [], tongue: null });

/** The wood of a piece, inside its green line, as a mesh in the piece's own space. */
export function woodMesh(kernel: ManifoldToplevel, piece: Piece): Mesh {
  const body = pieceBody(plain(piece));
  const { wood } = body.layers;
  const slim: Body = { ...body, grown: [{ shape: rod(piece.foot, piece.top, wood), shows: 'bark' }], folded: [] };
  return bodyMesh(kernel, slim);
}

/** All triangles of a mesh, set where its piece lies. */
export function trianglesOf({ places, triangles }: Mesh, frame: Frame): Triangle[] {
  const at = (corner: number): Place3 =>
    outOf(frame, [places[corner * 3]!, places[corner * 3 + 1]!, places[corner * 3 + 2]!]);
  const all: Triangle[] = [];
  for (let i = 0; i < triangles.length; i += 3)
    all.push([at(triangles[i]!), at(triangles[i + 1]!), at(triangles[i + 2]!)]);
  return all;
}

interface Facet {
  corners: readonly [number, number, number];
  normal: Place3;
  round: boolean;
}

/**
 * The green lines of a cut piece: where its wood's round meets a face that was cut, as stretches in the union.
 *
 * @param isFace whether a cut face, by its outward normal in the piece's own space, is one of those asked for
 */
export function greenLines(mesh: Mesh, radius: number, frame: Frame, isFace: (normal: Place3) => boolean): Segment[] {
  const place = (corner: number): Place3 => [
    mesh.places[corner * 3]!,
    mesh.places[corner * 3 + 1]!,
    mesh.places[corner * 3 + 2]!,
  ];
  const facets: Facet[] = [];
  for (let i = 0; i < mesh.triangles.length; i += 3) {
    const corners = [mesh.triangles[i]!, mesh.triangles[i + 1]!, mesh.triangles[i + 2]!] as const;
    const [a, b, c] = corners.map(place) as [Place3, Place3, Place3];
    const product = cross(minus(b, a), minus(c, a));
    const size = Math.sqrt(inner(product, product));
    if (size < 1e-9) continue;
    const normal = times(product, 1 / size);
    const middle = times(plus(plus(a, b), c), 1 / 3);
    const from = Math.hypot(middle[0], middle[1]);
    const outwards = (normal[0] * middle[0] + normal[1] * middle[1]) / (from || 1);
    facets.push({ corners, normal, round: outwards > 0.98 && from > radius * (1 - ON_ROUND) });
  }
  const byEdge = new Map<string, Facet[]>();
  for (const facet of facets)
    facet.corners.forEach((corner, k) => {
      const next = facet.corners[(k + 1) % 3]!;
      const key = corner < next ? `${corner} ${next}` : `${next} ${corner}`;
      byEdge.set(key, [...(byEdge.get(key) ?? []), facet]);
    });
  return [...byEdge].flatMap(([key, [first, second]]) => {
    const face = first?.round ? second : first;
    if (!first || !second || first.round === second.round || !face || !isFace(face.normal)) return [];
    const [from, to] = key.split(' ').map(Number) as [number, number];
    return [[outOf(frame, place(from)), outOf(frame, place(to))] as const];
  });
}

/** Share of stretches, by length, whose places `touch`; of those places that count. */
export function touchingShare(
  lines: readonly Segment[],
  touch: (place: Place3) => boolean,
  counts: (place: Place3) => boolean = () => true,
): number {
  let [touching, whole] = [0, 0];
  for (const [from, to] of lines) {
    const along = minus(to, from);
    const length = Math.sqrt(inner(along, along));
    const pieces = Math.max(1, Math.ceil(length / 0.2));
    for (let i = 0; i < pieces; i++) {
      const place = plus(from, times(along, (i + 0.5) / pieces));
      if (!counts(place)) continue;
      whole += length / pieces;
      if (touch(place)) touching += length / pieces;
    }
  }
  return whole > 0 ? touching / whole : Number.NaN;
}
