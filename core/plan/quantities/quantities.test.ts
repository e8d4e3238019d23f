import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { METHODS } from '../../methods/registry';
import { binomialTail } from '../../statistics/binomial-tail';
import { dilution } from './dilution';
import { allAtOnce, chanceOfLiving, howMany } from './how-many';
import { kitLines, shoppingList } from './kit';
import { graftsPerStick, methodNeed, type NeedInput, USUAL_SETTINGS } from './needs';
import { waysWithLess } from './short-wood';
import { earlierWorkshops, expectedTake, newWorkshopTake, takeQuantile } from './new-workshop-take';

describe('binomial tails', () => {
  // Printed tables of the binomial distribution.
  it.each([
    [10, 7, 0.8, 0.8791],
    [20, 15, 0.7, 0.4164],
    [5, 5, 0.9, 0.5905],
    [8, 6, 0.75, 0.6785],
    [15, 12, 0.9, 0.9444],
    [12, 10, 0.5, 0.0193],
  ])('n %i, at least %i, p %d: %d', (n, k, p, tail) => expect(binomialTail(n, k, p)).toBeCloseTo(tail, 4));
  it('add up with their complement', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 60 }),
        fc.integer({ min: 0, max: 60 }),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (n, k, p) => {
          fc.pre(k <= n);
          // At least k successes is at most n - k failures.
          expect(binomialTail(n, k, p) + binomialTail(n, n - k + 1, 1 - p)).toBeCloseTo(1, 9);
        },
      ),
    );
  });
  it('refuse what is no chance', () => {
    expect(() => binomialTail(5, 2, 1.2)).toThrow('between 0 and 1');
    expect(() => binomialTail(2.5, 1, 0.5)).toThrow('whole');
  });
});

describe('the take of a new workshop', () => {
  it('is what two numerical integrations by other ways say of it', () => {
    // 60 Gauss-Hermite points over each workshop's own effect, in NumPy: 5 and 95 % of the belief.
    for (const [history, low, high] of [
      ['26/30 21/28', 0.3972, 0.9706],
      ['26/30 21/28 30/34 19/30 25/30', 0.5372, 0.9397],
      ['0/5', 0.0078, 0.6501],
    ] as const) {
      const take = newWorkshopTake(workshops(history));
      expect(takeQuantile(take, 0.05)).toBeCloseTo(low, 2);
      expect(takeQuantile(take, 0.95)).toBeCloseTo(high, 2);
    }
  });
  it('is surer the more is known and the more alike workshops are', () => {
    const wide = (history: string): number => {
      const take = newWorkshopTake(workshops(history));
      return takeQuantile(take, 0.95) - takeQuantile(take, 0.05);
    };
    expect(wide('25/30 26/30 24/30 25/30 26/30')).toBeLessThan(wide('25/30 26/30'));
    expect(wide('25/30 26/30 24/30 25/30 26/30')).toBeLessThan(wide('29/30 16/30 24/30 28/30 18/30'));
    expect(wide('250/300 260/300 240/300 250/300')).toBeLessThan(wide('25/30 26/30 24/30 25/30'));
  });
  it('mirrors: of the dead it is that of the living turned round, where nothing is known', () => {
    const { logOdds, chances } = newWorkshopTake([]);
    const mean = chances.reduce((sum, chance, i) => sum + chance * logOdds[i]!, 0);
    expect(mean).toBeCloseTo(1, 6);
    expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 12);
  });
  it('counts what is usual as two workshops until there are three of its own', () => {
    const prior = { low: 0.85, high: 0.95, weight: 20 };
    expect(earlierWorkshops([], prior)).toEqual(workshops('17/20 19/20'));
    expect(earlierWorkshops(workshops('3/9'), prior)).toHaveLength(3);
    expect(earlierWorkshops(workshops('3/9 5/9 7/9'), prior)).toHaveLength(3);
  });
  it('refuses counts that are none', () =>
    expect(() => newWorkshopTake([{ alive: 5, known: 4 }])).toThrow('alive of known, not 5/4'));
});

const workshops = (words: string): { alive: number; known: number }[] =>
  words.split(' ').map((word) => {
    const [alive, known] = word.split('/').map(Number);
    return { alive: alive!, known: known! };
  });

describe('how many to make', () => {
  const belief = newWorkshopTake(workshops('18/20 17/20 19/20'));
  it('is the smallest that does', () => {
    const { each, everybody, pooled } = howMany({ keepers: 2, people: 22, confidence: 0.9 }, belief);
    expect(chanceOfLiving(each!, 2, belief)).toBeGreaterThanOrEqual(0.9);
    expect(chanceOfLiving(each! - 1, 2, belief)).toBeLessThan(0.9);
    expect(everybody!).toBeGreaterThan(each!);
    expect(allAtOnce(everybody! - 1, 2, 22, belief)).toBeLessThan(0.9);
    expect(pooled!).toBeGreaterThanOrEqual(44);
    expect(pooled!).toBeLessThan(22 * everybody!);
    expect(chanceOfLiving(pooled! - 1, 44, belief)).toBeLessThan(0.9);
    expect(allAtOnce(4, 2, 1, belief)).toBeCloseTo(chanceOfLiving(4, 2, belief), 12);
    expect(expectedTake(belief)).toBeGreaterThan(0.8);
  });
  it('never falls when more is promised or wished', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 6 }),
        fc.double({ min: 0.5, max: 0.97, noNaN: true }),
        (keepers, confidence) => {
          const now = howMany({ keepers, people: 5, confidence }, belief);
          expect(howMany({ keepers: keepers + 1, people: 5, confidence }, belief).each!).toBeGreaterThan(now.each! - 1);
          expect(
            howMany({ keepers, people: 5, confidence: Math.min(0.99, confidence + 0.02) }, belief).each!,
          ).toBeGreaterThanOrEqual(now.each!);
        },
      ),
      { numRuns: 15 },
    );
  });
  it('says so when nobody is there or nothing would do', () => {
    expect(() => howMany({ keepers: 2, people: 0, confidence: 0.9 }, belief)).toThrow('Nobody is seated');
    expect(() => howMany({ keepers: 2, people: 3, confidence: 1 }, belief)).toThrow('confidence');
    expect(
      howMany({ keepers: 20, people: 1, confidence: 0.99 }, newWorkshopTake(workshops('2/20 1/20 2/20'))).each,
    ).toBeNull();
  });
});

describe('dilution', () => {
  it.each([
    [1, 5, 0.3],
    [5, 5, 1.5],
    [1, 10, 0.15],
    [2, 1.5, 2],
    [1, 12, 0.125],
  ])('%d l of 1.5 %% from %d %%: %d l of the bottle', (wanted, bottle, part) => {
    const parts = dilution(wanted, 1.5, bottle);
    expect(parts.bottle).toBeCloseTo(part, 12);
    expect(parts.bottle + parts.water).toBeCloseTo(wanted, 12);
  });
  it('needs a bottle that is strong enough', () => expect(() => dilution(1, 1.5, 1)).toThrow('Take a stronger one'));
});

describe('what a method takes', () => {
  const cleft = METHODS.find(
    ({ use, schools }) =>
      use.takes.piece === 'scion' && use.takes.buds === 2 && schools.some(({ id }) => id === 'buds'),
  )!;
  const bud = METHODS.find(({ use }) => use.takes.piece === 'bud' && use.bark === 'need not slip')!;
  const input: NeedInput = {
    plan: {
      method: cleft.id,
      place: 'field',
      scionSpecies: 'pear',
      stockSpecies: 'pear',
      practiceEach: 4,
      keepersEach: 2,
      practiceOn: 'good',
    },
    method: cleft,
    choices: {},
    history: workshops('18/20 17/20 19/20'),
    spoils: { share: 0, spoiled: 0, cuts: 20 },
    people: 10,
    settings: USUAL_SETTINGS,
  };
  it('a stick of eight buds gives eight buds, or two or three scions', () => {
    expect(graftsPerStick(8, 1, 'bud', 0.25)).toBe(8);
    expect(graftsPerStick(8, 2, 'scion', 0.25)).toBe(3);
    expect(graftsPerStick(8, 3, 'scion', 0.25)).toBe(2);
    expect(graftsPerStick(8, 1, 'tip', 0.25)).toBe(1);
  });
  it('counts practice on good wood and lets prunings spare it', () => {
    const need = methodNeed(input);
    expect(need.stocks).toBe(need.keepers + 40);
    expect(need.sticks).toBe(Math.ceil(need.stocks / 3));
    const spared = methodNeed({ ...input, plan: { ...input.plan, practiceOn: 'prunings' } });
    expect(spared.sticks).toBe(Math.ceil(need.keepers / 3));
    expect(spared.prunings).toBeGreaterThan(0);
    expect(() => methodNeed({ ...input, settings: { ...USUAL_SETTINGS, usableBuds: 1 } })).toThrow('gives no graft');
  });
  it('has wood for cuts that spoil, and stocks as before', () => {
    const [plain, spoiling] = [0, 0.2].map((share) => methodNeed({ ...input, spoils: { share, spoiled: 0, cuts: 0 } }));
    expect(plain!.pieces).toBe(plain!.stocks);
    expect(spoiling!.stocks).toBe(plain!.stocks);
    expect(spoiling!.pieces).toBe(Math.ceil(plain!.stocks / 0.8));
    expect(spoiling!.sticks).toBe(Math.ceil(spoiling!.pieces / 3));
  });
  it('offers what to give up when wood is short, with figures that hold', () => {
    const need = methodNeed(input);
    const ways = waysWithLess(input, 9, { method: bud, history: input.history, spoils: input.spoils });
    expect(ways.map(({ says }) => says).join(' ')).toContain('prunings');
    expect(ways.map(({ says }) => says).join(' ')).toContain(bud.name);
    for (const way of ways) {
      expect(way.sticks).toBeLessThan(need.sticks);
      expect(way.enough).toBe(way.sticks <= 9);
    }
    expect(waysWithLess(input, 1000, null)).toEqual([]);
  });
  it('makes a kit for seats, benches and the shop, less what is in store', () => {
    const need = methodNeed(input);
    const lines = kitLines({
      needs: [need],
      people: 10,
      leftHanded: 2,
      settings: USUAL_SETTINGS,
      unit: 'mm',
    });
    const line = (id: string) => lines.find((kitLine) => kitLine.id === id)!;
    expect(line('glove')).toMatchObject({ per: 'seat', total: 10 });
    expect(line('grafting-knife').total + line('grafting-knife-left').total).toBe(10);
    expect(line('disinfectant')).toMatchObject({ per: 'bench', each: 1, total: 3 });
    expect(line('disinfectant').note).toContain('300 ml of 5 % and 700 ml of water');
    expect(line('label').total).toBe(need.keepers);
    expect(line('stocks-pear').total).toBe(need.stocks);
    const list = shoppingList(
      lines,
      { glove: { total: 12 } },
      [{ id: 'own-tea', name: 'tea', unit: 'pieces', per: 'workshop', each: null, total: 2, note: '' }],
      { glove: { inStore: 5, price: 4 }, label: { inStore: 1000, price: null } },
    );
    expect(list.find(({ id }) => id === 'glove')).toMatchObject({ total: 12, buy: 7, cost: 28 });
    expect(list.find(({ id }) => id === 'label')).toMatchObject({ buy: 0, cost: null });
    expect(list.at(-1)).toMatchObject({ name: 'tea', buy: 2 });
  });
});
