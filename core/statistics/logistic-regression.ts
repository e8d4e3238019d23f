import { CholeskyDecomposition, Matrix } from 'ml-matrix';
import { logistic } from './logistic';

export interface LogisticRegression {
  /** One a column, in their order. */
  coefficients: number[];
  standardErrors: number[];
  /** Chance that each row's outcome is 1. */
  fitted: number[];
}

const STEPS = 100;
/** Chances nearer to 0 and 1 than this come of columns that part the outcomes: there is no finite fit. */
const PARTED = 1e-9;

/**
 * Logistic regression by Newton's method; with `ridge`, half of it times each squared coefficient is taken off the
 * log-likelihood. Standard errors are from the (penalised) Hessian at the maximum.
 *
 * @param rows the columns of each row, one for the intercept among them
 * @param outcomes 0 or 1 a row
 * @param ridge penalty of each column, 0 for none
 * @throws RangeError when the columns cannot be told apart, or part the outcomes so that no finite fit exists
 * @example logisticRegression([[1, 0], [1, 1], [1, 0], [1, 1]], [0, 1, 1, 0]).coefficients // [0, 0]
 */
export function logisticRegression(
  rows: readonly (readonly number[])[],
  outcomes: readonly number[],
  ridge: readonly number[] = (rows[0] ?? []).map(() => 0),
): LogisticRegression {
  const width = ridge.length;
  if (rows.length === 0 || rows.length !== outcomes.length || rows.some((row) => row.length !== width))
    throw new RangeError('Each row has the same columns and an outcome.');
  const filled = rows.map(filledOf);
  let coefficients = new Array<number>(width).fill(0);
  let value = penalisedLikelihood(filled, outcomes, coefficients, ridge);
  for (let step = 0; step < STEPS; step++) {
    const { slope, hessian } = derivatives(filled, outcomes, coefficients, ridge);
    const move = solved(hessian, slope);
    let share = 1;
    let next = stepped(coefficients, move, share);
    let nextValue = penalisedLikelihood(filled, outcomes, next, ridge);
    while (nextValue < value - 1e-12 && share > 1e-6) {
      share /= 2;
      next = stepped(coefficients, move, share);
      nextValue = penalisedLikelihood(filled, outcomes, next, ridge);
    }
    const gained = nextValue - value;
    [coefficients, value] = [next, nextValue];
    if (Math.max(...move.map(Math.abs)) < 1e-9 || (gained < 1e-13 && share < 1)) break;
  }
  const fitted = filled.map((row) => logistic(oddsOf(row, coefficients)));
  if (ridge.every((penalty) => penalty === 0) && fitted.every((p) => p < PARTED || p > 1 - PARTED))
    throw new RangeError('The columns part the outcomes completely: no finite fit exists.');
  const { hessian } = derivatives(filled, outcomes, coefficients, ridge);
  const inverse = factored(hessian).solve(Matrix.eye(width));
  return { coefficients, standardErrors: inverse.diagonal().map(Math.sqrt), fitted };
}

/** Columns of a row that are not 0, with their values: rows of faults have few. */
interface FilledRow {
  columns: number[];
  values: number[];
}

function filledOf(row: readonly number[]): FilledRow {
  const columns = row.flatMap((value, j) => (value === 0 ? [] : [j]));
  return { columns, values: columns.map((j) => row[j]!) };
}

/** Log odds that a row's outcome is 1. */
function oddsOf({ columns, values }: FilledRow, coefficients: readonly number[]): number {
  let sum = 0;
  for (let c = 0; c < columns.length; c++) sum += values[c]! * coefficients[columns[c]!]!;
  return sum;
}

const stepped = (from: readonly number[], move: readonly number[], share: number): number[] =>
  from.map((x, j) => x + share * move[j]!);

function penalisedLikelihood(
  rows: readonly FilledRow[],
  outcomes: readonly number[],
  coefficients: readonly number[],
  ridge: readonly number[],
): number {
  let sum = 0;
  rows.forEach((row, i) => {
    const eta = oddsOf(row, coefficients);
    // log(1 + exp(eta)) without overflow.
    sum += outcomes[i]! * eta - (eta > 0 ? eta + Math.log1p(Math.exp(-eta)) : Math.log1p(Math.exp(eta)));
  });
  return coefficients.reduce((total, c, j) => total - (ridge[j]! * c * c) / 2, sum);
}

function derivatives(
  rows: readonly FilledRow[],
  outcomes: readonly number[],
  coefficients: readonly number[],
  ridge: readonly number[],
): { slope: number[]; hessian: Matrix } {
  const width = coefficients.length;
  const slope = coefficients.map((c, j) => -ridge[j]! * c);
  const sums = coefficients.map((_, j) => coefficients.map((_other, k) => (j === k ? ridge[j]! : 0)));
  rows.forEach((row, i) => {
    const p = logistic(oddsOf(row, coefficients));
    const { columns, values } = row;
    for (let c = 0; c < columns.length; c++) {
      const j = columns[c]!;
      const x = values[c]!;
      slope[j]! += (outcomes[i]! - p) * x;
      for (let d = 0; d <= c; d++) sums[j]![columns[d]!]! += p * (1 - p) * x * values[d]!;
    }
  });
  for (let j = 0; j < width; j++) for (let k = 0; k < j; k++) sums[k]![j] = sums[j]![k]!;
  return { slope, hessian: new Matrix(sums) };
}

function factored(hessian: Matrix): CholeskyDecomposition {
  const factor = new CholeskyDecomposition(hessian);
  const smallest = Math.min(...factor.lowerTriangularMatrix.diagonal());
  if (!factor.isPositiveDefinite() || !(smallest > 1e-8))
    throw new RangeError('The columns cannot be told apart, or part the outcomes completely: no finite fit exists.');
  return factor;
}

function solved(hessian: Matrix, slope: readonly number[]): number[] {
  return factored(hessian)
    .solve(Matrix.columnVector([...slope]))
    .to1DArray();
}
