import fc from 'fast-check';
import { CholeskyDecomposition, inverse, Matrix } from 'ml-matrix';
import { describe, expect, it } from 'vitest';
import { factorInPlace, inverseOf, logDeterminant, solveInPlace } from './cholesky';

const positive = fc.integer({ min: 1, max: 15 }).chain((size) =>
  fc
    .array(fc.double({ min: -2, max: 2, noNaN: true }), { minLength: size * size, maxLength: size * size })
    .map((values) => {
      const square = new Matrix(Array.from({ length: size }, (_, i) => values.slice(i * size, (i + 1) * size)));
      return square.mmul(square.transpose()).add(Matrix.eye(size));
    }),
);

describe('Cholesky', () => {
  it('factors, solves and inverts as the kept package does, for any size', () => {
    fc.assert(
      fc.property(positive, (matrix) => {
        const size = matrix.rows;
        const factor = Float64Array.from(matrix.to1DArray());
        expect(factorInPlace(factor, size)).toBe(true);
        const other = new CholeskyDecomposition(matrix).lowerTriangularMatrix;
        for (let i = 0; i < size; i++)
          for (let j = 0; j <= i; j++) expect(factor[i * size + j]).toBeCloseTo(other.get(i, j), 8);
        const inverted = inverse(matrix);
        inverseOf(factor, size).forEach((value, at) =>
          expect(value).toBeCloseTo(inverted.get(Math.floor(at / size), at % size), 7),
        );
        const b = Float64Array.from({ length: size }, (_, i) => i + 1);
        solveInPlace(factor, size, b);
        expect(matrix.mmul(Matrix.columnVector([...b])).get(size - 1, 0)).toBeCloseTo(size, 7);
        const product = other.diagonal().reduce((sum, value) => sum + 2 * Math.log(value), 0);
        expect(logDeterminant(factor, size, size)).toBeCloseTo(product, 8);
      }),
    );
  });
  it('says when a matrix is not positive', () => {
    expect(factorInPlace(Float64Array.from([1, 2, 2, 1]), 2)).toBe(false);
    expect(factorInPlace(Float64Array.from([0]), 1)).toBe(false);
  });
});
