import type { Place3 } from '../frame';

export const minus = ([a, b, c]: Place3, [x, y, z]: Place3): Place3 => [a - x, b - y, c - z];
export const times = ([a, b, c]: Place3, k: number): Place3 => [a * k, b * k, c * k];
export const plus = ([a, b, c]: Place3, [x, y, z]: Place3): Place3 => [a + x, b + y, c + z];
export const inner = ([a, b, c]: Place3, [x, y, z]: Place3): number => a * x + b * y + c * z;
export const cross = ([a, b, c]: Place3, [x, y, z]: Place3): Place3 => [b * z - c * y, c * x - a * z, a * y - b * x];
const length = (v: Place3): number => Math.sqrt(inner(v, v));

/** Distance of a place from a stretch of a line, mm. */
export function toSegment(place: Place3, [from, to]: readonly [Place3, Place3]): number {
  const along = minus(to, from);
  const share = inner(minus(place, from), along) / (inner(along, along) || 1);
  return length(minus(place, plus(from, times(along, Math.max(0, Math.min(1, share))))));
}

/** Distance of a place from a triangle, mm. */
export function toTriangle(place: Place3, [a, b, c]: readonly [Place3, Place3, Place3]): number {
  const normal = cross(minus(b, a), minus(c, a));
  const size = length(normal);
  const edges = [
    [a, b],
    [b, c],
    [c, a],
  ] as const;
  const inside = edges.every(([from, to]) => inner(cross(minus(to, from), minus(place, from)), normal) >= 0);
  if (size > 0 && inside) return Math.abs(inner(minus(place, a), normal)) / size;
  return Math.min(...edges.map((edge) => toSegment(place, edge)));
}
