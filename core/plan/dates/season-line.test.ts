import { describe, expect, it } from 'vitest';
import { layPegs, leafiness, monthsOf, placeInSeason, seasonWindow } from './season-line';

describe('the season line', () => {
  const shown = seasonWindow('2027-02-10');
  const tag = { width: 0.1, before: 0.01, gap: 0.005 };
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
    const workshop = (id: string, date: string) => ({ id, title: id, date, trail: null });
    const pegs = layPegs(
      shown,
      [
        workshop('b', '2027-03-08'),
        workshop('a', '2027-03-01'),
        workshop('c', '2027-08-01'),
        workshop('gone', '2020-01-01'),
      ],
      tag,
    );
    expect(pegs.map(({ id, level }) => [id, level])).toEqual([
      ['a', 0],
      ['b', 1],
      ['c', 0],
    ]);
  });
  it('keeps tags within the line, and apart also where its end pushes them together', () => {
    const pegs = layPegs(
      shown,
      ['2026-06-01', '2027-06-20', '2027-08-20', '2027-08-25'].map((date) => ({
        id: date,
        title: date,
        date,
        trail: null,
      })),
      tag,
    );
    expect(pegs.map(({ left }) => left >= 0 && left + tag.width <= 1)).toEqual([true, true, true, true]);
    expect(pegs[0]!.left).toBe(0);
    expect(pegs[3]!.left).toBe(0.9);
    expect(pegs.slice(2).map(({ level }) => level)).toEqual([pegs[2]!.level, pegs[2]!.level + 1]);
  });
  it('places what hangs on a workshop, and nothing where that was not worked out', () => {
    const trail = {
      wood: { from: '2027-01-11', to: '2027-02-22' },
      stocks: null,
      callus: { from: '2027-03-22', to: '2027-04-05' },
      planting: null,
      rounds: [{ name: 'healed', date: '2027-04-01' }],
    };
    const shownDays = { from: '2027-01-01', to: '2027-04-11' };
    const [peg, bare] = layPegs(
      shownDays,
      [
        { id: 'a', title: 'a', date: '2027-03-22', trail },
        { id: 'b', title: 'b', date: '2027-03-23', trail: null },
      ],
      tag,
    );
    expect(peg!.trail!.wood!.from).toBeCloseTo(0.1, 9);
    expect(peg!.trail!.wood!.to).toBeCloseTo(0.52, 9);
    expect(peg!.trail!.callus!.to - peg!.at).toBeCloseTo(0.14, 9);
    expect(peg!.trail!.rounds[0]!.date).toBeCloseTo(0.9, 9);
    expect(bare!.trail).toBeNull();
  });
  it('turns the year round in the south', () => {
    expect(leafiness(7, 'north')).toBe(1);
    expect(leafiness(1, 'south')).toBe(leafiness(7, 'north'));
    expect(leafiness(12, 'south')).toBe(leafiness(6, 'north'));
  });
});
