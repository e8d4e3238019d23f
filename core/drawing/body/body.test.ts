import { beforeAll, describe, expect, it } from 'vitest';
import type { ManifoldToplevel } from 'manifold-3d';
import { METHODS } from '@/core/methods/registry';
import { woodOf } from '@/core/methods/shown-technique';
import { piecesAfter } from '@/core/methods/step';
import type { Piece, Workpieces } from '../workpieces';
import { bodyMesh, layerMeshes, type Mesh, meshKernel, meshVolume } from './body-mesh';
import { pieceBody } from './piece-body';
import { sectionArea } from './section-area';

let kernel: ManifoldToplevel;
beforeAll(async () => {
  kernel = await meshKernel();
});

/** Cuts across a piece that its volume is counted from, besides and apart from its mesh. */
const SECTIONS = 97;

const piecesOf = ({ stock, scion, second }: Workpieces): Piece[] => (second ? [stock, scion, second] : [stock, scion]);

/** Every different piece of a method's steps, right and wrong. */
function allPieces(method: (typeof METHODS)[number]): Piece[] {
  const { start, steps } = method.technique({}, woodOf(method.shownWith));
  const after = piecesAfter(start, steps);
  const all = [...after, ...steps.flatMap((step, i) => (step.spoil ? [step.spoil(after[i]!)] : []))].flatMap(piecesOf);
  return [...new Map(all.map((piece) => [JSON.stringify(piece), piece])).values()];
}

/** How often each edge is used, by its corners. */
function edgesOf({ places, triangles }: Mesh): Map<number, number> {
  const edges = new Map<number, number>();
  for (let i = 0; i < triangles.length; i += 3)
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[i + k]!, triangles[i + ((k + 1) % 3)]!];
      const key = Math.min(a, b) * places.length + Math.max(a, b);
      edges.set(key, (edges.get(key) ?? 0) + 1);
    }
  return edges;
}

describe.each(METHODS.map((method) => [method.id, method] as const))('bodies of %s', (_id, method) => {
  it('are closed at every step, right and wrong, and as large as their sections together', () => {
    for (const piece of allPieces(method)) {
      const body = pieceBody(piece);
      const mesh = bodyMesh(kernel, body);
      expect([...edgesOf(mesh).values()].every((times) => times % 2 === 0)).toBe(true);
      const heights = mesh.places.filter((_, i) => i % 3 === 2);
      const [low, high] = [Math.min(...heights), Math.max(...heights)];
      const step = (high - low) / SECTIONS;
      let volume = 0;
      for (let i = 0; i < SECTIONS; i++) volume += sectionArea(body, low + (i + 0.5) * step) * step;
      expect(Math.abs(meshVolume(mesh) / volume - 1), piece.name).toBeLessThan(0.01);
    }
  });
  it('are as wide as their calipers and as long as the piece', () => {
    for (const piece of allPieces(method)) {
      if (piece.halfWidth !== null) continue;
      const bare = pieceBody({ ...piece, buds: [], lips: [], flaps: null });
      const { places } = bodyMesh(kernel, bare);
      const ys = places.filter((_, i) => i % 3 === 2);
      expect(Math.min(...ys)).toBeGreaterThan(piece.foot - 0.1);
      expect(Math.max(...ys)).toBeLessThan(piece.top + 0.1);
      const across = places.filter((_, i) => i % 3 !== 2).map(Math.abs);
      expect(Math.max(...across)).toBeLessThan(piece.diameter / 2 + 0.1);
    }
  });
  it('have at most 8,000 triangles told apart by layers', () => {
    // A piece that a step leaves as it was is meshed once.
    const counted = new Map<string, number>();
    const trianglesIn = (piece: Piece): number => {
      const key = JSON.stringify(piece);
      const known = counted.get(key);
      if (known !== undefined) return known;
      const triangles = layerMeshes(kernel, pieceBody(piece)).reduce(
        (sum, { mesh }) => sum + mesh.triangles.length / 3,
        0,
      );
      counted.set(key, triangles);
      return triangles;
    };
    for (const pieces of piecesAfter(...startAndSteps(method)))
      expect(piecesOf(pieces).reduce((sum, piece) => sum + trianglesIn(piece), 0)).toBeLessThanOrEqual(8000);
  });
});

function startAndSteps(method: (typeof METHODS)[number]): Parameters<typeof piecesAfter> {
  const { start, steps } = method.technique({}, woodOf(method.shownWith));
  return [start, steps];
}
