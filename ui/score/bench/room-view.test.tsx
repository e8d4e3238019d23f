import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { Suggestion } from '@/core/score/readiness/next-person';
import { benchState, union } from './testing/bench-state';
import { rendered } from '@/ui/testing/rendered';
import type { BenchState } from './bench-data';
import { RoomView } from './room-view';

const room = (state: BenchState, suggestions: Suggestion[] = []) =>
  rendered(<RoomView state={state} suggestions={suggestions} onOpen={() => undefined} />);

describe('the room', () => {
  it('names everybody with what was seen of them, and who is ready', () => {
    const { buttons, words } = room(
      benchState(3, { unions: [union(1, 1, 80), union(1, 2, 90), union(1, 3, 77), union(2, 1, 100)] }),
    );
    expect(buttons).toEqual(
      expect.arrayContaining([
        'Seat 1, Person 1: 3 seen, last 77, ready',
        'Seat 2, Person 2: 1 seen, last 100',
        'Seat 3, Person 3: no union seen yet',
      ]),
    );
    expect(words).toContain('1 of 3 ready for living wood');
    expect(words).toContain('1 of 3 good');
  });
  it('marks what waits on this device and what wants a second assessor, without telling the first score', () => {
    const { buttons, words } = room(
      benchState(2, {
        unions: [union(1, 1, 80, { waits: true })],
        unseen: [{ id: 'u2-1', seatId: 's2', number: 1, method: 'whip-and-tongue' }],
      }),
    );
    expect(buttons).toContain('Seat 1, Person 1: 1 seen, last 80, waits on this device');
    expect(buttons).toContain('Seat 2, Person 2: no union seen yet, wants a second assessor');
    expect(words).toContain('1 union wants you as second assessor');
    expect(words).toContain('here only');
  });
  it('reads out the four most pressing with the reason, and says when the day is over', () => {
    const suggestions = [4, 2, 5, 1, 3].map((number, i) => ({
      seatId: `s${number}`,
      number,
      reason: `reason ${i}`,
      weight: 9 - i,
    }));
    const { words } = room(benchState(5), suggestions);
    expect(words).toMatch(/See next 4Person 4reason 0 2Person 2reason 1 5Person 5reason 2 1Person 1reason 3/);
    expect(words).not.toContain('reason 4');
    expect(room(benchState(5)).words).toContain('The day is over');
  });
  it('keeps those without a place in sight', () => {
    const state = benchState(5);
    delete state.room.seating.s5;
    const { words, buttons } = room(state);
    expect(words).toContain('At no bench yet');
    expect(buttons.filter((label) => label.startsWith('Seat '))).toHaveLength(5);
  });
  it('lays no card over another, whatever the room', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 40 }), fc.integer({ min: 1, max: 8 }), (people, perBench) => {
        const { html } = room(benchState(people, {}, perBench));
        const cards = [
          ...html.matchAll(/left:([\d.-]+)(?:px)?;top:([\d.-]+)(?:px)?;width:([\d.]+)px"><button[^>]*data-seat/g),
        ].map((match) => match.slice(1).map(Number) as [number, number, number]);
        expect(cards).toHaveLength(people);
        for (const [i, [left, top, width]] of cards.entries()) {
          expect(left).toBeGreaterThanOrEqual(0);
          expect(top).toBeGreaterThanOrEqual(0);
          for (const [x, y, w] of cards.slice(i + 1))
            expect(
              left + width <= x || x + w <= left || top + 88 <= y || y + 88 <= top,
              `cards at ${left},${top} and ${x},${y}`,
            ).toBe(true);
        }
      }),
      { numRuns: 25 },
    );
  });
});
