import type { ComponentProps } from 'react';
import { describe, expect, it } from 'vitest';
import { rendered } from '@/ui/testing/rendered';
import { LotsBoard } from './lots-board';

const wood = {
  id: 'w1',
  variety: 'Grey Heron',
  species: 'pear',
  source: 'row 3',
  cutOn: '2027-01-20',
  ribbon: 'plum',
  sticks: 12,
  booked: 4,
  lastLook: null,
  post: null,
  warnings: [],
  bookings: [{ id: 'b', sticks: 4, workshop: 'Bench day', seat: '2 Bram Odewick', own: true }],
};
const board = (changes: Partial<ComponentProps<typeof LotsBoard>> = {}) =>
  rendered(
    <LotsBoard
      workshopId="w"
      title="Bench day"
      wood={[wood]}
      stocks={[{ id: 's1', stockType: 'Reedmoor', species: 'quince', stocks: 30 }]}
      otherWood={[]}
      otherStocks={[]}
      seats={[{ id: 's', name: '2 Bram Odewick' }]}
      sources={[]}
      mayChange
      temperatureUnit="C"
      {...changes}
    />,
  );

describe('wood and stocks of a workshop', () => {
  it('are told with ribbon in words, source, age, last look and what is free', () => {
    const { words } = board();
    for (const part of [
      'violet, dots',
      'Grey Heron',
      'pear, row 3, cut 20 Jan 2027; never looked at',
      '8 of 12 sticks free.',
      '2 Bram Odewick',
      'Reedmoor',
    ])
      expect(words).toContain(part);
    expect(board({ wood: [{ ...wood, cutOn: null, lastLook: '2027-02-20' }] }).words).toContain(
      'not cut yet; last looked at 20 Feb 2027',
    );
  });
  it('say what speaks against a lot, and what to do about it', () => {
    const warned = {
      ...wood,
      warnings: [
        {
          id: 'protected' as const,
          level: 'stop' as const,
          says: 'Grey Heron is protected until 1 Mar 2030.',
          remedy: 'Ask its breeder for leave.',
        },
      ],
    };
    expect(board({ wood: [warned] }).words).toContain(
      'Grey Heron is protected until 1 Mar 2030.Ask its breeder for leave.',
    );
  });
  it('say how wood is kept until the day, in the reader’s degrees', () => {
    expect(board().words).toMatch(/Until the day: sealed bag.*°C to .*°C, away from ripening fruit/);
    expect(board({ temperatureUnit: 'F' }).words).toMatch(/Until the day: .*°F/);
  });
  it('are looked at and not changed by viewers', () => {
    const { buttons, words } = board({ mayChange: false });
    expect(buttons).toEqual([]);
    expect(words).toContain('30 pieces');
  });
  it('say that nothing is chosen yet', () => {
    expect(board({ wood: [], stocks: [] }).words.match(/No lot chosen yet\./g)).toHaveLength(2);
  });
});
