/*
 * Symmetric positive matrices as rows one after the other in a Float64Array, of which only the lower half is read. Typed
 * arrays and straight loops, since matrices of a thousand rows are factored dozens of times a fit: the kept package's
 * factor of 500 rows takes ten times as long.
 */

/** Products of four rows with two others: each number read is used two or four times. */
const ROWS = 4;
const COLUMNS = 2;

/**
 * Sums of the products of four rows of one matrix with two of another, over some of their columns.
 *
 * @param rows where the four begin
 * @param columns where the two begin
 * @param sums set to row 0 with both, row 1 with both, and so on
 */
function multiplyTile(
  left: Float64Array,
  [p, q, r, s]: readonly [number, number, number, number],
  right: Float64Array,
  [t, u]: readonly [number, number],
  [from, to]: readonly [number, number],
  sums: Float64Array,
): void {
  let [pt, pu, qt, qu, rt, ru, st, su] = [0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.0];
  for (let k = from; k < to; k++) {
    const v = right[t + k]!;
    const w = right[u + k]!;
    let x = left[p + k]!;
    pt += x * v;
    pu += x * w;
    x = left[q + k]!;
    qt += x * v;
    qu += x * w;
    x = left[r + k]!;
    rt += x * v;
    ru += x * w;
    x = left[s + k]!;
    st += x * v;
    su += x * w;
  }
  sums[0] = pt;
  sums[1] = pu;
  sums[2] = qt;
  sums[3] = qu;
  sums[4] = rt;
  sums[5] = ru;
  sums[6] = st;
  sums[7] = su;
}

/** Where four rows begin; those past the last are the last once more, and what comes of them is not used. */
function fourRows(i: number, size: number): [number, number, number, number] {
  const begin = (row: number): number => Math.min(row, size - 1) * size;
  return [begin(i), begin(i + 1), begin(i + 2), begin(i + 3)];
}

/**
 * Cholesky's factor L of a symmetric matrix, A = L L', in place of its lower half.
 *
 * @param size rows of the matrix
 * @returns false where the matrix is not positive definite; it is then half-written
 */
export function factorInPlace(matrix: Float64Array, size: number): boolean {
  const sums = new Float64Array(ROWS * COLUMNS);
  for (let i = 0; i < size; i += ROWS) {
    const begins = fourRows(i, size);
    const rows = Math.min(ROWS, size - i);
    for (let j = 0; j < i; j += COLUMNS) {
      const [upper, lower] = [j * size, (j + 1) * size];
      multiplyTile(matrix, begins, matrix, [upper, lower], [0, j], sums);
      for (let row = 0; row < rows; row++) {
        const at = begins[row]! + j;
        const value = (matrix[at]! - sums[2 * row]!) / matrix[upper + j]!;
        matrix[at] = value;
        matrix[at + 1] = (matrix[at + 1]! - sums[2 * row + 1]! - value * matrix[lower + j]!) / matrix[lower + j + 1]!;
      }
    }
    for (let row = i; row < i + rows; row++)
      for (let j = i; j <= row; j++) {
        const rest = matrix[row * size + j]! - dot(matrix, row * size, j * size, j);
        if (j < row) matrix[row * size + j] = rest / matrix[j * size + j]!;
        else if (rest > 0 && Number.isFinite(rest)) matrix[row * size + j] = Math.sqrt(rest);
        else return false;
      }
  }
  return true;
}

/** Solves A x = b in place of b, from the factor of A. */
export function solveInPlace(factor: Float64Array, size: number, b: Float64Array): void {
  for (let i = 0; i < size; i++) {
    let sum = b[i]!;
    const row = i * size;
    for (let k = 0; k < i; k++) sum -= factor[row + k]! * b[k]!;
    b[i] = sum / factor[row + i]!;
  }
  for (let i = size - 1; i >= 0; i--) {
    const row = i * size;
    const x = (b[i] = b[i]! / factor[row + i]!);
    for (let k = 0; k < i; k++) b[k] = b[k]! - factor[row + k]! * x;
  }
}

/** The inverse of A, both halves, from the factor of A. */
export function inverseOf(factor: Float64Array, size: number): Float64Array {
  const columns = columnsOfInverse(factor, size);
  const inverse = new Float64Array(size * size);
  const sums = new Float64Array(ROWS * COLUMNS);
  // Column c of the factor's inverse lies in row c and is empty before c.
  for (let a = 0; a < size; a += ROWS) {
    const begins = fourRows(a, size);
    const rows = Math.min(ROWS, size - a);
    for (let b = 0; b < a + rows; b += COLUMNS) {
      const next = Math.min(b + 1, size - 1);
      multiplyTile(columns, begins, columns, [b * size, next * size], [a, size], sums);
      for (let row = 0; row < rows; row++) {
        inverse[begins[row]! + b] = inverse[b * size + a + row] = sums[2 * row]!;
        inverse[begins[row]! + next] = inverse[next * size + a + row] = sums[2 * row + 1]!;
      }
    }
  }
  return inverse;
}

/** The inverse of a factor, each column in a row, so that all loops run along memory. */
function columnsOfInverse(factor: Float64Array, size: number): Float64Array {
  const columns = new Float64Array(size * size);
  const sums = new Float64Array(ROWS * COLUMNS);
  for (let c = 0; c < size; c += ROWS) {
    const begins = fourRows(c, size);
    const several = Math.min(ROWS, size - c);
    for (let column = 0; column < several; column++) {
      const from = begins[column]!;
      for (let i = c + column; i < c + several; i++) {
        const rest = Number(i === c + column) - dot(factor, i * size + c, from + c, i - c, columns);
        columns[from + i] = rest / factor[i * size + i]!;
      }
    }
    for (let i = c + several; i < size; i += COLUMNS) {
      const [upper, lower] = [i * size, Math.min(i + 1, size - 1) * size];
      multiplyTile(columns, begins, factor, [upper, lower], [c, i], sums);
      for (let column = 0; column < several; column++) {
        const at = begins[column]! + i;
        const value = -sums[2 * column]! / factor[upper + i]!;
        columns[at] = value;
        if (lower > upper)
          columns[at + 1] = -(sums[2 * column + 1]! + factor[lower + i]! * value) / factor[lower + i + 1]!;
      }
    }
  }
  return columns;
}

/** Logarithm of the determinant of the first `size` rows of A, from its factor. */
export function logDeterminant(factor: Float64Array, stride: number, size: number): number {
  let sum = 0;
  for (let i = 0; i < size; i++) sum += Math.log(factor[i * stride + i]!);
  return 2 * sum;
}

/** Sum of the products of two stretches of numbers. */
function dot(matrix: Float64Array, a: number, b: number, length: number, other = matrix): number {
  let sum = 0.0;
  for (let k = 0; k < length; k++) sum += matrix[a + k]! * other[b + k]!;
  return sum;
}
