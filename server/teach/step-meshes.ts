import { layerMeshes, meshKernel } from '@/core/drawing/body/body-mesh';
import { pieceBody } from '@/core/drawing/body/piece-body';
import { leant } from '@/core/drawing/body/frame';
import type { BodyParts } from '@/core/drawing/body/body-parts';
import type { Piece } from '@/core/drawing/workpieces';
import { piecesAfter } from '@/core/methods/step';
import type { Context } from '@/server/platform/context';
import { notFound } from '@/server/platform/use-case-error';
import { askedMethod } from './asked-method';

/** How far a joined scion is drawn off its stock when the joint is opened, mm towards the front. */
const OPENED = 26;
/** Between pieces that are not joined, mm. */
const APART = 14;

const hundredths = (values: ArrayLike<number>): number[] =>
  Array.from(values, (value) => Math.round(value * 100) / 100);

/** The pieces after a step as meshes to look at from all sides, with where they lie closed and opened. */
export async function stepMeshes(
  context: Context,
  methodId: string,
  stepId: string,
  query: Record<string, string>,
): Promise<BodyParts> {
  const { method, choices, wood } = askedMethod(context, methodId, query);
  const { start, steps } = method.technique(choices, wood);
  const at = steps.findIndex(({ id }) => id === stepId);
  if (at < 0) throw notFound('The step');
  const after = piecesAfter(start, steps)[at + 1]!;
  const kernel = await meshKernel();
  const { stock, scion, second, joined } = after;
  const parts = (piece: Piece): BodyParts['pieces'][number]['layers'] =>
    layerMeshes(kernel, pieceBody(piece)).map(({ layer, mesh }) => ({
      layer,
      places: hundredths(mesh.places),
      triangles: [...mesh.triangles],
    }));
  const beside = (stock.diameter + scion.diameter) / 2 + APART;
  const level = (stock.foot + stock.top - scion.foot - scion.top) / 2;
  const placed = (piece: Piece): BodyParts['pieces'][number] => {
    const { u, w, y, lean } = piece.pose;
    const onStock = piece === stock;
    const away = u < 0 ? -OPENED : OPENED;
    const closed = joined && !onStock ? leant(lean, [u, w, y]) : leant(0, onStock ? [0, 0, 0] : [0, beside, level]);
    return {
      name: piece.name,
      layers: parts(piece),
      closed,
      opened: joined && !onStock ? { ...closed, at: [u + away, w, y + OPENED / 2] } : closed,
    };
  };
  return { joined, pieces: [stock, scion, ...(second ? [second] : [])].map(placed) };
}
