import { COLOURS } from '@/core/drawing/colours';
import type { Light } from '@/core/plan/ready-check/ready-line';

const WORDS: Record<Light, string> = { go: 'Go', todo: 'Still to do', care: 'Go with care', stop: 'Stop' };

/** Go, go with care, or stop, as a flag on a cane: leafed, half bare, or cut. Never by colour alone. */
export function LightWord({ light, large = false }: { light: Light; large?: boolean }) {
  return (
    <span className={`inline-flex items-center gap-2 font-bold ${large ? 'text-3xl' : 'text-lg'}`}>
      <svg aria-hidden viewBox="0 0 24 24" className={large ? 'size-10' : 'size-6'}>
        {light !== 'stop' && <path d="M12 23V3" stroke={COLOURS.bark} strokeWidth={2.6} fill="none" />}
        {light !== 'stop' && (
          <path
            d="M12 14Q14 6 22 6Q21 13 12 14Z"
            fill={light === 'go' ? COLOURS.life : 'none'}
            stroke={COLOURS.life}
            strokeWidth={1.6}
          />
        )}
        {light === 'go' && <path d="M12 18Q10 10 2 10Q3 17 12 18Z" fill={COLOURS.life} />}
        {light === 'stop' && <path d="M3 4L21 20M21 4L3 20" stroke={COLOURS.loud} strokeWidth={3.4} />}
      </svg>
      {WORDS[light]}
    </span>
  );
}
