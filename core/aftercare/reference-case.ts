import { InputError } from '../contact/input-error';
import { sharedFactor } from '../statistics/shared-factor';
import { growthDate } from './growth/growth-date';
import { fewestVisits, type VisitWindow } from './visits/fewest-visits';
import { dayRate } from '@/core/plan/phenology/day-rate';
import { knitDays } from './warmth/knit-days';
import type { KnittingKin } from '../plan/phenology/assumptions';
import { KNITTING_BANDS, type KnittingBand } from '@/core/plan/phenology/knitting-rate';
import { type DayWindow, movedWindow, stretchedWindow } from './warmth/stretched-window';

/** Answer to a case of `reference/cases.csv`: a number, a window, counts, or null where it is not known. */
export type AftercareAnswer = number | readonly number[] | Record<string, number> | null;

/**
 * Computes a case of the aftercare model by its kind.
 *
 * @param kind readings, day, window, moved-window, growth, visits or shared
 * @throws InputError when the kind is unknown or an input is missing or none, RangeError when counts are none
 */
export function aftercareOfCase(kind: string, inputs: Record<string, unknown>): AftercareAnswer {
  const figure = (name: string): number => required(inputs[name], name);
  const answers: Record<string, () => AftercareAnswer> = {
    readings: () => knitDays(bandOf(inputs.kin), readingsOf(inputs.readings)).days,
    day: () => dayRate(bandOf(inputs.kin), figure('low'), figure('high')),
    window: () => stretchedWindow(windowOf(inputs.window), figuresOf(inputs.rates, 'rates'), figure('reference')),
    'moved-window': () =>
      movedWindow(
        windowOf(inputs.window),
        figuresOf(inputs.rates, 'rates'),
        figuresOf(inputs.references, 'references'),
      ),
    growth: () => growthDate(observationsOf(inputs.observations), figure('reaches')),
    visits: () => {
      const windows = listOf(inputs.windows, 'windows').map((window): VisitWindow => {
        const [from, to] = figuresOf(window, 'windows');
        return [required(from, 'windows'), required(to, 'windows')];
      });
      const { days, unreached } = fewestVisits(figuresOf(inputs.days, 'days'), windows);
      return { fewest: days.length, unreached: unreached.length };
    },
    shared: () =>
      sharedFactor({
        dead: figure('dead'),
        all: figure('of'),
        deadBeside: figure('dead_beside'),
        allBeside: figure('of_beside'),
      }),
  };
  const answer = Object.hasOwn(answers, kind) ? answers[kind] : undefined;
  if (!answer)
    throw new InputError('kind', `There is no kind "${kind}". Known are ${Object.keys(answers).join(', ')}.`);
  return answer();
}

function required(value: unknown, name: string): number {
  if (typeof value !== 'number' || !Number.isFinite(value))
    throw new InputError(name, `The input ${name} is missing or no number.`);
  return value;
}

function listOf(value: unknown, name: string): unknown[] {
  if (!Array.isArray(value)) throw new InputError(name, `The input ${name} is missing or no list.`);
  return value;
}

const figuresOf = (value: unknown, name: string): number[] =>
  listOf(value, name).map((figure) => required(figure, name));

function bandOf(kin: unknown): KnittingBand {
  if (typeof kin !== 'string' || !Object.hasOwn(KNITTING_BANDS, kin))
    throw new InputError(
      'kin',
      `There is no kin "${String(kin)}". Known are ${Object.keys(KNITTING_BANDS).join(', ')}.`,
    );
  return KNITTING_BANDS[kin as KnittingKin];
}

function windowOf(value: unknown): DayWindow {
  const [earliest, best, latest] = figuresOf(value, 'window');
  return [required(earliest, 'window'), required(best, 'window'), required(latest, 'window')];
}

function readingsOf(value: unknown): { at: number; temperature: number }[] {
  return listOf(value, 'readings').map((reading) => {
    const [at, temperature] = listOf(reading, 'readings');
    return { at: required(Date.parse(String(at)), 'readings'), temperature: required(temperature, 'readings') };
  });
}

function observationsOf(value: unknown): { day: number; height: number; shortened: boolean }[] {
  return listOf(value, 'observations').map((observation) => {
    const [day, height, mark] = listOf(observation, 'observations');
    return {
      day: required(day, 'observations'),
      height: required(height, 'observations'),
      shortened: mark === 'shortened',
    };
  });
}
