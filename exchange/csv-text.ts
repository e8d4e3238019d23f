import Papa from 'papaparse';

export interface CsvText {
  header: string[];
  rows: { cells: string[]; line: number }[];
  delimiter: ',' | ';';
}

/**
 * The cells of a CSV file: UTF-8 with or without a byte order mark, comma or semicolon, empty lines
 * left out. Nothing is guessed: what cannot be read is said.
 *
 * @param what it should be, for the message: "the roster".
 */
export function readCsvText(bytes: Uint8Array, what: string): CsvText | { problem: string } {
  if (bytes.length >= 2 && ((bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff))) {
    return { problem: 'The file is in UTF-16. Save it again as CSV in UTF-8 and choose it once more.' };
  }
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return { problem: 'The file is not in UTF-8, so names would be damaged. Save it again as CSV in UTF-8 and choose it once more.' };
  }
  if (text.trim() === '') return { problem: 'The file is empty. Choose a CSV file with a line of headers and a line for each entry.' };
  if (text.includes('\0')) return { problem: `This is not a text file. Save ${what} as CSV and choose it once more.` };
  const first = text.slice(0, text.search(/\r|\n|$/));
  const delimiter = first.includes(';') ? ';' : ',';
  const parsed = Papa.parse<string[]>(text, { delimiter });
  const quote = parsed.errors.find((error) => error.type === 'Quotes');
  if (quote) {
    const line = text.slice(0, quote.index ?? 0).split('\n').length;
    return { problem: `Line ${line} has a quotation mark that is never closed, so the lines after it run together. Mend that line and choose the file again.` };
  }
  const [header = [], ...rows] = parsed.data;
  return { header: header.map((cell) => cell.trim()), delimiter, rows: rows.map((cells, i) => ({ cells, line: i + 2 })).filter(({ cells }) => cells.some((cell) => cell.trim() !== '')) };
}

/** Where the columns of a file are, by the names each may have; -1 for one that is not there. `unknown` are headings nobody asked for. */
export function columnsOf<Name extends string>(header: readonly string[], names: Record<Name, readonly string[]>): { at: Record<Name, number>; unknown: string[] } {
  const lower = header.map((cell) => cell.toLowerCase());
  const at = Object.fromEntries(Object.entries<readonly string[]>(names).map(([name, list]) => [name, lower.findIndex((cell) => list.includes(cell))])) as Record<Name, number>;
  const used = new Set<number>(Object.values(at));
  return { at, unknown: header.filter((cell, i) => cell !== '' && !used.has(i)) };
}
