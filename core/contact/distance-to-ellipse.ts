/**
 * Distance of the point (x, y) to the ellipse x²/p² + y²/q² = 1, same unit as the arguments.
 *
 * The nearest point is (p²x/(s+p²), q²y/(s+q²)) for the root s of
 * (p x/(s+p²))² + (q y/(s+q²))² = 1. On the interval used here the left side falls monotonically
 * and is convex, so Newton's steps from the low end close in from one side and cannot overshoot.
 * Source: D. Eberly, "Distance from a point to an ellipse", Geometric Tools (2013).
 *
 * @example distanceToEllipse(0, 20, 4, 14) // 6
 */
export function distanceToEllipse(x: number, y: number, p: number, q: number): number {
  const ax = Math.abs(x);
  const ay = Math.abs(y);
  if (p === q) return Math.abs(length(ax, ay) - p);
  // The root search wants the longer axis first.
  return p > q ? firstQuadrant(ax, ay, p, q) : firstQuadrant(ay, ax, q, p);
}

/** Math.hypot guards against overflow, which millimetres never reach, at several times the price. */
function length(x: number, y: number): number {
  return Math.sqrt(x * x + y * y);
}

/** Share of an axis within which a point counts as lying on the other axis; the steps below would divide by nothing. */
const ON_AXIS = 1e-12;

function firstQuadrant(u: number, v: number, a: number, b: number): number {
  if (v < ON_AXIS * b) {
    // On the long axis inside the evolute, the foot leaves the axis.
    const reach = (a * a - b * b) / a;
    if (u < reach) {
      const footU = (a * a * u) / (a * a - b * b);
      const footV = b * Math.sqrt(Math.max(0, 1 - (footU / a) ** 2));
      return length(footU - u, footV);
    }
    return Math.abs(u - a);
  }
  if (u < ON_AXIS * a) return Math.abs(v - b);
  const au = a * u;
  const bv = b * v;
  const aa = a * a;
  const bb = b * b;
  // At this s the second term alone is 1, so the sum is at least 1 and the root lies above.
  let s = Math.max(bv - bb, au - aa);
  for (let i = 0; i < 60; i++) {
    const f = au / (s + aa);
    const g = bv / (s + bb);
    const excess = f * f + g * g - 1;
    if (excess < 1e-11) break;
    s += excess / (2 * ((f * f) / (s + aa) + (g * g) / (s + bb)));
  }
  const footU = (aa * u) / (s + aa);
  const footV = (bb * v) / (s + bb);
  return length(footU - u, footV - v);
}
