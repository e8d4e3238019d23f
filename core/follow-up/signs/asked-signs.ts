import type { RoundKind } from '../../methods/milestones';
import type { Signs, SignVariant } from './signs';

/** Something to look at, with what one may see: one tap. */
export interface SignGroup {
  id: SignGroupId;
  options: readonly SignOption[];
  /** Asked only where this was answered by one of these; whoever has no script sees it all the same. */
  after?: { group: SignGroupId; options: readonly string[] };
}

export interface SignOption {
  id: string;
  signs: Signs;
}

export type SignGroupId =
  | 'callus'
  | 'holds'
  | 'buds'
  | 'buds-in-film'
  | 'chip-bud'
  | 'shield'
  | 'stub'
  | 'patch'
  | 'patch-bud'
  | 'tip'
  | 'growth'
  | 'season-growth'
  | 'new-growth'
  | 'spring-growth'
  | 'woke'
  | 'leaves'
  | 'scratch';

const option = (id: string, signs: Signs): SignOption => ({ id, signs });
const BUDS = [
  option('asleep', { buds: 'asleep' }),
  option('swelling', { buds: 'swelling' }),
  option('leaf', { buds: 'leaf' }),
  option('spoiled', { scion: 'wrinkled' }),
];

/** Growth is told as "at least": that it has begun, or that it is as long as a shoot has to be. */
const growthOptions = (grown: number): SignOption[] => [
  option('none', { growth: 0 }),
  option('begun', { growth: 1 }),
  option('shoot', { growth: grown }),
];
const LEAVES: SignOption[] = [option('firm', { leaves: 'firm' }), option('wilted', { leaves: 'wilted' })];
const SCRATCH: SignOption[] = [
  option('green', { scratch: 'green' }),
  option('tip-brown', { scratch: 'tip-brown' }),
  option('brown', { scratch: 'brown' }),
];
const STUB: SignOption[] = [
  option('drops', { stub: 'drops' }),
  option('clings', { stub: 'clings' }),
  option('none', {}),
];
const SLEEPERS: readonly SignVariant[] = ['bud-late', 'patch-autumn'];

/** A bud or a patch may sleep on: where nothing has grown yet, whether it is green and sound tells more than a scratch. */
const STILL_SOUND: Partial<Record<SignVariant, (grown: SignGroupId) => SignGroup[]>> = {
  'bud-early': (group) => [
    {
      id: 'shield',
      options: [
        option('plump', { shield: 'plump' }),
        option('brown', { shield: 'brown' }),
        option('hollow', { bud: 'hollow' }),
      ],
      after: { group, options: ['none'] },
    },
  ],
  'patch-spring': (group) => patchGroups({ group, options: ['none'] }),
};

/** Signs of healing, by variant. */
const HEALED: Record<SignVariant, SignGroup[]> = {
  bench: [
    {
      id: 'callus',
      options: [
        option('ring', { callus: 'ring' }),
        option('part', { callus: 'part' }),
        option('none', { callus: 'none' }),
        option('dry', { callus: 'none', scion: 'wrinkled' }),
      ],
    },
    {
      id: 'holds',
      options: [option('yes', { holds: 'yes' }), option('no', { holds: 'no' })],
      after: { group: 'callus', options: ['ring', 'part'] },
    },
  ],
  spring: [{ id: 'buds', options: BUDS }],
  bark: [{ id: 'buds-in-film', options: BUDS }],
  'chip-spring': [{ id: 'chip-bud', options: BUDS }],
  'bud-early': shieldGroups(),
  'bud-late': shieldGroups(),
  'patch-spring': patchGroups(),
  'patch-autumn': patchGroups(),
  green: [
    {
      id: 'tip',
      options: [option('swelling', { tip: 'swelling' }), option('green', {}), option('black', { tip: 'black' })],
    },
  ],
};

function shieldGroups(): SignGroup[] {
  return [
    {
      id: 'shield',
      options: [
        option('plump', { shield: 'plump' }),
        option('brown', { shield: 'brown' }),
        option('hollow', { bud: 'hollow' }),
      ],
    },
    { id: 'stub', options: STUB, after: { group: 'shield', options: ['plump', 'brown'] } },
  ];
}

function patchGroups(after?: SignGroup['after']): SignGroup[] {
  return [
    {
      id: 'patch',
      options: [option('green', { patch: 'green' }), option('brown', { patch: 'brown' })],
      ...(after ? { after } : {}),
    },
    {
      id: 'patch-bud',
      options: [option('sound', { bud: 'sound' }), option('fat', { bud: 'fat' }), option('hollow', { bud: 'hollow' })],
      after: { group: 'patch', options: ['green'] },
    },
  ];
}

/**
 * What to look at in a round, by how the union lives on: the signs that matter then and no others, at most three taps.
 *
 * @param grown length from which a shoot is long enough, mm
 * @param winter whether one comes where it stands: without, nothing is said of summer or spring
 * @example askedSigns('bench', 'healed', 50).map(({ id }) => id) // ['callus', 'holds']
 */
export function askedSigns(variant: SignVariant, kind: RoundKind, grown: number, winter = true): SignGroup[] {
  const growth = growthOptions(grown);
  const grows = (group: SignGroupId): SignGroup['after'] => ({ group, options: ['begun', 'shoot'] });
  const scratchAfter = (group: SignGroupId): SignGroup => ({
    id: 'scratch',
    options: SCRATCH,
    after: { group, options: ['none'] },
  });
  switch (kind) {
    case 'healed':
      return HEALED[variant];
    case 'growing':
      if (SLEEPERS.includes(variant))
        return [
          { id: 'woke', options: [...growth, option('hollow', { bud: 'hollow' })] },
          { id: 'leaves', options: LEAVES, after: grows('woke') },
        ];
      return [
        { id: 'growth', options: growth },
        { id: 'leaves', options: LEAVES, after: grows('growth') },
        ...(STILL_SOUND[variant]?.('growth') ?? [scratchAfter('growth')]),
      ];
    case 'season':
      return [
        { id: winter ? 'season-growth' : 'new-growth', options: growth },
        scratchAfter(winter ? 'season-growth' : 'new-growth'),
      ];
    case 'wintered': {
      const grew = winter ? 'spring-growth' : 'new-growth';
      return [{ id: grew, options: growth }, { id: 'leaves', options: LEAVES, after: grows(grew) }, scratchAfter(grew)];
    }
    case 'year':
    case 'crop':
      return [];
  }
}

/** Choices by group, as a page sends them, put together as signs; null for a choice that is none of them. */
export function signsOfChoices(groups: readonly SignGroup[], choices: Readonly<Record<string, string>>): Signs | null {
  let signs: Signs = {};
  for (const [group, chosen] of Object.entries(choices)) {
    if (chosen === '') continue;
    const found = groups.find(({ id }) => id === group)?.options.find(({ id }) => id === chosen);
    if (!found) return null;
    signs = { ...signs, ...found.signs };
  }
  return signs;
}

/** Of each group the option that signs bear out, where they do. */
export function choicesOfSigns(groups: readonly SignGroup[], signs: Signs): Record<string, string> {
  const fits = (told: Signs): boolean =>
    Object.keys(told).length > 0 &&
    Object.entries(told).every(([sign, value]) =>
      sign === 'growth' ? sameGrowth(groups, signs.growth, value as number) : signs[sign as keyof Signs] === value,
    );
  const chosen = groups.flatMap(({ id, options }) => {
    // What says most first: a dry scion without callus is more than none.
    const best = options
      .filter(({ signs: told }) => fits(told))
      .sort((a, b) => Object.keys(b.signs).length - Object.keys(a.signs).length)[0];
    return best ? [[id, best.id] as const] : [];
  });
  return Object.fromEntries(chosen);
}

/** A length that was measured stands for the option just below it. */
function sameGrowth(groups: readonly SignGroup[], growth: number | undefined, step: number): boolean {
  if (growth === undefined) return false;
  const steps = groups.flatMap(({ options }) => options.flatMap(({ signs }) => signs.growth ?? []));
  return Math.max(...steps.filter((other) => other <= Math.max(growth, growth > 0 ? 1 : 0))) === step;
}
