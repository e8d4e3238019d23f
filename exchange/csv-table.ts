import Papa from 'papaparse';

/**
 * Rows as CSV (RFC 4180, UTF-8). Text that a spreadsheet would run as a formula gets an apostrophe
 * in front; numbers are written as numbers, negative ones too.
 */
export function writeCsv(columns: string[], rows: Record<string, string | number | boolean | null>[]): string {
  return (
    Papa.unparse(
      { fields: columns, data: rows.map((row) => columns.map((column) => row[column] ?? '')) },
      { newline: '\r\n', escapeFormulae: true },
    ) + '\r\n'
  );
}
