import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { columnsOf, type CsvText, readCsvText } from './csv-text';

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text);
const read = (text: string | Uint8Array, most = 100): CsvText | { problem: string } =>
  readCsvText(typeof text === 'string' ? bytes(text) : text, 'the roster', most);
function table(text: string): CsvText {
  const found = read(text);
  if ('problem' in found) throw new Error(found.problem);
  return found;
}
function problem(text: string | Uint8Array, most = 100): string {
  const found = read(text, most);
  if (!('problem' in found)) throw new Error('It was read.');
  return found.problem;
}

describe('the cells of a CSV file', () => {
  it('are read with their line, by comma or semicolon, with or without a byte order mark', () => {
    for (const text of ['name,e-mail\nOna,ona@reed.example\n', '\ufeffname,e-mail\r\nOna,ona@reed.example'])
      expect(table(text)).toEqual({
        header: ['name', 'e-mail'],
        delimiter: ',',
        rows: [{ cells: ['Ona', 'ona@reed.example'], line: 2 }],
      });
    expect(table('name;note\nOna;left, then right\n')).toMatchObject({
      delimiter: ';',
      rows: [{ cells: ['Ona', 'left, then right'] }],
    });
  });
  it('keep the number of their line where empty ones lie between', () => {
    expect(table('name\n\n ,\nOna\n\nBram\n').rows.map(({ cells, line }) => [cells[0], line])).toEqual([
      ['Ona', 4],
      ['Bram', 6],
    ]);
  });
  it('hold what stands in quotation marks, line ends too', () => {
    expect(table('name,note\n"Ferrel, Ona","two\nlines, ""quoted"""\n').rows[0]!.cells).toEqual([
      'Ferrel, Ona',
      'two\nlines, "quoted"',
    ]);
  });
  it('come back as they were written, whatever they hold', () => {
    const cell = fc.string({ maxLength: 12, unit: 'grapheme' }).filter((text) => !/[\0\r\n\ufeff]/.test(text));
    const quoted = (text: string): string => `"${text.replaceAll('"', '""')}"`;
    fc.assert(
      fc.property(fc.array(fc.array(cell, { minLength: 2, maxLength: 4 }), { minLength: 1, maxLength: 6 }), (rows) => {
        const written = ['first,second', ...rows.map((cells) => cells.map(quoted).join(','))].join('\n');
        const filled = rows.filter((cells) => cells.some((text) => text.trim() !== ''));
        expect(table(written).rows.map(({ cells }) => cells)).toEqual(filled);
      }),
    );
  });
});

describe('a file that cannot be read', () => {
  it('says in which letters it is, and what to do', () => {
    expect(problem(new Uint8Array([0xff, 0xfe, 65, 0]))).toContain('UTF-16');
    expect(problem(new Uint8Array([0xfe, 0xff, 0, 65]))).toContain('UTF-16');
    // Latin letters of another encoding: names would be damaged.
    expect(problem(new Uint8Array([110, 97, 109, 101, 10, 74, 233, 114, 10]))).toContain('not in UTF-8');
  });
  it('is empty, or no text at all', () => {
    for (const text of ['', ' \n\n ', '\ufeff']) expect(problem(text)).toContain('The file is empty.');
    expect(problem('name\n\0\n')).toContain('not a text file');
  });
  it('names the line with a quotation mark that is never closed', () => {
    expect(problem('name,note\nOna,fine\nBram,"open\nSedge,fine\n')).toMatch(/^Line 3 has a quotation mark/);
  });
  it('has more lines than one of its kind, and says how many', () => {
    const lines = (count: number): string => ['name', ...Array.from({ length: count }, (_, i) => `p${i}`)].join('\n');
    expect(table(lines(100)).rows).toHaveLength(100);
    expect(problem(lines(101))).toContain('The file has 101 lines; the roster has 100 at most.');
    expect(problem(lines(5000))).toContain('5000 lines');
  });
  it('has a line too long or too wide for a table', () => {
    expect(problem(`name\n${'x'.repeat(20_001)}\n`)).toContain('Line 2 is longer');
    expect(problem(`name\nok\n${'x'.repeat(30_000)}`)).toContain('Line 3 is longer');
    expect(problem(`name\n${','.repeat(250)}\n`)).toContain('Line 2 has 251 cells');
    // Old line ends make no long line of many short ones.
    expect(table(`name\r${'p\r'.repeat(60)}`).rows).toHaveLength(60);
  });
});

describe('the columns of a file', () => {
  const NAMES = { name: ['name', 'who'], mail: ['e-mail', 'mail'] } as const;
  it('are found by any name they go under, however it is written', () => {
    expect(columnsOf(['Mail', 'WHO'], NAMES)).toEqual({ at: { name: 1, mail: 0 }, unknown: [] });
    expect(columnsOf(['who'], NAMES).at).toEqual({ name: 0, mail: -1 });
  });
  it('that nobody asked for are named, empty headings not', () => {
    expect(columnsOf(['name', 'shoe size', '', 'age'], NAMES).unknown).toEqual(['shoe size', 'age']);
  });
});
