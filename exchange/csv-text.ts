import Papa from 'papaparse';

export interface CsvText {
  header: string[];
  rows: { cells: string[]; line: number }[];
  delimiter: ',' | ';';
}

/** A line longer than this, or with more cells, is none of a table. */
const LONGEST_LINE = 20_000;
const MOST_CELLS = 200;

/**
 * The cells of a CSV file: UTF-8 with or without a byte order mark, comma or semicolon, empty lines
 * left out. Nothing is guessed: what cannot be read is said. Reading stops where the limits are passed,
 * so that a file of anything takes no longer than one of its kind.
 *
 * @param what it should be, for the message: "the roster".
 * @param mostLines that a file of its kind can have.
 */
export function readCsvText(bytes: Uint8Array, what: string, mostLines: number): CsvText | { problem: string } {
  if (bytes.length >= 2 && ((bytes[0] === 0xff && bytes[1] === 0xfe) || (bytes[0] === 0xfe && bytes[1] === 0xff))) {
    return { problem: 'The file is in UTF-16. Save it again as CSV in UTF-8 and choose it once more.' };
  }
  let text: string;
  try {
    text = new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return {
      problem:
        'The file is not in UTF-8, so names would be damaged. Save it again as CSV in UTF-8 and choose it once more.',
    };
  }
  if (text.trim() === '')
    return { problem: 'The file is empty. Choose a CSV file with a line of headers and a line for each entry.' };
  if (text.includes('\0')) return { problem: `This is not a text file. Save ${what} as CSV and choose it once more.` };
  const long = longLine(text);
  if (long !== null)
    return {
      problem: `Line ${long} is longer than a line of ${what} can be. Save ${what} as CSV and choose it once more.`,
    };
  const first = text.slice(0, text.search(/\r|\n|$/));
  const delimiter = first.includes(';') ? ';' : ',';
  const parsed = Papa.parse<string[]>(text, { delimiter, preview: mostLines + 2 });
  const quote = parsed.errors.find((error) => error.type === 'Quotes');
  if (quote) {
    const line = text.slice(0, quote.index ?? 0).split('\n').length;
    return {
      problem: `Line ${line} has a quotation mark that is never closed, so the lines after it run together. Mend that line and choose the file again.`,
    };
  }
  const [header = []] = parsed.data;
  const rows = parsed.data.slice(1);
  if (rows.length > mostLines)
    return {
      problem: `The file has ${linesIn(text)} lines; ${what} has ${mostLines} at most. Keep only the lines that belong to it.`,
    };
  const wide = parsed.data.findIndex((cells) => cells.length > MOST_CELLS);
  if (wide >= 0)
    return {
      problem: `Line ${wide + 1} has ${parsed.data[wide]!.length} cells, which is no line of ${what}. Save it as CSV and choose it once more.`,
    };
  const filled: CsvText['rows'] = [];
  for (let i = 0; i < rows.length; i++) if (rows[i]!.some(isFilled)) filled.push({ cells: rows[i]!, line: i + 2 });
  return { header: header.map((cell) => cell.trim()), delimiter, rows: filled };
}

/** Digits and letters are seen at once; only what begins with a space has to be trimmed. */
function isFilled(cell: string): boolean {
  return cell !== '' && (cell.charCodeAt(0) > 32 || cell.trim() !== '');
}

/** Lines under the header. */
function linesIn(text: string): number {
  let ends = 0;
  for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) ends++;
  return text.endsWith('\n') ? ends - 1 : ends;
}

/** Number of the first line that is too long, or null. */
function longLine(text: string): number | null {
  let line = 1;
  for (let from = 0; from < text.length; line++) {
    const end = text.indexOf('\n', from);
    const to = end < 0 ? text.length : end;
    // Old files end their lines with a carriage return alone.
    if (
      to - from > LONGEST_LINE &&
      Math.max(
        ...text
          .slice(from, to)
          .split('\r', 10_000)
          .map(({ length }) => length),
      ) > LONGEST_LINE
    )
      return line;
    from = to + 1;
  }
  return null;
}

/** Where the columns of a file are, by the names each may have; -1 for one that is not there. `unknown` are headings nobody asked for. */
export function columnsOf<Name extends string>(
  header: readonly string[],
  names: Record<Name, readonly string[]>,
): { at: Record<Name, number>; unknown: string[] } {
  const lower = header.map((cell) => cell.toLowerCase());
  const at = Object.fromEntries(
    Object.entries<readonly string[]>(names).map(([name, list]) => [
      name,
      lower.findIndex((cell) => list.includes(cell)),
    ]),
  ) as Record<Name, number>;
  const used = new Set<number>(Object.values(at));
  return { at, unknown: header.filter((cell, i) => cell !== '' && !used.has(i)) };
}
