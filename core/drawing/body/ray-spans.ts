import { ROUNDING } from '@/core/units/tolerance';
import type { Lathe, Prism } from './solid';

/*
 * A straight line through a solid: `o + z v` in the solid's own space. Written for many lines a drawing, so spans
 * are kept in arrays that are used again and not in objects.
 */

/** Stretches of a line inside a solid, by z: where each begins and ends, and on which face. */
export interface Spans {
  count: number;
  far: Float64Array;
  near: Float64Array;
  farFace: Int16Array;
  nearFace: Int16Array;
}

/** Faces of a lathe; those of a prism are the edges of its outline in order, and then its two ends. */
export const ROUND = 0;
export const FOOT = 1;
export const TOP = 2;

const MOST = 32;

export function noSpans(): Spans {
  return {
    count: 0,
    far: new Float64Array(MOST),
    near: new Float64Array(MOST),
    farFace: new Int16Array(MOST),
    nearFace: new Int16Array(MOST),
  };
}

export function addSpan(spans: Spans, far: number, near: number, farFace: number, nearFace: number): void {
  if (near <= far || spans.count === MOST) return;
  spans.far[spans.count] = far;
  spans.near[spans.count] = near;
  spans.farFace[spans.count] = farFace;
  spans.nearFace[spans.count] = nearFace;
  spans.count++;
}

/** A line by its start (u, w, y) and its direction. */
export type Line = Float64Array;

/** Adds where a line is inside a lathe. */
export function throughLathe({ profile }: Lathe, at: Line, spans: Spans): void {
  const ou = at[0]!;
  const ow = at[1]!;
  const oy = at[2]!;
  const vu = at[3]!;
  const vw = at[4]!;
  const vy = at[5]!;
  const first = spans.count;
  const last = profile.length - 1;
  for (let i = 1; i <= last; i++) {
    const y0 = profile[i - 1]![0];
    const r0 = profile[i - 1]![1];
    const y1 = profile[i]![0];
    if (y1 <= y0) continue;
    let low = -Infinity;
    let high = Infinity;
    let lowFace = i === 1 ? FOOT : ROUND;
    let highFace = i === last ? TOP : ROUND;
    if (vy > ROUNDING) {
      low = (y0 - oy) / vy;
      high = (y1 - oy) / vy;
    } else if (vy < -ROUNDING) {
      low = (y1 - oy) / vy;
      high = (y0 - oy) / vy;
      lowFace = i === last ? TOP : ROUND;
      highFace = i === 1 ? FOOT : ROUND;
    } else if (oy < y0 || oy > y1) continue;
    // Inside the cone: (ou + z vu)² + (ow + z vw)² at most (m + n z)².
    const k = (profile[i]![1] - r0) / (y1 - y0);
    const m = r0 + k * (oy - y0);
    const n = k * vy;
    const a = vu * vu + vw * vw - n * n;
    const b = ou * vu + ow * vw - m * n;
    const c = ou * ou + ow * ow - m * m;
    const d = b * b - a * c;
    if (a > ROUNDING) {
      if (d <= 0) continue;
      const root = Math.sqrt(d);
      const enter = (-b - root) / a;
      const leave = (-b + root) / a;
      addSpan(
        spans,
        Math.max(low, enter),
        Math.min(high, leave),
        enter > low ? ROUND : lowFace,
        leave < high ? ROUND : highFace,
      );
    } else if (a > -ROUNDING) {
      if (c <= 0) addSpan(spans, low, high, lowFace, highFace);
    } else steep(spans, { a, b, d, m, n, low, high, lowFace, highFace });
  }
  if (spans.count > first + 1) joinTouching(spans, first);
}

interface Steep {
  a: number;
  b: number;
  d: number;
  m: number;
  n: number;
  low: number;
  high: number;
  lowFace: number;
  highFace: number;
}

/** A line steeper than the cone is inside it before one root and after the other, on the side where it has a radius. */
function steep(spans: Spans, { a, b, d, m, n, low, high, lowFace, highFace }: Steep): void {
  if (d <= 0) {
    if (m + (n * (low + high)) / 2 > 0) addSpan(spans, low, high, lowFace, highFace);
    return;
  }
  const root = Math.sqrt(d);
  const [z1, z2] = [(-b + root) / a, (-b - root) / a];
  const [first, second] = z1 < z2 ? [z1, z2] : [z2, z1];
  if (m + n * Math.min(high, first) > 0)
    addSpan(spans, low, Math.min(high, first), lowFace, first < high ? ROUND : highFace);
  if (m + n * Math.max(low, second) > 0)
    addSpan(spans, Math.max(low, second), high, second > low ? ROUND : lowFace, highFace);
}

/** Stretches through neighbouring cones of one lathe are one. */
function joinTouching(spans: Spans, first: number): void {
  for (let i = first; i < spans.count; i++) {
    for (let j = i + 1; j < spans.count; j++) {
      const above = Math.abs(spans.near[i]! - spans.far[j]!) < 1e-7;
      const below = Math.abs(spans.near[j]! - spans.far[i]!) < 1e-7;
      if (!above && !below) continue;
      if (above) {
        spans.near[i] = spans.near[j]!;
        spans.nearFace[i] = spans.nearFace[j]!;
      } else {
        spans.far[i] = spans.far[j]!;
        spans.farFace[i] = spans.farFace[j]!;
      }
      const last = --spans.count;
      spans.far[j] = spans.far[last]!;
      spans.near[j] = spans.near[last]!;
      spans.farFace[j] = spans.farFace[last]!;
      spans.nearFace[j] = spans.nearFace[last]!;
      j = i;
    }
  }
}

const crossings = new Float64Array(MOST * 2);
const edges = new Int16Array(MOST * 2);

/** Adds where a line is inside a prism. */
export function throughPrism({ along, outline, from, to }: Prism, at: Line, spans: Spans): void {
  // Own axes of the outline, and the one it is pushed along.
  const across = along === 'u' ? 1 : 0;
  const upwards = along === 'y' ? 1 : 2;
  const deep = along === 'w' ? 1 : along === 'u' ? 0 : 2;
  const oa = at[across]!;
  const va = at[across + 3]!;
  const oc = at[deep]!;
  const vc = at[deep + 3]!;
  const oy = at[upwards]!;
  const vy = at[upwards + 3]!;
  let low = -Infinity;
  let high = Infinity;
  const ends = outline.length;
  let lowFace = ends;
  let highFace = ends + 1;
  if (vc > ROUNDING) {
    low = (from - oc) / vc;
    high = (to - oc) / vc;
  } else if (vc < -ROUNDING) {
    low = (to - oc) / vc;
    high = (from - oc) / vc;
    lowFace = ends + 1;
    highFace = ends;
  } else if (oc < from || oc > to) return;
  let count = 0;
  // A line along the prism crosses no edge: it is inside or outside all the way.
  const still = Math.abs(va) < ROUNDING && Math.abs(vy) < ROUNDING;
  let inside = false;
  for (let i = 0; i < outline.length; i++) {
    const a0 = outline[i]![0];
    const y0 = outline[i]![1];
    const next = outline[i + 1 === ends ? 0 : i + 1]!;
    const a1 = next[0];
    const y1 = next[1];
    if (still) {
      if (y0 > oy !== y1 > oy && oa < a0 + ((oy - y0) / (y1 - y0)) * (a1 - a0)) inside = !inside;
      continue;
    }
    // Signed distances of both corners from the line in the plane of the outline.
    const s0 = (a0 - oa) * vy - (y0 - oy) * va;
    const s1 = (a1 - oa) * vy - (y1 - oy) * va;
    if (s0 > 0 === s1 > 0) continue;
    const share = s0 / (s0 - s1);
    const z = Math.abs(va) > Math.abs(vy) ? (a0 + share * (a1 - a0) - oa) / va : (y0 + share * (y1 - y0) - oy) / vy;
    let place = count++;
    for (; place > 0 && crossings[place - 1]! > z; place--) {
      crossings[place] = crossings[place - 1]!;
      edges[place] = edges[place - 1]!;
    }
    crossings[place] = z;
    edges[place] = i;
  }
  if (still) {
    if (inside) addSpan(spans, low, high, lowFace, highFace);
    return;
  }
  for (let i = 0; i + 1 < count; i += 2) {
    const enter = crossings[i]!;
    const leave = crossings[i + 1]!;
    addSpan(
      spans,
      Math.max(low, enter),
      Math.min(high, leave),
      enter > low ? edges[i]! : lowFace,
      leave < high ? edges[i + 1]! : highFace,
    );
  }
}
