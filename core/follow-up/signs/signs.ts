import { InputError } from '../../contact/input-error';
import type { WayOn } from '../../methods/variant';

/** Ways of living on that signs are read by. */
export const SIGN_VARIANTS = [
  'bench',
  'spring',
  'bark',
  'chip-spring',
  'bud-early',
  'bud-late',
  'patch-spring',
  'patch-autumn',
  'green',
] as const;
export type SignVariant = (typeof SIGN_VARIANTS)[number];

/** By which rules the signs of a union are read, from how it lives on. */
export const SIGNS_BY_WAY: Record<WayOn, SignVariant> = {
  bench: 'bench',
  outdoors: 'spring',
  covered: 'bark',
  'spring-chip': 'chip-spring',
  'forced-bud': 'bud-early',
  'sleeping-bud': 'bud-late',
  'spring-patch': 'patch-spring',
  'sleeping-patch': 'patch-autumn',
  tip: 'green',
};

/** What each sign that is chosen from a few may be. */
export const SIGN_VALUES = {
  leaves: ['firm', 'wilted'],
  buds: ['asleep', 'swelling', 'leaf'],
  stub: ['drops', 'clings'],
  shield: ['plump', 'brown'],
  bud: ['sound', 'fat', 'hollow'],
  patch: ['green', 'brown'],
  callus: ['ring', 'part', 'none'],
  holds: ['yes', 'no'],
  scion: ['plump', 'wrinkled', 'black'],
  tip: ['swelling', 'black'],
  scratch: ['green', 'tip-brown', 'brown'],
  said: ['alive', 'unsure', 'dead'],
} as const;
type Chosen = typeof SIGN_VALUES;

/** What was seen of a union on a day; whatever nobody looked at is left out. */
export type Signs = { [Sign in keyof Chosen]?: Chosen[Sign][number] } & {
  /** Length of the new shoot, mm: at least so much. */
  growth?: number;
  /** Broken off at the union. */
  snapped?: boolean;
};

const MOST_GROWTH = 20_000;

/**
 * Signs out of what somebody sent.
 *
 * @throws InputError for a sign nobody knows, or one that cannot be so
 */
export function signsFrom(values: Record<string, unknown>): Signs {
  const signs: Record<string, unknown> = {};
  for (const [sign, value] of Object.entries(values)) {
    if (value === null || value === undefined || value === '') continue;
    if (sign === 'growth') {
      if (typeof value !== 'number' || !(value >= 0 && value <= MOST_GROWTH))
        throw new InputError('growth', 'Growth is a length in mm from 0 to 20,000.');
    } else if (sign === 'snapped') {
      if (typeof value !== 'boolean') throw new InputError('snapped', 'Snapped is true or false.');
      if (!value) continue;
    } else {
      const known: readonly string[] | undefined = Object.hasOwn(SIGN_VALUES, sign)
        ? SIGN_VALUES[sign as keyof Chosen]
        : undefined;
      if (!known)
        throw new InputError(
          sign,
          `There is no sign "${sign}". Known are growth, snapped, ${Object.keys(SIGN_VALUES).join(', ')}.`,
        );
      if (!known.includes(value as string))
        throw new InputError(sign, `The sign ${sign} is one of ${known.join(', ')}.`);
    }
    signs[sign] = value;
  }
  return signs as Signs;
}
