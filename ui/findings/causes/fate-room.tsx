import { groupedBy } from '@/core/units/grouped-by';
import { COLOURS } from '@/core/drawing/colours';
import type { FateMark } from '@/core/findings/shared/fate-board';
import { BENCH_DEPTH, placesOf, type Room } from '@/core/plan/benches/room';
import { FateLink } from './fate-glyph';

/** Pixels a metre: an elbow's room holds six marks side by side. */
const SCALE = 130;
const ACROSS = 6;
const STEP = 19;

/** The room as it was drawn, with what each seat made standing beside it. */
export function FateRoom({
  room,
  marks,
  ringed,
}: {
  room: Room;
  marks: readonly FateMark[];
  ringed: (mark: FateMark) => boolean;
}) {
  const [width, depth] = [room.width * SCALE, room.depth * SCALE];
  const bySeat = groupedBy(marks, ({ seatNumber }) => seatNumber);
  return (
    <svg
      viewBox={`-10 -10 ${width + 20} ${depth + 20}`}
      className="mx-auto h-auto max-h-[34rem] w-full"
      role="group"
      aria-label="The room, each keeper at the seat it was made at"
    >
      <rect width={width} height={depth} fill={COLOURS.sheet} stroke={COLOURS.bark} strokeWidth={4} />
      {room.benches.map((bench) => {
        const [w, h] = bench.turned ? [BENCH_DEPTH, bench.length] : [bench.length, BENCH_DEPTH];
        return (
          <g key={bench.id}>
            <rect
              x={(bench.x - w / 2) * SCALE}
              y={(bench.y - h / 2) * SCALE}
              width={w * SCALE}
              height={h * SCALE}
              fill={COLOURS.board}
              stroke={COLOURS.bark}
            />
            <text
              x={bench.x * SCALE}
              y={bench.y * SCALE + 5}
              textAnchor="middle"
              fontSize={22}
              fontWeight={700}
              fill={COLOURS.ink}
            >
              {bench.name}
            </text>
            {placesOf(bench).map((place, at) => {
              const seat = Object.entries(room.seating).find(
                ([, spot]) => spot.bench === bench.id && spot.place === at,
              )?.[0];
              const own = (seat && bySeat.get(Number(seat))) || [];
              if (own.length === 0) return null;
              const outward = place.y < bench.y || (bench.turned && place.x < bench.x) ? -1 : 1;
              return (
                <g key={at}>
                  <text
                    x={place.x * SCALE}
                    y={place.y * SCALE + 5}
                    textAnchor="middle"
                    fontSize={20}
                    fill={COLOURS.muted}
                  >
                    {own[0]!.seatNumber}
                  </text>
                  {own.map((mark, i) => {
                    const along = ((i % ACROSS) - (Math.min(own.length, ACROSS) - 1) / 2) * STEP;
                    const away = outward * (30 + Math.floor(i / ACROSS) * STEP);
                    const [x, y] = bench.turned
                      ? [place.x * SCALE + away, place.y * SCALE + along]
                      : [place.x * SCALE + along, place.y * SCALE + away];
                    return <FateLink key={i} mark={mark} x={x} y={y} ringed={ringed(mark)} />;
                  })}
                </g>
              );
            })}
          </g>
        );
      })}
    </svg>
  );
}
