import { counted } from '@/core/units/counted';
import { capital } from '@/core/units/capital';
import { COLOURS } from '@/core/drawing/colours';
import type { GiveUp } from '@/core/plan/quantities/short-wood';

interface Supply {
  species: string;
  needed: number;
  booked: number;
  free: number;
  holdBack: number;
  ways: GiveUp[];
}

/** Sticks needed beside those there are, drawn as sticks; when they are short, what could be given up. */
export function WoodSupply({ supply }: { supply: Supply[] }) {
  return (
    <ul className="flex flex-col gap-3">
      {supply.map(({ species, needed, booked, free, holdBack, ways }) => {
        const there = booked + free;
        return (
          <li key={species}>
            <p>
              <strong>
                {capital(species)}: {counted(needed, 'stick')} needed
              </strong>
              , {booked} booked{free > 0 ? `, ${free} free in the chosen lots` : ''}
              {there < needed ? `: ${needed - there} short` : ''}.
            </p>
            <svg
              role="img"
              aria-label={`${booked} of ${counted(needed, 'stick')} booked, ${Math.min(free, Math.max(0, needed - booked))} more free`}
              viewBox={`0 0 ${Math.min(60, Math.max(needed, 1)) * 12} 26`}
              className="mt-1 block h-6 max-w-full"
              preserveAspectRatio="xMinYMid meet"
            >
              {Array.from({ length: Math.min(60, needed) }, (_, i) => {
                const share = ((i + 0.5) / Math.min(60, needed)) * needed;
                const state = share <= booked ? 'booked' : share <= there ? 'free' : 'short';
                return (
                  <path
                    key={i}
                    d={`M${i * 12 + 4} 25V1M${i * 12 + 4} 8l3 -3M${i * 12 + 4} 16l-3 -3`}
                    stroke={state === 'short' ? COLOURS.loud : COLOURS['skin-edge']}
                    strokeWidth={state === 'booked' ? 3.4 : 1.3}
                    strokeDasharray={state === 'short' ? '2 3' : undefined}
                    fill="none"
                  />
                );
              })}
            </svg>
            {holdBack > 0 && (
              <p className="text-sm text-muted">
                Hold {counted(holdBack, 'stick')} back in the cold until the first look, for a second try of those that
                are expected to fail.
              </p>
            )}
            {ways.length > 0 && (
              <div className="mt-2 border-l-4 border-loud bg-sheet px-3 py-2">
                <p className="font-bold">What to give up</p>
                <ul className="divide-y divide-line">
                  {ways.map((way) => (
                    <li key={way.says} className="py-1">
                      <span className="font-bold">
                        {way.says}: {counted(way.sticks, 'stick')}
                        {way.enough ? ', enough' : ', still short'}.
                      </span>{' '}
                      <span className="text-sm">{way.costs}</span>
                    </li>
                  ))}
                </ul>
              </div>
            )}
          </li>
        );
      })}
    </ul>
  );
}
