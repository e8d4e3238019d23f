import type { IsoDate } from '../../units/iso-date';

/** Where plants stand: in the hand's reach, under cover, in the ground, on a tree, or at somebody's home. */
export const PLACE_KINDS = ['pail', 'tray', 'callus-box', 'bed', 'tree', 'home'] as const;
export type PlaceKind = (typeof PLACE_KINDS)[number];

export const PLACE_WORDS: Record<PlaceKind, string> = {
  pail: 'Pail',
  tray: 'Tray',
  'callus-box': 'Callus place',
  bed: 'Bed',
  tree: 'Tree',
  home: 'Home',
};

/** The rows of a bed; how far apart plants and rows stand, mm, null where nobody measured. */
export interface Rows {
  count: number;
  each: number;
  spacing: number | null;
  between: number | null;
}

/** Where on the land of a site something stands, mm from its north-west corner; turned by a right angle. */
export interface OnLand {
  x: number;
  y: number;
  turned: boolean;
}

/** A place with what it holds; each has a capacity of its own. */
export interface Place {
  id: string;
  name: string;
  kind: PlaceKind;
  /** Plants that fit; of a bed rows times plants a row. */
  capacity: number;
  rows: Rows | null;
  onLand: OnLand | null;
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
export const USUAL_ROW = { each: 25, spacing: 300, between: 900 } as const;

/** Sides of a limb on which a scion sits. */
export const LIMB_SIDES = ['north', 'east', 'south', 'west', 'upper', 'under'] as const;
export type LimbSide = (typeof LIMB_SIDES)[number];

/** Where in a place a plant stands: row and position of a bed, counted from 1, or limb and side of a tree. */
export interface Spot {
  row: number | null;
  position: number | null;
  limb: string;
  side: LimbSide | '';
}

/** Somewhere in a place, and nobody said where. */
export const ANYWHERE: Spot = { row: null, position: null, limb: '', side: '' };

/** Row and position of a bed. */
export interface BedSpot {
  row: number;
  position: number;
}

/** A spot of a bed. */
export function inRow({ row, position }: BedSpot): Spot {
  return { ...ANYWHERE, row, position };
}

/** True for one and the same spot. */
export function sameSpot(left: Spot, right: Spot): boolean {
  return (['row', 'position', 'limb', 'side'] as const).every((field) => left[field] === right[field]);
}

/** A spot as people say it; nothing where a plant is somewhere in its place. @example spotWords(inRow({ row: 3, position: 4 })) // 'row 3, 4' */
export function spotWords({ row, position, limb, side }: Spot): string {
  if (row !== null && position !== null) return `row ${row}, ${position}`;
  return [limb, side].filter(Boolean).join(', ');
}

/** A plant's number in planting order: row by row; null where its place has none. @example orderOf(inRow({ row: 2, position: 3 }), { each: 25 }) // 28 */
export function orderOf({ row, position }: Spot, rows: Pick<Rows, 'each'> | null): number | null {
  return rows && row !== null && position !== null ? (row - 1) * rows.each + position : null;
}

/** Where a plant stands, and since when. */
export interface Standing {
  plantId: string;
  placeId: string;
  spot: Spot;
  since: IsoDate;
}
