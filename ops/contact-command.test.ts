import { spawnSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import Papa from 'papaparse';
import { describe, expect, it } from 'vitest';
import { runCommand } from './testing/run-command';

const folder = mkdtempSync(join(tmpdir(), 'contact-'));

function run(content: string) {
  const file = join(folder, 'rows.csv');
  writeFileSync(file, content);
  return runCommand('contact', file);
}

describe('npm run contact', () => {
  it('adds its columns to each row, in the same order, and says what is wrong with one', () => {
    const good = JSON.stringify({ Ds: 10, bs: 1, Dc: 7, bc: 0.8, Ls: 35, Lc: 35, e: 1.3, t: 0.5, g: 0.3 });
    const thick = JSON.stringify({ Ds: 10, bs: 5, Dc: 7, bc: 0.8, Ls: 35, Lc: 35 });
    const rows = [
      ['9', 'splice', good],
      ['4', 'glue', '{"p":1}'],
      ['5', 'patch', '{"Hp":30,"Hw":30.4,"wp":15,"ww":16}'],
      ['7', 'whip', thick],
      ['1', 'whip', '{'],
      ['2', 'whip', '{"Ds":10}'],
    ];
    const answer = run(Papa.unparse({ fields: ['case', 'model', 'inputs'], data: rows }));
    expect(answer.status).toBe(0);
    const table = Papa.parse<Record<string, string>>(answer.stdout, { header: true, skipEmptyLines: true });
    expect(table.meta.fields).toEqual([
      'case',
      'model',
      'inputs',
      'computed',
      'computed_left',
      'computed_right',
      'computed_grade',
      'problem',
    ]);
    expect(table.data.map((row) => row.case)).toEqual(['9', '4', '5', '7', '1', '2']);
    expect(Math.abs(Number(table.data[0]!.computed) - 0.5253)).toBeLessThanOrEqual(0.002);
    expect(table.data[0]).toMatchObject({
      inputs: good,
      computed_left: '0.0000',
      computed_right: '1.0000',
      computed_grade: 'good',
      problem: '',
    });
    expect(table.data[1]!.problem).toContain('no contact model "glue"');
    expect(table.data[2]).toMatchObject({ computed: '1.0000', computed_left: '', computed_grade: '', problem: '' });
    expect(table.data[3]!.problem).toContain('bark is as thick as its radius');
    expect(table.data[4]!.problem).toContain('not valid JSON');
    expect(table.data[5]!.problem).toContain('"Ls" is missing');
  }, 20_000);
  it('says how it is used', () => {
    expect(run('a,b\n1,2\n').stderr).toContain('needs the columns model and inputs');
    expect(spawnSync('npm', ['run', '-s', 'contact'], { encoding: 'utf8' }).status).toBe(2);
  }, 20_000);
});
