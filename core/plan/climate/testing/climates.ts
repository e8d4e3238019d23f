import type { Climate } from '../normals';

/** A cool lake of the north. */
export const north: Climate = {
  lastFrost: '04-24',
  firstFrost: '10-28',
  frostMargin: 12,
  normals: {
    low: [-2, -1.5, 1, 4, 8, 11.5, 13.5, 13, 10, 6, 2, -0.5],
    high: [3, 4.5, 9, 13, 18, 21.5, 23.5, 23, 19, 13.5, 7.5, 4],
  },
};
/** The same year half a turn on. */
export const south: Climate = {
  lastFrost: '10-24',
  firstFrost: '04-28',
  frostMargin: 12,
  normals: {
    low: [...north.normals.low.slice(6), ...north.normals.low.slice(0, 6)],
    high: [...north.normals.high.slice(6), ...north.normals.high.slice(0, 6)],
  },
};
/** Where it never freezes. */
export const warm: Climate = {
  lastFrost: null,
  firstFrost: null,
  frostMargin: 0,
  normals: { low: Array(12).fill(21), high: Array(12).fill(29) },
};
