import { describe, expect, it } from 'vitest';
import { type CountedFates, foundTake } from './found-take';

const row = (part: Partial<CountedFates>): CountedFates => ({
  workshopId: 'a year ago',
  method: 'chip',
  variant: 'spring',
  siteId: 'shore',
  wood: 'ferry shed',
  alive: 0,
  dead: 0,
  ...part,
});
const wanted = { method: 'chip', variant: 'spring', siteId: 'shore', woods: ['mill'], workshopId: 'now' } as const;

describe('take as a club found it', () => {
  it('is of the same season and site where enough is known, and of the next wider part where not', () => {
    const few = row({ alive: 8, dead: 2 });
    const many = row({ alive: 12, dead: 12 });
    const elsewhere = row({ siteId: 'hill', alive: 30, dead: 5 });
    const dormant = row({ variant: 'dormant-bud', alive: 20, dead: 20 });
    expect(foundTake([many, elsewhere, dormant], wanted)).toEqual({
      alive: 12,
      dead: 12,
      foundOf: 'variant-here',
      workshops: [{ alive: 12, known: 24 }],
    });
    expect(foundTake([few, elsewhere, dormant], wanted)).toMatchObject({ alive: 38, dead: 7, foundOf: 'variant' });
    expect(foundTake([few, dormant], wanted)).toMatchObject({ alive: 28, dead: 22, foundOf: 'here' });
    expect(foundTake([few], wanted)).toMatchObject({ alive: 8, dead: 2, foundOf: 'method' });
  });
  it('never takes another method for it', () => {
    expect(foundTake([row({ method: 'whip', alive: 90 })], wanted)).toMatchObject({
      alive: 0,
      dead: 0,
      foundOf: 'method',
    });
  });
  it('is of the same wood first, from another site too, and never of another season', () => {
    const mill = row({ wood: 'mill', siteId: 'hill', alive: 3, dead: 19 });
    const shed = row({ alive: 40, dead: 2 });
    expect(foundTake([mill, shed], wanted)).toMatchObject({ alive: 3, dead: 19, foundOf: 'wood' });
    expect(foundTake([{ ...mill, variant: 'dormant-bud' }, shed], wanted).foundOf).toBe('variant-here');
    expect(foundTake([{ ...mill, dead: 16 }, shed], wanted).foundOf).toBe('variant-here');
    // A lot nobody is sure of is no wood that could be the same.
    expect(foundTake([{ ...mill, wood: null }, shed], { ...wanted, woods: [] }).foundOf).toBe('variant-here');
  });
  it('leaves out the workshop that is planned', () => {
    const own = row({ workshopId: 'now', alive: 50 });
    expect(foundTake([own], wanted)).toMatchObject({ alive: 0, dead: 0, foundOf: 'method' });
  });
});
