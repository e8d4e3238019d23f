import type { Prose } from '../units/prose';

/** State of the wood to be joined. */
export type WoodState = 'dormant' | 'moving' | 'leafed-out' | 'budwood' | 'tip' | 'tip-open';
export type Place = 'bench' | 'field' | 'pot';

export const WOOD_WORDS: Record<WoodState, string> = {
  dormant: 'fully dormant',
  moving: 'buds just moving',
  'leafed-out': 'in leaf',
  budwood: 'budwood of this season',
  tip: 'a hardened tip, its bud closed',
  'tip-open': 'a tip whose bud has opened',
};

export const PLACE_WORDS: Record<Place, string> = { bench: 'at the bench', field: 'in the field', pot: 'in the pot' };

/**
 * What the plants do in a season, so that it can be dated at a site: stocks waking; stocks warmed indoors until they are ready;
 * leaves out and bark slipping; early in a long summer; weeks before the first frost; shoots growing in warmth.
 */
export type Phase = 'waking' | 'warmed' | 'leaves-out' | 'early-summer' | 'before-frost' | 'warm-growth';

/** Ways of a method that are followed up otherwise: by place, or by season and with it the state of the wood. */
export const VARIANTS = ['usual', 'bench', 'outdoors', 'spring', 'early-summer', 'late-summer', 'autumn'] as const;
export type VariantId = (typeof VARIANTS)[number];

/** A part of the year, northern temperate, month and day. */
export interface Season {
  name: string;
  phase: Phase;
  from: string;
  to: string;
  wood: WoodState[];
  /** The variant of the method it is then, where the method has several. */
  variant?: VariantId;
  /** Where it is done in this season, when not everywhere. */
  places?: Place[];
  /** Out of the main run: it works, and something else is done more often then. */
  besides?: boolean;
}

/** Outer diameters of the stock at the cut, mm. */
export interface StockLimits {
  from: number;
  to: number;
  /** Thinner stocks do at the bench, where both hands reach round them. */
  atBench?: number;
  /** The upper figure is where it is usual and no limit. */
  thicker?: boolean;
  /** Where it does best. */
  bestFrom?: number;
  /** No source gives the upper figure. */
  guessed?: boolean;
}

/** The thinnest stock a method is done on there, mm; where no place is named, the thinnest anywhere. */
export function thinnestStock({ from, atBench }: StockLimits, place?: Place): number {
  return (place ?? 'bench') === 'bench' ? (atBench ?? from) : from;
}

/** When and on what a method is done. Lengths mm. */
export interface Use {
  seasons: Season[];
  /** In words, for the page. */
  when: string;
  bark: 'must slip' | 'helpful' | 'need not slip';
  scion: Prose;
  stock: StockLimits;
  /** Scion's over stock's diameter, null for any. */
  ratio: { from: number; to: number } | null;
  /** Greatest difference under the bark, 2r, with which both sides can match, mm. */
  likeUnderBark?: number;
  places: Place[];
  /** Length of wood one union takes. */
  woodLength: number;
  /** What of the scion wood it takes, and how many buds; a school on buds goes before that figure. */
  takes: { piece: 'scion' | 'bud' | 'tip'; buds: number };
  /** 1 for a first day, 3 for a practised hand. */
  skill: 1 | 2 | 3;
  /** How one plant can carry several unions; where nothing is said it carries one. */
  several?: 'along the stem' | 'around the stump';
  /** Done whenever shoots flush where there is no winter. */
  tropics?: boolean;
}
