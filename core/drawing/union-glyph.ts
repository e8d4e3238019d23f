import { ROUNDING } from '@/core/units/tolerance';
import type { Run } from '../contact/outline-contact';
import { ellipseArc, line, type DisplayList } from './display-list';

/** What a glyph shows, small enough to keep with a union. */
export interface GlyphOf {
  runs: Pick<Run, 'from' | 'to'>[];
  /** Letter of the first fatal point, or null. */
  fatal: string | null;
}

/** Half width and half height of the ring, in the glyph's 10 by 12 units. */
const P = 3.4;
const Q = 4.6;

/**
 * A union at the size of a letter: the scion's outline as a ring, thick where it touches and open
 * where it does not; broken across, with the letter of the fault, when a point is fatal.
 */
export function unionGlyph({ runs, fatal }: GlyphOf): DisplayList {
  const centre = [5, 6] as const;
  const items: DisplayList['items'] = [];
  // Sampled so that touching and open stretches cover the ring once.
  const touches = (angle: number): boolean =>
    runs.some(({ from, to }) =>
      [angle - 2 * Math.PI, angle, angle + 2 * Math.PI].some((lap) => lap >= from - ROUNDING && lap <= to + ROUNDING),
    );
  const steps = 48;
  let start = 0;
  for (let i = 1; i <= steps; i++) {
    const same =
      i < steps && touches(((i + 0.5) / steps) * 2 * Math.PI) === touches(((start + 0.5) / steps) * 2 * Math.PI);
    if (same) continue;
    const role = touches(((start + 0.5) / steps) * 2 * Math.PI) ? 'touch' : 'gap';
    items.push(
      line(role, ...ellipseArc(centre, P, Q, { from: (start / steps) * 2 * Math.PI, to: (i / steps) * 2 * Math.PI })),
    );
    start = i;
  }
  if (fatal) {
    // The stroke stops short of the letter on both sides.
    items.push(line('knife-cut', [0.4, 11.4], [2.4, 9]), line('knife-cut', [7.6, 3], [9.6, 0.6]));
    items.push({ kind: 'label', role: 'name', at: [5, 7.7], anchor: 'middle', text: fatal.toUpperCase() });
  }
  return { width: 10, height: 12, items, anchors: [] };
}
