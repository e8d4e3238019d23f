'use client';

import { COLOURS } from '@/core/drawing/colours';
import { Slider } from 'radix-ui';
import { useEffect, useRef } from 'react';
import type { Stretch } from '@/core/plan/dates/season-finder';
import { monthsOf, placeInSeason, type SeasonWindow } from '@/core/plan/dates/season-line';
import { addDays, daysBetween, formatDate, type IsoDate } from '@/core/units/iso-date';

export interface Band {
  id: string;
  name: string;
  where: string;
  planned: boolean;
  stretches: Stretch[];
}

const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const ROW = 34;
const WIDTH = 1000;

interface YearBandsProps {
  shown: SeasonWindow;
  bands: Band[];
  day: string;
  original: string;
  today: string;
  onMove: (day: string) => void;
}

/**
 * The year of each method as a twig: thick and leafed where it can be taught, hatched where only a
 * kind year allows it, bare where not. A wire with the workshop's tag is drawn along them.
 */
export function YearBands({ shown, bands, day, original, today, onMove }: YearBandsProps) {
  const x = (date: string): number => placeInSeason(shown, date) * WIDTH;
  const days = daysBetween(shown.from, shown.to) - 1;
  const height = bands.length * ROW + 6;
  const months = monthsOf(shown);
  const frame = useRef<HTMLDivElement>(null);
  // On a narrow screen the year begins far from the day: show where it is.
  useEffect(() => {
    const { scrollWidth, clientWidth } = frame.current!;
    frame.current!.scrollLeft = placeInSeason(shown, original) * scrollWidth - clientWidth / 2;
  }, [shown, original]);
  return (
    <div
      ref={frame}
      className="relative overflow-x-auto"
      tabIndex={0}
      role="group"
      aria-label="Year bands, scroll sideways on narrow screens"
    >
      <div className="grid min-w-[860px] grid-cols-[15rem_minmax(0,1fr)] max-sm:grid-cols-[8rem_minmax(0,1fr)]">
        <span className="self-end text-sm text-muted">
          {months[0]!.year}
          {months.at(-1)!.year !== months[0]!.year ? ` to ${months.at(-1)!.year}` : ''}
        </span>
        <MonthNames months={months} />
        <ul className="sticky left-0 z-10 bg-paper" style={{ height }}>
          {bands.map((band, i) => (
            <li
              key={band.id}
              className="absolute inset-x-0 flex flex-col justify-center pr-2 leading-tight"
              style={{ top: i * ROW, height: ROW }}
            >
              <span className={`truncate text-[0.95rem] ${band.planned ? 'font-bold' : ''}`}>{band.name}</span>
              <span className="truncate text-[0.78rem] text-muted">{band.where}</span>
            </li>
          ))}
        </ul>
        <div className="relative" style={{ height }}>
          <Bands
            height={height}
            bands={bands}
            months={months}
            x={x}
            today={today}
            shown={shown}
            original={original}
            day={day}
          />
        </div>
        <span />
        <DaySlider days={days} shown={shown} day={day} onMove={onMove} />
      </div>
    </div>
  );
}

/** A stretch of the twig in growth: solid green and leafed, or hatched where it hangs on the year. */
function Growth({ left, right, y, open }: { left: number; right: number; y: number; open: boolean }) {
  const width = right - left;
  if (open) {
    const leaves = Math.max(1, Math.floor(width / 26));
    return (
      <g fill={COLOURS.life}>
        <rect x={left} y={y - 4} width={width} height={8} />
        {Array.from({ length: leaves }, (_, i) => {
          const at = left + ((i + 0.5) / leaves) * width;
          const up = i % 2 === 0 ? -1 : 1;
          return (
            <path
              key={i}
              d={`M${at} ${y}Q${at + 2} ${y + up * 12} ${at + 11} ${y + up * 13}Q${at + 10} ${y + up * 4} ${at} ${y}Z`}
            />
          );
        })}
      </g>
    );
  }
  const lines = Math.max(1, Math.round(width / 7));
  return (
    <g stroke={COLOURS.life} strokeWidth={1.4} fill="none">
      {Array.from({ length: lines }, (_, i) => {
        const at = left + ((i + 0.5) / lines) * width;
        return <path key={i} d={`M${at - 2.5} ${y + 6}L${at + 2.5} ${y - 6}`} vectorEffect="non-scaling-stroke" />;
      })}
    </g>
  );
}

function inWords(stretches: Stretch[]): string {
  const open = stretches.filter(({ chance }) => chance === 'open');
  if (open.length > 0) return open.map(({ from, to }) => `${formatDate(from)} to ${formatDate(to)}`).join(' and ');
  return stretches.some(({ chance }) => chance === 'edge') ? 'only in a kind year' : 'never here';
}

interface DaySliderProps {
  days: number;
  shown: YearBandsProps['shown'];
  day: YearBandsProps['day'];
  onMove: YearBandsProps['onMove'];
}

/** The day that is slid along. */
function DaySlider({ days, shown, day, onMove }: DaySliderProps) {
  return (
    <Slider.Root
      className="relative flex h-12 touch-none items-center select-none"
      min={0}
      max={days}
      step={1}
      value={[Math.max(0, Math.min(days, daysBetween(shown.from, day)))]}
      onValueChange={([value]) => onMove(addDays(shown.from, value!))}
    >
      <Slider.Track className="relative h-1 grow bg-line" />
      <Slider.Thumb
        aria-label="Day of the workshop"
        aria-valuetext={formatDate(day)}
        className="flex h-11 w-28 cursor-grab items-center justify-center border-2 border-ink bg-ink text-sm font-bold text-paper active:cursor-grabbing"
        style={{ borderRadius: '2px 12px 2px 12px' }}
      >
        {formatDate(day)}
      </Slider.Thumb>
    </Slider.Root>
  );
}

interface BandsProps {
  height: number;
  bands: YearBandsProps['bands'];
  months: { start: IsoDate; month: number; year: number; at: number; end: number }[];
  x: (date: string) => number;
  today: YearBandsProps['today'];
  shown: YearBandsProps['shown'];
  original: YearBandsProps['original'];
  day: YearBandsProps['day'];
}

/** The bands themselves. */
function Bands({ height, bands, months, x, today, shown, original, day }: BandsProps) {
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${height}`}
      preserveAspectRatio="none"
      className="absolute inset-0 h-full w-full"
      role="img"
      aria-label={bands.map((band) => `${band.name}: ${inWords(band.stretches)}`).join('; ')}
    >
      {months.map(({ start, at }) => (
        <path
          key={start}
          d={`M${at * WIDTH} 0V${height}`}
          stroke={COLOURS.line}
          strokeWidth={1}
          vectorEffect="non-scaling-stroke"
        />
      ))}
      {bands.map((band, i) => (
        <g key={band.id}>
          <path
            d={`M0 ${i * ROW + ROW / 2}H${WIDTH}`}
            stroke={COLOURS.bark}
            strokeWidth={2}
            vectorEffect="non-scaling-stroke"
          />
          {band.stretches
            .filter(({ chance }) => chance !== 'shut')
            .map((stretch) => (
              <Growth
                key={stretch.from}
                left={x(stretch.from)}
                right={x(addDays(stretch.to, 1))}
                y={i * ROW + ROW / 2}
                open={stretch.chance === 'open'}
              />
            ))}
        </g>
      ))}
      {today >= shown.from && today < shown.to && (
        <path
          d={`M${x(today)} 0V${height}`}
          stroke={COLOURS.ink}
          strokeDasharray="2 3"
          strokeWidth={1.5}
          vectorEffect="non-scaling-stroke"
        />
      )}
      {original !== day && (
        <path
          d={`M${x(original)} 0V${height}`}
          stroke={COLOURS.muted}
          strokeWidth={1.5}
          strokeDasharray="6 4"
          vectorEffect="non-scaling-stroke"
        />
      )}
      <path d={`M${x(day)} 0V${height}`} stroke={COLOURS.ink} strokeWidth={2.5} vectorEffect="non-scaling-stroke" />
    </svg>
  );
}

interface MonthNamesProps {
  months: { start: IsoDate; month: number; year: number; at: number; end: number }[];
}

/** The months along the top. */
function MonthNames({ months }: MonthNamesProps) {
  return (
    <svg viewBox={`0 0 ${WIDTH} 22`} className="block w-full" aria-hidden>
      {months.map(({ start, month, year, at, end }) => (
        <text key={start} x={((at + end) / 2) * WIDTH} y={15} textAnchor="middle" fontSize={13} fill={COLOURS.muted}>
          {MONTHS[month - 1]}
          {month === 1 ? ` ${year}` : ''}
        </text>
      ))}
    </svg>
  );
}
