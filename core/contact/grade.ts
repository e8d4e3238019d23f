/**
 * How a point of a union was found. `recut` is worth nothing but does not cap the score: the piece
 * was whittled, which is a fault of the day and not of the join.
 */
export type Grade = 'good' | 'poor' | 'recut' | 'fatal';

/** A point nobody looked at leaves the score altogether. */
export type PointGrade = Grade | 'not-looked-at';

/** What a grade counts for in the score. */
export const GRADE_VALUE: Record<Grade, number> = { good: 1, poor: 0.5, recut: 0, fatal: 0 };
