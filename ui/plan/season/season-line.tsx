import { COLOURS } from '@/core/drawing/colours';
import Link from 'next/link';
import {
  layPegs,
  leafiness,
  monthsOf,
  placeInSeason,
  type SeasonWorkshop,
  seasonWindow,
  type SeasonWindow,
  type Peg,
} from '@/core/plan/dates/season-line';
import { formatDate } from '@/core/units/iso-date';

interface SeasonLineProps {
  today: string;
  shiftMonths: number;
  hemisphere: 'north' | 'south';
  workshops: SeasonWorkshop[];
  /** The workshop that is open, whose trailing dates are written out. */
  chosen: string | null;
}

/** Drawing units: the line is this wide and scales with the page. */
const WIDTH = 1240;
const TWIG = 34;
const MONTHS = ['Jan', 'Feb', 'Mar', 'Apr', 'May', 'Jun', 'Jul', 'Aug', 'Sep', 'Oct', 'Nov', 'Dec'];
const TAG = { width: 168, height: 40, step: 46 };

/**
 * The club's year as a twig that leafs out and goes bare; workshops hang on it as tags on wire,
 * with wood cutting before and callusing and follow-up after. It is the way around.
 */
export function SeasonLine({ today, shiftMonths, hemisphere, workshops, chosen }: SeasonLineProps) {
  const window = seasonWindow(today, shiftMonths);
  const pegs = layPegs(window, workshops, { width: (TAG.width + 2) / WIDTH, before: 14 / WIDTH, gap: 8 / WIDTH });
  const x = (place: number): number => Math.round(place * WIDTH * 10) / 10;
  const levels = Math.max(1, ...pegs.map(({ level }) => level + 1));
  const height = TWIG + 40 + levels * TAG.step;
  const now = placeInSeason(window, today);
  return (
    <nav aria-label="Season" className="border-b border-line bg-sheet">
      <div
        className="mx-auto max-w-[1240px] overflow-x-auto px-2"
        tabIndex={0}
        role="group"
        aria-label="The club's year, scrolls sideways on narrow screens"
      >
        <div className="relative min-w-[1100px]">
          <Twig height={height} window={window} x={x} hemisphere={hemisphere} pegs={pegs} chosen={chosen} now={now} />
          <ul>
            {pegs.map((peg) => {
              const y = TWIG + 36 + peg.level * TAG.step;
              const picked = peg.id === chosen;
              return (
                <li key={peg.id}>
                  <Link
                    href={`/workshops/${peg.id}/plan`}
                    aria-current={picked ? 'page' : undefined}
                    className={`absolute block overflow-hidden px-2 pt-[0.45em] leading-tight no-underline ${picked ? 'text-paper' : 'text-ink'}`}
                    style={{
                      left: `${(x(peg.left) / WIDTH) * 100}%`,
                      top: `${(y / height) * 100}%`,
                      width: `${(TAG.width / WIDTH) * 100}%`,
                      height: `${(TAG.height / height) * 100}%`,
                    }}
                  >
                    <span className="block truncate pl-4 text-[0.85rem] font-bold">{peg.title}</span>
                    <span className="block truncate text-[0.78rem]">{formatDate(peg.date)}</span>
                  </Link>
                </li>
              );
            })}
          </ul>
        </div>
      </div>
    </nav>
  );
}

function tagShape(left: number, y: number): string {
  const right = left + TAG.width;
  const bottom = y + TAG.height;
  return `M${left + 9} ${y}H${right}V${bottom}H${left}V${y + 9}Z`;
}

/** Leaves and buds of a month along the twig. */
function MonthGrowth({
  left,
  right,
  leafiness,
  seed,
}: {
  left: number;
  right: number;
  leafiness: number;
  seed: number;
}) {
  const places = [0.22, 0.5, 0.78];
  return (
    <g
      fill={leafiness > 0.05 ? COLOURS.leaf : COLOURS.bark}
      stroke={leafiness > 0.05 ? COLOURS['leaf-edge'] : 'none'}
      strokeWidth={0.8}
    >
      {places.map((place, i) => {
        const cx = left + (right - left) * place;
        const up = (i + seed) % 2 === 0 ? -1 : 1;
        const base = TWIG + (up < 0 ? -2 : 5);
        if (leafiness <= 0.05)
          return <path key={place} d={`M${cx - 3} ${base}Q${cx} ${base + up * 8} ${cx + 3} ${base}Z`} />;
        const length = 6 + 17 * leafiness;
        const tip = [cx + length * 0.75, base + up * length * (up < 0 ? 0.75 : 0.28)];
        return (
          <path
            key={place}
            d={`M${cx} ${base}Q${cx + length * 0.1} ${tip[1]! + up * length * 0.15} ${tip[0]} ${tip[1]}Q${tip[0]! - length * 0.1} ${base + up * 2} ${cx} ${base}Z`}
          />
        );
      })}
    </g>
  );
}

/** What comes before and after a workshop: wood cutting hatched, stocks waking as ticks, callusing dotted, planting as a line below, rounds as small rings. */
function Trail({
  peg,
  x,
  chosen,
}: {
  peg: ReturnType<typeof layPegs>[number];
  x: (place: number) => number;
  chosen: boolean;
}) {
  if (!peg.trail) return null;
  const { wood, stocks, callus, planting, rounds } = peg.trail;
  const y = TWIG + 3;
  const marks = (span: { from: number; to: number }, every: number): number[] => {
    const count = Math.max(2, Math.round((x(span.to) - x(span.from)) / every));
    return Array.from({ length: count }, (_, i) => x(span.from) + ((x(span.to) - x(span.from)) * (i + 0.5)) / count);
  };
  const named = withoutOverlap([
    ...(wood ? [{ at: x((wood.from + wood.to) / 2), name: 'cut wood' }] : []),
    ...(stocks ? [{ at: x(stocks.from), name: 'wake stocks' }] : []),
    ...(planting ? [{ at: x(planting.from), name: 'plant out' }] : []),
    ...rounds.map(({ name, date }) => ({ at: x(date), name: name.toLowerCase() })),
  ]);
  return (
    <g opacity={chosen ? 1 : 0.55} stroke={COLOURS.ink} fill="none">
      {wood &&
        marks(wood, 7).map((at) => <path key={at} d={`M${at - 3} ${y + 5}L${at + 3} ${y - 5}`} strokeWidth={1.4} />)}
      {stocks && marks(stocks, 4).map((at) => <path key={at} d={`M${at} ${y - 5}V${y + 5}`} strokeWidth={1.2} />)}
      {callus && (
        <path
          d={`M${x(callus.from)} ${y}H${x(callus.to)}`}
          strokeWidth={5}
          strokeDasharray="1 4"
          stroke={chosen ? COLOURS.sheet : COLOURS.ink}
        />
      )}
      {planting && <path d={`M${x(planting.from)} ${y + 8}H${x(planting.to)}`} strokeWidth={2} />}
      {rounds.map((round) => (
        <circle key={round.name} cx={x(round.date)} cy={y} r={5} strokeWidth={1.6} fill={COLOURS.sheet} />
      ))}
      {chosen && (
        <g fill={COLOURS.ink} stroke="none" fontSize={11.5}>
          {named.map(({ at, name }) => (
            <text
              key={name}
              x={at}
              y={y - 10}
              textAnchor="middle"
              paintOrder="stroke"
              stroke={COLOURS.sheet}
              strokeWidth={4}
            >
              {name}
            </text>
          ))}
        </g>
      )}
    </g>
  );
}

/** Names from left to right, without those that would run into the last. */
function withoutOverlap(names: { at: number; name: string }[]): { at: number; name: string }[] {
  const kept: { at: number; name: string }[] = [];
  for (const name of [...names].sort((a, b) => a.at - b.at)) {
    const last = kept.at(-1);
    // A name that would begin beyond the edge is left out too.
    if (name.at < name.name.length * 3.2) continue;
    if (!last || name.at - name.name.length * 3.2 >= last.at + last.name.length * 3.2 + 8) kept.push(name);
  }
  return kept;
}

interface TwigProps {
  height: number;
  window: SeasonWindow;
  x: (place: number) => number;
  hemisphere: SeasonLineProps['hemisphere'];
  pegs: Peg[];
  chosen: SeasonLineProps['chosen'];
  now: number;
}

/** The twig with its months, trails and pegs. */
function Twig({ height, window, x, hemisphere, pegs, chosen, now }: TwigProps) {
  return (
    <svg viewBox={`0 0 ${WIDTH} ${height}`} className="block w-full" aria-hidden focusable="false">
      {monthsOf(window).map(({ start, month, year, at, end }) => (
        <g key={start}>
          <path d={`M${x(at)} ${TWIG + 8}V${TWIG + 14}`} stroke={COLOURS.ink} />
          <text x={x((at + end) / 2)} y={TWIG + 26} textAnchor="middle" fontSize={13} fill={COLOURS.muted}>
            {MONTHS[month - 1]}
            {month === 1 || at === 0 ? ` ${year}` : ''}
          </text>
          <MonthGrowth left={x(at)} right={x(end)} leafiness={leafiness(month, hemisphere)} seed={month} />
        </g>
      ))}
      <path
        d={`M0 ${TWIG + 3}C${WIDTH * 0.3} ${TWIG - 4} ${WIDTH * 0.6} ${TWIG + 7} ${WIDTH} ${TWIG}`}
        stroke={COLOURS.bark}
        strokeWidth={6}
        fill="none"
      />
      {pegs.map((peg) => (
        <Trail key={peg.id} peg={peg} x={x} chosen={peg.id === chosen} />
      ))}
      {now >= 0 && now < 1 && (
        <g>
          <path d={`M${x(now)} 12V${height}`} stroke={COLOURS.ink} strokeWidth={1.5} strokeDasharray="2 3" />
          <text x={x(now) + 5} y={12} fontSize={13} fontWeight={700} fill={COLOURS.ink}>
            today
          </text>
        </g>
      )}
      {/* From the lowest up, so that the wire of a tag hangs behind those above it. */}
      {[...pegs]
        .sort((a, b) => b.level - a.level)
        .map((peg) => {
          const y = TWIG + 36 + peg.level * TAG.step;
          const left = x(peg.left);
          const picked = peg.id === chosen;
          return (
            <g key={peg.id}>
              <path
                d={`M${x(peg.at)} ${TWIG + 3}C${x(peg.at) + 5} ${TWIG + 14} ${x(peg.at) - 5} ${y - 8} ${Math.max(left + 12, Math.min(x(peg.at), left + TAG.width - 12))} ${y + 7}`}
                stroke={COLOURS.ink}
                strokeWidth={1.4}
                fill="none"
              />
              <path
                d={tagShape(left, y)}
                fill={picked ? COLOURS.ink : COLOURS.sheet}
                stroke={COLOURS.ink}
                strokeWidth={1.4}
              />
              <circle
                cx={Math.max(left + 12, Math.min(x(peg.at), left + TAG.width - 12))}
                cy={y + 7}
                r={2.6}
                fill={COLOURS.paper}
                stroke={COLOURS.ink}
              />
            </g>
          );
        })}
    </svg>
  );
}
