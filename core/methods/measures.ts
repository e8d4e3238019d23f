/** Where a figure comes from. An assumed figure never feeds what is learnt about a person's hands. */
export type Origin = 'measured' | 'picked' | 'assumed';

export interface Measure {
  /** mm, or degrees for a turn. */
  value: number;
  origin: Origin;
}

/** Raw measures of a union by the id of their field: a figure, or a pick in words. */
export type Measures = Record<string, Measure | { pick: string }>;

/** The same as plain numbers, mm and degrees, picks worked out. */
export type Figures = Record<string, number>;
