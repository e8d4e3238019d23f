import { ROUNDING } from '@/core/units/tolerance';
import { barkOutline } from '../contact/cut-face';
import type { OutlineUnionContact, OutlineUnion } from '../contact/outline-union';
import { formatLength, type LengthUnit } from '../units/length';
import { ellipseArc, line, ring, area, type DisplayList, type Label, type Path, type Point } from './display-list';
import { scaleBar } from './scale-bar';

export interface FaceViewOptions {
  unit: LengthUnit;
  /** Offset to show the scion's line at besides where it lies: the place it should go to. */
  ghost?: number | null;
  /** Height of the cross-section's level on the stock's face, mm from its middle. */
  level?: number | null;
}

/**
 * The two cut faces as they lie on each other, seen on the stock's face: bark as an area, the two
 * cambium lines, touching runs with their millimetres, the gaps between the lines hatched, and the
 * widest gap measured.
 */
export function faceView(union: OutlineUnion, result: OutlineUnionContact, options: FaceViewOptions): DisplayList {
  const { stock, scion, e, z } = union;
  const { stockOutline, scionOutline } = result;
  const turn = (union.phi * Math.PI) / 180;
  // Room for the labels beside the face, so that they never lie on the wood.
  const margin = 11;
  const onStock = barkOutline(stock);
  const onScion = barkOutline(scion);
  const reachX = Math.max(onStock.p, Math.abs(e) + onScion.p);
  const reachUp = Math.max(onStock.q, z + onScion.q);
  const reachDown = Math.max(onStock.q, onScion.q - z);
  const top = 4;
  const width = 2 * (reachX + margin);
  const middle: Point = [width / 2, top + reachUp];
  const centre: Point = [middle[0] + e, middle[1] - z];
  const height = top + reachUp + reachDown + 7;

  const items: (Path | Label)[] = [
    area('bark', ellipseArc(middle, onStock.p, onStock.q)),
    area('wood', ellipseArc(middle, stockOutline.p, stockOutline.q)),
    ring('outline', ellipseArc(centre, onScion.p, onScion.q, { turn })),
    ...gapHatch(union, result, middle, centre, turn),
    ring('cambium-stock', ellipseArc(middle, stockOutline.p, stockOutline.q)),
    ring('cambium-scion', ellipseArc(centre, scionOutline.p, scionOutline.q, { turn })),
    ...result.runs.map((run) =>
      line('touch', ...ellipseArc(centre, scionOutline.p, scionOutline.q, { from: run.from, to: run.to, turn })),
    ),
  ];
  if (options.ghost !== undefined && options.ghost !== null) {
    items.push(ring('ghost', ellipseArc([middle[0] + options.ghost, middle[1]], scionOutline.p, scionOutline.q)));
  }
  if (options.level !== undefined && options.level !== null) {
    const y = middle[1] - options.level;
    items.push(line('level', [middle[0] - reachX - 2, y], [middle[0] + reachX + 2, y]));
  }
  items.push(
    ...runLabels(result, middle, reachX, options.unit),
    ...widestGap(union, result, middle, centre, turn, reachX, options.unit),
  );
  items.push({ kind: 'label', role: 'name', at: [middle[0] - reachX - 1.5, top - 0.4], anchor: 'end', text: 'left' });
  items.push({
    kind: 'label',
    role: 'name',
    at: [middle[0] + reachX + 1.5, top - 0.4],
    anchor: 'start',
    text: 'right',
  });
  items.push(...scaleBar([middle[0] - 5, height - 3.6], options.unit));
  return { width, height, items, anchors: [] };
}

/** Point of the scion's outline at a parameter angle, and the stock's outline nearest to it, by angle scan. */
function gapAt(
  union: OutlineUnion,
  result: OutlineUnionContact,
  middle: Point,
  centre: Point,
  turn: number,
  angle: number,
): [Point, Point] {
  const [point] = ellipseArc(centre, result.scionOutline.p, result.scionOutline.q, {
    from: angle,
    to: angle + ROUNDING,
    turn,
  }) as [Point];
  let nearest: Point = middle;
  let least = Infinity;
  for (const candidate of ellipseArc(middle, result.stockOutline.p, result.stockOutline.q)) {
    const distance = Math.hypot(candidate[0] - point[0], candidate[1] - point[1]);
    if (distance < least) {
      least = distance;
      nearest = candidate;
    }
  }
  return [point, nearest];
}

function gapHatch(
  union: OutlineUnion,
  result: OutlineUnionContact,
  middle: Point,
  centre: Point,
  turn: number,
): Path[] {
  const hatch: Path[] = [];
  const inRun = (angle: number): boolean =>
    result.runs.some(({ from, to }) =>
      [angle - 2 * Math.PI, angle, angle + 2 * Math.PI].some((lap) => lap >= from && lap <= to),
    );
  for (let i = 0; i < 72; i++) {
    const angle = (i / 72) * 2 * Math.PI;
    if (inRun(angle)) continue;
    const [from, to] = gapAt(union, result, middle, centre, turn, angle);
    if (Math.hypot(from[0] - to[0], from[1] - to[1]) > 0.15) hatch.push(line('gap', from, to));
  }
  return hatch;
}

function runLabels(result: OutlineUnionContact, middle: Point, reachX: number, unit: LengthUnit): Label[] {
  const sums = { left: 0, right: 0 };
  for (const run of result.runs) {
    // A run that passes an end belongs to both sides, each for its part.
    const steps = 60;
    for (let i = 0; i < steps; i++) {
      const angle = run.from + ((run.to - run.from) * (i + 0.5)) / steps;
      sums[Math.cos(angle) < 0 ? 'left' : 'right'] += run.length / steps;
    }
  }
  return (['left', 'right'] as const).map((side) => ({
    kind: 'label',
    role: 'dimension',
    at: [middle[0] + (side === 'left' ? -1 : 1) * (reachX + 1.5), middle[1] - 1],
    anchor: side === 'left' ? 'end' : 'start',
    text: sums[side] < 0.05 ? 'no touch' : formatLength(sums[side], unit),
  }));
}

function widestGap(
  union: OutlineUnion,
  result: OutlineUnionContact,
  middle: Point,
  centre: Point,
  turn: number,
  reachX: number,
  unit: LengthUnit,
): (Path | Label)[] {
  const { distance, angle } = result.widest;
  if (distance <= 0.5) return [];
  const [from, to] = gapAt(union, result, middle, centre, turn, angle);
  const side = from[0] < middle[0] ? -1 : 1;
  // The label hangs beside the wood, below the run's label, with a leader to the gap.
  const at: Point = [middle[0] + side * (reachX + 1.5), middle[1] + 4.2];
  return [
    line('dimension', from, to),
    line('dimension', [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2], [at[0] - side * 0.5, at[1] - 0.8]),
    {
      kind: 'label',
      role: 'dimension',
      at,
      anchor: side < 0 ? 'end' : 'start',
      text: `gap ${formatLength(distance, unit)}`,
    },
  ];
}
