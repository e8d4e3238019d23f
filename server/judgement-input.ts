import { date, lazy, mixed, number, object, string } from 'yup';
import type { Measures } from '@/core/methods/measures';
import type { Marks } from '@/core/scoring/judge-union';
import type { PointGrade } from '@/core/scoring/grade';
import type { PlacementPick } from '@/core/contact/placement';
import { count, id } from './fields';

const GRADES: PointGrade[] = ['good', 'poor', 'recut', 'fatal', 'not-looked-at'];
const PICKS: PlacementPick[] = ['middle', 'left-lines', 'right-lines', 'left-flush', 'right-flush'];
const origin = string().oneOf(['measured', 'picked', 'assumed'] as const).required('Say where the figure comes from.');

/** A figure within what wood can have; what the pieces allow together is core's to say. */
function measure(name: string, least: number, most: number, unit = 'mm') {
  return object({
    value: number()
      .strict()
      .typeError(`Enter ${name} as a number.`)
      .required(`Enter ${name}.`)
      .test('finite', `Enter ${name} as a number.`, (value) => Number.isFinite(value))
      .min(least, least === 0 ? `${capital(name)} cannot be less than 0. Check the figure.` : `${capital(name)} must be ${least} ${unit} or more. Check the figure.`)
      .max(most, `${capital(name)} of more than ${most} ${unit} cannot be right. Check the figure and its unit.`),
    origin,
  });
}

function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1);
}

export const measuresInput = object({
  stockDiameter: measure("the stock's diameter", 1, 100),
  scionDiameter: measure("the scion's diameter", 1, 100),
  stockBark: measure("the stock's bark", 0, 30),
  scionBark: measure("the scion's bark", 0, 30),
  stockLength: measure("the stock's cut", 1, 200),
  scionLength: measure("the scion's cut", 1, 200),
  stockHollow: measure("the hollow of the stock's face", 0, 20),
  scionHollow: measure("the hollow of the scion's face", 0, 20),
  placement: lazy((value: unknown) =>
    typeof value === 'object' && value !== null && 'pick' in value
      ? object({ pick: string().oneOf(PICKS, 'Choose how the scion is set.').required('Choose how the scion is set.') })
      : measure('the offset of the scion', -100, 100),
  ),
  lift: measure('the lift of the scion', -200, 200),
  turn: measure('the turn of the scion', -45, 45, 'degrees'),
});

const marks = mixed<Marks>()
  .default({})
  .test('marks', 'A mark is not one of good, poor, recut, fatal or not looked at. Reload the page and mark it again.', (value) =>
    Object.entries(value ?? {}).every(([point, grade]) => /^[a-z-]{1,30}$/.test(point) && GRADES.includes(grade)),
  );

const instant = (what: string) => date().typeError(`Enter ${what}.`);

export const judgementInput = object({
  workshopId: id('the workshop'),
  seatId: id('the seat'),
  number: count('The number of the union', 1, 999),
  stage: string().oneOf(['joined', 'wrapped', 'keeper'] as const, 'Choose the stage.').required('Choose the stage.'),
  measures: measuresInput,
  marks,
  note: string().trim().default('').max(500, 'Keep the note to 500 characters.'),
  deviceAt: instant('the time of the device').required('The time of the device is missing.'),
  correctsId: string().nullable().default(null).matches(/^[0-9a-f-]{36}$/, 'Choose the judgement to correct again.'),
  filledInAt: instant('when the sheet was filled in').nullable().default(null),
});

export type JudgementInput = {
  workshopId: string;
  seatId: string;
  number: number;
  stage: 'joined' | 'wrapped' | 'keeper';
  measures: Measures;
  marks: Marks;
  note: string;
  deviceAt: Date;
  correctsId: string | null;
  filledInAt: Date | null;
};
