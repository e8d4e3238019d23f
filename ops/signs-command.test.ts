import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { runCommand } from './testing/run-command';

const folder = mkdtempSync(join(tmpdir(), 'signs-'));

function run(content: string) {
  const file = join(folder, 'rows.csv');
  writeFileSync(file, content);
  return runCommand('signs', file);
}

describe('npm run signs', () => {
  it('adds answer and next look to every reference case, as they stand there', () => {
    const answer = run(readFileSync('core/follow-up/signs/reference/cases.csv', 'utf8'));
    expect(answer.status).toBe(0);
    const { data } = Papa.parse<Record<string, string>>(answer.stdout, { header: true, skipEmptyLines: true });
    expect(data).toHaveLength(128);
    for (const row of data)
      expect([row.case, row.computed_answer, row.computed_next_look, row.problem]).toEqual([
        row.case,
        row.answer,
        row.next_look,
        '',
      ]);
  });
  it('says in a row what is wrong with it, and goes on', () => {
    const { stdout } = run(
      'variant,day,since_leaf,signs\nbench,x,,{}\nbench,30,,{"callus":"much"}\nbench,30,,{\nbench,30,,{}\n',
    );
    const { data } = Papa.parse<Record<string, string>>(stdout, { header: true, skipEmptyLines: true });
    expect(data.map(({ problem }) => problem)).toEqual([
      'The column day is missing or no number of days.',
      'The sign callus is one of ring, part, none.',
      'The column signs is not valid JSON.',
      '',
    ]);
    expect(data[3]!.computed_answer).toBe('likely dead');
  });
});
