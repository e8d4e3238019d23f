import { COLOURS } from '@/core/drawing/colours';
import type { FateMark } from '@/core/findings/shared/fate-board';

type State = FateMark['state'];

export const STATE_WORDS: Record<State, string> = { alive: 'lives', dead: 'died', unknown: 'not known' };

/** Radius of a mark, and of what is tapped: no smaller than 24 px. */
const R = 7;
const TAPPED = 12;

/**
 * What marks of keepers are drawn from, once for all marks of a page: green and whole lives, dark with a cross died, open
 * and dashed is not known; a ring where it is meant.
 */
export function FateSymbols() {
  const arm = R * 0.45;
  const filled: Record<State, string> = { alive: COLOURS.life, dead: COLOURS.ink, unknown: COLOURS.sheet };
  return (
    <svg width={0} height={0} className="absolute" aria-hidden>
      <defs>
        {(['alive', 'dead', 'unknown'] as const).map((state) => (
          <g key={state} id={`fate-${state}`}>
            <circle r={TAPPED} fill="transparent" />
            <circle
              r={R}
              fill={filled[state]}
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
        ))}
        <circle id="fate-ring" r={R + 4} fill="none" stroke={COLOURS.loud} strokeWidth={3} />
      </defs>
    </svg>
  );
}

/** A keeper as a mark; {@link FateSymbols} stands once on the page. */
export function FateGlyph({ state, x, y }: { state: State; x: number; y: number }) {
  return <use href={`#fate-${state}`} x={x} y={y} />;
}

/** A mark that leads to its plant. */
export function FateLink({ mark, x, y, ringed }: { mark: FateMark; x: number; y: number; ringed: boolean }) {
  const [left, top] = [Math.round(x * 10) / 10, Math.round(y * 10) / 10];
  return (
    <a href={mark.href}>
      <title>{`${mark.called}, ${STATE_WORDS[mark.state]}`}</title>
      {ringed && <use href="#fate-ring" x={left} y={top} />}
      <FateGlyph state={mark.state} x={left} y={top} />
    </a>
  );
}
