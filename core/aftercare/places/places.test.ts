import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { lostTag, type Recorded } from './lost-tag';
import { parseStretch, spotsOf, stretchWords } from './stretch';

const BED = { name: 'The bed by the wall', rows: { count: 4, each: 25, spacing: 300 } };

describe('a stretch of a bed as it is typed', () => {
  it.each([
    ['row 3, 4 to 12', { row: 3, from: 4, to: 12 }],
    ['Row 3,4-12', { row: 3, from: 4, to: 12 }],
    [' 3: 7 ', { row: 3, from: 7, to: 7 }],
    ['12 / 1 .. 25', { row: 12, from: 1, to: 25 }],
  ])('%s', (text, stretch) => {
    expect(parseStretch(text)).toEqual(stretch);
  });
  it.each([
    ['', 'Type a stretch'],
    ['row three', 'Type a stretch'],
    ['row 0, 1', 'counted from 1'],
    ['row 3, 12 to 4', 'did you mean 4 to 12'],
    ['row 3, 4 to 12 to 20', 'Type a stretch'],
  ])('is refused in words: %s', (text, words) => {
    expect(() => parseStretch(text)).toThrow(words);
  });
  it('is read again as it is said', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 999 }), fc.integer({ min: 1, max: 900 }), fc.nat(99), (row, from, more) => {
        const stretch = { row, from, to: from + more };
        expect(parseStretch(stretchWords(stretch))).toEqual(stretch);
      }),
    );
  });
  it('has its spots in planting order, and none past the end of a row or of the bed', () => {
    expect(spotsOf({ row: 3, from: 24, to: 25 }, BED)).toEqual([
      { row: 3, position: 24 },
      { row: 3, position: 25 },
    ]);
    expect(() => spotsOf({ row: 5, from: 1, to: 2 }, BED)).toThrow('has 4 rows, and no row 5');
    expect(() => spotsOf({ row: 1, from: 20, to: 26 }, BED)).toThrow('26 is past its end');
    expect(() => spotsOf({ row: 1, from: 1, to: 1 }, { name: 'Pail 2', rows: null })).toThrow('Pail 2 has no rows');
  });
});

const plant = (code: string, order: number | null, lot = 'pear', tagSeen = false): Recorded => ({
  code,
  order,
  lot,
  tagSeen,
});
const ALONE = { after: null, before: null, lot: null, untagged: 1 };

describe('a tag that fell off', () => {
  it('must be the only one that is missing', () => {
    const recorded = [plant('AAAAAA', null, 'pear', true), plant('BBBBBB', null)];
    expect(lostTag(ALONE, recorded)).toEqual({ kind: 'must', code: 'BBBBBB' });
  });
  it('is told by its neighbours in planting order where several are missing', () => {
    const recorded = [
      plant('A', 1),
      plant('B', 2, 'pear', true),
      plant('C', 3),
      plant('D', 4, 'pear', true),
      plant('E', 5),
    ];
    expect(lostTag({ ...ALONE, after: 2, before: 4, untagged: 3 }, recorded)).toEqual({ kind: 'must', code: 'C' });
    expect(lostTag({ ...ALONE, after: 2, untagged: 3 }, recorded)).toEqual({
      kind: 'may',
      codes: ['C', 'E'],
      lot: 'pear',
    });
  });
  it('may be some in a pail; of one lot, so that its variety is sure, or of two', () => {
    const pail = [plant('A', null), plant('B', null), plant('C', null, 'medlar')];
    expect(lostTag({ ...ALONE, untagged: 3 }, pail)).toMatchObject({ kind: 'may', lot: null });
    expect(lostTag({ ...ALONE, lot: 'pear', untagged: 3 }, pail)).toEqual({
      kind: 'may',
      codes: ['A', 'B'],
      lot: 'pear',
    });
    expect(lostTag({ ...ALONE, lot: 'medlar', untagged: 3 }, pail)).toEqual({ kind: 'must', code: 'C' });
  });
  it('may be a stranger where more are without a tag than are missing', () => {
    expect(lostTag({ ...ALONE, untagged: 2 }, [plant('A', null)])).toEqual({ kind: 'may', codes: ['A'], lot: 'pear' });
  });
  it('cannot be known where nothing on record fits', () => {
    expect(lostTag(ALONE, [])).toEqual({ kind: 'unknown' });
    expect(lostTag({ ...ALONE, lot: 'quince' }, [plant('A', null)])).toEqual({ kind: 'unknown' });
    expect(() => lostTag({ ...ALONE, untagged: 0 }, [])).toThrow(RangeError);
  });
  it('never names a plant whose tag was seen, nor one outside of its neighbours', () => {
    const known = fc.record({
      order: fc.option(fc.nat(20)),
      lot: fc.constantFrom('pear', 'medlar'),
      tagSeen: fc.boolean(),
    });
    const asked = fc.record({
      after: fc.option(fc.nat(20)),
      before: fc.option(fc.nat(20)),
      lot: fc.option(fc.constantFrom('pear', 'medlar')),
      untagged: fc.integer({ min: 1, max: 6 }),
    });
    fc.assert(
      fc.property(fc.array(known, { maxLength: 12 }), asked, (plants, spot) => {
        const recorded = plants.map((entry, i) => ({ ...entry, code: `P${i}` }));
        const found = lostTag(spot, recorded);
        const named = found.kind === 'must' ? [found.code] : found.kind === 'may' ? found.codes : [];
        for (const code of named) {
          const { tagSeen, order, lot } = recorded.find((known) => known.code === code)!;
          expect(tagSeen).toBe(false);
          expect(spot.lot === null || lot === spot.lot).toBe(true);
          if (order !== null) expect(order > (spot.after ?? -1) && order < (spot.before ?? 99)).toBe(true);
        }
        if (found.kind === 'must')
          expect(recorded.filter(({ tagSeen }) => !tagSeen).length).toBeGreaterThanOrEqual(spot.untagged);
      }),
    );
  });
});
