/**
 * Rows by their id, to look many up at once.
 *
 * @example byId([{ id: 'a', name: 'Bed 1' }]).get('a')?.name // 'Bed 1'
 */
export function byId<Row extends { id: string }>(rows: readonly Row[]): Map<string, Row> {
  return new Map(rows.map((row) => [row.id, row]));
}
