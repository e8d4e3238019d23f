import { describe, expect, it } from 'vitest';
import { bleeds, pairingOf, USUAL_PAIRINGS } from './compatibility';

describe('pairingOf', () => {
  it.each([
    ['pear', 'pear', 'works'],
    ['quince', 'medlar', 'works'],
    ['quince', 'pear', 'mind'],
    ['plum', 'cherry', 'fails'],
    ['plum', 'apricot', 'works'],
    ['medlar', 'apple', 'mind'],
    ['cherry', 'peach', 'mind'],
    ['persimmon', 'pear', 'fails'],
    [' Quince ', 'MEDLAR', 'works'],
  ])('%s under %s: %s', (stock, scion, verdict) => {
    expect(pairingOf(stock, scion)!.verdict).toBe(verdict);
  });
  it('says nothing of kinds it does not know', () => {
    expect(pairingOf('reedwood', 'pear')).toBeNull();
  });
  it('lets a club’s own row stand before the usual one', () => {
    const own = [
      { stock: 'quince', scion: 'pear', verdict: 'works' as const, note: 'ours agrees', source: 'our rows of 2024' },
    ];
    expect(pairingOf('Quince', 'Pear', own)).toEqual(own[0]);
  });
  it('has a source in every row', () => {
    for (const { source } of USUAL_PAIRINGS) expect(source.length).toBeGreaterThan(5);
    expect(bleeds('Walnut')).toBe(true);
    expect(bleeds('pear')).toBe(false);
  });
});
