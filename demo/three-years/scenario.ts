import { METHODS } from '@/core/methods/registry';
import { addDays, type IsoDate } from '@/core/units/iso-date';

/* Three years of a made-up guild's workshops. Names of people, varieties and stocks are invented. */

// In the order of the registry: whips at the bench; cleft, bark and inlay outdoors in spring; chip and shield in summer.
const [whip, , cleft, bark, inlay, , , , chip, shield] = METHODS;

export interface DayPlan {
  title: string;
  date: IsoDate;
  /** Whether bark has to slip: then the hour tells. */
  methods: { method: string; each: number; slips: boolean }[];
  people: number;
  wood: readonly { variety: string; species: string; source: string }[];
  stocks: readonly { stockType: string; species: string }[];
  /** Days after the day on which fates are asked. */
  asked: number;
  /** A second look in the following year, days after the day; null where none was taken. */
  again: number | null;
  milestone: 'season' | 'growing';
  stage: 'dormant' | 'budwood';
}

const PEARS = [
  { variety: 'Sallow Quay', species: 'pear', source: 'garden behind the net loft' },
  { variety: 'Heron Slip', species: 'pear', source: 'guild orchard, row 4' },
  { variety: 'Bell Shallows', species: 'pear', source: 'guild orchard, row 2' },
];
/** In the last year a variety that nobody had set on quince before. */
const LAST_PEARS = [PEARS[0]!, { variety: 'Mist Ferry', species: 'pear', source: 'guild orchard, row 5' }, PEARS[2]!];
const SPRING = [
  { variety: 'Mist Ferry', species: 'pear', source: 'guild orchard, row 5' },
  { variety: 'Copper Buoy', species: 'quince', source: 'school yard, Tarnholm' },
];
const SUMMER = [
  { variety: 'Old Lantern', species: 'medlar', source: 'chapel wall' },
  { variety: 'Copper Buoy', species: 'quince', source: 'school yard, Tarnholm' },
];
const QUINCE = { stockType: 'Reedmoor quince', species: 'quince' };
const SEEDLING = { stockType: 'Tarn seedling', species: 'pear' };

/** Workshops over the three years before a year, three in each, and a day of topworking; one knows what became of all. */
export function threeYears(before: number): DayPlan[] {
  const years = [before - 3, before - 2, before - 1].flatMap((year, nth): DayPlan[] => [
    {
      title: `Whips on the bench ${year}`,
      date: saturday(`${year}-02-22`),
      methods: [{ method: whip!.id, each: 6, slips: false }],
      people: 12,
      wood: nth < 2 ? PEARS : LAST_PEARS,
      stocks: [QUINCE, SEEDLING],
      asked: 270,
      again: 560,
      milestone: 'season',
      stage: 'dormant',
    },
    {
      title: `Cleft and bark in the meadow ${year}`,
      date: saturday(`${year}-05-03`),
      methods: [
        { method: cleft!.id, each: 2, slips: false },
        { method: bark!.id, each: 4, slips: true },
      ],
      people: 12,
      wood: SPRING,
      stocks: [SEEDLING],
      asked: 200,
      again: null,
      milestone: 'season',
      stage: 'dormant',
    },
    {
      title: `Summer buds ${year}`,
      date: saturday(`${year}-08-12`),
      methods: [
        { method: chip!.id, each: 4, slips: false },
        { method: shield!.id, each: 2, slips: true },
      ],
      people: 10,
      wood: SUMMER,
      stocks: [QUINCE],
      asked: 310,
      again: null,
      milestone: 'growing',
      stage: 'budwood',
    },
  ]);
  return [...years, topworkingDay(before - 2)];
}

/** Limbs of a grown tree, changed over by several hands on one day. */
function topworkingDay(year: number): DayPlan {
  return {
    title: `The chapel tree changed over ${year}`,
    date: saturday(`${year}-05-17`),
    methods: [{ method: inlay!.id, each: 4, slips: true }],
    people: 8,
    wood: SPRING,
    stocks: [{ stockType: 'Old chapel pear', species: 'pear' }],
    asked: 190,
    again: null,
    milestone: 'season',
    stage: 'dormant',
  };
}

/** The year before which the last of all fates had been asked by a day. */
export function yearBefore(today: IsoDate): number {
  const year = Number(today.slice(0, 4));
  return addDays(saturday(`${year - 1}-08-12`), LAST_ASKED) <= today ? year : year - 1;
}
/** Days after summer budding by which everybody has answered. */
const LAST_ASKED = 330;

export function saturday(date: IsoDate): IsoDate {
  return addDays(date, (6 - new Date(`${date}T00:00:00Z`).getUTCDay() + 7) % 7);
}

/** Benches of the hall, four people at each. */
export const BENCHES = ['Window bench', 'Lake bench', 'Door bench'] as const;
export const AT_A_BENCH = 4;

/** People of the guild who come to the workshops of these years. */
export const MEMBERS = [
  'Alder Quist',
  'Brita Solm',
  'Corin Haft',
  'Dagny Elver',
  'Edvin Marsk',
  'Freda Loring',
  'Garm Oster',
  'Hedda Wick',
  'Ivo Strand',
  'Juna Pell',
  'Kasper Thorn',
  'Liv Aker',
] as const;
