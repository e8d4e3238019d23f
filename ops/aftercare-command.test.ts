import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { runCommand } from './testing/run-command';

const folder = mkdtempSync(join(tmpdir(), 'aftercare-'));

function run(content: string) {
  const file = join(folder, 'rows.csv');
  writeFileSync(file, content);
  return runCommand('aftercare', file);
}

describe('npm run aftercare', () => {
  it('adds what it computed to each row, in the same order, and says what is wrong with one', () => {
    const rows = [
      ['8', 'day', '{"kin":"stone","low":5.9,"high":19.2}'],
      ['3', 'window', '{"window":[7,7,7],"reference":0.25,"rates":[0.25,0.25,0.25]}'],
      ['5', 'growth', '{"observations":[],"reaches":165}'],
      ['2', 'visits', '{"days":[1,6,7,13,15,17,18],"windows":[[13,13],[18,23],[15,19],[11,17],[14,20]]}'],
      ['6', 'season', '{}'],
      ['1', 'day', '{"kin":"stone"'],
      ['9', 'shared', '{"dead":4,"of":3,"dead_beside":0,"of_beside":9}'],
      ['4', 'day', '[1]'],
    ];
    const answer = run(Papa.unparse({ fields: ['case', 'kind', 'inputs'], data: rows }));
    expect(answer.status).toBe(0);
    const table = Papa.parse<Record<string, string>>(answer.stdout, { header: true, skipEmptyLines: true });
    expect(table.meta.fields).toEqual(['case', 'kind', 'inputs', 'computed', 'problem']);
    expect(table.data.map((row) => row.case)).toEqual(rows.map(([id]) => id));
    expect(Number(table.data[0]!.computed)).toBeCloseTo(0.4232, 3);
    expect(table.data.slice(1, 4).map(({ computed }) => JSON.parse(computed!) as unknown)).toEqual([
      [7, 7, 7],
      null,
      { fewest: 2, unreached: 0 },
    ]);
    for (const row of table.data.slice(4))
      expect(row).toMatchObject({ computed: '', problem: expect.stringMatching(/\w/) as string });
  });
  it('names a file it cannot read and one without its columns', () => {
    const gone = runCommand('aftercare', join(folder, 'gone.csv'));
    expect([gone.status, gone.stderr]).toEqual([2, expect.stringContaining('Cannot read') as string]);
    const other = run('model,inputs\nwhip,{}\n');
    expect([other.status, other.stderr]).toEqual([2, expect.stringContaining('columns kind and inputs') as string]);
  });
});
