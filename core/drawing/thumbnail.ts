import type { DisplayList, Path } from './display-list';

/** Room round the wood, mm. */
const EDGE = 1.5;

/** A drawing for places too small for words: its paths alone, cropped to them, in the same millimetres. */
export function thumbnail(drawing: DisplayList): DisplayList {
  const paths = drawing.items.filter((item): item is Path => item.kind === 'path' && item.role !== 'scale');
  const xs = paths.flatMap(({ points }) => points.map(([x]) => x));
  const ys = paths.flatMap(({ points }) => points.map(([, y]) => y));
  // Not spread into Math.min: a drawing may have thousands of points.
  const [left, top] = [xs, ys].map((all) => all.reduce((a, b) => Math.min(a, b), Infinity) - EDGE) as [number, number];
  const [right, bottom] = [xs, ys].map((all) => all.reduce((a, b) => Math.max(a, b), -Infinity) + EDGE) as [
    number,
    number,
  ];
  return {
    width: right - left,
    height: bottom - top,
    anchors: drawing.anchors.map((anchor) => ({ ...anchor, at: [anchor.at[0] - left, anchor.at[1] - top] as const })),
    items: paths.map((path) => ({ ...path, points: path.points.map(([x, y]) => [x - left, y - top] as const) })),
  };
}
