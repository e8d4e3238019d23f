import type { Climate } from '@/core/plan/climate/normals';

/** A made-up climate of the simulated weather service. */
export interface NamedClimate extends Climate {
  id: string;
  name: string;
  hemisphere: 'north' | 'south';
}

/* All invented: no station stands behind any of them. */
export const CLIMATES: readonly NamedClimate[] = [
  {
    id: 'lake-island',
    name: 'Lake island, cool summers',
    hemisphere: 'north',
    lastFrost: '04-24',
    firstFrost: '10-28',
    frostMargin: 12,
    normals: {
      low: [-2, -1.5, 1, 4, 8, 11.5, 13.5, 13, 10, 6, 2, -0.5],
      high: [3, 4.5, 9, 13, 18, 21.5, 23.5, 23, 19, 13.5, 7.5, 4],
    },
  },
  {
    id: 'hill-village',
    name: 'Hill village, long winter',
    hemisphere: 'north',
    lastFrost: '05-20',
    firstFrost: '09-28',
    frostMargin: 10,
    normals: {
      low: [-8, -7.5, -4, 0, 4, 7.5, 9.5, 9, 6, 2, -3, -6.5],
      high: [0, 2, 6, 10.5, 15.5, 19, 21, 20.5, 16.5, 11.5, 5, 1],
    },
  },
  {
    id: 'river-plain',
    name: 'River plain, hot summers',
    hemisphere: 'north',
    lastFrost: '03-28',
    firstFrost: '11-14',
    frostMargin: 14,
    normals: {
      low: [1, 2, 5, 8, 13, 17, 19.5, 19, 15, 10, 5.5, 2],
      high: [8, 10.5, 15.5, 19.5, 25, 29.5, 32.5, 32, 27, 20.5, 13, 9],
    },
  },
  {
    id: 'southern-shore',
    name: 'Southern shore, mild and wet',
    hemisphere: 'south',
    lastFrost: '09-22',
    firstFrost: '05-12',
    frostMargin: 16,
    normals: {
      low: [13, 13, 11.5, 9, 6, 3.5, 2.5, 3, 5, 7, 9, 11.5],
      high: [23.5, 23.5, 21.5, 18, 14.5, 11.5, 10.5, 11.5, 14, 16.5, 19, 21.5],
    },
  },
  {
    id: 'frostless-bay',
    name: 'Frostless bay, warm all year',
    hemisphere: 'north',
    lastFrost: null,
    firstFrost: null,
    frostMargin: 0,
    normals: {
      low: [17, 17.5, 19, 21, 23, 24, 24, 24, 23.5, 22.5, 20.5, 18],
      high: [25.5, 26, 27.5, 29, 30.5, 31, 31.5, 31.5, 31, 29.5, 27.5, 26],
    },
  },
];
