import type { Growth } from '../../drawing/growth-paint';
import type { WayOn } from '../../methods/variant';
import { mm, type Prose, prose } from '../../units/prose';

/** Ages at which unions are looked at together. */
export const HEALING_AGES = [
  { id: 'two-weeks', words: 'two weeks', from: 10, to: 19 },
  { id: 'one-month', words: 'one month', from: 24, to: 38 },
  { id: 'two-months', words: 'two months', from: 50, to: 75 },
  { id: 'one-year', words: 'one year', from: 320, to: 420 },
] as const;

export type HealingAge = (typeof HEALING_AGES)[number]['id'];

/** What a union looks like at an age, and what is said of it. */
export interface Looks {
  growth: Growth;
  /** What of its covers is still on. */
  covers: 'all' | 'none';
  /** The stub of its leaf, where one was left. */
  stub: 'on' | 'dropped';
  /** Whether the stock was cut back above the union. */
  headedBack: boolean;
  words: Prose;
}

export type HealingStages = Record<HealingAge, { good: Looks; failed: Looks }>;

const ALIVE: Growth = { callus: true, bud: 'asleep', shoot: 0, withered: 'no', suckers: false };
const looks = (words: Prose, growth: Partial<Growth>, rest: Partial<Omit<Looks, 'growth' | 'words'>> = {}): Looks => ({
  growth: { ...ALIVE, ...growth },
  covers: 'all',
  stub: 'on',
  headedBack: false,
  words,
  ...rest,
});
const dead = (words: Prose, growth: Partial<Growth> = {}, rest: Partial<Omit<Looks, 'growth' | 'words'>> = {}): Looks =>
  looks(words, { callus: false, bud: 'dry', withered: 'brown', ...growth }, rest);

/*
 * What is seen when, by how a union lives on; the same table that rounds and aftercare go by. Source: usual practice,
 * early signs and milestones. A year's shoot is that of a bench graft in its first season.
 */
const GROWN = looks(
  prose`Union thickened all round, wrap off; a shoot of ${mm(300, 900)} in its first season.`,
  { callus: false, shoot: 600 },
  { covers: 'none', stub: 'dropped', headedBack: true },
);
const LOST = dead(
  'The dead scion is cut out; the stock’s own shoot is kept, or it is grafted anew.',
  { suckers: true },
  { covers: 'none' },
);

const SCION: HealingStages = {
  'two-weeks': {
    good: looks('A ring of callus along the cut; it holds to a gentle push. Buds begin to swell.', { bud: 'swelling' }),
    failed: looks('A dry line along the cut, and the scion wrinkles.', {
      callus: false,
      bud: 'asleep',
      withered: 'wrinkled',
    }),
  },
  'one-month': {
    good: looks('The first leaf shows from about day 21; some sleep for four weeks.', { bud: 'leaf', shoot: 8 }),
    failed: dead('Bark brown and wrinkled, buds dry; it can be turned in its wrap.'),
  },
  'two-months': {
    good: looks(prose`A shoot of ${mm(50)} or more. Shoots of the stock are rubbed off.`, { shoot: 50 }),
    failed: dead('Scion dry to the union, shoots of the stock below it.', { suckers: true }),
  },
  'one-year': { good: GROWN, failed: LOST },
};

const COVERED: HealingStages = {
  ...SCION,
  'two-weeks': {
    good: looks('Covered and asleep; the cover stays shut.', { callus: false }),
    failed: looks('Leaves already, under the cover: the wood was not dormant, lives on its store and collapses.', {
      callus: false,
      bud: 'leaf',
      shoot: 6,
      withered: 'wrinkled',
    }),
  },
  'one-month': {
    good: looks('Buds swell through the film between day 10 and week 4.', { bud: 'swelling' }),
    failed: dead('Brown under the film, buds dry.'),
  },
  'two-months': {
    good: looks(prose`A shoot of ${mm(50)} or more by week 10; the bag is opened when growth reaches its tie.`, {
      shoot: 50,
    }),
    failed: dead('Scion dry; the stump sprouts below.', { suckers: true }),
  },
};

const FORCED: HealingStages = {
  'two-weeks': {
    good: looks(
      'Plump and green; the leaf stub drops at a touch.',
      { callus: false, bud: 'swelling' },
      { stub: 'dropped' },
    ),
    failed: dead('Brown and shrunken; the stub withers and clings.'),
  },
  'one-month': {
    good: looks(
      'The bud is seen alive: the stock is cut back above it, and it moves.',
      { bud: 'leaf', shoot: 8 },
      { stub: 'dropped', headedBack: true },
    ),
    failed: dead('Dry; the bark is not cut back, and the stock grows on.', {}, { stub: 'dropped' }),
  },
  'two-months': {
    good: looks(
      prose`A shoot of ${mm(50)} or more; the wrap is slit on the side away from the bud.`,
      { callus: false, shoot: 50 },
      { stub: 'dropped', headedBack: true, covers: 'none' },
    ),
    failed: dead(
      'A dry scale in healed bark; another place on the stock can be budded.',
      {},
      { stub: 'dropped', covers: 'none' },
    ),
  },
  'one-year': {
    good: GROWN,
    failed: dead('A scar; the stock’s own top grows on.', {}, { stub: 'dropped', covers: 'none' }),
  },
};

const SLEEPS: HealingStages = {
  ...FORCED,
  'one-month': {
    good: looks('Green and asleep; it stays so until spring.', { callus: false }, { stub: 'dropped' }),
    failed: dead('Brown and dry, though the stock is green.', {}, { stub: 'dropped' }),
  },
  'two-months': {
    good: looks(
      'Still asleep: nothing grows before spring. The wrap is looked at.',
      { callus: false },
      { stub: 'dropped', covers: 'none' },
    ),
    failed: dead(
      'A dry scale. Said dead too early it may still wake, where the shield is green.',
      {},
      { stub: 'dropped', covers: 'none' },
    ),
  },
};

const PATCH_EDGES: HealingStages['two-weeks'] = {
  good: looks('The patch is green, its edges callused, the bud sound.', { bud: 'asleep' }, { stub: 'dropped' }),
  failed: dead(
    'Edges dry and brown; or green with a hollow bud, from which nothing will grow.',
    {},
    { stub: 'dropped' },
  ),
};

const TIP: HealingStages = {
  ...SCION,
  'two-weeks': {
    good: looks('Green under its film; nothing is opened.', { callus: false }),
    failed: looks('The tip is black.', { callus: false, bud: 'dry', withered: 'brown' }),
  },
  'one-month': {
    good: looks('The tip swells by day 30: only the tip is unwrapped.', { bud: 'swelling' }),
    failed: dead('Black down to the union.'),
  },
  'two-months': {
    good: looks('It grows, and the stock’s top is taken in stages.', { bud: 'leaf', shoot: 20 }),
    failed: dead('Dry; the stock, which kept its leaves, grows on.'),
  },
  'one-year': {
    good: GROWN,
    failed: dead('A dead snag on a living stock: cut it off, graft again.', {}, { covers: 'none' }),
  },
};

/** How a good and a failed union look as time goes by, by the way it lives on. */
export const HEALING: Record<WayOn, HealingStages> = {
  bench: SCION,
  outdoors: SCION,
  covered: COVERED,
  'spring-chip': FORCED,
  'forced-bud': FORCED,
  'sleeping-bud': SLEEPS,
  'spring-patch': { ...FORCED, 'two-weeks': PATCH_EDGES },
  'sleeping-patch': { ...SLEEPS, 'two-weeks': PATCH_EDGES },
  tip: TIP,
};
