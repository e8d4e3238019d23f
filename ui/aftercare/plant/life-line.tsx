'use client';

import { type ReactNode, useEffect, useRef } from 'react';
import { COLOURS } from '@/core/drawing/colours';
import type { LifeEvent, UnionLife } from '@/core/aftercare/life/plant-life';
import { daysBetween, formatDate } from '@/core/units/iso-date';
import { formatLength, type LengthUnit } from '@/core/units/length';

/** Drawing units; the line scales with the page. */
const WIDTH = 1160;
const HEIGHT = 196;
const STEM = 104;
const EDGE = 24;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
/** Days shown before the union and after the last thing that is due. */
const BEFORE = 10;
const AFTER = 20;
/** What is due later than this is left to the list. */
const AHEAD = 200;

/**
 * The life of a union as a shoot that grows to the right: knots where something was done, bars where something is due,
 * flags where a tie must be off, leaves where somebody said it lives, and heights as the shoot's own line above it.
 */
export function LifeLine({ life }: { life: UnionLife }) {
  const { madeOn, today, events, heights } = life;
  const far = (on: string): boolean => daysBetween(today, on) > AHEAD;
  const shown = events.filter(({ on }) => !far(on));
  const last = Math.max(
    daysBetween(madeOn, today) + 30,
    ...shown.map(({ on, to }) => daysBetween(madeOn, to !== undefined && !far(to) ? to : on)),
  );
  const span = last + BEFORE + AFTER;
  const x = (on: string): number =>
    EDGE + ((Math.min(daysBetween(madeOn, on), last + AFTER) + BEFORE) / span) * (WIDTH - 2 * EDGE);
  const tallest = Math.max(300, ...heights.map(({ mm }) => mm));
  const y = (mm: number): number => STEM - 10 - (mm / tallest) * 74;
  const scroller = useRef<HTMLDivElement>(null);
  const now = x(today) / WIDTH;
  useEffect(() => {
    const box = scroller.current;
    if (box) box.scrollLeft = box.scrollWidth * now - box.clientWidth * 0.6;
  }, [now]);
  return (
    <div
      ref={scroller}
      className="overflow-x-auto"
      tabIndex={0}
      role="group"
      aria-label="Line of its life, scrolls sideways on narrow screens"
    >
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="min-w-[860px]"
        role="img"
        aria-label={`Its life from ${formatDate(madeOn)} on; everything on the line stands in the list below it`}
      >
        <rect x={x(today)} y={18} width={WIDTH - EDGE - x(today)} height={HEIGHT - 36} fill={COLOURS.mist} />
        {monthTicks(madeOn, span).map(({ on, name }) => (
          <g key={on}>
            <line x1={x(on)} x2={x(on)} y1={STEM} y2={STEM + 8} stroke={COLOURS.line} />
            <text x={x(on) + 3} y={HEIGHT - 4} fontSize={12} fill={COLOURS.muted}>
              {name}
            </text>
          </g>
        ))}
        <path
          d={`M ${x(madeOn)} ${STEM} H ${x(today)}`}
          stroke={life.state === 'living' ? COLOURS.life : COLOURS.ink}
          strokeWidth={7}
          strokeLinecap="round"
        />
        <path
          d={`M ${x(today)} ${STEM} H ${WIDTH - EDGE}`}
          stroke={COLOURS.line}
          strokeWidth={3}
          strokeDasharray="2 7"
          strokeLinecap="round"
        />
        <WeatherMarks frost={life.frost} heat={life.heat} rain={life.rain} x={x} />
        {heights.length > 0 && (
          <g>
            <polyline
              points={heights.map(({ on, mm }) => `${x(on)},${y(mm)}`).join(' ')}
              fill="none"
              stroke={COLOURS.life}
              strokeWidth={2.5}
            />
            {heights.map(({ on, mm }) => (
              <circle key={on} cx={x(on)} cy={y(mm)} r={4} fill={COLOURS.sheet} stroke={COLOURS.life} strokeWidth={2} />
            ))}
          </g>
        )}
        {lanes(shown).map(({ event, lane }) => (
          <Sign key={event.id} event={event} x={x} lane={lane} today={today} />
        ))}
        <text x={x(today)} y={14} fontSize={13} fontWeight={700} textAnchor="middle" fill={COLOURS.ink}>
          today
        </text>
      </svg>
    </div>
  );
}

interface WeatherMarksProps {
  frost: string[];
  heat: string[];
  rain: string[];
  x: (on: string) => number;
}

/** Nights of frost as strokes, days of heat as rings and days of much rain as drops over the time it healed. */
function WeatherMarks({ frost, heat, rain, x }: WeatherMarksProps) {
  return (
    <>
      {frost.map((on) => (
        <line key={on} x1={x(on)} x2={x(on)} y1={STEM - 26} y2={STEM - 14} stroke={COLOURS.muted} strokeWidth={1.5}>
          <title>{`${formatDate(on)}: frost`}</title>
        </line>
      ))}
      {rain.map((on) => (
        <path
          key={on}
          d={`M ${x(on)} ${STEM - 34} q 4 6 0 8 q -4 -2 0 -8`}
          fill={COLOURS.sheet}
          stroke={COLOURS.muted}
          strokeWidth={1.3}
        >
          <title>{`${formatDate(on)}: much rain`}</title>
        </path>
      ))}
      {heat.map((on) => (
        <circle key={on} cx={x(on)} cy={STEM - 20} r={3.5} fill="none" stroke={COLOURS.ink} strokeWidth={1.5}>
          <title>{`${formatDate(on)}: too hot to knit`}</title>
        </circle>
      ))}
    </>
  );
}

/** What the signs on the line mean. */
export function LifeLegend({ life, unit }: { life: UnionLife; unit: LengthUnit }) {
  const kinds = new Set(life.events.map(({ kind }) => kind));
  return (
    <p className="flex flex-wrap gap-x-4 text-sm text-muted">
      <span>● done</span>
      {kinds.has('due') && <span>▬ due</span>}
      {kinds.has('missed') && <span>┄ missed</span>}
      {kinds.has('latest') && <span>⚑ last day of a tie</span>}
      {kinds.has('answer') && <span>leaf: somebody said how it does</span>}
      {life.heights.length > 0 && (
        <span>line above: height, up to {formatLength(Math.max(...life.heights.map(({ mm }) => mm)), unit)}</span>
      )}
      {life.frost.length > 0 && <span>│ frost while it healed</span>}
      {life.heat.length > 0 && <span>○ too hot to knit while it healed</span>}
      {life.rain.length > 0 && <span>drop: much rain while it healed</span>}
      {life.warmthFrom !== '' && <span>Warmth by {life.warmthFrom}</span>}
    </p>
  );
}

function monthTicks(madeOn: string, span: number): { on: string; name: string }[] {
  const ticks: { on: string; name: string }[] = [];
  const [year, month] = [Number(madeOn.slice(0, 4)), Number(madeOn.slice(5, 7))];
  const step = span > 500 ? 2 : 1;
  for (let i = 1; ; i += step) {
    const at = month - 1 + i;
    const on = `${year + Math.floor(at / 12)}-${String((at % 12) + 1).padStart(2, '0')}-01`;
    if (daysBetween(madeOn, on) > span - BEFORE - 8) return ticks;
    ticks.push({ on, name: at % 12 === 0 ? `${MONTHS[0]} ${on.slice(2, 4)}` : MONTHS[at % 12]! });
  }
}

/** How many bars lie under one another. */
const LANES = 5;

/** Bars of what is due side by side where they would cover one another. */
function lanes(events: readonly LifeEvent[]): { event: LifeEvent; lane: number }[] {
  const ends: string[] = [];
  return events.map((event) => {
    if (event.kind !== 'due' && event.kind !== 'missed') return { event, lane: 0 };
    const free = ends.findIndex((end) => end < event.on);
    const lane = free >= 0 ? free : Math.min(ends.length, LANES - 1);
    ends[lane] = event.to ?? event.on;
    return { event, lane };
  });
}

interface SignProps {
  event: LifeEvent;
  x: (on: string) => number;
  lane: number;
  today: string;
}

/** How one thing is drawn; its words come as it is pointed at, and stand in the list. */
function Sign({ event: { kind, on, to, words }, x, lane, today }: SignProps) {
  const at = x(on);
  const title = <title>{`${formatDate(on)}: ${words}`}</title>;
  switch (kind) {
    case 'made':
      return (
        <g>
          {title}
          <path d={`M ${at - 7} ${STEM - 12} L ${at + 7} ${STEM + 12}`} stroke={COLOURS.ink} strokeWidth={4} />
        </g>
      );
    case 'due':
    case 'missed': {
      const wide = Math.max(6, x(to ?? on) - at);
      const top = STEM + 14 + lane * 11;
      return (
        <rect
          x={at}
          y={top}
          width={wide}
          height={7}
          rx={3.5}
          fill={kind === 'missed' ? 'none' : COLOURS.ink}
          stroke={COLOURS.ink}
          strokeWidth={1.2}
          strokeDasharray={kind === 'missed' ? '3 3' : undefined}
        >
          {title}
        </rect>
      );
    }
    case 'latest':
      return (
        <g>
          {title}
          <path
            d={`M ${at} ${STEM + 6} V ${STEM - 44} l 15 6 l -15 6`}
            fill={on <= today ? COLOURS.loud : COLOURS.sheet}
            stroke={on <= today ? COLOURS.loud : COLOURS.ink}
            strokeWidth={2}
          />
        </g>
      );
    case 'answer':
      return (
        <g>
          {title}
          <path
            d={`M ${at} ${STEM - 4} q -12 -12 0 -26 q 12 14 0 26`}
            fill={/: Yes/.test(words) ? COLOURS.life : /: Dead/.test(words) ? COLOURS.ink : COLOURS.sheet}
            stroke={/: Yes/.test(words) ? COLOURS.life : COLOURS.ink}
            strokeWidth={1.6}
          />
        </g>
      );
    case 'growth':
      return null;
    case 'moved':
      return <MovedSign at={at} title={title} />;
    default:
      return (
        <circle
          cx={at}
          cy={STEM}
          r={7}
          fill={kind === 'done' ? COLOURS.ink : COLOURS.sheet}
          stroke={COLOURS.ink}
          strokeWidth={2}
        >
          {title}
        </circle>
      );
  }
}

/** A plant that came to another place. */
function MovedSign({ at, title }: { at: number; title: ReactNode }) {
  return (
    <g>
      {title}
      <path d={`M ${at - 6} ${STEM + 5} h 12 l -4 -4 m 4 4 l -4 4`} fill="none" stroke={COLOURS.ink} strokeWidth={2} />
    </g>
  );
}
