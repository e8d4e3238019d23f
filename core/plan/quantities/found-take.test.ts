import { describe, expect, it } from 'vitest';
import { type CountedFates, foundTake } from './found-take';

const row = (part: Partial<CountedFates>): CountedFates => ({
  method: 'chip',
  variant: 'spring',
  siteId: 'shore',
  alive: 0,
  dead: 0,
  ...part,
});
const wanted = { method: 'chip', variant: 'spring', siteId: 'shore' } as const;

describe('take as a club found it', () => {
  it('is of the same season and site where enough is known, and of the next wider part where not', () => {
    const few = row({ alive: 8, dead: 2 });
    const many = row({ alive: 12, dead: 12 });
    const elsewhere = row({ siteId: 'hill', alive: 30, dead: 5 });
    const dormant = row({ variant: 'dormant-bud', alive: 20, dead: 20 });
    expect(foundTake([many, elsewhere, dormant], wanted)).toEqual({ alive: 12, dead: 12, foundOf: 'variant-here' });
    expect(foundTake([few, elsewhere, dormant], wanted)).toEqual({ alive: 38, dead: 7, foundOf: 'variant' });
    expect(foundTake([few, dormant], wanted)).toEqual({ alive: 28, dead: 22, foundOf: 'here' });
    expect(foundTake([few], wanted)).toEqual({ alive: 8, dead: 2, foundOf: 'method' });
  });
  it('never takes another method for it', () => {
    expect(foundTake([row({ method: 'whip', alive: 90 })], wanted)).toEqual({ alive: 0, dead: 0, foundOf: 'method' });
  });
});
