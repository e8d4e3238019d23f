import { deadKnownFrom, type SignDays, USUAL_SIGN_DAYS } from './sign-days';
import type { Signs, SignVariant } from './signs';

/** What signs say of a union. */
export type Reading = 'alive' | 'likely alive' | 'wait' | 'likely dead' | 'dead';

/** The rule a reading follows from: what it is told with. */
export type ReadingReason =
  | 'snapped'
  | 'brown-all-down'
  | 'hollow-bud'
  | 'wilted'
  | 'grows-before-winter'
  | 'grown'
  | 'grows'
  | 'sleeps-still'
  | 'never-woke'
  | 'fed-growth'
  | 'shield-early'
  | 'shield-brown'
  | 'shield-plump'
  | 'patch-brown'
  | 'patch-green'
  | 'callus-early'
  | 'callus-ring'
  | 'no-callus'
  | 'buds-early'
  | 'buds-move'
  | 'wrinkled'
  | 'tip-black'
  | 'tip-swells'
  | 'sleeps-till-spring'
  | 'too-early'
  | 'dead-too-early'
  | 'nothing-moved'
  | 'green-scratch';

/** When signs were seen. */
export interface SeenWhen {
  variant: SignVariant;
  /** Days of usual warmth since the union was made. */
  day: number;
  /** Days since plants of its kind came into leaf, once they have after its winter; null before. */
  sinceLeaf: number | null;
  /**
   * Of a bench graft: days of usual warmth since it was planted out or its kin came into leaf, null while it is kept cool. All
   * but its callus counts from there; where it is left out, from the day it was made.
   */
  sinceOut?: number | null;
}

export interface SignsRead {
  reading: Reading;
  /** The day of the next look, counted like `day`; null where there is none, or none can be told. */
  nextLook: number | null;
  why: ReadingReason;
  /** A second try is worth offering in the same breath. */
  secondTry: boolean;
}

const DORMANT: readonly SignVariant[] = ['bench', 'spring', 'bark', 'chip-spring'];
const SLEEPERS: readonly SignVariant[] = ['bud-late', 'patch-autumn'];
const BUDS: readonly SignVariant[] = ['bud-early', 'bud-late'];
const PATCHES: readonly SignVariant[] = ['patch-spring', 'patch-autumn'];
const UNDER_NO_STUB: readonly SignVariant[] = ['spring', 'bark', 'chip-spring'];

/** A rule: what it reads, or null where it says nothing of these signs. */
type Rule = (signs: Signs, when: SeenWhen, days: SignDays) => SignsRead | null;

const read = (reading: Reading, why: ReadingReason, nextLook: number | null = null): SignsRead => ({
  reading,
  why,
  nextLook,
  secondTry: reading === 'dead' || reading === 'likely dead' || why === 'fed-growth',
});
const grows = ({ growth }: Signs): boolean => growth !== undefined && growth > 0;
const spoiled = ({ scion }: Signs): boolean => scion === 'wrinkled' || scion === 'black';
const moves = ({ buds }: Signs): boolean => buds === 'swelling' || buds === 'leaf';

/** What is seen at once, whenever it is seen. */
const surely: Rule = (signs, { variant, day }, { again }) => {
  if (signs.snapped) return read('dead', 'snapped');
  if (signs.scratch === 'brown') return read('dead', 'brown-all-down');
  if (signs.bud === 'hollow' && (BUDS.includes(variant) || PATCHES.includes(variant)))
    return read('dead', 'hollow-bud');
  if (grows(signs) && signs.leaves === 'wilted') return read('wait', 'wilted', day + again);
  return null;
};

/** What was set to sleep over winter. */
const sleeper: Rule = (signs, { variant, day, sinceLeaf }, { grown, sleeper: until }) => {
  if (!SLEEPERS.includes(variant)) return null;
  if (sinceLeaf === null) return grows(signs) ? read('likely alive', 'grows-before-winter') : null;
  if (grows(signs)) return signs.growth! >= grown ? read('alive', 'grown') : read('likely alive', 'grows');
  return sinceLeaf < until ? read('wait', 'sleeps-still', day + until - sinceLeaf) : read('likely dead', 'never-woke');
};

const growth: Rule = (signs, { variant, day }, { fedGrowth, sureGrowth, grown, again }) => {
  if (!grows(signs)) return null;
  if (DORMANT.includes(variant) && day < fedGrowth) return read('wait', 'fed-growth', day + again);
  if (signs.growth! >= grown && day >= sureGrowth) return read('alive', 'grown');
  return read('likely alive', 'grows', day < sureGrowth ? sureGrowth : null);
};

const shield: Rule = ({ shield: is, stub }, { variant, day }, { shield: first, shieldBrown, shieldPlump }) => {
  if (!BUDS.includes(variant)) return null;
  if (day < first) return read('wait', 'shield-early', first);
  if (is === 'brown')
    return stub === 'clings' || day >= shieldBrown
      ? read('likely dead', 'shield-brown')
      : read('wait', 'shield-brown', shieldBrown);
  if (is === 'plump')
    return stub === 'drops' || day >= shieldPlump
      ? read('likely alive', 'shield-plump')
      : read('wait', 'shield-plump', shieldPlump);
  return null;
};

const patch: Rule = ({ patch: is, bud }, { variant, day }, { patchBrown, patchGreen }) => {
  if (!PATCHES.includes(variant)) return null;
  if (is === 'brown')
    return day >= patchBrown ? read('likely dead', 'patch-brown') : read('wait', 'patch-brown', patchBrown);
  if (is === 'green' && (bud === 'sound' || bud === 'fat'))
    return day >= patchGreen ? read('likely alive', 'patch-green') : read('wait', 'patch-green', patchGreen);
  return null;
};

const callus: Rule = (signs, { variant, day }, { callus: first }) => {
  if (variant !== 'bench') return null;
  if (day < first) return read('wait', 'callus-early', first);
  if (signs.callus === 'ring' && signs.holds === 'yes') return read('likely alive', 'callus-ring');
  if (signs.callus === 'none' && spoiled(signs)) return read('likely dead', 'no-callus');
  return null;
};

const dormantWood: Rule = (signs, { variant, day }, { buds, again, wrinkled }) => {
  if (DORMANT.includes(variant) && moves(signs))
    return day < buds ? read('wait', 'buds-early', day + again) : read('likely alive', 'buds-move');
  if (UNDER_NO_STUB.includes(variant) && spoiled(signs))
    return day >= wrinkled ? read('likely dead', 'wrinkled') : read('wait', 'wrinkled', wrinkled);
  return null;
};

const tip: Rule = (signs, { variant, day }, { tipBlack, tipSwells }) => {
  if (variant !== 'green') return null;
  if (signs.tip === 'black')
    return day >= tipBlack ? read('likely dead', 'tip-black') : read('wait', 'tip-black', tipBlack);
  return signs.tip === 'swelling' && day >= tipSwells ? read('likely alive', 'tip-swells') : null;
};

/** Where no sign decides, time does. */
const otherwise = (signs: Signs, { variant, day }: SeenWhen, days: SignDays): SignsRead => {
  const known = deadKnownFrom(variant, days);
  if (known === null) return read('wait', 'sleeps-till-spring');
  if (day < known)
    return signs.said === 'dead'
      ? read('wait', 'dead-too-early', Math.max(day + days.again, known))
      : read('wait', 'too-early', day + days.again);
  // A patch may sleep on green as well.
  const green = signs.scratch === 'green' || (PATCHES.includes(variant) && signs.patch === 'green');
  return green ? read('wait', 'green-scratch', day + days.greenScratch) : read('likely dead', 'nothing-moved');
};

/** In this order: the first that says anything counts. */
const RULES: readonly Rule[] = [surely, sleeper, growth, shield, patch, callus, dormantWood, tip];

/**
 * What signs say of a union: alive, likely alive, wait, likely dead or dead, and when to look again.
 *
 * @param signs what was seen; what nobody looked at is left out
 * @param when the variant and the days of usual warmth; for sleepers the days since their kin came into leaf
 * @param days figures of the site
 * @throws RangeError when the day, or the days since leaf, are below 0 or none
 * @example readSigns({ buds: 'swelling' }, { variant: 'spring', day: 8, sinceLeaf: null }).nextLook // 15
 */
export function readSigns(signs: Signs, when: SeenWhen, days: SignDays = USUAL_SIGN_DAYS): SignsRead {
  if (!(when.day >= 0 && Number.isFinite(when.day))) throw new RangeError('The day of a look is 0 or more.');
  if (when.sinceLeaf !== null && !(when.sinceLeaf >= 0 && Number.isFinite(when.sinceLeaf)))
    throw new RangeError('The days since its kin came into leaf are 0 or more, or not given.');
  if (when.sinceOut !== undefined && when.sinceOut !== null && !(when.sinceOut >= 0))
    throw new RangeError('The days since it was planted out are 0 or more, or not given.');
  const growing = growingDays(when);
  for (const rule of RULES) {
    const found = rule(signs, rule === callus ? when : growing, days);
    if (found) return rule === callus ? found : sinceMade(found, when.day - growing.day);
  }
  return sinceMade(otherwise(signs, growing, days), when.day - growing.day);
}

/** The days a union had to grow in: a bench graft that is kept cool has had none. */
function growingDays(when: SeenWhen): SeenWhen {
  return when.variant === 'bench' && when.sinceOut !== undefined ? { ...when, day: when.sinceOut ?? 0 } : when;
}

/** A next look that was counted from planting out, counted from the day the union was made. */
function sinceMade(read: SignsRead, later: number): SignsRead {
  return read.nextLook === null ? read : { ...read, nextLook: read.nextLook + later };
}
