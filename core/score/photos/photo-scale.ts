/** A place on a picture, in its pixels. */
export interface PhotoPoint {
  x: number;
  y: number;
}

/** What sets a picture's scale: a stretch of a ruler, or three places on the rim of a coin. */
export interface PhotoScale {
  kind: 'ruler' | 'coin';
  points: PhotoPoint[];
  /** Length of the stretch, or diameter of the coin, mm. */
  size: number;
}

/**
 * Millimetres a pixel stands for.
 *
 * @throws RangeError when the marks lie too close, or the three of a coin on one line.
 * @example millimetresPerPixel({ kind: 'ruler', points: [{ x: 0, y: 0 }, { x: 300, y: 400 }], size: 50 }) // 0.1
 */
export function millimetresPerPixel({ kind, points, size }: PhotoScale): number {
  if (!(size > 0) || !Number.isFinite(size))
    throw new RangeError('Enter the size of what lies in the picture, in mm, more than 0.');
  const across = kind === 'ruler' ? rulerPixels(points) : 2 * circumradius(points);
  if (!(across >= 8))
    throw new RangeError(
      'The marks lie too close together to measure by. Set them as far apart as the picture allows.',
    );
  return size / across;
}

function rulerPixels(points: PhotoPoint[]): number {
  if (points.length !== 2) throw new RangeError('Set two marks on the ruler.');
  return Math.hypot(points[1]!.x - points[0]!.x, points[1]!.y - points[0]!.y);
}

/** Radius of the circle through three points: a b c / (4 area). */
function circumradius(points: PhotoPoint[]): number {
  if (points.length !== 3) throw new RangeError('Set three marks on the rim of the coin.');
  const [a, b, c] = points as [PhotoPoint, PhotoPoint, PhotoPoint];
  const side = (p: PhotoPoint, q: PhotoPoint): number => Math.hypot(p.x - q.x, p.y - q.y);
  const area = Math.abs((b.x - a.x) * (c.y - a.y) - (c.x - a.x) * (b.y - a.y)) / 2;
  const longest = Math.max(side(a, b), side(b, c), side(c, a));
  if (area < longest * longest * 0.02)
    throw new RangeError('The three marks lie nearly on a line. Spread them round the rim of the coin.');
  return (side(a, b) * side(b, c) * side(c, a)) / (4 * area);
}
