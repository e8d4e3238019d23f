import type { BedSpot, OnLand, Place, Rows } from './place';

/** A bed or tree as it lies on the land of its site, mm. */
export interface Laid {
  x: number;
  y: number;
  width: number;
  depth: number;
}

/** A bed whose measures are known and that has a place on the land. */
export interface DrawnBed {
  rows: Rows & { spacing: number; between: number };
  onLand: OnLand;
}

/** Land of a tree that is drawn from above, mm across. */
export const TREE_ACROSS = 4000;

/** True where a bed can be drawn to scale: it is known how far apart plants and rows stand, and where it lies. */
export function canDraw(place: Pick<Place, 'rows' | 'onLand'>): place is DrawnBed & Pick<Place, 'rows' | 'onLand'> {
  return place.onLand !== null && place.rows !== null && place.rows.spacing !== null && place.rows.between !== null;
}

/**
 * What a bed covers on the land: half a distance of ground goes all round its outer plants.
 *
 * @example landOf({ rows: { count: 4, each: 25, spacing: 300, between: 900 }, onLand: { x: 0, y: 0, turned: false } }).width // 7500
 */
export function landOf({ rows, onLand }: DrawnBed): Laid {
  const [along, across] = [rows.each * rows.spacing, rows.count * rows.between];
  const { x, y, turned } = onLand;
  return turned ? { x, y, width: across, depth: along } : { x, y, width: along, depth: across };
}

/** Where on the land a spot of a bed lies, mm. Rows run from west to east; those of a turned bed from north to south. */
export function pointOf({ row, position }: BedSpot, { rows, onLand }: DrawnBed): { x: number; y: number } {
  const [along, across] = [(position - 0.5) * rows.spacing, (row - 0.5) * rows.between];
  return onLand.turned ? { x: onLand.x + across, y: onLand.y + along } : { x: onLand.x + along, y: onLand.y + across };
}

/** The spot of a bed at a point of the land; null beside the bed. */
export function spotAt(point: { x: number; y: number }, { rows, onLand }: DrawnBed): BedSpot | null {
  const [dx, dy] = [point.x - onLand.x, point.y - onLand.y];
  const [along, across] = onLand.turned ? [dy, dx] : [dx, dy];
  const [position, row] = [Math.floor(along / rows.spacing) + 1, Math.floor(across / rows.between) + 1];
  return row >= 1 && row <= rows.count && position >= 1 && position <= rows.each ? { row, position } : null;
}
