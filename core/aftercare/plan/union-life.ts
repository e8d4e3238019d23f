import { daysBetween, type IsoDate } from '../../units/iso-date';
import type { PlantEvent } from '../../methods/timetable/trigger';
import type { GrowthObservation } from '../growth/growth-date';
import { GONE, type Happening } from '../happening';
import type { ObservationKind } from '../observation-input';
import { TIE_IDS, type TieId, type TieSeen } from '../ties/ties';
import { BINDING_OFF } from './actual-binding';
import type { Closed, Ending, LifeSoFar } from './union-plan';

/** Something that was seen on a union. */
export interface Seen {
  kind: ObservationKind;
  about: string;
  lengthMm: number | null;
  seenOn: IsoDate;
}

/** A task of it that was closed. */
export interface ClosedTask {
  task: string;
  doneOn: IsoDate;
  outcome: 'done' | 'not-needed' | 'skipped';
  occurrence: number;
}

/** What is on record of one union. */
export interface UnionRecord {
  madeOn: IsoDate;
  seen: readonly Seen[];
  closed: readonly ClosedTask[];
  /** When it was first seen dead, where nothing speaks against that. */
  deadOn: IsoDate | null;
  voidedOn: IsoDate | null;
}

/** Heights of a shoot by days since the union; of several on one day the last one counts. */
export function growthOf(madeOn: IsoDate, seen: readonly Seen[]): GrowthObservation[] {
  const byDay = new Map<number, GrowthObservation>();
  for (const { kind, lengthMm, seenOn } of seen)
    if ((kind === 'height' || kind === 'shortened') && lengthMm !== null) {
      const day = daysBetween(madeOn, seenOn);
      byDay.set(day, { day, height: lengthMm, ...(kind === 'shortened' ? { shortened: true } : {}) });
    }
  return [...byDay.values()].sort((a, b) => a.day - b.day);
}

/**
 * Heights that kin stand in with for a plant nobody measured: of each day the mean of its kin. What was shortened on
 * one of them says nothing of the others, so such plants are left out by whoever asks.
 */
export function kinGrowth(kin: readonly (readonly GrowthObservation[])[]): GrowthObservation[] {
  const byDay = new Map<number, number[]>();
  for (const { day, height } of kin.flat()) byDay.set(day, [...(byDay.get(day) ?? []), height]);
  return [...byDay.entries()]
    .map(([day, heights]) => ({ day, height: heights.reduce((sum, height) => sum + height, 0) / heights.length }))
    .sort((a, b) => a.day - b.day);
}

/** What a union's plan goes by, from what is on record of it. */
export function lifeOf({
  madeOn,
  seen,
  closed,
  deadOn,
  voidedOn,
}: UnionRecord): Pick<LifeSoFar, 'growth' | 'seen' | 'closed' | 'ended'> {
  const growth = growthOf(madeOn, seen);
  const events: Partial<Record<PlantEvent, IsoDate>> = {};
  for (const { kind, about, seenOn } of seen)
    if (kind === 'event') events[about as PlantEvent] = earlier(events[about as PlantEvent], seenOn);
  // Whoever measured a shoot saw that it grows.
  const grows = seen.find(({ kind, lengthMm }) => kind === 'height' && lengthMm !== null && lengthMm > 0)?.seenOn;
  if (grows) {
    events['growth-starts'] = earlier(events['growth-starts'], grows);
    events['bud-grows'] = earlier(events['bud-grows'], grows);
  }
  const unwrapped = closed.find(({ task, outcome }) => BINDING_OFF.includes(task) && outcome === 'done')?.doneOn;
  if (unwrapped) events['wrap-off'] = earlier(events['wrap-off'], unwrapped);
  const marked = closed.map(({ task, doneOn, outcome, occurrence }) => ({
    task,
    on: doneOn,
    how: outcome,
    occurrence,
  }));
  const grew = events['bud-grows'] ?? events['growth-starts'];
  return {
    growth,
    seen: events,
    closed: grew ? [...marked, ...answeredBy(grew, marked)] : marked,
    ended: endingOf(seen, deadOn, voidedOn),
  };
}

/** Tasks that ask whether anything moves: a bud or shoot that was seen to grow has answered them. */
const ASKS_WHETHER_IT_MOVES: readonly string[] = ['plump', 'swell', 'bud-wakes'];

function answeredBy(grew: IsoDate, marked: readonly Closed[]): Closed[] {
  return ASKS_WHETHER_IT_MOVES.filter((id) => !marked.some(({ task }) => task === id)).map((task) => ({
    task,
    on: grew,
    how: 'done',
  }));
}

const earlier = (known: IsoDate | undefined, day: IsoDate): IsoDate =>
  known === undefined || day < known ? day : known;

function endingOf(
  seen: readonly Seen[],
  deadOn: IsoDate | null,
  voidedOn: IsoDate | null,
): { on: IsoDate; why: Ending } | null {
  if (voidedOn) return { on: voidedOn, why: 'voided' };
  const opened = seen.find(({ kind }) => kind === 'opened');
  if (opened) return { on: opened.seenOn, why: 'opened' };
  if (deadOn) return { on: deadOn, why: 'dead' };
  const away = seen.find(({ kind }) => kind === 'cut-away');
  if (away) return { on: away.seenOn, why: 'cut-away' };
  const gone = seen.find(({ kind, about }) => kind === 'happened' && GONE.includes(about as Happening));
  return gone ? { on: gone.seenOn, why: 'gone' } : null;
}

/** Ties that somebody saw on or off. */
export function tiesSeen(seen: readonly Seen[]): TieSeen[] {
  return seen
    .filter(({ kind, about }) => (kind === 'tie-on' || kind === 'tie-off') && TIE_IDS.includes(about as TieId))
    .map(({ kind, about, seenOn }) => ({ tie: about as TieId, on: seenOn, is: kind === 'tie-on' ? 'on' : 'off' }));
}
