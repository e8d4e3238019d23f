import { InputError } from '../../contact/input-error';

/** Days after the union: the first, the best and the last one of a task. */
export type DayWindow = readonly [earliest: number, best: number, latest: number];

/** A window stretches to no less and no more than these shares of its days. */
const SHORTEST = 0.6;
const LONGEST = 2;
/** Sums of rates that fall short by no more than this have reached. */
const REACHED = 1e-9;

/**
 * A window of usual days as days that really pass: "two weeks" means two weeks of usual warmth. Day d falls on the
 * first whole day on which the summed rates reach d times the reference, held between 0.6 d and 2 d.
 *
 * @param rates knitting rates of the days after the union, the first one that of the day after it
 * @param reference rate of a usual day; days beyond the list are taken to be such
 * @throws InputError when the window is none, the reference is not above 0, or a rate is below 0
 * @example stretchedWindow([10, 10, 10], Array(40).fill(0.4), 0.8) // [20, 20, 20]
 */
export function stretchedWindow(window: DayWindow, rates: readonly number[], reference: number): DayWindow {
  requireRate('reference', reference, false);
  return movedWindow(
    window,
    rates,
    rates.map(() => reference),
  );
}

/**
 * The same for a plant that moves: each day counts its rate over the reference of the place it stood in; days beyond
 * the list count as usual ones.
 *
 * @param references of each day's place, as many as there are rates
 * @throws InputError when lists are not alike, a reference is not above 0, or a rate is below 0
 * @example movedWindow([6, 7, 8], [0.5, 0.5, 0.5], [0.25, 0.25, 0.25]) // [4, 5, 5]
 */
export function movedWindow(window: DayWindow, rates: readonly number[], references: readonly number[]): DayWindow {
  const [earliest, best, latest] = window;
  if (!(earliest >= 0 && earliest <= best && best <= latest && Number.isFinite(latest)))
    throw new InputError('window', 'A window has an earliest, a best and a latest day, in this order.');
  if (rates.length !== references.length) throw new InputError('rates', 'Each day has a rate and a reference.');
  rates.forEach((rate) => requireRate('rates', rate, true));
  references.forEach((reference) => requireRate('references', reference, false));
  const day = (usual: number): number => dayReached(usual, rates, references);
  return [day(earliest), day(best), day(latest)];
}

function dayReached(usual: number, rates: readonly number[], references: readonly number[]): number {
  const [least, most] = [Math.ceil(SHORTEST * usual - REACHED), Math.ceil(LONGEST * usual - REACHED)];
  let [sum, day] = [0, 0];
  while (sum < usual - REACHED && day < most) {
    sum += day < rates.length ? rates[day]! / references[day]! : 1;
    day++;
  }
  return Math.max(0, least, Math.min(most, day));
}

function requireRate(field: string, rate: number, mayBeNone: boolean): void {
  if (!Number.isFinite(rate) || rate < 0 || (rate === 0 && !mayBeNone))
    throw new InputError(field, 'A rate is a number that is not below 0; a reference is above 0.');
}
