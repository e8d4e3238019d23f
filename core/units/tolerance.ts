/** How far two lengths in mm, read or computed, may differ and still be the same. */
export const TOLERANCE = 1e-6;

/** What sums and products of floating-point numbers may be off by where exact values would be equal. */
export const ROUNDING = 1e-9;
