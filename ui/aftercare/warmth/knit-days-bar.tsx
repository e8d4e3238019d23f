import { COLOURS } from '@/core/drawing/colours';
import type { CallusView } from '@/core/aftercare/warmth/callus-view';
import { formatDate } from '@/core/units/iso-date';

/** Days shown at most: a month and a half. */
const MOST = 45;

/** Each day as a cell filled by what it knit: a full one is a day of full warmth. */
export function KnitDaysBar({ days }: { days: CallusView['days'] }) {
  const shown = days.slice(-MOST);
  const wide = 24;
  return (
    <div
      className="overflow-x-auto"
      tabIndex={0}
      role="group"
      aria-label="Knit days, scrolls sideways on narrow screens"
    >
      <svg
        role="img"
        aria-label={`Knit days of ${shown.length} days: ${shown.map(({ on, knit }) => `${on} ${knit.toFixed(2)}`).join(', ')}`}
        viewBox={`0 0 ${shown.length * wide} 56`}
        width={shown.length * wide}
        height={56}
      >
        {shown.map(({ on, knit, heatHours, frostHours }, i) => (
          <g key={on}>
            <title>{`${formatDate(on)}: ${knit.toFixed(2)} of a day${heatHours > 0 ? `, ${Math.round(heatHours)} h too hot` : ''}${frostHours > 0 ? `, ${Math.round(frostHours)} h of frost` : ''}`}</title>
            <rect x={i * wide + 2} y={4} width={wide - 4} height={34} fill={COLOURS.sheet} stroke={COLOURS.line} />
            <rect
              x={i * wide + 2}
              y={38 - 34 * Math.min(1, knit)}
              width={wide - 4}
              height={34 * Math.min(1, knit)}
              fill={COLOURS.life}
            />
            {heatHours > 0 && (
              <path d={`M${i * wide + 5} 8l7 7l7 -7`} fill="none" stroke={COLOURS.loud} strokeWidth={2.5} />
            )}
            {frostHours > 0 && (
              <path d={`M${i * wide + 5} 34l7 -7l7 7`} fill="none" stroke={COLOURS.ink} strokeWidth={2.5} />
            )}
            {i % 7 === 0 && (
              <text x={i * wide + 2} y={52} fontSize={11} fill={COLOURS.muted}>
                {formatDate(on).replace(/ \d{4}$/, '')}
              </text>
            )}
          </g>
        ))}
      </svg>
    </div>
  );
}
