import { COLOURS } from '@/core/drawing/colours';
import type { FateMark } from '@/core/findings/shared/fate-board';

/** A keeper as a mark: green and whole lives, dark with a cross died, open and dashed is not known; a ring where it is meant. */
export function FateGlyph({
  state,
  x,
  y,
  r = 7,
  ringed,
}: {
  state: FateMark['state'];
  x: number;
  y: number;
  r?: number;
  ringed: boolean;
}) {
  const arm = r * 0.45;
  return (
    <g transform={`translate(${x} ${y})`}>
      {ringed && <circle r={r + 4} fill="none" stroke={COLOURS.loud} strokeWidth={3} />}
      <circle
        r={r}
        fill={state === 'alive' ? COLOURS.life : state === 'dead' ? COLOURS.ink : COLOURS.sheet}
        stroke={COLOURS.ink}
        strokeDasharray={state === 'unknown' ? '2 2' : undefined}
      />
      {state === 'dead' && (
        <path
          d={`M${-arm} ${-arm}L${arm} ${arm}M${arm} ${-arm}L${-arm} ${arm}`}
          stroke={COLOURS.sheet}
          strokeWidth={1.8}
        />
      )}
    </g>
  );
}

export const STATE_WORDS: Record<FateMark['state'], string> = { alive: 'lives', dead: 'died', unknown: 'not known' };

/** A mark that leads to its plant. */
export function FateLink({ mark, x, y, ringed }: { mark: FateMark; x: number; y: number; ringed: boolean }) {
  return (
    <a href={mark.href} aria-label={`${mark.called}, ${STATE_WORDS[mark.state]}`}>
      <title>{`${mark.called}, ${STATE_WORDS[mark.state]}`}</title>
      {/* Easier to hit than the mark itself. */}
      <circle cx={x} cy={y} r={12} fill="transparent" />
      <FateGlyph state={mark.state} x={x} y={y} ringed={ringed} />
    </a>
  );
}
