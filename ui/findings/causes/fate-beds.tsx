import { groupedBy } from '@/core/units/grouped-by';
import { COLOURS } from '@/core/drawing/colours';
import type { FateBed, FateMark } from '@/core/findings/shared/fate-board';
import { FateLink } from './fate-glyph';

const STEP = 26;
const LEFT = 40;
/** Marks in a line where nobody said which row. */
const IN_LINE = 24;

/** Where keepers stand: beds row by row, other places as they come. What stands in none of the club's places comes last. */
export function FateBeds({
  beds,
  marks,
  ringed,
}: {
  beds: readonly FateBed[];
  marks: readonly FateMark[];
  ringed: (mark: FateMark) => boolean;
}) {
  const at = groupedBy(marks, ({ bed }) => bed ?? beds.length);
  return (
    <div className="grid gap-4">
      {[...beds, { name: 'At home, or nobody noted where', rows: null }].map((bed, nth) => {
        const own = at.get(nth) ?? [];
        return own.length === 0 ? null : <OneBed key={nth} bed={bed} marks={own} ringed={ringed} />;
      })}
    </div>
  );
}

function OneBed({
  bed,
  marks,
  ringed,
}: {
  bed: FateBed;
  marks: readonly FateMark[];
  ringed: (mark: FateMark) => boolean;
}) {
  const rows = rowsOf(bed, marks);
  const most = Math.max(...rows.map(({ places }) => places));
  const [width, height] = [LEFT + most * STEP + 8, rows.length * STEP + 12];
  return (
    <figure className="min-w-0">
      <figcaption className="font-bold">
        {bed.name}{' '}
        <span className="font-normal text-muted">
          {marks.filter(({ state }) => state === 'dead').length} of {marks.length} died
        </span>
      </figcaption>
      <div className="relative overflow-x-auto" tabIndex={0} role="group" aria-label={`${bed.name}, scrolls sideways`}>
        <svg width={width} height={height} role="group" aria-label={bed.name}>
          {rows.map(({ name, own }, r) => (
            <g key={name}>
              <line
                x1={LEFT - 6}
                x2={width - 8}
                y1={r * STEP + 20}
                y2={r * STEP + 20}
                stroke={COLOURS.bark}
                strokeWidth={2}
              />
              <text x={0} y={r * STEP + 20} fontSize={13} fill={COLOURS.muted}>
                {name}
              </text>
              {own.map(({ mark, place }, i) => (
                <FateLink key={i} mark={mark} x={LEFT + place * STEP + 8} y={r * STEP + 16} ringed={ringed(mark)} />
              ))}
            </g>
          ))}
        </svg>
      </div>
    </figure>
  );
}

interface BedRow {
  name: string;
  places: number;
  own: { mark: FateMark; place: number }[];
}

/** Rows of a bed with marks at their places; of what has no place, lines filled in the order of seats. */
function rowsOf(bed: FateBed, marks: readonly FateMark[]): BedRow[] {
  const placed = marks.filter(({ row, position }) => row !== null && position !== null);
  const loose = marks.filter(({ row, position }) => row === null || position === null);
  const rows = [...groupedBy(placed, ({ row }) => row!)]
    .sort(([a], [b]) => a - b)
    .map(([row, own]) => ({
      name: `${row}`,
      places: Math.max(bed.rows?.each ?? 0, ...own.map(({ position }) => position!)),
      own: own.map((mark) => ({ mark, place: mark.position! - 1 })),
    }));
  const lines = Array.from({ length: Math.ceil(loose.length / IN_LINE) }, (_, line) => {
    const own = loose.slice(line * IN_LINE, (line + 1) * IN_LINE);
    return {
      name: line === 0 && rows.length > 0 ? 'loose' : '',
      places: own.length,
      own: own.map((mark, place) => ({ mark, place })),
    };
  });
  return [
    ...rows,
    ...lines.map((line, i) => ({ ...line, name: line.name || (rows.length === 0 ? '' : ' '.repeat(i + 1)) })),
  ];
}
