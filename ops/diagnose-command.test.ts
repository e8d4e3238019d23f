import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { runCommand } from './testing/run-command';

const folder = mkdtempSync(join(tmpdir(), 'diagnose-'));

function run(content: string) {
  const file = join(folder, 'rows.csv');
  writeFileSync(file, content);
  const answer = runCommand('diagnose', file);
  const { data } = Papa.parse<Record<string, string>>(answer.stdout, { header: true, skipEmptyLines: true });
  return { ...answer, data };
}

describe('npm run diagnose', () => {
  it('adds what was computed to every case of the reference, as it stands there', () => {
    const { status, data } = run(readFileSync('core/findings/causes/reference/cases.csv', 'utf8'));
    expect(status).toBe(0);
    expect(data).toHaveLength(69);
    for (const row of data) {
      expect([row.case, row.problem, row.computed_verdict, row.computed_ask_next]).toEqual([
        row.case,
        '',
        row.verdict,
        row.ask_next,
      ]);
      for (const figure of ['p1', 'p2', 'p3', 'bits'])
        expect(Math.abs(Number(row[`computed_${figure}`]) - Number(row[figure]))).toBeLessThan(0.001);
    }
  });
  it('says in a row what is wrong with it, and goes on', () => {
    const { data } = run(
      'group,evidence\nroot,[]\nbench,"[""moonlight""]"\nbench,"{""a"":1}"\nbench,[\nbud,"[""top-left-on"",""stock-overtops"",""bud-looks-whole""]"\n',
    );
    expect(data.map(({ problem }) => problem)).toEqual([
      'There is no group "root". Known are bench, scion, bark, bud, patch, green.',
      'No table names the evidence "moonlight".',
      'The column evidence is a JSON list of codes.',
      'The column evidence is not valid JSON.',
      '',
    ]);
    expect(data[4]!.computed_first).toBe('starved');
  });
  it('refuses a file without the columns it needs', () => {
    const { status, stderr } = run('group,codes\nbench,[]\n');
    expect([status, stderr.trim()]).toEqual([2, expect.stringContaining('needs the columns group and evidence.')]);
  });
});
