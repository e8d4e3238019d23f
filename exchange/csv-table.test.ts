import { describe, expect, it } from 'vitest';
import { writeCsv } from './csv-table';

describe('writeCsv', () => {
  it('quotes as RFC 4180 asks, with CRLF at the end of each line', () => {
    expect(writeCsv(['name', 'note'], [{ name: 'Ona "Reed" Ferrel', note: 'two\nlines, a comma' }])).toBe(
      'name,note\r\n"Ona ""Reed"" Ferrel","two\nlines, a comma"\r\n',
    );
  });
  it.each(['=1+1', '+49 1', '-x', '@cmd', '\tx'])('neutralises %j', (text) => {
    expect(writeCsv(['a'], [{ a: text }])).toContain(`'${text}`);
  });
  it('leaves numbers alone, and writes nothing for null', () => {
    expect(writeCsv(['e', 'f'], [{ e: -1.3, f: null }])).toBe('e,f\r\n-1.3,\r\n');
  });
});
