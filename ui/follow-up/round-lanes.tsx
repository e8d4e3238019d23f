import { COLOURS } from '@/core/drawing/colours';
import type { PlanLane, PlannedRound } from '@/core/follow-up/asks/round-plan';
import { MILESTONE_WORDS } from '@/core/methods/milestones';
import { counted } from '@/core/units/counted';
import { addDays, daysBetween, formatDate } from '@/core/units/iso-date';

interface RoundLanesProps {
  lanes: readonly (PlanLane & { whose: string })[];
  today: string;
}

const WIDTH = 1000;
const LEFT = 8;
const LANE = 96;
/** Height of the twig within its lane, and of a bud. */
const TWIG = 48;
const BAR = 20;
/** Looks of later years are named and not drawn: they would press the first two together. */
const SHOWN_DAYS = 640;

/** When each way of making is asked for what: a twig for each, with a bud for every round. */
export function RoundLanes({ lanes, today }: RoundLanesProps) {
  const first = lanes.map(({ madeOn }) => madeOn).sort()[0]!;
  const shown = lanes.map((lane) => ({ ...lane, rounds: lane.rounds.filter(({ kind }) => kind !== 'year') }));
  const last = shown
    .flatMap(({ rounds }) => rounds.map(({ to }) => to))
    .concat(addDays(first, 120))
    .sort()
    .at(-1)!;
  const days = Math.min(SHOWN_DAYS, daysBetween(first, last) + 10);
  const x = (day: string): number =>
    LEFT + (Math.max(0, Math.min(days, daysBetween(first, day))) / days) * (WIDTH - 2 * LEFT);
  return (
    <div className="flex flex-col gap-1">
      {shown.map((lane) => (
        <Lane key={`${lane.method} ${lane.variant} ${lane.madeOn}`} lane={lane} x={x} today={today} />
      ))}
      <p className="text-sm text-muted">
        After the first spring each is looked at once a year, until it is five years old. Days of healing move with the
        warmth of where a plant stood, leaf fall and spring with the site’s own year; today is the upright line.
      </p>
    </div>
  );
}

function Lane({
  lane,
  x,
  today,
}: {
  lane: RoundLanesProps['lanes'][number];
  x: (day: string) => number;
  today: string;
}) {
  return (
    <section aria-label={lane.whose} className="border-b border-line pb-1">
      <p className="text-sm">
        <strong>{lane.whose}</strong>, {formatDate(lane.madeOn)}, {counted(lane.unions, 'union')}
      </p>
      {/* On a phone the twig is wider than the page, and keys have to get along it. */}
      <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={`Rounds of ${lane.whose}`}>
        <svg viewBox={`0 0 ${WIDTH} ${LANE}`} className="min-w-[46rem]" role="img" aria-label={laneWords(lane)}>
          <path d={`M${LEFT} ${TWIG}H${WIDTH - LEFT}`} stroke={COLOURS.bark} strokeWidth={5} strokeLinecap="round" />
          <path d={`M${x(today)} ${TWIG - 16}V${TWIG + 16}`} stroke={COLOURS.ink} strokeWidth={3} />
          {lane.rounds.map((round, i) => (
            <Bud key={round.key} round={round} x={x} below={i % 2 === 1} />
          ))}
        </svg>
      </div>
    </section>
  );
}

/** A round on its twig: green as far as it was told, dashed where it is over, its days and name beside it. */
function Bud({ round, x, below }: { round: PlannedRound; x: (day: string) => number; below: boolean }) {
  const [from, to] = [x(round.from), Math.max(x(round.to), x(round.from) + 14)];
  const { answered, due, over, ended } = round.states;
  const all = Object.values(round.states).reduce((sum, count) => sum + count, 0);
  const width = to - from;
  const anchor = from > WIDTH * 0.82 ? 'end' : 'start';
  const at = anchor === 'end' ? to : from;
  const spent = answered === 0 && due === 0 && over + ended === all;
  return (
    <g>
      <rect
        x={from}
        y={TWIG - BAR / 2}
        width={width}
        height={BAR}
        rx={BAR / 2}
        fill={COLOURS.sheet}
        stroke={COLOURS.ink}
        strokeWidth={due > 0 ? 3.5 : 1.5}
        strokeDasharray={spent ? '4 3' : undefined}
      />
      {answered > 0 && (
        <rect
          x={from + 2}
          y={TWIG - BAR / 2 + 2}
          width={Math.max(4, ((width - 4) * answered) / all)}
          height={BAR - 4}
          rx={BAR / 2 - 2}
          fill={COLOURS.life}
        />
      )}
      <text x={at} y={below ? 76 : 16} textAnchor={anchor} fontSize={13} fontWeight={700} fill={COLOURS.ink}>
        {MILESTONE_WORDS[round.kind].name}
      </text>
      <text x={at} y={below ? 90 : 30} textAnchor={anchor} fontSize={11.5} fill={COLOURS.muted}>
        {`from ${formatDate(round.from)}${answered + due > 0 ? `, ${answered} of ${all} told` : ''}`}
      </text>
    </g>
  );
}

function laneWords({ whose, rounds }: RoundLanesProps['lanes'][number]): string {
  const said = rounds.map(
    ({ kind, from, to, states }) =>
      `${MILESTONE_WORDS[kind].name} from ${formatDate(from)} to ${formatDate(to)}, ${states.answered} told, ${states.due} due`,
  );
  return `${whose}: ${said.join('; ')}`;
}
