import { describe, expect, it } from 'vitest';
import { BENCH_DEPTH, placesOf, type Room, seatPeople, usualRoom } from '@/core/plan/benches/room';
import { rendered } from '@/ui/testing/rendered';
import { RoomBoard } from './room-board';
import type { RoomSeat } from './use-room';

const people = (count: number, leftHanded: number[] = []): RoomSeat[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `s${i + 1}`,
    number: i + 1,
    name: `Person ${i + 1}`,
    leftHanded: leftHanded.includes(i + 1),
    skill: 'some',
    earlier: i,
  }));
function board(seats: RoomSeat[], change: (room: Room) => Room = (room) => room, mayChange = true) {
  const bare = usualRoom(seats.length, 4, (n) => `Bench ${n}`);
  const room = change({
    ...bare,
    helpers: [{ name: 'Joss', benches: bare.benches.map(({ id }) => id) }],
    seating: seatPeople(bare, seats),
  });
  return {
    room,
    ...rendered(
      <RoomBoard
        workshopId="w"
        version={0}
        room={room}
        seats={seats}
        members={['Joss', 'Maren']}
        unit="mm"
        mayChange={mayChange}
      />,
    ),
  };
}

describe('the room from above', () => {
  it('draws every bench in its true size and every place, with the number of who sits there', () => {
    const { room, html } = board(people(10, [3]));
    for (const bench of room.benches) {
      expect(html).toContain(`aria-label="${bench.name}, ${bench.places} places"`);
      const [width, height] = bench.turned ? [BENCH_DEPTH, bench.length] : [bench.length, BENCH_DEPTH];
      // Sixty pixels a metre before the page is measured.
      expect(html).toContain(`width:${width * 60}px;height:${height * 60}px`);
    }
    const places = room.benches.flatMap((bench) => placesOf(bench));
    const rings = [
      ...html.matchAll(/<span(?: title="([^"]*)")? class="absolute flex[^>]*border-radius:([^;"]+)[^>]*>(\d*)</g),
    ];
    expect(rings).toHaveLength(places.length);
    expect(
      rings
        .map(([, , , number]) => number)
        .filter(Boolean)
        .map(Number)
        .sort((a, b) => a - b),
    ).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 10]);
    // A corner tells a left hand, so that colour does not have to.
    expect(rings.filter(([, , corner]) => corner!.includes('2px')).map(([, title]) => title)).toEqual(['Person 3']);
  });
  it('says what to mind in words, or that all is well', () => {
    expect(board(people(8)).words).toContain('Everybody has a place with room for a knife.');
    const homeless = board(people(8), (room) => ({
      ...room,
      seating: Object.fromEntries(Object.entries(room.seating).filter(([id]) => id !== 's5')),
    }));
    expect(homeless.words).not.toContain('Everybody has a place');
    expect(homeless.words).toMatch(/Mind.*5/);
  });
  it('lists people with their bench, what hands they have, and who helps where', () => {
    const { words, html } = board(people(5, [2]), undefined, false);
    expect(words).toMatch(/2\s?Person 2.*left-handed.*Bench \d/);
    expect(words).toContain('Joss');
    expect(html).not.toContain('<select');
    expect(board(people(5)).html).toContain('aria-label="Bench of seat 2"');
  });
});
