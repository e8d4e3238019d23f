import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import { CardList } from './card-list';

const union = (number: number, score: number | null) => ({
  number,
  method: '',
  score,
  contact: 0.8,
  words: `attempt ${number}`,
  fatal: false,
  glyph: { runs: [], fatal: null },
});
const cards = [
  {
    seatId: 's1',
    seat: 1,
    name: 'Ona Ferrel',
    unions: [union(1, 71), union(2, null)],
    train: ['Tongue', 'Hold'],
    keepers: 2,
    ready: true,
  },
  { seatId: 's2', seat: 2, name: 'Bram Odewick', unions: [], train: [], keepers: 0, ready: false },
];

describe('everybody’s cards', () => {
  it('stand in a line each: what was made, what to train, what goes home', () => {
    const { words } = rendered(<CardList workshopId="w" mayLink cards={cards} />);
    expect(words).toMatch(/1Ona Ferrel2 to take home.*71.*not scored.*To train: Tongue, Hold/);
    expect(words).toMatch(/2Bram Odewicknothing goes home yetno union scored/);
  });
  it('are printed by all, and handed over as a link by those who may', () => {
    const { html, buttons } = rendered(<CardList workshopId="w" mayLink cards={cards} />);
    expect(html).toContain('href="/api/workshops/w/cards?paper=A4&amp;seat=s1"');
    expect(buttons).toEqual(['Phone: link to Ona Ferrel’s card', 'Phone: link to Bram Odewick’s card']);
    expect(rendered(<CardList workshopId="w" mayLink={false} cards={cards} />).buttons).toEqual([]);
  });
});
