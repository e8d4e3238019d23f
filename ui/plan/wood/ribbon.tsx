import { COLOURS } from '@/core/drawing/colours';
import { ribbonById } from '@/core/plan/wood/ribbons';

/** A strip of flagging ribbon: colour, pattern and, beside it or for screen readers, its name. */
export function RibbonStrip({ id, showName = false }: { id: string; showName?: boolean }) {
  const ribbon = ribbonById(id);
  const dark = ribbon.id === 'chalk' || ribbon.id === 'barley' ? COLOURS.ink : COLOURS.white;
  return (
    <span className="inline-flex items-center gap-2 whitespace-nowrap">
      <svg
        role="img"
        aria-label={`ribbon ${ribbon.name}`}
        viewBox="0 0 36 16"
        width={36}
        height={16}
        className="shrink-0"
      >
        <path d="M0 0H36L31 8L36 16H0Z" fill={ribbon.colour} stroke={COLOURS.ink} strokeWidth={0.8} />
        <g stroke={dark} fill={dark} strokeWidth={1.8}>
          {PATTERNS[ribbon.pattern]}
        </g>
      </svg>
      {showName && <span className="text-sm text-muted">{ribbon.name}</span>}
    </span>
  );
}

const steps = [5, 12, 19, 26];

const PATTERNS: Record<string, React.ReactNode> = {
  plain: null,
  bars: steps.map((x) => <path key={x} d={`M${x} 0V16`} />),
  dots: steps.map((x) => <circle key={x} cx={x} cy={8} r={1.8} strokeWidth={0} />),
  slant: steps.map((x) => <path key={x} d={`M${x - 3} 16L${x + 3} 0`} />),
  checks: steps.map((x, i) => <rect key={x} x={x - 2} y={i % 2 ? 1 : 9} width={5} height={6} strokeWidth={0} />),
  line: <path d="M0 8H32" />,
  crosses: steps.map((x) => <path key={x} d={`M${x - 2} 6L${x + 2} 10M${x + 2} 6L${x - 2} 10`} />),
  lines: <path d="M0 5H33M0 11H33" />,
};
