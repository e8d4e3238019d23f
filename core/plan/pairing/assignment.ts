/**
 * The assignment of rows to columns, each at most once, of the greatest sum: the shortest
 * augmenting path form of the Hungarian method (H. W. Kuhn 1955; J. Munkres 1957), O(n^2 m).
 *
 * @param worth of row i with column j, finite; rows may outnumber columns or the other way round.
 * @returns for each row its column, or -1 where there are more rows than columns.
 * @throws RangeError for rows of unlike length or a worth that is no number.
 * @example assign([[1, 3], [2, 5]]) // [0, 1]
 */
export function assign(worth: readonly (readonly number[])[]): number[] {
  const rows = worth.length;
  if (rows === 0) return [];
  const columns = worth[0]!.length;
  for (const row of worth) {
    if (row.length !== columns) throw new RangeError('All rows need the same number of columns.');
    for (const value of row)
      if (!Number.isFinite(value)) throw new RangeError('Every worth has to be a finite number.');
  }
  if (rows > columns) {
    const turned = assign(Array.from({ length: columns }, (_, j) => worth.map((row) => row[j]!)));
    const result = Array<number>(rows).fill(-1);
    turned.forEach((row, column) => {
      if (row >= 0) result[row] = column;
    });
    return result;
  }
  // Potentials of rows and columns, counted from 1; column 0 stands for "not yet".
  const u = new Float64Array(rows + 1);
  const v = new Float64Array(columns + 1);
  const rowOf = new Int32Array(columns + 1);
  const from = new Int32Array(columns + 1);
  for (let row = 1; row <= rows; row++) {
    rowOf[0] = row;
    let column = 0;
    const least = new Float64Array(columns + 1).fill(Infinity);
    const used = new Uint8Array(columns + 1);
    do {
      used[column] = 1;
      const at = rowOf[column]!;
      const list = worth[at - 1]!;
      let delta = Infinity;
      let next = 0;
      for (let j = 1; j <= columns; j++) {
        if (used[j]) continue;
        // Worth is greatest where its negative is least.
        const reduced = -list[j - 1]! - u[at]! - v[j]!;
        if (reduced < least[j]!) {
          least[j] = reduced;
          from[j] = column;
        }
        if (least[j]! < delta) {
          delta = least[j]!;
          next = j;
        }
      }
      for (let j = 0; j <= columns; j++) {
        if (used[j]) {
          u[rowOf[j]!]! += delta;
          v[j]! -= delta;
        } else least[j]! -= delta;
      }
      column = next;
    } while (rowOf[column] !== 0);
    while (column !== 0) {
      const before = from[column]!;
      rowOf[column] = rowOf[before]!;
      column = before;
    }
  }
  const result = Array<number>(rows).fill(-1);
  for (let j = 1; j <= columns; j++) if (rowOf[j]! > 0) result[rowOf[j]! - 1] = j - 1;
  return result;
}
