import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import { LotBookings } from './lot-bookings';

const bookings = [
  { id: 'b1', sticks: 4, workshop: 'Bench day', seat: '2 Bram Odewick', own: true },
  { id: 'b2', sticks: 1, workshop: 'Late winter whips', seat: null, own: false },
];
const board = (changes: Partial<ComponentProps<typeof LotBookings>> = {}) =>
  rendered(
    <LotBookings
      lotId="l"
      variety="Grey Heron"
      sticks={12}
      booked={5}
      bookings={bookings}
      workshops={[{ id: 'w', title: 'Bench day', seats: [{ id: 's', name: '2 Bram Odewick' }] }]}
      mayChange
      {...changes}
    />,
  );

describe('who gets sticks of a lot', () => {
  it('is told with what is free, and of other workshops which', () => {
    const { words, buttons } = board();
    expect(words).toContain('7 of 12 sticks free.');
    expect(words).toContain('4 for 2 Bram Odewick');
    expect(words).toContain('1 for all, Late winter whips');
    expect(words).not.toContain('Bram Odewick, Bench day');
    expect(buttons).toEqual(
      expect.arrayContaining([
        'Give back 4 sticks of Grey Heron',
        'Give back 1 stick of Grey Heron',
        'Book Grey Heron',
      ]),
    );
  });
  it('is booked for all of a workshop or for one seat', () => {
    const { html, fields } = board();
    const choice = /aria-label="Who gets Grey Heron"[^>]*>(.*?)<\/select>/.exec(html)![1]!;
    expect([...choice.matchAll(/<option value="(\w*)"/g)].map(([, id]) => id)).toEqual(['', 's']);
    expect(fields.has('sticks')).toBe(true);
  });
  it('asks for the workshop only where there are several', () => {
    expect(board().words).not.toContain('Workshop');
    const several = board({
      workshops: [
        { id: 'w', title: 'Bench day', seats: [] },
        { id: 'v', title: 'Late winter whips', seats: [] },
      ],
    });
    expect(several.words).toContain('Workshop');
  });
  it('cannot be booked where nothing is free, or there is nothing to book for', () => {
    expect(board({ booked: 12 }).buttons).not.toContain('Book Grey Heron');
    expect(board({ booked: 12 }).words).toContain('0 of 12 sticks free.');
    expect(board({ workshops: [] }).buttons).not.toContain('Book Grey Heron');
  });
  it('is looked at only by whoever may not change it', () => {
    expect(board({ mayChange: false }).buttons).toEqual([]);
  });
});
