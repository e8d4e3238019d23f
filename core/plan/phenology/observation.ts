import type { IsoDate } from '../../units/iso-date';

/** What somebody saw on a plant, which goes before any estimate. */
export type Sign =
  'buds-shut' | 'buds-swell' | 'leaves-out' | 'bark-slips' | 'bark-tight' | 'leaves-fallen' | 'flush' | 'watered';

export const SIGN_WORDS: Record<Sign, string> = {
  'buds-shut': 'buds still shut',
  'buds-swell': 'buds swell',
  'leaves-out': 'leaves are out',
  'bark-slips': 'bark slips (test cut)',
  'bark-tight': 'bark does not slip (test cut)',
  'leaves-fallen': 'leaves have fallen',
  flush: 'a flush of growth began',
  watered: 'stocks were watered',
};
export const SIGNS = Object.keys(SIGN_WORDS) as Sign[];

export interface Observation {
  species: string;
  sign: Sign;
  on: IsoDate;
}
