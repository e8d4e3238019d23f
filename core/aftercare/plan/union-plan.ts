import type { AftercareTask } from '../../methods/timetable/aftercare-task';
import { tasksFor } from '../../methods/timetable/tasks-by-way';
import { nextSpring } from '../../methods/timetable/spring-after';
import { isWinterless, taskWithoutWinter } from '../../methods/timetable/tasks-without-winter';
import type { WayOn } from '../../methods/variant';
import { addDays, type IsoDate } from '../../units/iso-date';
import { BINDING_OFF } from './actual-binding';
import { DEAD_UNION_TASKS, ONLY_WHEN_DEAD, type RegraftDue, regraftTask } from './dead-union';
import { againDays, type DaysKnown, firstDue, grownOn, nextLeafFall, type TaskDays } from './task-days';

/** How a task was closed. */
export interface Closed {
  task: string;
  on: IsoDate;
  how: 'done' | 'not-needed' | 'skipped';
  /** Which time of a task that recurs, from 0. */
  occurrence?: number;
}

/** Why a union's life ended, as far as its plan goes; one is cut away where another on its plant is kept, gone where nobody knows where the plant is. */
export type Ending = 'dead' | 'voided' | 'opened' | 'cut-away' | 'gone';

/** What is known of a union's life, besides its day. */
export interface LifeSoFar extends DaysKnown {
  closed?: readonly Closed[];
  /** It died, its plant was given up, or it was opened to look. */
  ended?: { on: IsoDate; why: Ending } | null;
  today?: IsoDate;
  /** Days past its window after which a task counts as missed. */
  late?: number;
  /** New growth at which what does not give girdles, mm; null where nothing does. */
  girdle?: number | null;
  /** What comes next on the stock of a dead union; null where nothing does. */
  regraft?: RegraftDue | null;
}

/** A task of one union, as it stands. */
export interface PlannedTask extends AftercareTask {
  /** Null where it waits for something that nobody has seen yet. */
  due: TaskDays | null;
  /** By how many days warmth or cold moved its best day; 0 for what goes by the calendar. */
  movedBy: number;
  /** Of what is round the stem and must come off: the last day it may stay on, where that can be said. */
  latest: IsoDate | null;
  /** The same as `latest`, brought forward by growth that strains it. */
  strained: boolean;
  /** Of what recurs, which time is due next, from 0; one that was taken back does not give its number to another. */
  occurrence: number;
  state: 'open' | 'done' | 'not-needed' | 'skipped' | 'missed' | 'no-longer-possible';
}

/** Tasks that take off what is round a stem. */
const TAKES_OFF: ReadonlySet<string> = new Set([...BINDING_OFF, 'foil-off', 'bag-open', 'cover-off']);
/** What is done at every visit, and no task of its own. */
const VISIT_LINES: ReadonlySet<string> = new Set(['water', 'label', 'insects']);

/**
 * The plan of one union: each task of its aftercare with the days it is due, moved by warmth and growth, and how it
 * stands. It is made again whenever something is learnt; what was closed stays closed, and a task that recurs is due
 * again from the day it was last done.
 *
 * @example unionPlan({ wayOn: 'bench', aftercare, madeOn: '2027-03-06' }).find(({ id }) => id === 'warm')?.due
 */
export function unionPlan(
  { wayOn, aftercare, madeOn }: { wayOn: WayOn; aftercare: readonly AftercareTask[]; madeOn: IsoDate },
  life: LifeSoFar = {},
): PlannedTask[] {
  const dead = life.ended?.why === 'dead';
  // The site's year says when a stock is grafted again; where it is not asked, the method's own words stand.
  const ownRegraft = dead && life.regraft === undefined;
  const tasks = tasksFor(wayOn, aftercare);
  const own = (isWinterless(madeOn, life.turnsOf) ? tasks.map(taskWithoutWinter) : tasks)
    .filter(({ id }) => !VISIT_LINES.has(id) && (ownRegraft || !ONLY_WHEN_DEAD.has(id)))
    .map((task) => planned(task, madeOn, { ...life, sleeps: SLEEPING.has(wayOn) }));
  if (!dead) return own;
  const { regraft } = life;
  return [
    ...own,
    ...DEAD_UNION_TASKS.map((task) => planned(task, life.ended!.on, { ...life, ended: null })),
    ...(regraft ? [planned(regraftTask(regraft), regraft.from, { ...life, ended: null })] : []),
  ];
}

/** Ways of living on in which nothing grows before the next spring. */
const SLEEPING: ReadonlySet<WayOn> = new Set(['sleeping-bud', 'sleeping-patch']);

type Life = LifeSoFar & { sleeps?: boolean };

function planned(task: AftercareTask, countedFrom: IsoDate, life: Life): PlannedTask {
  const closings = (life.closed ?? []).filter((closed) => closed.task === task.id);
  const last = closings.reduce<Closed | null>((found, next) => (!found || next.on > found.on ? next : found), null);
  const first = firstDue(task, countedFrom, life);
  const again =
    last && task.every !== null ? withinSeason(task, againDays(last.on, task.every), first.due, life) : null;
  const due = last && task.every !== null ? again : first.due;
  const ties = TAKES_OFF.has(task.id);
  const tie = ties ? latestDay(due, task, countedFrom, life) : { latest: null, strained: false };
  return {
    ...task,
    due,
    movedBy: last && task.every !== null ? 0 : first.movedBy,
    ...tie,
    occurrence: closings.reduce((next, { occurrence = 0 }) => Math.max(next, occurrence + 1), 0),
    state: stateOf(task, { last, due, again, ties }, life),
  };
}

/** What recurs within a season ends with it: when leaves fall after it was first due. */
function withinSeason(
  { every }: AftercareTask,
  again: TaskDays,
  first: TaskDays | null,
  { turnsOf, closed = [] }: LifeSoFar,
): TaskDays | null {
  if (every === null || every > SEASON) return again;
  const began = first?.from ?? closed.map(({ on }) => on).sort()[0];
  const ends = began === undefined ? null : nextLeafFall(began, turnsOf);
  return ends !== null && again.from > ends ? null : again;
}
/** What recurs less often than this is due in every year, days. */
const SEASON = 200;

interface Standing {
  last: Closed | null;
  due: TaskDays | null;
  again: TaskDays | null;
  ties: boolean;
}

function stateOf(
  { id, every }: AftercareTask,
  { last, due, again, ties }: Standing,
  { ended, today, late = LATE }: LifeSoFar,
): PlannedTask['state'] {
  if (last && (every === null || again === null)) return last.how;
  // What is round a stem must come off whatever became of the union, unless the plant is gone.
  if (ended && !(ties && ended.why === 'dead') && !ONLY_WHEN_DEAD.has(id)) return 'no-longer-possible';
  if (ended && ONLY_WHEN_DEAD.has(id) && due && due.to < ended.on) return 'no-longer-possible';
  const missed = !ties && today !== undefined && due !== null && today > addDays(due.to, late);
  return missed ? 'missed' : 'open';
}
/** Days past its window after which a task counts as missed: our guess, a site may have its own. */
const LATE = 21;

/** Days after which a tie must be off where there is no winter to leave it on for: the longer end of two months. */
const NO_WINTER = 75;

/** The last day of a tie: that of its task, not past the buds of the next spring, and sooner where growth strains it. */
function latestDay(
  due: TaskDays | null,
  { trigger }: AftercareTask,
  madeOn: IsoDate,
  life: Life,
): { latest: IsoDate | null; strained: boolean } {
  const swelling = nextSpring(madeOn, life.turnsOf);
  // What is meant to come off with the spring's growth, or after it, is not late before that.
  const withSpring = due !== null && swelling !== null && due.from >= swelling;
  const beforeSpring =
    swelling &&
    (trigger.kind === 'event' && due === null && life.sleeps
      ? addDays(swelling, trigger.after)
      : addDays(swelling, -1));
  // Where no winter comes, nothing waits for one.
  const noWinter = swelling === null && due === null && life.turnsOf ? addDays(madeOn, NO_WINTER) : null;
  const usual = [due?.to ?? null, withSpring ? null : beforeSpring, noWinter].filter(
    (day): day is IsoDate => day !== null,
  );
  const latest = usual.length > 0 ? usual.reduce((first, day) => (day < first ? day : first)) : null;
  const strain = life.girdle == null ? null : grownOn(life.girdle, madeOn, life);
  return strain !== null && (latest === null || strain < latest)
    ? { latest: strain, strained: true }
    : { latest, strained: false };
}
