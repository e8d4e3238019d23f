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

export const USUAL_DAY: DayPlan = { start: '09:30', end: '16:00', briefing: 15, demonstration: 20, firstUnion: 20, falling: 0.8, breakEvery: 100, breakLength: 15, lunchAt: '12:30', lunch: 45, clearing: 20, knives: null };

export interface DayBlock {
  name: string;
  kind: 'briefing' | 'demonstration' | 'practice' | 'keepers' | 'break' | 'clearing';
  /** Minutes since midnight. */
  from: number;
  to: number;
}

/**
 * Minutes that unions `from` to `to` of a person take, counted from 1: the n-th takes
 * first * falling^log2(n). Source: trade handbook, arithmetic, as a start.
 *
 * @throws RangeError for a first union of no time, or hands that get slower.
 * @example minutesForUnions(1, 2, 20, 0.8) // 20 + 16
 */
export function minutesForUnions(from: number, to: number, first: number, falling: number): number {
  if (!(first > 0) || !(falling > 0 && falling <= 1)) throw new RangeError('A first union takes more than 0 minutes, and each doubling multiplies it by more than 0 and at most 1.');
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
  if (hours === undefined) throw new RangeError(`"${time}" is no time of day. Enter it as hours and minutes, such as 09:30.`);
  return Number(hours) * 60 + Number(minutes);
}

export function timeOf(minutes: number): string {
  return `${String(Math.floor(minutes / 60) % 24).padStart(2, '0')}:${String(Math.round(minutes) % 60).padStart(2, '0')}`;
}

/**
 * The day in blocks. All work at once; where knives are fewer than people, work takes as much longer
 * as knives are short. Long work is broken by lunch and breaks. A person's count of unions runs on
 * through the day, so that keepers, which come last, go fastest.
 */
export function timePlan(plan: DayPlan, work: readonly Work[], people: number): { blocks: DayBlock[]; overrun: number } {
  const blocks: DayBlock[] = [];
  let at = minutesOf(plan.start);
  let sinceBreak = 0;
  const lunchAt = minutesOf(plan.lunchAt);
  let eaten = plan.lunch === 0;
  const add = (name: string, kind: DayBlock['kind'], minutes: number): void => {
    let left = Math.round(minutes);
    // A pause that is due within ten minutes comes before a longer block, so that it does not cut off its beginning.
    if (plan.breakEvery > 0 && plan.breakEvery - sinceBreak <= 10 && left > 10 && blocks.length > 0) sinceBreak = plan.breakEvery;
    while (left > 0) {
      const toBreak = plan.breakEvery > 0 ? plan.breakEvery - sinceBreak : Infinity;
      const toLunch = eaten ? Infinity : Math.max(0, lunchAt - at);
      // A pause is not put into the last ten minutes of a block: it can wait for its end.
      const now = Math.min(left, toLunch <= 0 ? 0 : left <= toLunch + 10 ? left : toLunch, left <= toBreak + 10 ? left : Math.max(1, toBreak));
      if (now > 0) {
        blocks.push({ name, kind, from: at, to: at + now });
        at += now;
        sinceBreak += now;
        left -= now;
      }
      if (!eaten && at >= lunchAt - 10) {
        blocks.push({ name: 'Midday', kind: 'break', from: at, to: at + plan.lunch });
        at += plan.lunch;
        sinceBreak = 0;
        eaten = true;
      } else if (left > 0 || (plan.breakEvery > 0 && sinceBreak >= plan.breakEvery)) {
        if (plan.breakEvery > 0 && sinceBreak >= plan.breakEvery) {
          blocks.push({ name: 'Break', kind: 'break', from: at, to: at + plan.breakLength });
          at += plan.breakLength;
          sinceBreak = 0;
        }
      }
    }
  };
  const waiting = plan.knives !== null && plan.knives > 0 && plan.knives < people ? people / plan.knives : 1;
  let made = 0;
  add('Safety briefing', 'briefing', plan.briefing);
  for (const { method, practice } of work) {
    add(`${method}, shown`, 'demonstration', plan.demonstration);
    // A new cut is a new hand: its count starts again.
    made = Math.max(made, practice);
    if (practice > 0) add(`${method}, practice`, 'practice', waiting * minutesForUnions(1, practice, plan.firstUnion, plan.falling));
  }
  for (const { method, practice, keepers } of work) {
    if (keepers > 0) add(`${method}, to keep`, 'keepers', waiting * minutesForUnions(practice + 1, practice + keepers, plan.firstUnion, plan.falling));
  }
  add('Blades counted, benches cleared', 'clearing', plan.clearing);
  const last = blocks.at(-1);
  if (last?.kind === 'break') blocks.pop();
  return { blocks, overrun: Math.max(0, (blocks.at(-1)?.to ?? at) - minutesOf(plan.end)) };
}
