import { BRIDGING_DISTANCE, FACE_GAP_LIMIT } from '../contact/limits';
import type { OutlineUnion, OutlineUnionContact } from '../contact/outline-union';
import type { LengthUnit } from '../units/length';
import { area, ellipseArc, line, type DisplayList, type Label, type Path, type Point } from './display-list';
import { scaleBar } from './scale-bar';

/**
 * The union cut square to the stock's grain, `level` mm above the middle of the face, along the face.
 * The part below the seam is the stock's, the part above it the scion's; where the two green lines
 * reach the seam they are marked when they meet within the bridging distance.
 */
export function crossSection(
  union: OutlineUnion,
  result: OutlineUnionContact,
  level: number,
  unit: LengthUnit,
): DisplayList {
  const { stock, scion, e, z } = union;
  const width = Math.max(stock.diameter, Math.abs(e) * 2 + scion.diameter) + 8;
  const radius = Math.max(stock.diameter, scion.diameter) / 2;
  const middle: Point = [width / 2, radius + 2];
  const height = 2 * radius + 10;
  const items: (Path | Label)[] = [];

  // Height of the seam above the centre of each shoot at this level: the face falls from one rim
  // of the shoot to the other along the cut.
  const stockSeam = (level / stock.length) * stock.diameter;
  const scionSeam = ((level - z) / scion.length) * scion.diameter;
  const y = middle[1] - stockSeam;
  const scionCentre: Point = [middle[0] + e, y + scionSeam];

  const piece = (centre: Point, diameter: number, bark: number, keep: 'below' | 'above'): void => {
    for (const [role, r] of [
      ['bark', diameter / 2],
      ['wood', diameter / 2 - bark],
      ['pith', (diameter / 2) * 0.16],
    ] as const) {
      const points = ellipseArc(centre, r, r).filter((point) => (keep === 'below' ? point[1] >= y : point[1] <= y));
      const half = Math.sqrt(Math.max(0, r * r - (y - centre[1]) ** 2));
      if (points.length < 3) continue;
      // The chord closes the segment: order the points from one end of it to the other.
      const chord: Point[] = [
        [centre[0] + half, y],
        [centre[0] - half, y],
      ];
      const sorted = [...points, ...chord].sort(
        (a, b) =>
          Math.atan2(a[1] - (y + (keep === 'below' ? 0.01 : -0.01)), a[0] - centre[0]) -
          Math.atan2(b[1] - (y + (keep === 'below' ? 0.01 : -0.01)), b[0] - centre[0]),
      );
      items.push(area(role, sorted));
    }
  };
  piece(middle, stock.diameter, stock.bark, 'below');
  piece(scionCentre, scion.diameter, scion.bark, 'above');

  const halfAt = (outline: { p: number; q: number }, v: number): number =>
    outline.p * Math.sqrt(Math.max(0, 1 - (v / outline.q) ** 2));
  const stockHalf = halfAt(result.stockOutline, level);
  const scionHalf = halfAt(result.scionOutline, level - z);
  const gap =
    stock.hollow * Math.max(0, 1 - ((2 * level) / stock.length) ** 2) +
    scion.hollow * Math.max(0, 1 - ((2 * (level - z)) / scion.length) ** 2);
  items.push(line('knife-cut', [middle[0] - radius - 1, y], [middle[0] + radius + 1, y]));
  for (const side of [-1, 1]) {
    if (stockHalf === 0 || scionHalf === 0) continue;
    const onStock: Point = [middle[0] + side * stockHalf, y];
    const onScion: Point = [middle[0] + e + side * scionHalf, y];
    const meets =
      Math.abs(onStock[0] - onScion[0]) <= (union.bridging ?? BRIDGING_DISTANCE) &&
      gap <= (union.faceGapLimit ?? FACE_GAP_LIMIT);
    items.push(
      line(meets ? 'touch' : 'gap', [onStock[0], y + 0.35], [onStock[0], y], [onScion[0], y], [onScion[0], y - 0.35]),
    );
  }
  items.push(...scaleBar([middle[0] - 5, height - 3.4], unit));
  return { width, height, items, anchors: [] };
}
