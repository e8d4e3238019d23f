import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { placesOf, roomProblems, seatPeople, usualRoom } from './room';
import { cuttingMinutesLeft, unionsWithin } from './time-left';
import { minutesForUnions, minutesOf, timeOf, timePlan, USUAL_DAY } from './time-plan';

describe('minutes for unions', () => {
  it('start at twenty and lose a fifth at each doubling', () => {
    expect(minutesForUnions(1, 1, 20, 0.8)).toBe(20);
    expect(minutesForUnions(2, 2, 20, 0.8)).toBeCloseTo(16, 10);
    expect(minutesForUnions(4, 4, 20, 0.8)).toBeCloseTo(12.8, 10);
    expect(minutesForUnions(8, 8, 20, 0.8)).toBeCloseTo(10.24, 10);
    // The third: 20 * 0.8^log2(3) = 14.04.
    expect(minutesForUnions(1, 4, 20, 0.8)).toBeCloseTo(20 + 16 + 14.0418 + 12.8, 3);
    expect(() => minutesForUnions(1, 2, 0, 0.8)).toThrow('more than 0');
  });
});

describe('the time plan', () => {
  const work = [{ method: 'Whip-and-tongue', practice: 4, keepers: 3 }];
  it('follows block on block from the start, and nothing is lost', () => {
    const { blocks } = timePlan(USUAL_DAY, work, 10);
    expect(blocks[0]).toMatchObject({ name: 'Safety briefing', from: minutesOf('09:30') });
    blocks.slice(1).forEach((block, i) => expect(block.from).toBe(blocks[i]!.to));
    const practice = blocks.filter(({ kind }) => kind === 'practice').reduce((sum, { from, to }) => sum + to - from, 0);
    expect(practice).toBe(Math.round(minutesForUnions(1, 4, 20, 0.8)));
    const keepers = blocks.filter(({ kind }) => kind === 'keepers').reduce((sum, { from, to }) => sum + to - from, 0);
    expect(keepers).toBe(Math.round(minutesForUnions(5, 7, 20, 0.8)));
  });
  it('has midday and breaks, never within ten minutes of the end of a block', () => {
    fc.assert(
      fc.property(fc.integer({ min: 1, max: 14 }), fc.integer({ min: 0, max: 6 }), (practice, keepers) => {
        const { blocks } = timePlan(USUAL_DAY, [{ method: 'm', practice, keepers }], 10);
        const stretches = blocks.reduce<number[]>(
          (list, { kind, from, to }) =>
            kind === 'break' ? [...list, 0] : [...list.slice(0, -1), list.at(-1)! + to - from],
          [0],
        );
        for (const stretch of stretches) expect(stretch).toBeLessThanOrEqual(USUAL_DAY.breakEvery + 10);
        const end = blocks.at(-1)!.to;
        if (end > minutesOf('12:50')) expect(blocks.some(({ name }) => name === 'Midday')).toBe(true);
      }),
      { numRuns: 60 },
    );
  });
  it('waits where knives are fewer than people, and says by how much the day overruns', () => {
    const plenty = timePlan(USUAL_DAY, work, 10);
    const short = timePlan({ ...USUAL_DAY, knives: 5 }, work, 10);
    const minutes = (blocks: typeof plenty.blocks): number =>
      blocks.filter(({ kind }) => kind === 'practice').reduce((sum, { from, to }) => sum + to - from, 0);
    expect(Math.abs(minutes(short.blocks) - 2 * minutes(plenty.blocks))).toBeLessThanOrEqual(1);
    expect(plenty.overrun).toBe(0);
    expect(timePlan({ ...USUAL_DAY, end: '11:00' }, work, 10).overrun).toBe(
      plenty.blocks.at(-1)!.to - minutesOf('11:00'),
    );
  });
  it('reads times and refuses what is none', () => {
    expect(timeOf(minutesOf('9:05'))).toBe('09:05');
    expect(() => minutesOf('25:00')).toThrow('no time of day');
  });
});

describe('the time left', () => {
  const plan = { firstUnion: 20, falling: 0.8, knives: null };
  it('is that of the method’s own practice and keepers from now on, without pauses', () => {
    const { blocks } = timePlan(
      USUAL_DAY,
      [
        { method: 'Splice', practice: 4, keepers: 3 },
        { method: 'Chip', practice: 2, keepers: 0 },
      ],
      10,
    );
    const splice = blocks.filter(({ name }) => name === 'Splice, practice' || name === 'Splice, to keep');
    const all = splice.reduce((sum, { from, to }) => sum + to - from, 0);
    expect(all).toBe(Math.round(minutesForUnions(1, 4, 20, 0.8)) + Math.round(minutesForUnions(5, 7, 20, 0.8)));
    expect(cuttingMinutesLeft(blocks, 'Splice', 0)).toBe(all);
    expect(cuttingMinutesLeft(blocks, 'Splice', splice[0]!.from + 7)).toBe(all - 7);
    expect(cuttingMinutesLeft(blocks, 'Splice', splice.at(-1)!.to)).toBe(0);
    // A pause takes nothing off it.
    const pause = blocks.find(({ kind }) => kind === 'break')!;
    expect(cuttingMinutesLeft(blocks, 'Splice', pause.from)).toBe(cuttingMinutesLeft(blocks, 'Splice', pause.to));
  });
  it('holds whole unions only, later ones faster, fewer where knives are short', () => {
    expect(unionsWithin(36, 0, plan, 10)).toBe(2);
    expect(unionsWithin(35.9, 0, plan, 10)).toBe(1);
    // From the fifth on: 20 * 0.8^log2(5) = 11.91, then 11.23.
    expect(unionsWithin(23.2, 4, plan, 10)).toBe(2);
    expect(unionsWithin(36, 0, { ...plan, knives: 5 }, 10)).toBe(0);
    expect(unionsWithin(0, 3, plan, 10)).toBe(0);
  });
  it('is never more than the minutes it is made of, and one more would be', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 300, noNaN: true }), fc.nat(20), (minutes, made) => {
        const more = unionsWithin(minutes, made, plan, 10);
        expect(minutesForUnions(made + 1, made + more, 20, 0.8)).toBeLessThanOrEqual(minutes + 1e-6);
        expect(minutesForUnions(made + 1, made + more + 1, 20, 0.8)).toBeGreaterThan(minutes - 1e-6);
      }),
    );
  });
});

describe('the room', () => {
  const seats = Array.from({ length: 14 }, (_, i) => ({
    id: `s${i}`,
    number: i + 1,
    name: `Person ${i + 1}`,
    leftHanded: i === 3,
  }));
  const room = {
    ...usualRoom(14, 4, (n) => `Bench ${n}`),
    helpers: [{ name: 'Joss', benches: ['b1', 'b2', 'b3', 'b4'] }],
  };
  const seated = { ...room, seating: seatPeople(room, seats) };
  it('seats everybody once, left hands at the ends', () => {
    const places = Object.values(seated.seating).map(({ bench, place }) => `${bench}/${place}`);
    expect(new Set(places).size).toBe(14);
    expect(seated.seating.s3!.place).toBeGreaterThanOrEqual(2);
    expect(roomProblems(seated, seats)).toEqual([]);
  });
  it('keeps elbow room along a bench', () => {
    for (const bench of room.benches) {
      const near = placesOf(bench).filter(({ side }) => side === 1);
      near.slice(1).forEach((place, i) => expect(place.x - near[i]!.x).toBeGreaterThanOrEqual(0.9 - 1e-9));
    }
    expect(placesOf({ ...room.benches[0]!, turned: true })[0]!.x).not.toBe(placesOf(room.benches[0]!)[0]!.x);
  });
  it('names what is wrong, each with a way on', () => {
    const crowded = { ...seated, benches: seated.benches.map((bench) => ({ ...bench, length: 1 })) };
    expect(roomProblems(crowded, seats).join(' ')).toContain('keeps a knife from the neighbour');
    expect(roomProblems({ ...seated, spots: [] }, seats).join(' ')).toContain('first aid');
    expect(roomProblems({ ...seated, seating: {} }, seats)[0]).toContain('14 people have no place');
    expect(
      roomProblems({ ...seated, benches: seated.benches.map((bench) => ({ ...bench, x: 0 })) }, seats).join(' '),
    ).toContain('through the wall');
    expect(roomProblems({ ...seated, helpers: [] }, seats).join(' ')).toContain('no assistant');
    expect(roomProblems({ ...seated, helpers: [{ name: 'Joss', benches: ['b1'] }] }, seats).join(' ')).toContain(
      'Bench 2 has no assistant',
    );
  });
});
