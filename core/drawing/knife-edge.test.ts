import { describe, expect, it } from 'vitest';
import type { Path, Point } from './display-list';
import { knifeEdge } from './knife-edge';

const blade = (hand: Parameters<typeof knifeEdge>[0]): readonly Point[] =>
  knifeEdge(hand).items.find((item): item is Path => item.kind === 'path' && item.role === 'steel')!.points;
/** How far the blade reaches to either side of its edge. */
const sides = (hand: Parameters<typeof knifeEdge>[0]): [left: number, right: number] => {
  const points = blade(hand);
  const edge = points.reduce((low, point) => (point[1] > low[1] ? point : low));
  return [edge[0] - Math.min(...points.map(([x]) => x)), Math.max(...points.map(([x]) => x)) - edge[0]];
};

describe('the edge of a knife', () => {
  it('is ground on the right for right hands, on the left for left hands, on both for either', () => {
    expect(sides('right')).toEqual([0, 5]);
    expect(sides('left')).toEqual([5, 0]);
    expect(sides('either')).toEqual([2.5, 2.5]);
  });
  it('is one the mirror of the other, all of it on its paper', () => {
    const { width, height } = knifeEdge('right');
    expect(blade('left')).toEqual(blade('right').map(([x, y]) => [width - x, y]));
    for (const item of [...knifeEdge('left').items, ...knifeEdge('either').items])
      for (const [x, y] of item.kind === 'path' ? item.points : [item.at])
        expect(x >= 0 && x <= width && y >= 0 && y <= height).toBe(true);
  });
});
