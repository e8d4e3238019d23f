/** Sheets that are printed on, upright, mm. */
export const SHEETS = {
  A4: { width: 210, height: 297 },
  Letter: { width: 215.9, height: 279.4 },
} as const;
export type Paper = keyof typeof SHEETS;

/** A sheet for a wall. */
export const WALL_SHEETS = { A3: { width: 297, height: 420 } } as const;
export type WallPaper = keyof typeof WALL_SHEETS;

export const PAPERS = Object.keys(SHEETS) as Paper[];
