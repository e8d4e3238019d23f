import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import { PairingBoard } from './pairing-board';

type Props = ComponentProps<typeof PairingBoard>;

const seats: Props['seats'] = [
  { id: 's1', name: 'Ona Ferrel', skill: 'sure', earlier: 3 },
  { id: 's2', name: 'Bram Odewick', skill: 'first', earlier: 0 },
];
const stocks: Props['stocks'] = [
  { id: 'k1', number: 1, caliper: 12, seat: 's1', skill: 'sure' },
  { id: 'k2', number: 2, caliper: 10, seat: 's2', skill: 'first' },
];
const sticks: Props['sticks'] = [
  { id: 'w1', number: 7, caliper: 11 },
  { id: 'w2', number: 8, caliper: 9 },
];
const scions: Props['scions'] = [
  { id: 'w1/0', stick: 'w1', piece: 0, caliper: 11 },
  { id: 'w2/0', stick: 'w2', piece: 0, caliper: 9 },
  { id: 'w2/1', stick: 'w2', piece: 1, caliper: 8.5 },
];
const saved: Props['saved'] = {
  inOrder: 1.1,
  pairs: [
    { stock: 'k2', stick: 'w2', piece: 0, seat: 's2', contact: 0.72, fixed: true, method: 'whip-and-tongue' },
    { stock: 'k1', stick: 'w1', piece: 0, seat: 's1', contact: 0.9, fixed: false, method: 'whip-and-tongue' },
  ],
};
const board = (changes: Partial<Props> = {}) =>
  rendered(
    <PairingBoard
      workshopId="w"
      version={1}
      method="whip-and-tongue"
      names={{ 'whip-and-tongue': 'Whip-and-tongue', cleft: 'Cleft' }}
      place="bench"
      stocks={stocks}
      sticks={sticks}
      scions={scions}
      seats={seats}
      saved={null}
      unit="mm"
      mayChange
      {...changes}
    />,
  );

describe('who joins what', () => {
  it('says what there is to pair, and that the slip of a hand is our guess', () => {
    const { words, buttons } = board();
    expect(words).toContain('Whip-and-tongue; 3 pieces from 2 sticks for 2 stocks');
    expect(words).toContain('Nobody measured that; it is our guess.');
    expect(buttons).toEqual(['Pair them']);
  });
  it('says what has to be there first, and pairs nothing before', () => {
    const wanting: [Partial<Props>, string][] = [
      [{ stocks: [] }, 'Measure stocks first.'],
      [{ scions: [] }, 'Measure sticks first.'],
      [{ seats: [] }, 'Nobody has a seat: add people to the roster first.'],
    ];
    for (const [changes, says] of wanting) {
      const { words, html } = board(changes);
      expect(words).toContain(says);
      expect(html).toMatch(/<button[^>]*disabled=""[^>]*>Pair them/);
    }
    expect(board().html).not.toMatch(/<button[^>]*disabled=""[^>]*>Pair them/);
  });
  it('shows saved pairs by seat and stock, each with the contact to expect', () => {
    const { words, html } = board({ saved });
    expect(words.indexOf('Ona Ferrel')).toBeLessThan(words.indexOf('Bram Odewick'));
    for (const figure of ['90 %', '72 %']) expect(words).toContain(figure);
    // Of two unions: 1.62 in all, 1.1 as they lie.
    expect(words).toContain('Contact to expect: 81 % a union paired, 55 % in the order they lie.');
    expect(html.match(/<tr/g)).toHaveLength(1 + saved!.pairs.length);
  });
  it('keeps what was fixed by hand, and offers every other stick', () => {
    const { html } = board({ saved });
    const choice = (stock: number): string =>
      new RegExp(`aria-label="Stick for stock ${stock}"[^>]*>(.*?)</select>`).exec(html)![1]!;
    expect(choice(2)).toMatch(/<option value="w2\/0" selected="">stick 8, fixed/);
    expect(choice(1)).toMatch(/<option value="" selected="">as paired/);
    expect(choice(1)).toContain('keep stick 7');
    // The piece that is fixed elsewhere is not offered again while the stick has another.
    expect(choice(1)).toContain('<option value="w2/1">stick 8, ');
  });
  it('says of a pair by another method which one', () => {
    const other = { ...saved!, pairs: [{ ...saved!.pairs[0]!, method: 'cleft', fixed: false }] };
    expect(board({ saved: other }).words).toContain('by cleft');
  });
  it('lets a pair go whose stock, stick or seat was removed meanwhile', () => {
    expect(board({ saved, stocks: stocks.slice(0, 1) }).words).not.toContain('Bram Odewick');
    expect(board({ saved, scions: scions.slice(0, 1) }).words).not.toContain('72 %');
    expect(board({ saved, seats: seats.slice(0, 1) }).words).not.toContain('72 %');
  });
  it('is read in inches by whoever reads inches', () => {
    const { words } = board({ saved, unit: 'in' });
    expect(words).toContain('Stock, in');
    expect(words).not.toMatch(/\d mm/);
  });
  it('is looked at only by whoever may not change it', () => {
    const { buttons, words, html } = board({ saved, mayChange: false });
    expect(buttons).toEqual([]);
    expect(html).not.toContain('<select');
    expect(words).toContain('fixed');
  });
});
