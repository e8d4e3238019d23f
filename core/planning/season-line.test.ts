import { describe, expect, it } from 'vitest';
import { layPegs, leafiness, monthsOf, placeInSeason, seasonWindow } from './season-line';

describe('the season line', () => {
  const shown = seasonWindow('2027-02-10');
  it('runs from eight months before to six after, across the turn of the year', () => {
    expect(shown).toEqual({ from: '2026-06-01', to: '2027-09-01' });
    expect(monthsOf(shown)).toHaveLength(15);
    expect(monthsOf(shown)[7]).toMatchObject({ start: '2027-01-01', month: 1, year: 2027 });
    expect(seasonWindow('2027-02-10', -12).from).toBe('2025-06-01');
  });
  it('places dates by days', () => {
    expect(placeInSeason({ from: '2027-01-01', to: '2027-01-11' }, '2027-01-06')).toBe(0.5);
  });
  it('hangs near workshops at different levels and far ones at the same', () => {
    const workshop = (id: string, date: string) => ({ id, title: id, date, callusDays: 14, rounds: [] });
    const pegs = layPegs(shown, [workshop('b', '2027-03-08'), workshop('a', '2027-03-01'), workshop('c', '2027-08-01'), workshop('gone', '2020-01-01')], 0.1);
    expect(pegs.map(({ id, level }) => [id, level])).toEqual([['a', 0], ['b', 1], ['c', 0]]);
  });
  it('draws wood cutting ten to four weeks before and callusing after', () => {
    const [peg] = layPegs({ from: '2027-01-01', to: '2027-04-11' }, [{ id: 'a', title: 'a', date: '2027-03-22', callusDays: 14, rounds: [] }], 0.1);
    expect(peg!.wood.from).toBeCloseTo(0.1, 9);
    expect(peg!.wood.to).toBeCloseTo(0.52, 9);
    expect(peg!.callus.to - peg!.at).toBeCloseTo(0.14, 9);
  });
  it('turns the year round in the south', () => {
    expect(leafiness(7, 'north')).toBe(1);
    expect(leafiness(1, 'south')).toBe(leafiness(7, 'north'));
    expect(leafiness(12, 'south')).toBe(leafiness(6, 'north'));
  });
});
