import { TOLERANCE } from '@/core/units/tolerance';
import type { Outline } from './cut-face';
import { distanceToEllipse } from './distance-to-ellipse';

/** Two cambium outlines as they lie, seen on the stock's cut face, plant upright. mm and degrees. */
export interface OutlinePair {
  stock: Outline;
  scion: Outline;
  /** Scion's centre to the right of the stock's. */
  e: number;
  /** Scion's centre above the stock's. */
  z: number;
  /** Scion turned anticlockwise. */
  phi: number;
  /** Daylight between the faces at height v along the stock's face. */
  faceGap: (v: number) => number;
  bridging: number;
  faceGapLimit: number;
}

/** A stretch of the scion's outline that touches, by its parameter angles, `to` may pass 2 pi. */
export interface Run {
  from: number;
  to: number;
  length: number;
}

export interface OutlineContact {
  /** Touching arc over whole arc, 0 to 1. */
  contact: number;
  touching: number;
  outline: number;
  runs: Run[];
  /** Touching arc over arc of each side, on the middle 70 % of the scion's length. */
  left: number;
  right: number;
  /** Largest distance of the scion's outline to the stock's, and where it is. */
  widest: { distance: number; angle: number };
}

const SAMPLES = 192;
/** Side shares look at |v'| up to this share of the scion's semi-axis. */
export const SIDE_SPAN = 0.7;

/**
 * How much of the scion's cambium outline lies against the stock's.
 *
 * A point touches where its distance to the stock's outline is at most the bridging distance and
 * the faces leave at most the face gap limit. The outline is walked in {@link SAMPLES} steps of
 * its parameter angle; where touching starts or stops within a step, the place is found by
 * bisection, so the error is that of features narrower than a step only.
 */
export function outlineContact(pair: OutlinePair): OutlineContact {
  const { scion, stock } = pair;
  const turn = (pair.phi * Math.PI) / 180;
  const cos = Math.cos(turn);
  const sin = Math.sin(turn);

  const distanceAt = (angle: number): number => {
    const u = scion.p * Math.cos(angle);
    const v = scion.q * Math.sin(angle);
    return distanceToEllipse(pair.e + u * cos - v * sin, pair.z + u * sin + v * cos, stock.p, stock.q);
  };
  /** Positive where the point touches, by how much. */
  const marginAt = (angle: number, distance: number): number => {
    const v = pair.z + scion.p * Math.cos(angle) * sin + scion.q * Math.sin(angle) * cos;
    return TOLERANCE + Math.min(pair.bridging - distance, pair.faceGapLimit - pair.faceGap(v));
  };
  const boundary = (inside: number, outside: number): number => {
    let near = inside;
    let far = outside;
    for (let i = 0; i < 24; i++) {
      const middle = (near + far) / 2;
      if (marginAt(middle, distanceAt(middle)) >= 0) near = middle;
      else far = middle;
    }
    return near;
  };

  const step = (2 * Math.PI) / SAMPLES;
  const touches: boolean[] = new Array(SAMPLES);
  const widest = { distance: -1, angle: 0 };
  for (let i = 0; i < SAMPLES; i++) {
    const distance = distanceAt(i * step);
    if (distance > widest.distance) {
      widest.distance = distance;
      widest.angle = i * step;
    }
    touches[i] = marginAt(i * step, distance) >= 0;
  }

  const intervals = touchingIntervals(touches, step, boundary);
  const arc = arcTable(scion);
  const outline = arc(2 * Math.PI);
  const runs = intervals.map(({ from, to }) => ({ from, to, length: arc(to) - arc(from) }));
  const touching = runs.reduce((sum, run) => sum + run.length, 0);

  const half = Math.asin(SIDE_SPAN);
  const sideArc = arc(half) - arc(-half);
  const share = (centre: number): number => {
    let covered = 0;
    for (const run of runs) {
      for (const lap of [-2 * Math.PI, 0, 2 * Math.PI]) {
        const from = Math.max(run.from + lap, centre - half);
        const to = Math.min(run.to + lap, centre + half);
        if (to > from) covered += arc(to) - arc(from);
      }
    }
    return Math.min(1, covered / sideArc);
  };

  return {
    contact: Math.min(1, touching / outline),
    touching,
    outline,
    runs,
    left: share(Math.PI),
    right: share(0),
    widest,
  };
}

function touchingIntervals(
  touches: boolean[],
  step: number,
  boundary: (inside: number, outside: number) => number,
): { from: number; to: number }[] {
  if (touches.every(Boolean)) return [{ from: 0, to: 2 * Math.PI }];
  const intervals: { from: number; to: number }[] = [];
  for (let i = 0; i < touches.length; i++) {
    const before = touches[(i + touches.length - 1) % touches.length];
    if (!touches[i] || before) continue;
    let last = i;
    while (touches[(last + 1) % touches.length]) last++;
    intervals.push({ from: boundary(i * step, (i - 1) * step), to: boundary(last * step, (last + 1) * step) });
  }
  return intervals;
}

/**
 * Arc length of an ellipse from angle 0 to `angle` (any real), by Simpson's rule on a quarter,
 * tabulated once. 32 intervals a quarter leave less than a millionth of the whole.
 */
function arcTable({ p, q }: Outline): (angle: number) => number {
  const n = 32;
  const h = Math.PI / 2 / n;
  const speed = (angle: number): number => {
    const across = p * Math.sin(angle);
    const along = q * Math.cos(angle);
    return Math.sqrt(across * across + along * along);
  };
  const table = new Float64Array(n + 1);
  for (let i = 1; i <= n; i++) {
    table[i] = table[i - 1]! + (h / 6) * (speed((i - 1) * h) + 4 * speed((i - 0.5) * h) + speed(i * h));
  }
  const quarter = table[n]!;
  const within = (angle: number): number => {
    const at = Math.min(n - 1, Math.floor(angle / h));
    const rest = angle - at * h;
    return table[at]! + (rest / 6) * (speed(at * h) + 4 * speed(at * h + rest / 2) + speed(angle));
  };
  return (angle) => {
    const quarters = Math.floor(angle / (Math.PI / 2));
    const rest = angle - quarters * (Math.PI / 2);
    // Every second quarter runs backwards along the first.
    const odd = Math.abs(quarters) % 2 === 1;
    return quarters * quarter + (odd ? quarter - within(Math.PI / 2 - rest) : within(rest));
  };
}
