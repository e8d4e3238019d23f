import { COLOURS } from '@/core/drawing/colours';
import Link from 'next/link';
import { piecesView } from '@/core/drawing/pieces-view';
import { thumbnail } from '@/core/drawing/thumbnail';
import type { Method } from '@/core/methods/method';
import { shownTechnique } from '@/core/methods/shown-technique';
import { piecesAfter } from '@/core/methods/step';
import { formatLength, type LengthUnit } from '@/core/units/length';
import { UnionDrawing } from '@/ui/kit/union/union-drawing';

/** Caliper rule: 0 to this many mm. */
const RULE = 100;
const MONTHS = ['J', 'F', 'M', 'A', 'M', 'J', 'J', 'A', 'S', 'O', 'N', 'D'];

/** A method in the library: its joined pieces, what it is for, its months on a strip and its calipers on a rule. */
export function MethodRow({ method, unit, south }: { method: Method; unit: LengthUnit; south: boolean }) {
  const { start, steps } = shownTechnique(method);
  const joins = steps.findIndex(({ joins }) => joins);
  const joined = { ...piecesAfter(start, steps.slice(0, joins + 1)).at(-1)!, covers: [] };
  const drawing = thumbnail(piecesView(joined, { view: steps[joins]!.view, unit }));
  const { from, to, thicker } = method.use.stock;
  return (
    <li className="grid grid-cols-[5.5rem_minmax(0,1fr)] items-center gap-x-5 gap-y-2 border-b border-line py-2 lg:grid-cols-[5.5rem_minmax(0,1fr)_15rem_16rem]">
      <div className="row-span-3 flex h-[104px] justify-center overflow-hidden lg:row-span-1" aria-hidden>
        <UnionDrawing drawing={drawing} width={(drawing.width * 104) / drawing.height} title="" />
      </div>
      <div className="min-w-0">
        <h2>
          <Link href={`/methods/${method.id}`}>{method.name}</Link>
        </h2>
        <p>{method.purpose}</p>
      </div>
      <MonthStrip method={method} south={south} />
      <div>
        <svg
          viewBox={`0 0 ${RULE} 12`}
          className="h-7 w-full overflow-visible"
          role="img"
          aria-label={`Stock ${formatLength(from, unit)} to ${formatLength(to, unit)}${thicker ? ' and thicker' : ''}`}
        >
          {Array.from({ length: 11 }, (_, i) => (
            <path
              key={i}
              d={`M${i * 10} 12V${i % 5 === 0 ? 7 : 9}`}
              stroke={COLOURS.muted}
              strokeWidth="1"
              vectorEffect="non-scaling-stroke"
            />
          ))}
          <path d={`M0 12H${RULE}`} stroke={COLOURS.muted} strokeWidth="1" vectorEffect="non-scaling-stroke" />
          <path
            d={`M${from} 4.5H${Math.min(to, RULE)}${thicker ? `M${to} 4.5H${RULE}` : ''}`}
            stroke={COLOURS.ink}
            strokeWidth="6"
            vectorEffect="non-scaling-stroke"
            fill="none"
          />
        </svg>
        <p className="text-sm text-muted tabular-nums">
          stock {formatLength(from, unit)} to {formatLength(to, unit)}
          {thicker ? ' and thicker' : ''}
        </p>
      </div>
    </li>
  );
}

/** Months it is done in: full where it is in its season, half where something else is done more often. */
function MonthStrip({ method, south }: { method: Method; south: boolean }) {
  const inMonth = (month: number): 'full' | 'half' | null => {
    const northern = south ? (month + 6) % 12 : month;
    const tag = String(northern + 1).padStart(2, '0');
    const open = method.use.seasons.filter(({ from, to }) => from.slice(0, 2) <= tag && to.slice(0, 2) >= tag);
    return open.some(({ besides }) => !besides) ? 'full' : open.length > 0 ? 'half' : null;
  };
  return (
    <div>
      <div className="flex gap-px" aria-hidden>
        {MONTHS.map((letter, month) => {
          const fill = inMonth(month);
          return (
            <span
              key={month}
              className={`grid h-7 grow place-content-center border text-xs font-bold ${fill === 'full' ? 'border-ink bg-ink text-paper' : fill === 'half' ? 'border-dashed border-ink bg-mist' : 'border-line text-muted'}`}
            >
              {letter}
            </span>
          );
        })}
      </div>
      <p className="text-sm text-muted">
        {method.use.seasons
          .filter(({ besides }) => !besides)
          .map(({ name }) => name)
          .join('; ')}
        {method.use.bark === 'must slip' ? '; bark must slip' : ''}
      </p>
    </div>
  );
}
