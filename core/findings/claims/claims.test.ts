import { describe, expect, it } from 'vitest';
import { scoreSlope, type JudgedUnion } from '../score/score-slope';
import { slopeSentence } from '../sentences/score-sentence';
import { claimsOf } from './claims';
import { drawnClub, NULL_KINDS, type Truth } from './testing/drawn-club';

const NOTHING = { score: null, costs: [], differs: [], shared: [] };
const small = { workshops: 5, hands: 9, each: 5 };
const seeds = [1, 2, 3, 4, 5, 6];

describe('clubs in which neither a score nor a fault does anything', () => {
  const said = Object.entries(NULL_KINDS).flatMap(([kind, differ]) =>
    seeds.map((seed) => ({ kind, claims: claimsOf(drawnClub(seed + 40, differ, 'none', small).unions) })),
  );
  it('are hardly ever told that the score foretells', () =>
    // One in twenty of 36 by the rule itself: six or more would come in one of a hundred runs.
    expect(said.filter(({ claims }) => claims.score?.claims).map(({ kind }) => kind).length).toBeLessThanOrEqual(5));
  it('are hardly ever told that a fault costs trees', () =>
    expect(said.filter(({ claims }) => claims.costs.length > 0).length).toBeLessThanOrEqual(5));
  it('hardly ever have wood, stocks or a material blamed', () =>
    expect(
      said.filter(({ claims }) => claims.shared.some(({ group }) => !['grafter', 'home'].includes(group))).length,
    ).toBeLessThanOrEqual(5));
  it('never have a hand named without the place where its grafts stand', () => {
    const hands = said.flatMap(({ claims }) =>
      [...claims.differs, ...claims.shared].filter(({ group }) => group === 'grafter'),
    );
    expect(hands.length).toBeGreaterThan(0);
    for (const { twins } of hands) expect(twins.some(({ group }) => group === 'home')).toBe(true);
  });
});

describe('clubs in which one thing is true', () => {
  it.each([
    ['dead wood', 'wood_lot lot 1.0'],
    ['weak hand', 'grafter hand 0'],
    ['binding', 'material raffia'],
  ] as [Truth, string][])('are told of %s', (truth, name) => {
    const found = seeds.filter((seed) => {
      const { differs, shared } = claimsOf(drawnClub(seed, NULL_KINDS.days!, truth).unions);
      return [...differs, ...shared].some(
        ({ group, level, twins }) =>
          `${group} ${level}` === name || twins.some((twin) => `${twin.group} ${twin.level}` === name),
      );
    });
    expect(found.length).toBeGreaterThanOrEqual(4);
  });
  it('are told of the score where it is the score', () => {
    const found = seeds.map((seed) => drawnClub(seed, NULL_KINDS.hands!, 'score').unions as JudgedUnion[]);
    const slopes = found.map((unions) => scoreSlope(unions));
    expect(slopes.filter(({ claims }) => claims).length).toBeGreaterThanOrEqual(5);
    const { bins } = slopes.find(({ claims }) => claims)!;
    expect(bins.at(-1)!.wouldLive).toBeGreaterThan(bins[0]!.wouldLive);
    expect(slopeSentence(slopes.find(({ claims }) => claims)!)).toMatch(/^The higher the score, the more live/);
  });
  it('are told by the bins where a line over the score is not enough', () => {
    const bend = (score: number): boolean => score >= 80 && score < 88;
    const [straight, bent] = [false, true].map((isBent) =>
      scoreSlope(
        drawnClub(5, NULL_KINDS['nothing differs']!).unions.map((union, i) => ({
          ...union,
          alive: isBent && !union.fatal ? (bend(union.score!) ? i % 10 < 9 : i % 10 < 4) : union.alive,
        })) as JudgedUnion[],
      ),
    );
    expect(straight!.straight).toBe(true);
    expect(bent!.straight).toBe(false);
    const middle = bent!.bins.find(({ from }) => from === 75)!;
    expect(Math.abs(middle.wouldLive - (100 * middle.alive) / middle.keepers)).toBeLessThan(6);
  });
  it('a lot that was a whole workshop is told as both', () => {
    const { unions } = drawnClub(3, NULL_KINDS['nothing differs']!, 'none');
    const dead = unions.map((union) =>
      union.groups.workshop === 'day 2'
        ? { ...union, alive: false, groups: { ...union.groups, wood_lot: 'whole' } }
        : union,
    );
    const { differs, shared } = claimsOf(dead);
    const named = [...differs, ...shared].filter(({ level }) => level === 'whole' || level === 'day 2');
    expect(named.length).toBeGreaterThan(0);
    for (const { twins, level } of named)
      expect(twins.map((twin) => twin.level)).toContain(level === 'whole' ? 'day 2' : 'whole');
    expect(shared.some(({ level }) => level === 'whole')).toBe(false);
  });
});

describe('tables with little in them', () => {
  const { unions } = drawnClub(1, NULL_KINDS.everything!);
  it('claim nothing', () => {
    expect(claimsOf(unions.slice(0, 3))).toEqual(NOTHING);
    expect(claimsOf(unions.map((union) => ({ ...union, alive: true })))).toEqual(NOTHING);
    expect(() => claimsOf([])).toThrow('no union with a known fate');
  });
  it('do with what they have: alive alone, one method, one workshop', () => {
    expect(
      claimsOf(unions.map(({ alive }) => ({ alive, method: null, score: null, fatal: null, groups: {} }))),
    ).toEqual(NOTHING);
    const single = unions.map((union) => ({ ...union, method: 'whip', groups: { ...union.groups, workshop: 'd' } }));
    expect(claimsOf(single).score).not.toBeNull();
  });
  it('say that nothing can be told where each hand made one', () => {
    const slope = scoreSlope(
      unions.map((union, i) => ({ ...union, groups: { ...union.groups, grafter: `h${i}` } })) as JudgedUnion[],
    );
    expect(slope.claims).toBe(false);
    expect(slope.untold).toMatch(/Scores of one hand do not differ/);
    expect(slopeSentence(slope)).toMatch(/cannot be told from these keepers/);
  });
});
