import { TOLERANCE } from '@/core/units/tolerance';
/** Hollow of a face as people see it against the light, and the depth in mm it stands for. */
export const HOLLOW_PICKS = { none: 0, hairline: 0.2, hollow: 0.6, deep: 1.0 } as const;

export type HollowPick = keyof typeof HOLLOW_PICKS;

/**
 * True when more than half of the face's length stands open. A parabola of depth h is deeper than
 * g over half its length when h * (1 - 0.5²) > g, that is h > g / 0.75.
 */
export function standsOpen(hollow: number, faceGapLimit: number): boolean {
  return hollow > faceGapLimit / 0.75 + TOLERANCE;
}
