import { USUAL_PRACTICE } from '../../units/figure-source';
import { USUAL_ROWS } from './usual-pairings';

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
export const USUAL_PAIRINGS: readonly Pairing[] = USUAL_ROWS.flatMap(([stock, scions, verdict, note]) =>
  scions.map((scion) => ({ stock, scion, verdict, note, source: USUAL_PRACTICE })),
);

/** Kin of the kinds that are known, as figures are kept by kin. */
const KINS: Record<string, string> = {
  quince: 'pome',
  medlar: 'pome',
  pear: 'pome',
  apple: 'pome',
  hawthorn: 'pome',
  rowan: 'pome',
  serviceberry: 'pome',
  aronia: 'pome',
  plum: 'stone',
  apricot: 'stone',
  peach: 'stone',
  nectarine: 'stone',
  almond: 'stone',
  cherry: 'stone',
  'sour cherry': 'stone',
  'wild cherry': 'stone',
  mahaleb: 'stone',
  'sand cherry': 'stone',
  'nanking cherry': 'stone',
  'bird cherry': 'stone',
  persimmon: 'persimmon',
  'american persimmon': 'persimmon',
  'date-plum': 'persimmon',
  mulberry: 'mulberry',
  fig: 'fig',
  walnut: 'walnut',
  pecan: 'hickory',
  hickory: 'hickory',
  citrus: 'citrus',
  lemon: 'citrus',
  lime: 'citrus',
  orange: 'citrus',
  mandarin: 'citrus',
  grapefruit: 'citrus',
  'trifoliate orange': 'citrus',
  mango: 'mango',
  avocado: 'avocado',
  loquat: 'loquat',
  lychee: 'lychee',
  olive: 'olive',
  guava: 'guava',
  sapodilla: 'sapodilla',
  grape: 'grape',
};

/** Everyday names of kinds that are known under another. */
const ALIASES: Record<string, string> = {
  'crab apple': 'apple',
  crabapple: 'apple',
  'wild apple': 'apple',
  'callery pear': 'pear',
  'wild pear': 'pear',
  'european pear': 'pear',
  'asian pear': 'pear',
  damson: 'plum',
  greengage: 'plum',
  'cherry plum': 'plum',
  myrobalan: 'plum',
  'sweet cherry': 'cherry',
  mazzard: 'wild cherry',
  gean: 'wild cherry',
  'mahaleb cherry': 'mahaleb',
  'nanking-cherry': 'nanking cherry',
  'mountain ash': 'rowan',
  'mountain-ash': 'rowan',
  saskatoon: 'serviceberry',
  juneberry: 'serviceberry',
  chokeberry: 'aronia',
  'asian persimmon': 'persimmon',
  kaki: 'persimmon',
  'date plum': 'date-plum',
  'english walnut': 'walnut',
  'persian walnut': 'walnut',
  'black walnut': 'walnut',
  'sweet orange': 'orange',
  'sour orange': 'orange',
  tangerine: 'mandarin',
  clementine: 'mandarin',
  trifoliate: 'trifoliate orange',
  'bitter almond': 'almond',
  litchi: 'lychee',
  vine: 'grape',
  grapevine: 'grape',
};

/** A kind as it is compared: lower case, single spaces. */
export function kindOf(species: string): string {
  return species.trim().toLowerCase().replace(/\s+/g, ' ');
}

/** The name a kind is known under here, where it has several. */
export function knownAs(species: string): string {
  const kind = kindOf(species);
  return ALIASES[kind] ?? kind;
}

/**
 * How a scion fares on a stock: the club's own row first, then the usual ones. Nothing is guessed from kinship alone.
 *
 * @returns null when nothing is known of the pair.
 */
export function pairingOf(stock: string, scion: string, own: readonly Pairing[] = []): Pairing | null {
  const named = own.find(
    (pairing) => kindOf(pairing.stock) === kindOf(stock) && kindOf(pairing.scion) === kindOf(scion),
  );
  if (named) return named;
  const [on, from] = [knownAs(stock), knownAs(scion)];
  const row = [...own, ...USUAL_PAIRINGS].find(
    (pairing) => knownAs(pairing.stock) === on && knownAs(pairing.scion) === from,
  );
  if (row) return row;
  if (on === from)
    return { stock, scion, verdict: 'works', note: 'Same species: nearly always.', source: USUAL_PRACTICE };
  return null;
}

/** The kin a species belongs to, as figures are kept by kin; null for one not known here. */
export function kinOf(species: string): string | null {
  return KINS[knownAs(species)] ?? null;
}

/** Methods by which a bleeding walnut is grafted while its sap runs. Buds and patches go on a stock that stays whole. */
const BLEEDS_BY = ['whip-and-tongue', 'splice', 'cleft', 'bark', 'inlay'];

/**
 * Whether a stock has to be cut off or drained days before it is grafted by a method: walnut where it is cut through in
 * spring, grape cleft in the field. Pecan and hickory do not bleed so that it matters.
 */
export function bleeds(species: string, { method, place }: { method: string; place: string }): boolean {
  const kind = kinOf(species);
  if (kind === 'walnut') return BLEEDS_BY.includes(method);
  return kind === 'grape' && method === 'cleft' && place === 'field';
}

/** Whether there is any graft for which a stock bleeds. */
export function bleedsAtAll(species: string): boolean {
  return ['walnut', 'grape'].includes(kinOf(species) ?? '');
}
