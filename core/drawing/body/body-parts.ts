import type { ManifoldToplevel } from 'manifold-3d';
import type { Piece, Workpieces } from '../workpieces';
import { type Layer, layerMeshes } from './body-mesh';
import { type Frame, leant } from './frame';
import { pieceBody } from './piece-body';

/** How far a joined scion is drawn off its stock when the joint is opened, mm away from the axis. */
const OPENED = 26;
/** Between pieces that are not joined, mm. */
const APART = 14;

/** Pieces as meshes, as they are sent to whoever looks at them from all sides; mm. */
export interface BodyParts {
  joined: boolean;
  pieces: {
    name: string;
    layers: { layer: Layer; places: number[]; triangles: number[] }[];
    /** Where it lies with the joint closed, and opened. */
    closed: Frame;
    opened: Frame;
  }[];
}

const hundredths = (values: ArrayLike<number>): number[] =>
  Array.from(values, (value) => Math.round(value * 100) / 100);

/** The pieces of one moment as meshes, with where they lie closed and opened. */
export function bodyParts(kernel: ManifoldToplevel, { stock, scion, second, joined }: Workpieces): BodyParts {
  const beside = (stock.diameter + scion.diameter) / 2 + APART;
  const level = (stock.foot + stock.top - scion.foot - scion.top) / 2;
  const closed = (piece: Piece): Frame => {
    if (piece === stock) return leant(0);
    const { u, w, y, lean } = piece.pose;
    return joined ? leant(lean, [u, w, y]) : leant(0, [0, beside, level]);
  };
  const opened = (piece: Piece): Frame => {
    const frame = closed(piece);
    if (!joined || piece === stock) return frame;
    const [u, w, y] = frame.at;
    return { ...frame, at: [u + (u < 0 ? -OPENED : OPENED), w, y + OPENED / 2] };
  };
  return {
    joined,
    pieces: [stock, scion, ...(second ? [second] : [])].map((piece) => ({
      name: piece.name,
      layers: layerMeshes(kernel, pieceBody(piece)).map(({ layer, mesh }) => ({
        layer,
        places: hundredths(mesh.places),
        triangles: [...mesh.triangles],
      })),
      closed: closed(piece),
      opened: opened(piece),
    })),
  };
}
