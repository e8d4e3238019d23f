import { cambiumRadius, type CutFace } from './cut-face';

/** How people say where a scion was set. */
export type PlacementPick = 'middle' | 'left-lines' | 'right-lines' | 'left-flush' | 'right-flush';

/**
 * Sideways offset of the scion's centre for a placement in words, mm, right positive.
 * With the lines met the cambium of one side falls on the stock's; with the outsides flush the
 * bark does, which on thick-barked stock is the common error.
 */
export function placementOffset(
  pick: PlacementPick,
  stock: Pick<CutFace, 'diameter' | 'bark'>,
  scion: Pick<CutFace, 'diameter' | 'bark'>,
): number {
  const lines = Math.abs(cambiumRadius(stock) - cambiumRadius(scion));
  const flush = Math.abs(stock.diameter - scion.diameter) / 2;
  switch (pick) {
    case 'middle':
      return 0;
    case 'left-lines':
      return -lines;
    case 'right-lines':
      return lines;
    case 'left-flush':
      return -flush;
    case 'right-flush':
      return flush;
  }
}
