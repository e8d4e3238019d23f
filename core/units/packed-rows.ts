/**
 * Rows on their way to a browser: each column tells its values once and each row names them by number, so that ids and
 * words which many rows share are sent once.
 */
export interface PackedRows<Row extends object> {
  columns: { [Name in keyof Row]: readonly Row[Name][] };
  /** By row, for each column in the order of `columns`, which of its values. */
  rows: readonly (readonly number[])[];
}

/**
 * Packs rows that all have the same keys.
 *
 * @throws {RangeError} when a row has another key, or lacks one
 * @example
 * packRows([{ lot: 'a', n: 1 }, { lot: 'a', n: 2 }]) // { columns: { lot: ['a'], n: [1, 2] }, rows: [[0, 0], [0, 1]] }
 */
export function packRows<Row extends object>(rows: readonly Row[]): PackedRows<Row> {
  const names = Object.keys(rows[0] ?? {}) as (keyof Row & string)[];
  const columns = names.map((name) => ({
    name,
    values: [] as unknown[],
    plain: new Map<unknown, number>(),
    objects: new Map<unknown, number>(),
  }));
  const packed = rows.map((row) => {
    if (Object.keys(row).length !== names.length || names.some((name) => !(name in row)))
      throw new RangeError('Rows that are packed together have the same keys.');
    return columns.map(({ name, values, plain, objects }) => {
      const value = row[name];
      // Two spots are the same when they say the same.
      const [at, key] = typeof value === 'object' && value ? [objects, JSON.stringify(value)] : [plain, value];
      const known = at.get(key);
      if (known !== undefined) return known;
      at.set(key, values.length);
      return values.push(value) - 1;
    });
  });
  return {
    columns: Object.fromEntries(
      columns.map(({ name, values }) => [name, values]),
    ) as unknown as PackedRows<Row>['columns'],
    rows: packed,
  };
}

/** The rows again. */
export function unpackRows<Row extends object>({ columns, rows }: PackedRows<Row>): Row[] {
  const named = Object.entries(columns) as [string, readonly unknown[]][];
  return rows.map(
    (row) => Object.fromEntries(named.map(([name, values], column) => [name, values[row[column]!]])) as Row,
  );
}
