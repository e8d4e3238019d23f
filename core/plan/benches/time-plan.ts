/** How the day runs, as the club plans it. Minutes, and times as HH:MM of the site. */
export interface DayPlan {
  start: string;
  end: string;
  briefing: number;
  demonstration: number;
  /** A beginner's first union, and by what it is multiplied at each doubling of the count. */
  firstUnion: number;
  falling: number;
  breakEvery: number;
  breakLength: number;
  lunchAt: string;
  lunch: number;
  clearing: number;
  /** Knives there are; fewer than people means waiting. */
  knives: number | null;
}

export const USUAL_DAY: DayPlan = {
  start: '09:30',
  end: '16:00',
  briefing: 15,
  demonstration: 20,
  firstUnion: 20,
  falling: 0.8,
  breakEvery: 100,
  breakLength: 15,
  lunchAt: '12:30',
  lunch: 45,
  clearing: 20,
  knives: null,
};

export interface DayBlock {
  name: string;
  kind: 'briefing' | 'demonstration' | 'practice' | 'keepers' | 'break' | 'clearing';
  /** The method it is given to, by the name the work has; null for what is everybody's. */
  method: string | null;
  /** Minutes since midnight. */
  from: number;
  to: number;
}

/**
 * Minutes that unions `from` to `to` of a person take, counted from 1: the n-th takes
 * first * falling^log2(n). Source: usual practice, arithmetic, as a start.
 *
 * @throws RangeError for a first union of no time, or hands that get slower.
 * @example minutesForUnions(1, 2, 20, 0.8) // 20 + 16
 */
export function minutesForUnions(from: number, to: number, first: number, falling: number): number {
  if (!(first > 0) || !(falling > 0 && falling <= 1))
    throw new RangeError(
      'A first union takes more than 0 minutes, and each doubling multiplies it by more than 0 and at most 1.',
    );
  let sum = 0;
  for (let n = Math.max(1, from); n <= to; n++) sum += first * falling ** Math.log2(n);
  return sum;
}

export interface Work {
  method: string;
  practice: number;
  keepers: number;
}

/** @throws RangeError for a time that is none. */
export function minutesOf(time: string): number {
  const [, hours, minutes] = /^([01]?\d|2[0-3]):([0-5]\d)$/.exec(time) ?? [];
  if (hours === undefined)
    throw new RangeError(`"${time}" is no time of day. Enter it as hours and minutes, such as 09:30.`);
  return Number(hours) * 60 + Number(minutes);
}

export function timeOf(minutes: number): string {
  return `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(Math.round(minutes) % 60).padStart(2, '0')}`;
}

/** By what work takes longer because people wait for a knife. */
export function waitingForKnives({ knives }: Pick<DayPlan, 'knives'>, people: number): number {
  return knives !== null && knives > 0 && knives < people ? people / knives : 1;
}

/** Minutes that a pause may come early or late, so that it cuts no stub off a block. */
const SLACK = 10;

/**
 * The day in blocks. All work at once; where knives are fewer than people, work takes as much longer
 * as knives are short. Long work is broken by lunch and breaks. A person's count of unions runs on
 * through the day, so that keepers, which come last, go fastest.
 */
export function timePlan(
  plan: DayPlan,
  work: readonly Work[],
  people: number,
): { blocks: DayBlock[]; overrun: number } {
  const blocks: DayBlock[] = [];
  let at = minutesOf(plan.start);
  let sinceBreak = 0;
  const lunchAt = minutesOf(plan.lunchAt);
  let eaten = plan.lunch === 0;
  const pause = (name: string, minutes: number): void => {
    blocks.push({ name, kind: 'break', method: null, from: at, to: at + minutes });
    at += minutes;
    sinceBreak = 0;
  };
  const add = (name: string, kind: DayBlock['kind'], minutes: number, method: string | null = null): void => {
    for (let left = Math.round(minutes); left > 0;) {
      const toLunch = eaten ? Infinity : lunchAt - at;
      const toBreak = plan.breakEvery > 0 ? plan.breakEvery - sinceBreak : Infinity;
      // A pause that is due within ten minutes comes first, and one due in the last ten waits for the end.
      if (toLunch <= SLACK && (left > SLACK || toLunch <= 0)) {
        pause('Midday', plan.lunch);
        eaten = true;
        continue;
      }
      if (toBreak <= SLACK && left > SLACK) {
        pause('Break', plan.breakLength);
        continue;
      }
      const next = Math.min(toLunch, toBreak);
      const now = left <= next + SLACK ? left : next;
      blocks.push({ name, kind, method, from: at, to: at + now });
      at += now;
      sinceBreak += now;
      left -= now;
    }
  };
  const waiting = waitingForKnives(plan, people);
  let made = 0;
  add('Safety briefing', 'briefing', plan.briefing);
  for (const { method, practice } of work) {
    add(`${method}, shown`, 'demonstration', plan.demonstration, method);
    // A new cut is a new hand: its count starts again.
    made = Math.max(made, practice);
    if (practice > 0)
      add(
        `${method}, practice`,
        'practice',
        waiting * minutesForUnions(1, practice, plan.firstUnion, plan.falling),
        method,
      );
  }
  for (const { method, practice, keepers } of work) {
    if (keepers > 0)
      add(
        `${method}, to keep`,
        'keepers',
        waiting * minutesForUnions(practice + 1, practice + keepers, plan.firstUnion, plan.falling),
        method,
      );
  }
  add('Blades counted, benches cleared', 'clearing', plan.clearing);
  return { blocks, overrun: Math.max(0, (blocks.at(-1)?.to ?? at) - minutesOf(plan.end)) };
}
