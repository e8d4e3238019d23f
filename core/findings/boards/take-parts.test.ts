import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { MILESTONES, type Milestone } from '../../methods/milestones';
import { groupedBy } from '../../units/grouped-by';
import type { KeeperFact } from '../facts/keeper-fact';
import { fateCountsOf, KEPT_COUNTS, type KeepersAlike, takeOfAlike } from '../facts/keepers-alike';
import { TAKE_KINDS } from '../facts/take-by';
import type { TakeState } from '../take/take-state';
import { type TakeParts, takePartsOfFacts } from './take-parts';
import { type OnOnePlant, takePartsOfCounts } from './take-parts-of-counts';

const DAYS = ['2025-03-01', '2026-03-07'];
const ASKED: Record<string, readonly Milestone[]> = { a: ['healed', 'growing'], b: MILESTONES, c: [] };
const SITES: Record<string, string> = { a: 'shore', b: 'hill', c: 'shore' };

/** A keeper as facts know it, drawn with few levels so that many share one. */
const keeper = fc.record({
  workshopId: fc.constantFrom('a', 'b', 'c'),
  date: fc.constantFrom(...DAYS),
  method: fc.constantFrom('whip', 'chip'),
  lot: fc.constantFrom('l1', 'l2', 'l3', null),
  makerId: fc.constantFrom('ada', 'bo'),
  plant: fc.constantFrom(null, 'p1', 'p2'),
  alive: fc.integer({ min: 0, max: 4 }),
  end: fc.constantFrom<TakeState>('dead', 'unknown'),
  contradicted: fc.boolean(),
  reminded: fc.boolean(),
});
type Drawn = typeof keeper extends fc.Arbitrary<infer Each> ? Each : never;

function factsFrom(drawn: readonly Drawn[]) {
  return drawn.map((each, i) => {
    // Alive so far, then dead or not known; what is contradicted is not known from there on.
    const states = Object.fromEntries(
      MILESTONES.map((milestone, at) => [
        milestone,
        at < each.alive ? 'alive' : each.contradicted ? 'unknown' : each.end,
      ]),
    ) as Record<Milestone, TakeState>;
    const asked = ASKED[each.workshopId]!;
    const last = asked.at(-1);
    return {
      contradicted: each.contradicted,
      fact: {
        unionId: `u${i}`,
        called: `U${i}`,
        href: `/plants/U${i}`,
        plantId: each.plant ?? `sole ${i}`,
        workshopId: each.workshopId,
        date: each.date,
        method: each.method,
        variant: 'spring',
        woodLotId: each.lot,
        stockLotId: null,
        siteId: SITES[each.workshopId]!,
        makerId: each.makerId,
        variety: each.lot === 'l3' ? 'Old Lantern' : 'Heron Slip',
        states,
        asked,
        fate: last && !each.contradicted ? states[last] : 'unknown',
        aliveFor: 0,
        deadBy: null,
        score: null,
        contact: null,
        fatal: false,
        outlook: null,
        outlookBy: null,
        reminded: each.reminded && !each.contradicted,
      } satisfies KeeperFact,
    };
  });
}

type Known = ReturnType<typeof factsFrom>[number];

/** Counts as a database makes them, group by group. */
function alike(known: readonly Known[], by: (fact: KeeperFact) => string): OnOnePlant[] {
  const keyOf = ({ fact }: Known): string => JSON.stringify([fact.workshopId, fact.date, fact.method, by(fact)]);
  return [...groupedBy(known, keyOf).values()].map((own) => {
    const { fact } = own[0]!;
    const count = (holds: (each: Known) => boolean): number => own.filter(holds).length;
    return {
      ...fact,
      keepers: own.length,
      at: fateCountsOf(
        MILESTONES.flatMap((milestone) => [
          count(({ fact }) => fact.states[milestone] === 'alive'),
          count(({ fact }) => fact.states[milestone] === 'dead'),
          count(({ fact, contradicted }) => fact.states[milestone] === 'alive' && contradicted),
          count(({ fact }) => fact.states[milestone] === 'alive' && fact.reminded),
          count(({ fact }) => fact.states[milestone] === 'dead' && fact.reminded),
        ]),
      ),
    };
  });
}

const unseen = (parts: TakeParts) => ({
  ...parts,
  lotIds: [...parts.lotIds].sort(),
  runs: Object.fromEntries(
    [...parts.runs].map(([method, run]) => [method, [...run].sort(([a], [b]) => a.localeCompare(b))]),
  ),
  kinds: Object.fromEntries(
    TAKE_KINDS.map((kind) => [kind, parts.kinds[kind].map(({ level, take }) => ({ level, take }))]),
  ),
});

describe('the parts of a board of take', () => {
  it('are the same from keepers one by one and from counts of them', () => {
    fc.assert(
      fc.property(fc.array(keeper, { maxLength: 60 }), fc.constantFrom(null, ...MILESTONES), (drawn, milestone) => {
        const known = factsFrom(drawn);
        const facts = known.map(({ fact }) => fact);
        const several = known.filter(({ fact }) => !fact.plantId.startsWith('sole'));
        const counts = {
          byLot: alike(known, ({ woodLotId }) => woodLotId ?? ''),
          byHand: alike(known, ({ makerId }) => makerId),
          byPlant: alike(several, ({ plantId }) => plantId),
        };
        expect(unseen(takePartsOfCounts(counts, milestone))).toEqual(unseen(takePartsOfFacts(facts, milestone)));
      }),
      { numRuns: 300 },
    );
  });
  it('are drawn one by one where they were read so', () => {
    const [known] = factsFrom(fc.sample(keeper, { seed: 7, numRuns: 1 }));
    const { kinds } = takePartsOfFacts([known!.fact], null);
    expect(kinds.hand[0]!.marks).toEqual([
      { unionId: 'u0', called: 'U0', href: '/plants/U0', state: known!.fact.fate },
    ]);
  });
});

describe('keepers that were counted', () => {
  const counted = (counts: number[]): KeepersAlike => ({
    workshopId: 'a',
    siteId: 'shore',
    date: DAYS[0]!,
    method: 'whip',
    variant: 'spring',
    woodLotId: null,
    variety: null,
    makerId: null,
    asked: ['healed', 'growing'],
    keepers: 10,
    at: fateCountsOf(counts),
  });
  const [healed, growing, none] = [
    [8, 1, 0, 0, 0],
    [6, 2, 1, 1, 1],
    [0, 0, 0, 0, 0],
  ];
  it('count at the last milestone that was asked, without what contradicts itself', () => {
    const own = counted([...healed!, ...growing!, ...none!, ...none!]);
    expect(takeOfAlike([own], null)).toMatchObject({ handedOver: 10, alive: 5, dead: 2, unknown: 3 });
    expect(takeOfAlike([own], 'healed')).toMatchObject({ alive: 8, dead: 1, unknown: 1 });
    expect(takeOfAlike([own], 'season')).toMatchObject({ handedOver: 0, rate: null });
    expect(takeOfAlike([{ ...own, asked: [] }], null)).toMatchObject({ handedOver: 10, unknown: 10 });
  });
  it('are five for each milestone', () => {
    expect(() => counted([...healed!, ...growing!])).toThrow('five for each milestone');
    expect(KEPT_COUNTS).toHaveLength(5);
  });
});
