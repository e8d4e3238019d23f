import { HERE } from './frame';
import { noSpans, type Spans } from './ray-spans';
import { type Look, type Ready, readied, throughSolid } from './ready-solid';
import type { Body, Solid } from './solid';

/** Lines a section is measured by. */
const LINES = 120;

/** From before the front: lines run through the section from front to back. */
const ACROSS: Look = { right: [0, 1, 0], up: [0, 0, 1], near: [1, 0, 0] };

/**
 * Area of a body cut across its axis at a height, mm²: what grew less what was cut, and bark folded off.
 *
 * @example sectionArea(pieceBody(shoot({ name: 'stock', diameter: 10, bark: 1, foot: 0, top: 40 })), 20) // 78.5
 */
export function sectionArea(body: Body, y: number): number {
  const ready = (solids: readonly Solid[]): Ready[] => solids.map((solid) => readied(solid, HERE, ACROSS));
  const [grown, cut, folded] = [ready(body.grown), ready(body.cut), ready(body.folded)];
  const boxes = [...grown, ...folded].map(({ box }) => box);
  const [left, right] = [Math.min(...boxes.map((box) => box.left)), Math.max(...boxes.map((box) => box.right))];
  const step = (right - left) / LINES;
  let area = 0;
  // Each section has its lines elsewhere, so that many together miss no edge the same way.
  const phase = (((y * 0.618) % 1) + 1) % 1;
  for (let i = 0; i < LINES; i++) {
    const x = left + (i + phase) * step;
    const wood = stretches(grown, x, y).flatMap((span) => less(span, stretches(cut, x, y)));
    const bark = stretches(folded, x, y).flatMap((span) => less(span, wood));
    area += [...wood, ...bark].reduce((sum, [from, to]) => sum + to - from, 0) * step;
  }
  return area;
}

const spans: Spans = noSpans();

type Stretch = readonly [from: number, to: number];

/** Where a line is in any of some solids, in order and apart. */
function stretches(solids: readonly Ready[], x: number, y: number): Stretch[] {
  spans.count = 0;
  for (const solid of solids) throughSolid(solid, x, y, spans);
  const all = Array.from({ length: spans.count }, (_, i): Stretch => [spans.far[i]!, spans.near[i]!]);
  return all
    .sort((a, b) => a[0] - b[0])
    .reduce<Stretch[]>((merged, [from, to]) => {
      const last = merged.at(-1);
      if (!last || from > last[1]) return [...merged, [from, to]];
      return [...merged.slice(0, -1), [last[0], Math.max(last[1], to)]];
    }, []);
}

function less([from, to]: Stretch, taken: readonly Stretch[]): Stretch[] {
  let rest: Stretch[] = [[from, to]];
  for (const [low, high] of taken)
    rest = rest.flatMap(([a, b]) =>
      (
        [
          [a, Math.min(b, low)],
          [Math.max(a, high), b],
        ] as Stretch[]
      ).filter(([c, d]) => d > c),
    );
  return rest;
}
