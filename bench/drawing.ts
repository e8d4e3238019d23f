import { piecesView } from '@/core/drawing/pieces-view';
import { METHODS } from '@/core/methods/registry';
import { woodOf } from '@/core/methods/shown-technique';
import { piecesAfter } from '@/core/methods/step';
import { stepBodies } from '@/core/teach/step-bodies';

/*
 * node --import tsx bench/drawing.ts: for each method the mean time of a step's drawings, ms: the flat one, and the one
 * from beside and above, which is asked to take under 20; and its size.
 */

const ROUNDS = 3;

for (const method of METHODS) {
  const wood = woodOf(method.shownWith);
  const { start, steps } = method.technique({}, wood);
  const pieces = piecesAfter(start, steps);
  let [flat, body, points] = [0, 0, 0];
  for (let round = 0; round < ROUNDS; round++) {
    let began = performance.now();
    steps.forEach((step, i) => piecesView(pieces[i + 1]!, { view: step.view, unit: 'mm', before: pieces[i]! }));
    flat = performance.now() - began;
    began = performance.now();
    const bodies = stepBodies(method, {}, wood, 'mm').map((draw) => draw());
    body = performance.now() - began;
    points = bodies.reduce(
      (sum, { right }) =>
        sum + right.items.reduce((all, item) => all + (item.kind === 'path' ? item.points.length : 1), 0),
      0,
    );
    body /= bodies.reduce((sum, { wrong }) => sum + (wrong ? 2 : 1), 0);
  }
  console.log(
    `${method.id}: flat ${(flat / steps.length).toFixed(1)} ms, as one sees it ${body.toFixed(1)} ms, ${Math.round(points / steps.length)} points`,
  );
}
