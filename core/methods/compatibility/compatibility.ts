import { OUR_GUESS, USUAL_PRACTICE } from '../../units/figure-source';

/** How a pair of kinds usually fares. A warning at most: nothing is ever forbidden by it. */
export type Verdict = 'works' | 'mind' | 'fails';

export const VERDICT_WORDS: Record<Verdict, string> = { works: 'Usual', mind: 'With care', fails: 'Not known to live' };

/** One row: a kind of stock, a kind of scion, how it fares, and who says so. */
export interface Pairing {
  stock: string;
  scion: string;
  verdict: Verdict;
  note: string;
  source: string;
}

/** What every club starts from; its own rows stand before these. */
export const USUAL_PAIRINGS: readonly Pairing[] = [
  { stock: 'quince', scion: 'medlar', verdict: 'works', note: 'The usual stock for medlar.', source: USUAL_PRACTICE },
  {
    stock: 'quince',
    scion: 'pear',
    verdict: 'mind',
    note: 'Needs a variety that agrees with quince, or a piece of one that does in between. Others live some years and break.',
    source: USUAL_PRACTICE,
  },
  {
    stock: 'quince',
    scion: 'apple',
    verdict: 'mind',
    note: 'Across genera of the pome family: may live a few years and break.',
    source: USUAL_PRACTICE,
  },
  {
    stock: 'pear',
    scion: 'quince',
    verdict: 'mind',
    note: 'Across genera of the pome family: may live a few years and break.',
    source: USUAL_PRACTICE,
  },
  {
    stock: 'pear',
    scion: 'medlar',
    verdict: 'mind',
    note: 'Across genera of the pome family: may live a few years and break.',
    source: USUAL_PRACTICE,
  },
  {
    stock: 'apple',
    scion: 'pear',
    verdict: 'mind',
    note: 'Across genera of the pome family: may live a few years and break.',
    source: USUAL_PRACTICE,
  },
  {
    stock: 'medlar',
    scion: 'pear',
    verdict: 'mind',
    note: 'Across genera of the pome family: may live a few years and break.',
    source: USUAL_PRACTICE,
  },
  { stock: 'plum', scion: 'apricot', verdict: 'works', note: 'On several plum stocks.', source: USUAL_PRACTICE },
  { stock: 'plum', scion: 'peach', verdict: 'works', note: 'On several plum stocks.', source: USUAL_PRACTICE },
  { stock: 'plum', scion: 'cherry', verdict: 'fails', note: 'Cherry does not take on plum.', source: USUAL_PRACTICE },
  {
    stock: 'walnut',
    scion: 'pecan',
    verdict: 'mind',
    note: 'Within the kin; little is known of single pairs.',
    source: OUR_GUESS,
  },
];

const KINS: Record<string, string> = {
  quince: 'pome',
  medlar: 'pome',
  pear: 'pome',
  apple: 'pome',
  hawthorn: 'pome',
  rowan: 'pome',
  plum: 'stone',
  apricot: 'stone',
  peach: 'stone',
  cherry: 'stone',
  almond: 'stone',
  persimmon: 'persimmon',
  mulberry: 'mulberry',
  fig: 'fig',
  walnut: 'walnut',
  pecan: 'hickory',
  hickory: 'hickory',
  citrus: 'citrus',
  lemon: 'citrus',
  orange: 'citrus',
  mango: 'mango',
  grape: 'grape',
};

/** A kind as it is compared: lower case, single spaces. */
export function kindOf(species: string): string {
  return species.trim().toLowerCase().replace(/\s+/g, ' ');
}

/**
 * How a scion fares on a stock: the club's own row first, then the usual ones, then what their kin
 * suggests.
 *
 * @returns null when nothing is known of either.
 */
export function pairingOf(stock: string, scion: string, own: readonly Pairing[] = []): Pairing | null {
  const [on, from] = [kindOf(stock), kindOf(scion)];
  const row = [...own, ...USUAL_PAIRINGS].find(
    (pairing) => kindOf(pairing.stock) === on && kindOf(pairing.scion) === from,
  );
  if (row) return row;
  if (on === from)
    return { stock, scion, verdict: 'works', note: 'Same species: nearly always.', source: USUAL_PRACTICE };
  const [a, b] = [KINS[on], KINS[from]];
  if (!a || !b) return null;
  if (a !== b) return { stock, scion, verdict: 'fails', note: 'Not of one kin.', source: USUAL_PRACTICE };
  if (a === 'pome')
    return {
      stock,
      scion,
      verdict: 'mind',
      note: 'Across genera of the pome family: some live, many break after a few years.',
      source: USUAL_PRACTICE,
    };
  return { stock, scion, verdict: 'mind', note: 'Within the kin: usually.', source: USUAL_PRACTICE };
}

/** The kin a species belongs to, as figures are kept by kin; null for one not known here. */
export function kinOf(species: string): string | null {
  return KINS[kindOf(species)] ?? null;
}

/** Bleeding kin: the stock is cut off and gashed 7 to 10 days before. */
export function bleeds(species: string): boolean {
  return ['walnut', 'hickory'].includes(KINS[kindOf(species)] ?? '');
}
