import type { UnionLife } from '@/core/aftercare/life/plant-life';
import { METHODS } from '@/core/methods/registry';

const [method] = METHODS as [(typeof METHODS)[number]];

/** A union of which nothing was seen and nothing is due. */
export function unionLife(changes: Partial<UnionLife> = {}): UnionLife {
  return {
    unionId: 'u',
    method: method.name,
    methodId: method.id,
    variant: 'usual',
    made: 'Whip-and-tongue at the bench',
    livesOn: [],
    variantReason: '',
    place: '',
    madeOn: '2027-03-06',
    today: '2027-05-05',
    state: 'living',
    now: [],
    next: [],
    missed: [],
    waiting: [],
    toldTwice: [],
    band: null,
    suitsNot: [],
    bearsIn: 2028,
    ties: [],
    events: [],
    keepsOne: false,
    second: null,
    stockCaliper: null,
    frost: [],
    heat: [],
    rain: [],
    warmthFrom: '',
    growth: null,
    growthFrom: null,
    heights: [],
    ...changes,
  };
}
