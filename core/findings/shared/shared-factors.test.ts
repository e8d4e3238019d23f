import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { seededRandom } from '../../chance/seeded-random';
import { countedLevels, sharedEvidence } from './shared-evidence';
import { type KnownFate, levelCounts, sharedFactors } from './shared-factors';

/** So many of a level died, so many live. */
function fates(...groups: { dead: number; alive: number; levels: KnownFate['levels']; day?: string }[]): KnownFate[] {
  return groups.flatMap(({ dead, alive, levels, day = 'day' }, g) =>
    Array.from({ length: dead + alive }, (_, i) => ({
      unionId: `${g}-${i}`,
      workshopId: day,
      method: 'whip',
      dead: i < dead,
      levels,
    })),
  );
}

const warmLot = fates(
  { dead: 9, alive: 1, levels: { 'wood-lot': ['warm'], grafter: ['Ona'] } },
  { dead: 6, alive: 38, levels: { 'wood-lot': ['cold'], grafter: ['Nils'] } },
);

describe('what deaths share', () => {
  it('counts inside a level and beside it, in the same workshops only', () => {
    const elsewhere = fates({ dead: 30, alive: 0, levels: { 'wood-lot': ['other'] }, day: 'another day' });
    const [warm] = levelCounts([...warmLot, ...elsewhere]);
    expect(warm).toMatchObject({ level: 'warm', dead: 9, all: 10, deadBeside: 6, allBeside: 44 });
    // Without a beside nothing is compared.
    expect(levelCounts([...warmLot, ...elsewhere]).some(({ level }) => level === 'other')).toBe(false);
  });
  it('puts the one that explains most first, and says what holds the same unions', () => {
    const found = sharedFactors(warmLot);
    expect(found.map(({ kind, level }) => [kind, level])).toEqual([
      ['wood-lot', 'warm'],
      ['grafter', 'Ona'],
    ]);
    expect(found[0]).toMatchObject({
      named: true,
      explainedBy: null,
      inseparable: [{ kind: 'grafter', level: 'Ona' }],
    });
    expect(found[1]!.inseparable).toEqual([{ kind: 'wood-lot', level: 'warm' }]);
    expect(found[1]!.explainedBy).toBeNull();
  });
  it('says that a level is explained by a stronger one when it stands out no more without it', () => {
    // A bench got most of the warm lot; what it made of other wood lives as everywhere.
    const found = sharedFactors(
      fates(
        { dead: 14, alive: 1, levels: { 'wood-lot': ['warm'], bench: ['window'] } },
        { dead: 4, alive: 1, levels: { 'wood-lot': ['warm'], bench: ['door'] } },
        { dead: 1, alive: 9, levels: { 'wood-lot': ['cold'], bench: ['window'] } },
        { dead: 4, alive: 36, levels: { 'wood-lot': ['cold'], bench: ['door'] } },
      ),
    );
    expect(found[0]).toMatchObject({ kind: 'wood-lot', level: 'warm', explainedBy: null });
    expect(found.find(({ kind }) => kind === 'bench')).toMatchObject({
      level: 'window',
      explainedBy: { kind: 'wood-lot', level: 'warm' },
      inseparable: [],
    });
  });
  it('keeps two that each stand out by themselves', () => {
    const found = sharedFactors(
      fates(
        { dead: 12, alive: 2, levels: { 'wood-lot': ['warm'], bench: ['door'] } },
        { dead: 12, alive: 2, levels: { 'wood-lot': ['cold'], bench: ['window'] } },
        { dead: 5, alive: 55, levels: { 'wood-lot': ['cold'], bench: ['door'] } },
      ),
    ).filter(({ explainedBy }) => explainedBy === null);
    expect(found.map(({ level }) => level).sort()).toEqual(['warm', 'window']);
  });
  it('names next to nothing where deaths fall by chance alone', () => {
    let named = 0;
    for (let seed = 1; seed <= 60; seed++) {
      const random = seededRandom(seed);
      const pick = (name: string, many: number): string[] => [`${name}${Math.floor(random() * many)}`];
      const all = Array.from({ length: 90 }, (_, i) => ({
        unionId: String(i),
        workshopId: 'day',
        method: 'whip',
        dead: random() < 0.2,
        levels: {
          'wood-lot': pick('lot', 6),
          'stock-lot': pick('stock', 3),
          grafter: pick('hand', 15),
          bench: pick('bench', 5),
          place: pick('bed', 6),
        } as KnownFate['levels'],
      }));
      named += Number(sharedFactors(all).some((factor) => factor.named));
    }
    // One in twenty such clubs may show something: seven or fewer of sixty in 99 of 100 tries.
    expect(named).toBeLessThanOrEqual(7);
  });
  it('has unions inside and beside that make the whole of the workshops, whatever there is', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.boolean(), fc.constantFrom('a', 'b', 'c'), fc.constantFrom('x', 'y')), { maxLength: 40 }),
        (rows) => {
          const all = rows.map(([dead, lot, day], i) => ({
            unionId: String(i),
            workshopId: day,
            method: 'whip',
            dead,
            levels: { 'wood-lot': [lot] },
          }));
          for (const { level, dead, all: inside, deadBeside, allBeside, factor } of levelCounts(all)) {
            const days = new Set(all.filter(({ levels }) => levels['wood-lot'][0] === level).map((f) => f.workshopId));
            const there = all.filter(({ workshopId }) => days.has(workshopId));
            expect(inside + allBeside).toBe(there.length);
            expect(dead + deadBeside).toBe(there.filter((fate) => fate.dead).length);
            expect(factor).toBeGreaterThan(0);
          }
        },
      ),
    );
  });
});

describe('what a death shares, as evidence', () => {
  const evidenceAt = (all: KnownFate[], at: number) => sharedEvidence(all, countedLevels(levelCounts(all)), at);
  it('is strong from factor 100 on, and says its counts', () => {
    expect(evidenceAt(warmLot, 0)).toEqual([
      // Her grafts are the lot's, so that the hand is no second piece of evidence.
      { code: 'shared-wood-lot-strong', from: '9 of 10 died, 6 of 44 beside it' },
    ]);
  });
  it('says that most others of the lot live, from three known others on', () => {
    const died = warmLot.findIndex(({ dead, levels }) => dead && levels['wood-lot']![0] === 'cold');
    expect(evidenceAt(warmLot, died)).toEqual([{ code: 'lot-mates-live', from: '38 of 43 others of its lot live' }]);
    const few = fates(
      { dead: 1, alive: 2, levels: { 'wood-lot': ['small'] } },
      { dead: 1, alive: 9, levels: { 'wood-lot': ['large'] } },
    );
    expect(evidenceAt(few, 0)).toEqual([]);
  });
});
