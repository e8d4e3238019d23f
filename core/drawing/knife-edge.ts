import { area, type DisplayList, type Label, line, type Path, type Point } from './display-list';

/** For which hand a knife is ground; `either` where it is ground on both sides. */
export type GroundFor = 'right' | 'left' | 'either';

const WIDTH = 76;
const HEIGHT = 40;
/** Where the edge is: the tip of the section, seen from the handle along the blade, its edge down. */
const EDGE: Point = [38, 30];
const SPINE = 6;
/** Thickness of the blade, and how far up from the edge it is ground. */
const THICK = 5;
const BEVEL = 13;

/**
 * A knife cut across, seen from the handle, at work: its flat side rides on the wood that is kept, its ground side
 * lifts the chip. Right hands have the ground on the right, left hands on the left; mm.
 */
export function knifeEdge(hand: GroundFor): DisplayList {
  const items: (Path | Label)[] = [];
  const flip = ([x, y]: Point): Point => (hand === 'left' ? [WIDTH - x, y] : [x, y]);
  const [x, y] = EDGE;
  const place = (points: Point[]): Point[] => points.map(flip);
  items.push(
    area(
      'wood',
      place([
        [x - 21, 12],
        [x, 12],
        [x, HEIGHT - 3],
        [x - 21, HEIGHT - 3],
      ]),
    ),
    area(
      'wood',
      place([
        [x, y],
        [x + 3, 20],
        [x + 8, 17],
        [x + 10, 19],
        [x + 7, 22],
        [x + 5, y + 1],
        [x + 4, HEIGHT - 3],
        [x, HEIGHT - 3],
      ]),
    ),
  );
  const flat = hand === 'either' ? THICK / 2 : 0;
  items.push(
    area(
      'steel',
      place([
        [x, y],
        [x + THICK - flat, y - BEVEL],
        [x + THICK - flat, SPINE],
        [x - flat, SPINE],
        [x - flat, flat > 0 ? y - BEVEL : SPINE],
      ]),
    ),
  );
  const named = (at: Point, to: Point, text: string, anchor: 'start' | 'end'): void => {
    const mirrored = hand === 'left' ? (anchor === 'start' ? 'end' : 'start') : anchor;
    items.push(line('dimension', flip(at), flip(to)), {
      kind: 'label',
      role: 'name',
      at: flip(at),
      anchor: mirrored,
      text,
    });
  };
  named([x - 6, 9], [x - flat, 15], hand === 'either' ? 'ground' : 'flat, on the wood', 'end');
  named([x + 9, 9], [x + THICK - flat - 1, y - BEVEL + 4], 'ground', 'start');
  return { width: WIDTH, height: HEIGHT, items, anchors: [] };
}
