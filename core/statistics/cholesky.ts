/*
 * Symmetric positive matrices as rows one after the other in a Float64Array, of which only the lower half is read. Typed
 * arrays and straight loops, since matrices of a thousand rows are factored dozens of times a fit: the kept package's
 * factor of 500 rows takes ten times as long.
 */

/**
 * Cholesky's factor L of a symmetric matrix, A = L L', in place of its lower half. Two rows by two columns at a time, so
 * that each number read is used twice.
 *
 * @param size rows of the matrix
 * @returns false where the matrix is not positive definite; it is then half-written
 */
export function factorInPlace(matrix: Float64Array, size: number): boolean {
  for (let i = 0; i < size; i += 2) {
    const rows = i + 1 < size ? 2 : 1;
    const [p, q] = [i * size, (i + rows - 1) * size];
    for (let j = 0; j < i; j += 2) {
      const [r, t] = [j * size, (j + 1) * size];
      let pr = 0.0;
      let pt = 0.0;
      let qr = 0.0;
      let qt = 0.0;
      for (let k = 0; k < j; k++) {
        const x = matrix[p + k]!;
        const y = matrix[q + k]!;
        const u = matrix[r + k]!;
        const v = matrix[t + k]!;
        pr += x * u;
        pt += x * v;
        qr += y * u;
        qt += y * v;
      }
      const [upper, side, lower] = [matrix[r + j]!, matrix[t + j]!, matrix[t + j + 1]!];
      const first = (matrix[p + j]! - pr) / upper;
      const second = (matrix[p + j + 1]! - pt - first * side) / lower;
      if (rows === 2) {
        const third = (matrix[q + j]! - qr) / upper;
        matrix[q + j + 1] = (matrix[q + j + 1]! - qt - third * side) / lower;
        matrix[q + j] = third;
      }
      matrix[p + j] = first;
      matrix[p + j + 1] = second;
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
  // Column c of the factor's inverse lies in row c and is empty before c.
  for (let a = 0; a < size; a += 2) {
    const p = a * size;
    const q = Math.min(a + 1, size - 1) * size;
    for (let b = 0; b <= a; b += 2) {
      const r = b * size;
      const t = Math.min(b + 1, size - 1) * size;
      let pr = 0.0;
      let pt = 0.0;
      let qr = 0.0;
      let qt = 0.0;
      for (let k = a; k < size; k++) {
        const x = columns[p + k]!;
        const y = columns[q + k]!;
        const u = columns[r + k]!;
        const v = columns[t + k]!;
        pr += x * u;
        pt += x * v;
        qr += y * u;
        qt += y * v;
      }
      const [i, j] = [q / size, t / size];
      inverse[p + b] = inverse[r + a] = pr;
      inverse[p + j] = inverse[t + a] = pt;
      inverse[q + b] = inverse[r + i] = qr;
      inverse[q + j] = inverse[t + i] = qt;
    }
  }
  return inverse;
}

/** The inverse of a factor, each column in a row, so that all loops run along memory. */
function columnsOfInverse(factor: Float64Array, size: number): Float64Array {
  const columns = new Float64Array(size * size);
  for (let c = 0; c < size; c += 2) {
    const p = c * size;
    const two = c + 1 < size;
    const q = two ? p + size : p;
    columns[p + c] = 1 / factor[c * size + c]!;
    for (let i = c + 1; i < size; i++) {
      const row = i * size;
      let x = 0.0;
      let y = 0.0;
      for (let k = c; k < i; k++) {
        const value = factor[row + k]!;
        x += value * columns[p + k]!;
        y += value * columns[q + k]!;
      }
      const scale = factor[row + i]!;
      columns[p + i] = -x / scale;
      if (two) columns[q + i] = ((i === c + 1 ? 1 : 0) - y) / scale;
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

function dot(matrix: Float64Array, a: number, b: number, length: number): number {
  let sum = 0.0;
  for (let k = 0; k < length; k++) sum += matrix[a + k]! * matrix[b + k]!;
  return sum;
}
