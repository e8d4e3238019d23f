/** @jsxImportSource preact */
import { COLOURS } from '@/core/drawing/colours';
import { ribbonById } from '@/core/plan/wood/ribbons';

const STEPS = [5, 12, 19, 26];
const PATTERNS: Record<string, string> = {
  plain: '',
  bars: STEPS.map((x) => `M${x} 0V16`).join(''),
  dots: STEPS.map((x) => `M${x} 7V9`).join(''),
  slant: STEPS.map((x) => `M${x - 3} 16L${x + 3} 0`).join(''),
  checks: STEPS.map((x, i) => `M${x} ${i % 2 ? 1 : 9}v6`).join(''),
  line: 'M0 8H32',
  crosses: STEPS.map((x) => `M${x - 2} 6L${x + 2} 10M${x + 2} 6L${x - 2} 10`).join(''),
  lines: 'M0 5H33M0 11H33',
};

/** A strip of flagging ribbon with its name, as it hangs on the plant. */
export function RibbonMark({ id }: { id: string }) {
  if (id === '') return null;
  const ribbon = ribbonById(id);
  const dark = ribbon.id === 'chalk' || ribbon.id === 'barley' ? COLOURS.ink : COLOURS.white;
  return (
    <span class="ribbon">
      <svg role="img" aria-label={ribbon.name} viewBox="0 0 36 16" width={36} height={16}>
        <path d="M0 0H36L31 8L36 16H0Z" fill={ribbon.colour} stroke={COLOURS.ink} stroke-width={0.8} />
        <path d={PATTERNS[ribbon.pattern] ?? ''} stroke={dark} stroke-width={2.2} fill="none" />
      </svg>
    </span>
  );
}
