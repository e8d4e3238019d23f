import type { SeasonPhaseId } from './season-phases';

/**
 * What makes a thing due after a union, as a code that can be dated and worded.
 *
 * - `days`: days since the union. Days of healing are days of usual warmth and stretch in the cold; days of the
 *   calendar do not.
 * - `growth`: a length of new growth, mm.
 * - `phase`: a phase of the year at the place, the nth one after the union, moved by days. Where it is not to begin
 *   before so many days have gone by, it is the next one; `past` counts from the end of another phase.
 * - `event`: something seen on the plant, and days after it.
 * - `recurring`: at every visit, or once each year.
 */
export type Trigger =
  | { kind: 'days'; count: 'healing' | 'calendar'; earliest: number; best: number; latest: number }
  | { kind: 'growth'; from: number; best: number; to: number }
  | { kind: 'phase'; phase: SeasonPhaseId; nth: number; offset: number; notBefore?: number; past?: SeasonPhaseId }
  | { kind: 'event'; event: PlantEvent; after: number }
  | { kind: 'recurring'; at: 'visit' | 'year' };

/** Events that are seen on the plant, and how they are said. */
export const PLANT_EVENTS = {
  'growth-starts': 'growth starts',
  'growth-at-tie': 'growth reaches the tie',
  'bud-grows': 'the bud grows',
  'wrap-off': 'the wrap is off',
  'scions-slow': 'the scions grow too slowly; the last once they grow strongly',
} as const;
export type PlantEvent = keyof typeof PLANT_EVENTS;

/** Days of healing since the union: earliest, best and latest. */
export function healingDays(earliest: number, best: number, latest: number): Trigger {
  return { kind: 'days', count: 'healing', earliest, best, latest };
}

/** Days of the calendar since the union. */
export function calendarDays(earliest: number, best: number, latest: number): Trigger {
  return { kind: 'days', count: 'calendar', earliest, best, latest };
}

export const AT_ONCE = calendarDays(0, 0, 0);

/** New growth, mm; from one length up to another where the trade gives a range. */
export function growth(from: number, to = from): Trigger {
  return { kind: 'growth', from, best: (from + to) / 2, to };
}

/** A phase of the year; the nth that comes after the union. */
export function phase(id: SeasonPhaseId, nth = 1, offset = 0): Trigger {
  return { kind: 'phase', phase: id, nth, offset };
}

/** The first of a phase that begins when so many days have gone by, or later. */
export function phaseNotBefore(id: SeasonPhaseId, notBefore: number): Trigger {
  return { kind: 'phase', phase: id, nth: 1, offset: 0, notBefore };
}

/** The first of a phase that comes once another, not begun before so many days have gone by, has passed. */
export function phasePast(past: SeasonPhaseId, notBefore: number, id: SeasonPhaseId): Trigger {
  return { kind: 'phase', phase: id, nth: 1, offset: 0, notBefore, past };
}

/** Something seen, or so many days after it. */
export function event(id: PlantEvent, after = 0): Trigger {
  return { kind: 'event', event: id, after };
}

export const EVERY_VISIT: Trigger = { kind: 'recurring', at: 'visit' };
export const EVERY_YEAR: Trigger = { kind: 'recurring', at: 'year' };
