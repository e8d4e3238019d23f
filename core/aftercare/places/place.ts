/** Where plants stand: in the hand's reach, under cover, in the ground, on a tree, or at somebody's home. */
export const PLACE_KINDS = ['pail', 'tray', 'callus-box', 'bed', 'tree', 'home'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

export const PLACE_WORDS: Record<PlaceKind, string> = {
  pail: 'Pail',
  tray: 'Tray',
  'callus-box': 'Callus box',
  bed: 'Bed',
  tree: 'Tree',
  home: 'Home',
};

/** A place with what it holds; each has a capacity of its own. */
export interface Place {
  id: string;
  name: string;
  kind: PlaceKind;
  /** Plants that fit; of a bed rows times plants a row. */
  capacity: number;
  /** Of a bed: rows, plants in each, and how far apart they stand, mm. */
  rows?: { count: number; each: number; spacing: number };
}

/** What a new place begins with. Source: usual practice for pails and rows; the others are our guess. */
export const USUAL_CAPACITY: Record<PlaceKind, number> = {
  pail: 30,
  tray: 40,
  'callus-box': 100,
  bed: 100,
  tree: 40,
  home: 20,
};
export const USUAL_ROW = { each: 25, spacing: 300 } as const;

/** Where in a bed a plant stands, both counted from 1. */
export interface BedSpot {
  row: number;
  position: number;
}

/** A spot as people say it. @example spotWords({ row: 3, position: 4 }) // 'row 3, 4' */
export function spotWords({ row, position }: BedSpot): string {
  return `row ${row}, ${position}`;
}
