import { describe, expect, it } from 'vitest';
import { readRoster } from './roster-csv';

const read = (text: string) => readRoster(new TextEncoder().encode(text));

describe('readRoster', () => {
  it('finds columns by header in any order, comma or semicolon, with or without a byte order mark', () => {
    const expected = {
      line: 2,
      name: 'Ona Ferrel',
      email: 'ona@reed.example',
      phone: '+99 12',
      mayContact: true,
      problems: [],
    };
    expect(read('name,e-mail,phone,leave to be contacted\nOna Ferrel,Ona@reed.example,+99 12,yes\n').lines).toEqual([
      expected,
    ]);
    expect(read('\uFEFFleave;phone;email;full name\r\nx;+99 12;ona@reed.example;Ona Ferrel\r\n').lines).toEqual([
      expected,
    ]);
  });
  it('keeps quoted delimiters and line breaks, and counts lines by record', () => {
    const { lines } = read('name,phone\n"Ferrel, Ona","1\n2"\nBram Ode,3\n');
    expect(lines.map(({ name }) => name)).toEqual(['Ferrel, Ona', 'Bram Ode']);
  });
  it('takes no leave for granted', () => {
    expect(read('name,email\nOna,ona@reed.example').lines[0]!.mayContact).toBe(false);
    expect(read('name,leave\nOna,perhaps').lines[0]!.problems[0]).toContain('enter yes or no');
  });
  it('says what is wrong with a line', () => {
    const { lines } = read(
      'name,email,phone\n,a@b.example,1\nOna,nowhere,1\n"=HYPERLINK(""x"")",o@b.example,1\nBram,b@b.example,=1+1\nBram,b@b.example,1,2\n',
    );
    expect(lines.map(({ problems }) => problems.join())).toEqual([
      'has no name',
      'has "nowhere", which is no e-mail address',
      expect.stringContaining('formula'),
      expect.stringContaining('formula'),
      expect.stringContaining('4 cells, the header 3'),
    ]);
  });
  it.each([
    [
      'a broken quote',
      new TextEncoder().encode('name,email\nOna,o@b.example\n"Bram,b@b.example\nCilla,c@b.example\n'),
      /Line 3 .*quotation mark/,
    ],
    ['another encoding', Uint8Array.from([...new TextEncoder().encode('name\nJos'), 0xe9]), /not in UTF-8/],
    ['UTF-16', Uint8Array.from([0xff, 0xfe, 110, 0]), /UTF-16/],
    ['no name column', new TextEncoder().encode('surname,email\nOna,o@b.example'), /No column is headed "name"/],
    ['nobody', new TextEncoder().encode('name,email\n'), /nobody/],
    ['nothing', new Uint8Array(), /empty/],
    [
      '50,000 lines',
      new TextEncoder().encode('name,email\n' + 'Ona,ona@reed.example\n'.repeat(50_000)),
      /50000 lines.*500 at most/,
    ],
  ])('refuses %s in words', (_name, bytes, message) => {
    const roster = readRoster(bytes);
    expect(roster.lines).toEqual([]);
    expect(roster.problem).toMatch(message);
  });
});
