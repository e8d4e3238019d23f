import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import { SourcesBoard, type SourceView } from './sources-board';

const tree: SourceView = {
  id: 't',
  kind: 'tree',
  name: 'Old pear by the slip',
  variety: 'Grey Heron',
  species: 'pear',
  note: 'north side only',
  code: null,
  lives: null,
  madeOf: null,
  years: [
    {
      year: 2027,
      sticks: 20,
      booked: 12,
      bookings: [
        { id: 'b1', whom: 'Late winter whips', sticks: 8 },
        { id: 'b2', whom: 'Rill Ashby', sticks: 4 },
      ],
    },
    { year: 2026, sticks: 10, booked: 0, bookings: [] },
  ],
};
const keeper: SourceView = {
  ...tree,
  id: 'k',
  kind: 'keeper',
  name: 'Heron of the boathouse',
  note: '',
  code: 'K7M 4XQ',
  lives: 'alive',
  madeOf: { id: 'lot', variety: 'Grey Heron' },
  years: [],
};
const board = (sources: SourceView[], mayChange = true) =>
  rendered(<SourcesBoard sources={sources} thisYear={2027} mayChange={mayChange} />);

describe('plants to cut from', () => {
  it('say how many sticks are not promised, and who was promised the others', () => {
    const { words, buttons } = board([tree]);
    expect(words).toContain('Grey Heron, pear; a tree; north side only');
    expect(words).toContain('8 of 20 sticks not promised.');
    expect(words).toContain('8 for Late winter whips');
    expect(words).toContain('4 for Rill Ashby');
    expect(buttons).toEqual(expect.arrayContaining(['Take back Late winter whips', 'Take back Rill Ashby']));
  });
  it('are spoken of for the next year somebody entered, else for next winter', () => {
    const chosen = (source: SourceView): string =>
      /<option[^>]*selected=""[^>]*>(\d+)<\/option>/.exec(board([source]).html)![1]!;
    expect(chosen(tree)).toBe('2027');
    expect(chosen(keeper)).toBe('2028');
    expect(chosen({ ...tree, years: [tree.years[1]!] })).toBe('2028');
    expect(board([keeper]).words).toContain('Nobody said yet how many it can give.');
  });
  it('that are keepers say their code, what they were made of, and whether they live', () => {
    const { words, html } = board([keeper]);
    expect(words).toContain('keeper K7M 4XQ, lives');
    expect(html).toContain('href="/wood/lot"');
    expect(board([{ ...keeper, lives: 'unknown' }]).words).toContain('keeper K7M 4XQ, not heard of');
    const dead = board([{ ...keeper, lives: 'dead' }]).words;
    expect(dead).toContain('keeper K7M 4XQ, died');
    expect(dead).toContain('This keeper died: nothing can be cut from it.');
    expect(words).not.toContain('nothing can be cut');
  });
  it('promise no more once all is promised', () => {
    const full = { ...tree, years: [{ ...tree.years[0]!, booked: 20 }] };
    expect(board([full]).words).toContain('0 of 20 sticks not promised.');
    expect(board([full]).buttons).not.toContain('Promise sticks of Old pear by the slip');
    expect(board([tree]).buttons).toContain('Promise sticks of Old pear by the slip');
  });
  it('are looked at only by whoever may not change them', () => {
    const { buttons, words } = board([tree, keeper], false);
    expect(buttons).toEqual([]);
    expect(words).toContain('8 of 20 sticks not promised.');
  });
  it('are asked for where there are none', () => {
    expect(board([]).words).toContain('None named yet.');
    expect(board([]).buttons).toContain('Name a plant');
  });
});
