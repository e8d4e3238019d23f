/** What differs between the answers' pictures. Whatever is left out is as on a plain dead graft. */
export interface Shown {
  scion?: 'plain' | 'wrinkled' | 'black';
  buds?: 'up' | 'down';
  shoot?: 'none' | 'short' | 'long' | 'seasons';
  fallen?: boolean;
  leaves?: 'usual' | 'mottled' | 'yellow' | 'black';
  stock?: 'thrives' | 'dead' | 'overtops';
  wrap?: 'whole' | 'cracked';
  tie?: boolean;
  broken?: 'rough' | 'at-tie' | 'smooth';
  bitten?: boolean;
  canker?: boolean;
  scorched?: boolean;
  soil?: 'moist' | 'dry' | 'wet';
  shield?: 'whole' | 'brown' | 'gap' | 'hollow';
  inside?: 'not-met' | 'stock-only' | 'none' | 'bridged' | 'black' | 'brown';
  /** Where to look: a ring round it. */
  look: readonly [x: number, y: number, r: number];
}

export const SCION = [60, 42, 26] as const;
const JOINT = [60, 78, 22] as const;
const FOOT = [60, 128, 26] as const;

/** What each answer looks like. */
export const PICTURES: Readonly<Record<string, Shown>> = {
  'never-moved': { shoot: 'none', look: SCION },
  'grew-then-collapsed': { shoot: 'short', fallen: true, look: SCION },
  'grew-weeks-then-died': { shoot: 'long', fallen: true, look: SCION },
  'grew-seasons-then-died': { shoot: 'seasons', fallen: true, look: SCION },
  'scion-wrinkled': { scion: 'wrinkled', look: SCION },
  'scion-black': { scion: 'black', look: SCION },
  'scion-plain': { scion: 'plain', look: SCION },
  'bud-looks-whole': { shield: 'whole', look: JOINT },
  'shield-brown': { shield: 'brown', look: JOINT },
  'shield-gap': { shield: 'gap', look: JOINT },
  'patch-green-no-bud': { shield: 'hollow', look: JOINT },
  'buds-point-up': { buds: 'up', look: SCION },
  'buds-point-down': { buds: 'down', look: SCION },
  'stock-thrives': { stock: 'thrives', look: FOOT },
  'stock-dead': { stock: 'dead', look: FOOT },
  'stock-overtops': { stock: 'overtops', look: [26, 50, 24] },
  'seal-whole': { wrap: 'whole', look: JOINT },
  'seal-cracked': { wrap: 'cracked', look: JOINT },
  'no-tie': { tie: false, look: JOINT },
  'bulge-at-tie': { tie: true, look: JOINT },
  'not-snapped': { look: JOINT },
  'snapped-rough': { broken: 'rough', look: JOINT },
  'snapped-at-tie': { broken: 'at-tie', tie: true, look: JOINT },
  'snapped-smooth': { broken: 'smooth', look: JOINT },
  'not-bitten': { look: SCION },
  bitten: { bitten: true, look: SCION },
  'surface-clean': { look: JOINT },
  canker: { canker: true, look: JOINT },
  'leaves-normal': { shoot: 'long', leaves: 'usual', look: SCION },
  mottled: { shoot: 'long', leaves: 'mottled', look: SCION },
  yellowed: { shoot: 'long', leaves: 'yellow', look: SCION },
  'no-weather-marks': { shoot: 'long', leaves: 'usual', look: SCION },
  'tender-blackened': { shoot: 'long', leaves: 'black', look: SCION },
  scorched: { scorched: true, look: SCION },
  'soil-moist': { soil: 'moist', look: FOOT },
  'soil-dry': { soil: 'dry', look: FOOT },
  'soil-wet': { soil: 'wet', look: FOOT },
  'opened-not-met': { inside: 'not-met', look: JOINT },
  'opened-stock-only': { inside: 'stock-only', look: JOINT },
  'opened-none': { inside: 'none', look: JOINT },
  'opened-bridged': { inside: 'bridged', look: JOINT },
  'opened-black-wet': { inside: 'black', look: JOINT },
  'opened-brown-cambium': { inside: 'brown', look: JOINT },
};
