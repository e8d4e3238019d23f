import { COLOURS } from '@/core/drawing/colours';
import type { FateMark } from '@/core/findings/shared/fate-board';
import { formatDate } from '@/core/units/iso-date';
import { FateLink } from './fate-glyph';

const STEP = 20;
const WIDTH = 1100;
const FOOT = 46;
/** Half an hour is one column of a day. */
const COLUMNS_AN_HOUR = 2;

interface Column {
  x: number;
  name: string;
  marks: FateMark[];
}

/** A single day by its hours, several by their dates: each keeper stands where it was made, the dead at the foot. */
export function FateSeason({
  marks,
  workshops,
  ringed,
}: {
  marks: readonly FateMark[];
  workshops: readonly { id: string; title: string; date: string }[];
  ringed: (mark: FateMark) => boolean;
}) {
  const byHour = workshops.length === 1 && marks.some(({ hour }) => hour !== null);
  const columns = byHour ? hoursOf(marks) : daysOf(marks, workshops);
  const tallest = Math.max(1, ...columns.map((column) => Math.ceil(column.marks.length / perRow(columns))));
  const height = tallest * STEP + FOOT;
  return (
    <div
      className="relative overflow-x-auto"
      tabIndex={0}
      role="group"
      aria-label="When they were made, scrolls sideways on narrow screens"
    >
      <svg
        viewBox={`0 0 ${WIDTH} ${height}`}
        className="h-auto w-full min-w-[700px]"
        role="group"
        aria-label={byHour ? 'The day by its hours' : 'Workshops over the years'}
      >
        <line x1={0} x2={WIDTH} y1={height - FOOT + 6} y2={height - FOOT + 6} stroke={COLOURS.bark} strokeWidth={3} />
        {columns.map(({ x, name, marks: own }) => (
          <g key={`${x} ${name}`}>
            <text x={x} y={height - FOOT + 26} textAnchor="middle" fontSize={13} fill={COLOURS.ink}>
              {name.split('\n')[0]}
            </text>
            <text x={x} y={height - FOOT + 42} textAnchor="middle" fontSize={12} fill={COLOURS.muted}>
              {name.split('\n')[1]}
            </text>
            {deadFirst(own).map((mark, i) => (
              <FateLink
                key={i}
                mark={mark}
                x={x + ((i % perRow(columns)) - (perRow(columns) - 1) / 2) * 18}
                y={height - FOOT - 8 - Math.floor(i / perRow(columns)) * STEP}
                ringed={ringed(mark)}
              />
            ))}
          </g>
        ))}
      </svg>
    </div>
  );
}

/** Marks side by side in a column: as many as there is room for. */
function perRow(columns: readonly Column[]): number {
  return Math.max(1, Math.min(8, Math.floor(WIDTH / Math.max(1, columns.length) / 20)));
}

const ORDER: Record<FateMark['state'], number> = { dead: 0, unknown: 1, alive: 2 };
function deadFirst(marks: readonly FateMark[]): FateMark[] {
  return [...marks].sort((a, b) => ORDER[a.state] - ORDER[b.state]);
}

function hoursOf(marks: readonly FateMark[]): Column[] {
  const known = marks.filter(({ hour }) => hour !== null);
  const slot = ({ hour }: FateMark): number => Math.floor(hour! * COLUMNS_AN_HOUR);
  const slots = known.map(slot);
  const [first, last] = [Math.min(...slots), Math.max(...slots)];
  const many = last - first + 1;
  const step = WIDTH / Math.max(many, 3);
  return Array.from({ length: many }, (_, i) => {
    const at = (first + i) / COLUMNS_AN_HOUR;
    return {
      x: step * (i + 0.5),
      name: Number.isInteger(at) ? `${at}:00` : '',
      marks: known.filter((mark) => slot(mark) === first + i),
    };
  });
}

function daysOf(
  marks: readonly FateMark[],
  workshops: readonly { id: string; title: string; date: string }[],
): Column[] {
  const step = WIDTH / Math.max(workshops.length, 2);
  // Letters that stand side by side under a column.
  const room = Math.max(6, Math.floor(step / 7));
  return workshops.map(({ title, date }, i) => ({
    x: step * (i + 0.5),
    name: `${formatDate(date)}\n${title.length > room ? `${title.slice(0, room - 1).trimEnd()}…` : title}`,
    marks: marks.filter(({ workshop }) => workshop === i),
  }));
}
