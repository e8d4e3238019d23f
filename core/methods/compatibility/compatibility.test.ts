import { describe, expect, it } from 'vitest';
import { bleeds, pairingOf, USUAL_PAIRINGS } from './compatibility';

describe('pairingOf', () => {
  it.each([
    ['pear', 'pear', 'works'],
    ['quince', 'medlar', 'works'],
    ['quince', 'pear', 'mind'],
    ['plum', 'cherry', 'fails'],
    ['plum', 'apricot', 'works'],
    ['cherry', 'peach', 'fails'],
    ['peach', 'cherry', 'fails'],
    ['mahaleb', 'sweet cherry', 'works'],
    ['nanking cherry', 'cherry', 'fails'],
    ['almond', 'apricot', 'fails'],
    ['peach', 'apricot', 'mind'],
    ['hawthorn', 'medlar', 'works'],
    ['mountain ash', 'wild pear', 'mind'],
    ['pecan', 'hickory', 'works'],
    ['hickory', 'pecan', 'mind'],
    ['walnut', 'pecan', 'fails'],
    ['trifoliate orange', 'lemon', 'mind'],
    ['date plum', 'kaki', 'mind'],
    ['crab apple', 'apple', 'works'],
    [' Quince ', 'MEDLAR', 'works'],
  ])('%s under %s: %s', (stock, scion, verdict) => {
    expect(pairingOf(stock, scion)!.verdict).toBe(verdict);
  });
  it('says nothing of kinds it does not know', () => {
    expect(pairingOf('reedwood', 'pear')).toBeNull();
    // Nor of pairs that only their family speaks for or against.
    for (const [stock, scion] of [
      ['medlar', 'apple'],
      ['persimmon', 'pear'],
      ['chestnut', 'hazel'],
    ] as const)
      expect(pairingOf(stock, scion), `${scion} on ${stock}`).toBeNull();
  });
  it('lets a club’s own row stand before the usual one', () => {
    const own = [
      { stock: 'quince', scion: 'pear', verdict: 'works' as const, note: 'ours agrees', source: 'our rows of 2024' },
    ];
    expect(pairingOf('Quince', 'Pear', own)).toEqual(own[0]);
  });
  it('has a source in every row, and no pair twice', () => {
    for (const { source } of USUAL_PAIRINGS) expect(source.length).toBeGreaterThan(5);
    const pairs = USUAL_PAIRINGS.map(({ stock, scion }) => `${scion} on ${stock}`);
    expect(pairs.filter((pair, i) => pairs.indexOf(pair) !== i)).toEqual([]);
  });
});

describe('bleeds', () => {
  it.each([
    ['Walnut', 'whip-and-tongue', 'field', true],
    ['walnut', 'cleft', 'field', true],
    ['walnut', 'patch', 'field', false],
    ['walnut', 'chip', 'bench', false],
    ['walnut', 't-bud', 'field', false],
    ['grape', 'cleft', 'field', true],
    ['grape', 'whip-and-tongue', 'bench', false],
    ['pecan', 'inlay', 'field', false],
    ['hickory', 'cleft', 'field', false],
    ['pear', 'cleft', 'field', false],
  ])('%s by %s, %s: %s', (species, method, place, expected) => {
    expect(bleeds(species, { method, place })).toBe(expected);
  });
});
